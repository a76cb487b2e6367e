import Papa from "papaparse";
import { readGrade } from "@/core/roster/read-roster";
import { decodeText } from "./decode-text";
import { readZip, ZipError } from "./read-zip";

/**
 * OneRoster 1.1 and 1.2 as a zip of CSV files (1EdTech; column names from memory of the published bindings). Only what a
 * class needs is read: schools, classes, people, who is in which class.
 */
export interface OneRosterStudent {
  rosterId: string;
  givenName: string;
  familyName: string;
  grade: number | null;
}

export interface OneRosterClass {
  rosterId: string;
  name: string;
  subject: string;
  grades: number[];
  homeroom: boolean;
}

export interface OneRosterEnrolment {
  class: string;
  person: string;
  role: "student" | "teacher";
  from: string | null;
  to: string | null;
}

export interface OneRoster {
  version: "1.1" | "1.2";
  /** "bulk": what is not in the file is over. "delta": only what is said to be deleted is. */
  mode: "bulk" | "delta";
  /** The schools of a file that holds several: without one of them chosen nothing else is read. Empty: it holds one. */
  schools: { id: string; name: string }[];
  students: OneRosterStudent[];
  teachers: { rosterId: string; name: string; email: string }[];
  classes: OneRosterClass[];
  enrolments: OneRosterEnrolment[];
  /** Of a delta: students and enrolments that are to be deleted, by identifier or by class and person. */
  gone: { students: string[]; enrolments: { class: string; person: string }[] };
  /** Rows that could not be read: the file, the line in it, and why. */
  problems: { file: string; line: number; text: string }[];
}

/** Why a file is no roster at all. */
export class RosterError extends Error {
  constructor(message: string) {
    super(message);
    this.name = "RosterError";
  }
}

/** A row of a table, by the names of its columns. */
export type RosterRow = Record<string, string>;
type Row = RosterRow;
const LARGEST = 40_000_000;
const MOST_ROWS = 60_000;

const MOST_FILES = 200;

/** The tables of a roster by their names, whatever folder they are in. */
function filesOf(bytes: Uint8Array): Map<string, string> {
  try {
    const limits = { files: MOST_FILES, bytes: LARGEST, name: "roster" };
    const files = readZip(bytes, limits, (name) => /\.csv$/i.test(name));
    return new Map([...files].map(([name, file]) => [name.split("/").pop()!.toLowerCase(), decodeText(file)]));
  } catch (error) {
    throw error instanceof ZipError ? new RosterError(error.message) : error;
  }
}

function rowsOf(text: string | undefined, file: string, needed: readonly string[]): Row[] {
  if (text === undefined) return [];
  const { data, meta } = Papa.parse<Row>(text.replace(/^\uFEFF/, "").replace(/\r\n?/g, "\n"), {
    header: true,
    skipEmptyLines: "greedy",
    preview: MOST_ROWS + 1,
  });
  const missing = needed.filter((name) => !meta.fields?.includes(name));
  if (missing.length > 0) throw new RosterError(`${file} has no column ${missing.join(", ")}.`);
  if (data.length > MOST_ROWS) throw new RosterError(`${file} has more than ${MOST_ROWS} lines.`);
  return data;
}

/** The schools classes are of, with their names where the file says them. */
function schoolsOf(classes: readonly Row[], organisations: readonly Row[]): OneRoster["schools"] {
  const names = new Map(organisations.map((row) => [row.sourcedId!.trim(), row.name!.trim().slice(0, 120)]));
  const ids = [...new Set(classes.flatMap((row) => row.schoolSourcedId?.trim() || []))];
  return ids.length < 2
    ? []
    : ids.map((id) => ({ id, name: names.get(id) || id })).sort((one, other) => one.name.localeCompare(other.name));
}

const list = (cell: string | undefined) =>
  (cell ?? "")
    .split(",")
    .map((part) => part.trim())
    .filter(Boolean);
const dateOf = (cell: string | undefined) => (/^\d{4}-\d\d-\d\d/.exec(cell ?? "") ? cell!.slice(0, 10) : null);

/**
 * @param school of a file with several, the one to read
 * @throws RosterError when it is no OneRoster file; single rows that cannot be read are in `problems`
 */
export function readOneRoster(bytes: Uint8Array, school: string | null = null): OneRoster {
  const files = filesOf(bytes);
  const manifest = new Map(
    rowsOf(files.get("manifest.csv"), "manifest.csv", ["propertyName", "value"]).map((row) => [
      row.propertyName,
      row.value,
    ]),
  );
  const version = manifest.get("oneroster.version") === "1.2" || files.has("roles.csv") ? "1.2" : "1.1";
  const mode = manifest.get("file.enrollments") === "delta" ? "delta" : "bulk";
  // Of a delta, what has not changed may be missing altogether.
  const needed = mode === "delta" ? ["enrollments.csv"] : ["users.csv", "classes.csv", "enrollments.csv"];
  const missing = needed.filter((name) => !files.has(name));
  if (missing.length > 0)
    throw new RosterError(`This zip has no ${missing.join(", ")}, so it is not a OneRoster file.`);
  return readRosterTables((file, columns) => rowsOf(files.get(file), file, columns), { version, mode }, school);
}

/**
 * Reads a roster from its tables, wherever they are from. `rowsIn`: the rows of a table by its name in the CSV binding; none where it is missing.
 * @throws RosterError
 */
