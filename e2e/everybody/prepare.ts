// Makes everybody who knocks in the school in DATA_DIR, and says on the file named first what each may do. Run by nobody-gets-in.spec.ts with tsx.
import { readdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import type { ZodType } from "zod";
import { one, type Db } from "@/data/engine/db";
import { openDatabase } from "@/data/engine/open";
import { inputOf, guardedBy, permissions, permit, type Act } from "@/server/web/permissions";
import { root } from "../../scripts/installed.mjs";
import { addressesOf, type Address, type Things } from "./addresses";
import { inputsFor } from "./example";
import { rowsByTable, type Rows } from "./rows";
import type { Name } from "./names";
import { SECRET, thingsOf, visitorsTo } from "./visitors";

/** One address for one visitor. */
export interface Knock extends Address {
  visitor: Name;
  token: string | null;
  allowed: boolean;
  /** What a route takes, made from its schema; a file or a form is said in plain words. */
  body: string | null;
}
/** One action for one visitor. */
export interface Press {
  visitor: Name;
  token: string | null;
  act: Act;
  /** Of the source, as the build names it. */
  file: string;
  action: string;
  input: unknown;
  /** Whether it must be refused; where not, it may change only what is the visitor's own. */
  refused: boolean;
}
export interface Prepared {
  knocks: Knock[];
  presses: Press[];
  /** The people, the school and the district of those who may change things of their own. */
  own: { person: number[]; school: number[]; district: number[] };
  before: Rows;
  /** What nobody is told who may not see it: how her lesson and her pocket are called. */
  secrets: string[];
}

/** Fields of actions and the thing each is about; everything else is tried with every number there is. */
const fieldOf: Readonly<Record<string, keyof Things>> = {
  resource: "resource",
  resources: "resource",
  class: "class",
  classes: "class",
  ofClass: "class",
  assignment: "assignment",
  assignments: "assignment",
  after: "assignment",
  pocket: "pocket",
  team: "team",
  student: "student",
  students: "student",
  author: "author",
};

/** The first and the last number of every table: whatever an action takes a number for, there is one. */
async function numbersOf(db: Db): Promise<number[]> {
  const tables = await db.query<{ name: string }>(
    "select table_name as name from information_schema.columns where table_schema = 'public' and column_name = 'id' and data_type = 'integer'",
  );
  const found = new Set<number>();
  for (const { name } of tables) {
    const [row] = await db.query<{ least: number | null; most: number | null }>(
      `select min(id) least, max(id) most from "${name}"`,
    );
    for (const number of [row!.least, row!.most]) if (number !== null) found.add(number);
  }
  return [...found].sort((one, other) => one - other);
}

async function actions(): Promise<{ file: string; action: string; made: unknown }[]> {
  const server = path.join(root, "src/server");
  const files = readdirSync(server, { recursive: true, encoding: "utf8" }).filter((file) =>
    file.endsWith("-actions.ts"),
  );
  const all = [];
  for (const file of files.sort())
    for (const [action, made] of Object.entries((await import(path.join(server, file))) as Record<string, unknown>))
      all.push({ file: `src/server/${file}`, action, made });
  return all;
}

/** What the author of a public lesson is followed for is nobody's secret. */
const harmless: ReadonlySet<Act> = new Set(["follow an author"]);

const db = await openDatabase();
const now = new Date();
const things = await thingsOf(db, "Ines Halloran");
const { visitors, fresh, newcomers } = await visitorsTo(db, things, now);
const numbers = await numbersOf(db);

const { recipient } = await one<{ recipient: number }>(
  db,
  "select id recipient from recipient where assignment_id = $1 and student_id = $2",
  [things.assignment, things.student],
);
/** What is sent to a route that takes JSON: its teacher's things, and the child's own work. */
async function bodyFor({ method, file }: Address): Promise<string | null> {
  if (method === "GET") return null;
  const { POST } = (await import(path.join(root, "src/app", file))) as { POST: unknown };
  const schema = inputOf(POST);
  const idOf = (field: string) =>
    field === "recipient" ? recipient : field in fieldOf ? things[fieldOf[field]!] : undefined;
  const [body] = schema ? inputsFor(schema as ZodType<object>, idOf) : [];
  return body === undefined ? "not what was asked for" : JSON.stringify(body);
}

const knocks: Knock[] = [];
for (const address of addressesOf(things)) {
  const body = await bodyFor(address);
  for (const { name, token, visitor } of visitors) {
    const allowed = await permit(db, visitor, address.act, address.about, now);
    knocks.push({ ...address, visitor: name, token, allowed, body });
  }
}

const presses: Press[] = [];
const owners: readonly Name[] = ["a teacher of another district", "a child of another district"];
for (const { file, action, made } of await actions()) {
  const [act, schema] = [guardedBy(made)!, inputOf(made)!];
  const { who, needs } = permissions[act];
  const known = inputsFor(schema, (field) => (field in fieldOf ? things[fieldOf[field]!] : 1));
  if (known.length === 0) throw new Error(`No input could be made for ${action} of ${file}: see example.ts.`);
  for (const { name, visitor } of visitors) {
    if (name === "the teacher herself" || name === "who teaches the class too") continue;
    // What a child was given she may do, and what anybody of a school has she may have.
    const role = visitor === null ? [] : visitor.kind === "student" ? ["student"] : visitor.roles;
    const admitted =
      who === "anyone" ||
      (who === "signed in" ? visitor !== null : role.some((one) => who.split(" or ").includes(one)));
    // What only an office is asked for, this one may: it keeps the district.
    if (name === "the office" && admitted) continue;
    const refused = !admitted || (needs.length > 0 && !harmless.has(act) && visitor?.kind !== "student");
    const own = owners.includes(name);
    // Signing in and what leads to it anybody may try; anyone who has no words for it gets nowhere, and nothing of anybody's is changed.
    if (!refused && !own && !(who === "anyone" && name === "nobody")) continue;
    const inputs = [...known];
    if (own && admitted)
      for (const number of numbers)
        inputs.push(...inputsFor(schema, (field) => (field in fieldOf ? things[fieldOf[field]!] : number)).slice(0, 1));
    const different = [...new Map(inputs.map((input) => [JSON.stringify(input), input])).values()];
    const token = own ? await fresh(name) : visitors.find((one) => one.name === name)!.token;
    for (const input of different) presses.push({ visitor: name, token, act, file, action, input, refused });
  }
}
const before = await rowsByTable(db);
await db.close();
const { teacher, child, school, elsewhere } = newcomers;
const own = { person: [teacher, child], school: [school], district: [elsewhere] };
writeFileSync(process.argv[2]!, JSON.stringify({ knocks, presses, own, before, secrets: [SECRET] } satisfies Prepared));
process.exit(0);
