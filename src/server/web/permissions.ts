import type { ZodType } from "zod";
import { mayWorkWith } from "@/data/assign/assignments";
import { keptClassBefore, keptClassOf } from "@/data/classes/class-said";
import { allAtOnceIn, allEnrolledIn, keepsClass, teachesAll, teachesClass } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { authorIsSeen } from "@/data/find/saved-searches";
import { ownsAll } from "@/data/adapt/resources";
import { revisionFor } from "@/data/reading/shelves";
import { mayInPocket, ownsPocket } from "@/data/satchel/pockets";
import { keepsDistrict } from "@/data/office/district";
import { isInTeam } from "@/data/share/teams";
import { mayReadAll } from "@/data/find/search";
import { hasAssignment } from "@/data/student/work";
import type { Visitor } from "./session";

/** What an act is about. Ids that came from outside: nothing is known about them yet. */
export interface About {
  resource?: number;
  resources?: readonly number[];
  class?: number;
  assignment?: number;
  assignments?: readonly number[];
  classes?: readonly number[];
  pocket?: number;
  team?: number;
  author?: number;
  /** A resource on a class's shelf of readings. */
  reading?: number;
  /** The school's calendar day that something of a class is changed on. */
  date?: string;
  students?: readonly number[];
  /** Students of several classes, and who of them gets which version. */
  /** Earlier work that new work waits for. */
  after?: readonly number[];
  to?: readonly { class: number; students: readonly number[] }[];
  versions?: readonly { student: number; resource: number }[];
}

type Who = "teacher" | "student" | "curator" | "office";
/** More than one of them. */
type Several = "anyone" | "signed in" | "teacher or curator";

interface Relation<Field extends keyof About> {
  /** What must be said for it to be asked at all: where one is missing, the answer is no. */
  fields: readonly Field[];
  holds(db: Queryable, visitor: Visitor, about: Required<Pick<About, Field>>, now: Date): Promise<boolean>;
}
const relation = <Field extends keyof About>(
  fields: readonly Field[],
  holds: Relation<Field>["holds"],
): Relation<Field> => ({ fields, holds });