export function readRosterTables(
  rowsIn: (file: string, needed: readonly string[]) => Row[],
  { version, mode }: Pick<OneRoster, "version" | "mode">,
  school: string | null,
): OneRoster {
  const problems: OneRoster["problems"] = [];
  const read = (file: string, needed: readonly string[]) =>
    rowsIn(file, needed).flatMap((row, at) => {
      const line = at + 2;
      const lacking = needed.filter((name) => !row[name]?.trim());
      if (lacking.length === 0) return [{ row, line, gone: row.status === "tobedeleted" }];
      problems.push({ file, line, text: `${lacking.join(", ")} is empty.` });
      return [];
    });

  const allClasses = read("classes.csv", ["sourcedId", "title"]);
  const schools = schoolsOf(
    allClasses.map(({ row }) => row),
    rowsIn("orgs.csv", ["sourcedId", "name"]),
  );
  const chosen = schools.length > 1 ? school : null;
  if (chosen !== null && !schools.some(({ id }) => id === chosen))
    throw new RosterError("This roster does not hold that school.");
  const empty = { students: [], teachers: [], classes: [], enrolments: [], gone: { students: [], enrolments: [] } };
  if (schools.length > 1 && chosen === null) return { version, mode, schools, ...empty, problems: [] };
  const isOfSchool = (row: Row) => chosen === null || !row.schoolSourcedId || row.schoolSourcedId.trim() === chosen;
  const elsewhere = (row: Row) =>
    chosen !== null && list(row.orgSourcedIds).length > 0 && !list(row.orgSourcedIds).includes(chosen);

  const roles = new Map<string, string>();
  for (const { row, gone } of read("roles.csv", ["userSourcedId", "role"]))
    if (!gone && (row.roleType !== "secondary" || !roles.has(row.userSourcedId!)))
      roles.set(row.userSourcedId!, row.role!);

  const students: OneRosterStudent[] = [];
  const teachers: OneRoster["teachers"] = [];
  const goneStudents: string[] = [];
  const known = new Set<string>();
  for (const { row, line, gone } of read("users.csv", ["sourcedId", "givenName", "familyName"])) {
    const id = row.sourcedId!.trim();
    if (elsewhere(row)) continue;
    const role = (version === "1.2" ? roles.get(id) : row.role)?.toLowerCase();
    if (known.has(id)) {
      problems.push({ file: "users.csv", line, text: `${id} is there twice.` });
      continue;
    }
    if (role !== "student" && role !== "teacher") {
      // Parents, aides and others have no place in a class; only a missing role is a mistake.
      if (!role) problems.push({ file: "users.csv", line, text: `${id} has no role.` });
      continue;
    }
    known.add(id);
    if (role === "teacher")
      teachers.push({ rosterId: id, name: `${row.givenName} ${row.familyName}`, email: row.email?.trim() ?? "" });
    else if (gone) goneStudents.push(id);
    else {
      const [grade] = list(row.grades);
      const level = grade === undefined ? null : readGrade(grade);
      if (grade !== undefined && level === null) {
        problems.push({ file: "users.csv", line, text: `“${grade}” is not a grade from K to 12.` });
        continue;
      }
      students.push({
        rosterId: id,
        givenName: row.givenName!.trim(),
        familyName: row.familyName!.trim(),
        grade: level,
      });
    }
  }

  const classRows = allClasses.filter(({ row }) => isOfSchool(row));
  for (const { row, line, gone } of classRows)
    if (gone)
      problems.push({
        file: "classes.csv",
        line,
        text: `${row.title} is marked as deleted. Put it away by hand: its work and results are kept.`,
      });
  const classes = classRows.flatMap(({ row, gone }): OneRosterClass[] =>
    gone
      ? []
      : [
          {
            rosterId: row.sourcedId!.trim(),
            name: row.title!.trim().slice(0, 80),
            subject: list(row.subjects)[0] ?? "",
            grades: list(row.grades).flatMap((grade) => readGrade(grade) ?? []),
            homeroom: row.classType?.trim().toLowerCase() === "homeroom",
          },
        ],
  );
  const classIds = new Set(classes.map(({ rosterId }) => rosterId));
  const people = new Set([...students.map(({ rosterId }) => rosterId), ...teachers.map(({ rosterId }) => rosterId)]);
  const enrolments: OneRosterEnrolment[] = [];
  const goneEnrolments: { class: string; person: string }[] = [];
  for (const { row, line, gone } of read("enrollments.csv", ["classSourcedId", "userSourcedId", "role"])) {
    if (!isOfSchool(row)) continue;
    const [group, person, role] = [row.classSourcedId!.trim(), row.userSourcedId!.trim(), row.role!.toLowerCase()];
    if (gone) {
      goneEnrolments.push({ class: group, person });
      continue;
    }
    if (role !== "student" && role !== "teacher") continue;
    // Of a file with several schools, an enrolment may not say its own: its class does.
    if (chosen !== null && !row.schoolSourcedId && !classIds.has(group)) continue;
    // Of a delta, the class and the person may have come with an earlier file.
    const missing = mode === "delta" ? null : !classIds.has(group) ? group : !people.has(person) ? person : null;
    if (missing !== null) {
      problems.push({ file: "enrollments.csv", line, text: `There is no ${missing} in this roster.` });
      continue;
    }
    enrolments.push({ class: group, person, role, from: dateOf(row.beginDate), to: dateOf(row.endDate) });
  }
  return {
    version,
    mode,
    schools,
    students,
    teachers,
    classes,
    enrolments,
    gone: { students: goneStudents, enrolments: goneEnrolments },
    problems,
  };
}
