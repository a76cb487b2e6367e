import { z } from "zod";
import { readRosterTables, RosterError, type OneRoster, type RosterRow } from "./one-roster";

/**
 * What a directory answers over OneRoster 1.2 Rostering's REST binding (1EdTech; names from memory of the published binding), as the tables of its CSV
 * binding: one way to read both.
 */
export const collections = ["orgs", "classes", "users", "enrollments"] as const;
export type Collection = (typeof collections)[number];

const Text = z.union([z.string(), z.number(), z.boolean()]).transform(String);
const Reference = z.object({ sourcedId: z.string() });
const Base = { sourcedId: z.string(), status: z.string().optional() };

const shapes = {
  orgs: z.object({ ...Base, name: z.string(), type: z.string().optional() }),
  classes: z.object({
    ...Base,
    title: z.string(),
    classType: z.string().optional(),
    grades: z.array(Text).optional(),
    subjects: z.array(z.string()).optional(),
    school: Reference.optional(),
  }),
  users: z.object({
    ...Base,
    givenName: z.string(),
    familyName: z.string(),
    email: z.string().nullish(),
    grades: z.array(Text).optional(),
    roles: z.array(z.object({ role: z.string(), roleType: z.string().optional(), org: Reference.optional() })),
  }),
  enrollments: z.object({
    ...Base,
    class: Reference,
    user: Reference,
    school: Reference.optional(),
    role: z.string(),
    beginDate: z.string().nullish(),
    endDate: z.string().nullish(),
  }),
} as const;

/** Commas separate the parts of a cell. */
const cell = (parts: readonly string[] | undefined) => (parts ?? []).map((part) => part.replaceAll(",", " ")).join(",");
const status = (said: string | undefined) => (said?.toLowerCase() === "tobedeleted" ? "tobedeleted" : "");

const rowOf: { [Name in Collection]: (one: z.infer<(typeof shapes)[Name]>) => RosterRow } = {
  orgs: (one) => ({ sourcedId: one.sourcedId, name: one.name }),
  classes: (one) => ({
    ...{ sourcedId: one.sourcedId, status: status(one.status), title: one.title, classType: one.classType ?? "" },
    ...{ grades: cell(one.grades), subjects: cell(one.subjects), schoolSourcedId: one.school?.sourcedId ?? "" },
  }),
  users: (one) => ({
    ...{ sourcedId: one.sourcedId, status: status(one.status), givenName: one.givenName, familyName: one.familyName },
    ...{ email: one.email ?? "", grades: cell(one.grades) },
    orgSourcedIds: cell([...new Set(one.roles.flatMap(({ org }) => org?.sourcedId ?? []))]),
  }),
  enrollments: (one) => ({
    ...{ sourcedId: one.sourcedId, status: status(one.status), role: one.role },
    ...{ classSourcedId: one.class.sourcedId, userSourcedId: one.user.sourcedId },
    ...{ schoolSourcedId: one.school?.sourcedId ?? "", beginDate: one.beginDate ?? "", endDate: one.endDate ?? "" },
  }),
};

/**
 * Reads everything a directory answered: each collection's things, all its pages together.
 * @param school of a directory with several, the one to read
 * @throws RosterError when it is no such answer; single things that cannot be read are in `problems`
 */
export function readRosterAnswers(
  answers: Readonly<Record<Collection, readonly unknown[]>>,
  school: string | null = null,
): OneRoster {
  const problems: OneRoster["problems"] = [];
  const tables = new Map<string, RosterRow[]>();
  for (const name of collections) {
    const rows = answers[name].flatMap((one, at) => {
      const read = shapes[name].safeParse(one);
      if (read.success) return [rowOf[name](read.data as never)];
      const [issue] = read.error.issues;
      problems.push({ file: name, line: at + 1, text: `${issue?.path.join(".")} cannot be read.` });
      return [];
    });
    if (rows.length === 0 && answers[name].length > 0)
      throw new RosterError(`What the directory says of its ${name} cannot be read.`);
    tables.set(`${name}.csv`, rows);
  }
  if (tables.get("classes.csv")!.length === 0) throw new RosterError("The directory has no classes to bring in.");
  tables.set(
    "roles.csv",
    answers.users.flatMap((one) => {
      const read = shapes.users.safeParse(one);
      if (!read.success) return [];
      return read.data.roles.map(({ role, roleType }) => ({
        ...{ userSourcedId: read.data.sourcedId, role, roleType: roleType ?? "primary" },
      }));
    }),
  );
  const roster = readRosterTables((file) => tables.get(file) ?? [], { version: "1.2", mode: "bulk" }, school);
  const named = roster.problems.map((one) => ({ ...one, file: one.file.replace(/\.csv$/, ""), line: one.line - 1 }));
  return { ...roster, problems: [...problems, ...named] };
}