const relations = {
  "reads resource": relation(["resource"], (db, visitor, { resource }) => mayReadAll(db, visitor, [resource])),
  "reads resources": relation(["resources"], (db, visitor, { resources }) => mayReadAll(db, visitor, resources)),
  "copies resource": relation(["resource"], (db, visitor, { resource }) => mayReadAll(db, visitor, [resource], "copy")),
  "copies resources": relation(["resources"], (db, visitor, { resources }) =>
    mayReadAll(db, visitor, resources, "copy"),
  ),
  "copies versions": relation(["versions"], (db, visitor, { versions }) =>
    mayReadAll(
      db,
      visitor,
      versions.map(({ resource }) => resource),
      "copy",
    ),
  ),
  "owns resource": relation(["resource"], (db, visitor, { resource }) => ownsAll(db, visitor.id, [resource])),
  "owns resources": relation(["resources"], (db, visitor, { resources }) => ownsAll(db, visitor.id, resources)),
  "owns pocket": relation(["pocket"], (db, visitor, { pocket }) => ownsPocket(db, visitor.id, pocket)),
  "keeps pocket": relation(
    ["pocket"],
    async (db, visitor, { pocket }) => (await mayInPocket(db, visitor.id, pocket)) !== undefined,
  ),
  "adds to pocket": relation(["pocket"], async (db, visitor, { pocket }) =>
    ["own", "arrange", "add"].includes((await mayInPocket(db, visitor.id, pocket)) ?? ""),
  ),
  "arranges pocket": relation(["pocket"], async (db, visitor, { pocket }) =>
    ["own", "arrange"].includes((await mayInPocket(db, visitor.id, pocket)) ?? ""),
  ),
  // By the class's code anybody can press any name: what a child reads is her own.
  "is on her shelf": relation(
    ["reading"],
    async (db, visitor, { reading }) =>
      visitor.joinedAt === null && (await revisionFor(db, visitor.id, reading)) !== undefined,
  ),
  "keeps district": relation([], (db, visitor) => keepsDistrict(db, visitor.id)),
  "is in team": relation(["team"], (db, visitor, { team }) => isInTeam(db, visitor.id, team)),
  "sees author": relation(["author"], (db, visitor, { author }) => authorIsSeen(db, visitor, author)),
  "teaches class": relation(["class"], (db, visitor, about, now) => teachesClass(db, visitor.id, about.class, now)),
  /** Anyone who covers a class teaches it, and changes nothing about who is in it. */
  "keeps class": relation(["class"], (db, visitor, about, now) => keepsClass(db, visitor.id, about.class, now)),
  "kept class before": relation(["class"], (db, visitor, about) => keptClassBefore(db, visitor.id, about.class)),
  "teaches class on the day": relation(["class", "date"], (db, visitor, about, now) =>
    teachesClass(db, visitor.id, about.class, now, about.date),
  ),
  "students are in class": relation(["class", "students"], (db, _visitor, about) => allEnrolledIn(db, [about])),
  "students were in class": relation(["class", "students"], (db, _visitor, about) =>
    allAtOnceIn(db, about.students, about.class),
  ),
  "teaches the classes": relation(
    ["to"],
    async (db, visitor, { to }, now) =>
      to.length > 0 &&
      teachesAll(
        db,
        visitor.id,
        to.map((group) => group.class),
        now,
      ),
  ),
  "students are in their classes": relation(["to"], (db, _visitor, { to }) => allEnrolledIn(db, to)),
  "teaches all classes": relation(
    ["classes"],
    async (db, visitor, { classes }, now) => classes.length > 0 && teachesAll(db, visitor.id, classes, now),
  ),
  "teaches all classes on the day": relation(
    ["classes", "date"],
    async (db, visitor, { classes, date }, now) => classes.length > 0 && teachesAll(db, visitor.id, classes, now, date),
  ),
  "works with assignment": relation(["assignment"], (db, visitor, { assignment }, now) =>
    mayWorkWith(db, visitor.id, [assignment], now),
  ),
  "works with assignments": relation(["assignments"], async (db, visitor, { assignments }, now) =>
    assignments.length > 0 ? mayWorkWith(db, visitor.id, assignments, now) : false,
  ),
  "worked with assignment": relation(
    ["assignment"],
    async (db, visitor, { assignment }, now) =>
      (await mayWorkWith(db, visitor.id, [assignment], now)) || (await keptClassOf(db, visitor.id, assignment)),
  ),
  "works with what it waits for": relation(["after"], async (db, visitor, { after }, now) =>
    after.length === 0 ? true : mayWorkWith(db, visitor.id, after, now),
  ),
  "was given assignment": relation(["assignment"], (db, visitor, { assignment }) =>
    hasAssignment(db, visitor.id, assignment, visitor.joinedClass),
  ),
};

interface Permission {
  /** "anyone": also somebody who is not signed in. */
  who: Who | Several;
  needs: readonly (keyof typeof relations)[];
}

/**
 * The one table of who may do what. Every page, action and route names a row; a test reads the source and fails for one
 * that does not. A refusal looks the same as something that does not exist.
 */
export const permissions = {
  "sign in": { who: "anyone", needs: [] },
  "begin a school": { who: "anyone", needs: [] },
  "accept an invitation": { who: "anyone", needs: [] },
  "see that it runs": { who: "anyone", needs: [] },
  "read help": { who: "anyone", needs: [] },
  "put into pocket again": { who: "teacher", needs: ["reads resources"] },
  "keep own account": { who: "signed in", needs: [] },
  "sign out": { who: "signed in", needs: [] },
  "find resources": { who: "teacher", needs: [] },
  "look at resource": { who: "teacher", needs: ["reads resource"] },
  "report resource": { who: "teacher", needs: ["reads resource"] },
  "save a search": { who: "teacher", needs: [] },
  "follow an author": { who: "teacher", needs: ["sees author"] },
  "stop following": { who: "teacher", needs: [] },
  "say how it went": { who: "teacher", needs: ["reads resource"] },
  "take back a note": { who: "teacher", needs: [] },
  "browse standards": { who: "teacher", needs: [] },
  "bring in a framework": { who: "curator", needs: [] },
  "compare resources": { who: "teacher", needs: [] },
  "see own satchel": { who: "teacher", needs: [] },
  "come in from another system": { who: "anyone", needs: [] },
  "choose for a course": { who: "teacher", needs: [] },
  "see a course there": { who: "teacher", needs: [] },
  "connect another system": { who: "office", needs: [] },
  "link a course": { who: "teacher", needs: ["keeps class"] },
  "hand over to a course": { who: "teacher", needs: ["teaches class"] },
  "hand over a pocket to a course": { who: "teacher", needs: ["teaches class", "keeps pocket"] },
  "save resource as a file": { who: "teacher", needs: ["copies resource"] },
  "save pocket as a file": { who: "teacher", needs: ["keeps pocket"] },
  "save plan as a file": { who: "teacher", needs: ["teaches class"] },
  "pack resource": { who: "teacher", needs: ["reads resource"] },
  "unpack resource": { who: "teacher", needs: [] },
  "make resource": { who: "teacher", needs: [] },
  "adapt resource": { who: "teacher", needs: ["copies resource"] },
  "edit resource": { who: "teacher", needs: ["owns resource"] },
  "share resources": { who: "teacher", needs: ["owns resources"] },
  "give to colleagues": { who: "teacher", needs: ["owns resources"] },
  "see what was given": { who: "teacher", needs: [] },
  "see own teams": { who: "teacher", needs: [] },
  "work in a team": { who: "teacher", needs: ["is in team"] },
  "make ready for a team": { who: "teacher", needs: ["is in team", "owns resource"] },
  "share by link": { who: "teacher", needs: ["owns resources"] },
  "end a link": { who: "teacher", needs: [] },
  "open a link": { who: "anyone", needs: [] },
  "take what a link shows": { who: "teacher", needs: [] },
  "keep the desk": { who: "curator", needs: [] },
  "add a file": { who: "teacher", needs: [] },
  "see a file": { who: "signed in", needs: [] },
  "tag resources": { who: "teacher", needs: ["reads resources"] },
  "duplicate resources": { who: "teacher", needs: ["owns resources"] },
  "make pocket": { who: "teacher", needs: [] },
  "look into pocket": { who: "teacher", needs: ["keeps pocket"] },
  "change pocket": { who: "teacher", needs: ["arranges pocket"] },
  "put into pocket": { who: "teacher", needs: ["adds to pocket", "reads resources"] },
  "take out of pocket": { who: "teacher", needs: ["adds to pocket"] },
  "remove pocket": { who: "teacher", needs: ["owns pocket"] },
  "keep pocket together": { who: "teacher", needs: ["owns pocket"] },
  "leave pocket": { who: "teacher", needs: ["keeps pocket"] },
  "see who to assign to": { who: "teacher", needs: ["copies resources"] },
  "assign resources": {
    who: "teacher",
    needs: [
      "copies resources",
      "copies versions",
      "teaches the classes",
      "students are in their classes",
      "works with what it waits for",
    ],
  },
  "assign as before": { who: "teacher", needs: ["worked with assignment"] },
  "see assignments": { who: "teacher", needs: [] },
  "change assignment": { who: "teacher", needs: ["works with assignment"] },
  "change assignments": { who: "teacher", needs: ["works with assignments"] },
  "move a class's work": { who: "teacher", needs: ["teaches class", "teaches class on the day"] },
  "lose a day": { who: "teacher", needs: ["teaches all classes", "teaches all classes on the day"] },
  "take back a lost day": { who: "teacher", needs: ["teaches all classes"] },
  "lay out a pocket": {
    who: "teacher",
    needs: ["teaches class", "teaches class on the day", "keeps pocket", "copies versions"],
  },
  "undo a change of plan": { who: "signed in", needs: [] },
  "lead a lesson": { who: "teacher", needs: ["works with assignment"] },
  "lead with a resource": { who: "teacher", needs: ["copies resource", "teaches class"] },
  "see coverage": { who: "teacher", needs: ["teaches all classes"] },
  "see how a student is doing": { who: "teacher", needs: ["teaches class", "students are in class"] },
  "keep a portfolio": { who: "teacher", needs: ["teaches class", "students are in class"] },
  "put into a portfolio": {
    who: "teacher",
    needs: ["teaches class", "students are in class", "works with assignment"],
  },
  "open a portfolio": { who: "anyone", needs: [] },
  "see results": { who: "teacher", needs: ["works with assignment"] },
  "invite guests": { who: "teacher", needs: ["works with assignment"] },
  "move a guest's work": { who: "teacher", needs: ["works with assignment"] },
  "come as a guest": { who: "anyone", needs: [] },
  "look at work": { who: "teacher", needs: ["works with assignment"] },
  "see marks": { who: "teacher", needs: ["teaches class"] },
  "keep marks": { who: "teacher", needs: ["teaches class"] },
  "keep goals": { who: "teacher", needs: [] },
  "rename goals back": { who: "teacher", needs: ["works with assignments"] },
  "mark work": { who: "teacher", needs: ["works with assignment"] },
  "keep rubrics": { who: "teacher", needs: [] },
  "see work that waits": { who: "teacher", needs: [] },
  "keep phrases": { who: "teacher", needs: [] },
  "read own messages": { who: "teacher or curator", needs: [] },
  "see the teachers' pages": { who: "teacher or curator", needs: [] },
  "see own classes": { who: "teacher", needs: [] },
  "see class": { who: "teacher", needs: ["teaches class"] },
  "change the school's calendar": { who: "office", needs: [] },
  "change the school's roster": { who: "office", needs: [] },
  "say how far things go": { who: "office", needs: [] },
  "keep the school's people": { who: "office", needs: [] },
  "keep the district's schools": { who: "office", needs: ["keeps district"] },
  "make class": { who: "teacher", needs: [] },
  "take into class": {
    who: "teacher",
    needs: ["keeps class", "teaches the classes", "students are in their classes"],
  },
  "bring a class back": { who: "teacher", needs: ["kept class before"] },
  "change roster": { who: "teacher", needs: ["keeps class"] },
  "change a student": { who: "teacher", needs: ["keeps class", "students are in class"] },
  "put back into class": { who: "teacher", needs: ["keeps class", "students were in class"] },
  "arrange class": { who: "teacher", needs: ["teaches class"] },
  "read a calendar by its address": { who: "anyone", needs: [] },
  "open class to students": { who: "teacher", needs: ["teaches class"] },
  "see own work": { who: "student", needs: [] },
  "keep own portfolio": { who: "student", needs: [] },
  "open a reading shelf": { who: "teacher", needs: ["teaches class"] },
  "read from a shelf": { who: "student", needs: ["is on her shelf"] },
  "do assignment": { who: "student", needs: ["was given assignment"] },
} as const satisfies Record<string, Permission>;

export type Act = keyof typeof permissions;
type FieldsOf<Name extends Act> = (typeof relations)[(typeof permissions)[Name]["needs"][number]]["fields"][number];
/** What has to be said of an act, for the table to answer. */
export type AboutOf<Name extends Act> = Required<Pick<About, FieldsOf<Name>>>;
/** Acts that are about nothing in particular. */
export type ActAlone = { [Name in Act]: (typeof permissions)[Name]["needs"] extends readonly [] ? Name : never }[Act];

function isOne(visitor: Visitor | null, who: Permission["who"]): boolean {
  if (who === "anyone") return true;
  if (!visitor) return false;
  if (who === "signed in") return true;
  if (who === "teacher or curator")
    return visitor.kind === "adult" && (visitor.roles.includes("teacher") || visitor.roles.includes("curator"));
  return who === "student" ? visitor.kind === "student" : visitor.kind === "adult" && visitor.roles.includes(who);
}

/**
 * Whether this visitor may do this, to exactly these things. Fails closed: where the table asks about something that is not
 * said, the answer is no.
 */
export async function permit(
  db: Queryable,
  visitor: Visitor | null,
  act: Act,
  about: About,
  now: Date,
): Promise<boolean> {
  const { who, needs } = permissions[act] as Permission;
  if (!isOne(visitor, who)) return false;
  for (const need of needs) {
    const { fields, holds } = relations[need] as Relation<keyof About>;
    if (fields.some((field) => about[field] === undefined)) return false;
    if (!(await holds(db, visitor!, about as Required<About>, now))) return false;
  }
  return true;
}

/** Which row of the table guards what was made by act() or route(), and what it takes: nothing else may be called from outside. */
interface Guarded {
  act: Act;
  input?: ZodType;
}
const guards = new WeakMap<object, Guarded>();
const guardOf = (made: unknown): Guarded | undefined => (typeof made === "function" ? guards.get(made) : undefined);
export const guardedBy = (made: unknown): Act | undefined => guardOf(made)?.act;
/** What an action or a route takes, for the test that tries everything as everybody. */
export const inputOf = (made: unknown): ZodType | undefined => guardOf(made)?.input;
export function guard<Made extends object>(made: Made, act: Act, input?: ZodType): Made {
  guards.set(made, { act, ...(input && { input }) });
  return made;
}
/** What is guarded by what it is made of. */
export function guardedLike<Made extends object>(made: Made, of: object): Made {
  const guarded = guardOf(of);
  return guarded ? guard(made, guarded.act, guarded.input) : made;
}
