import { assignmentById } from "@/data/assignments";
import { allAtSchool, allEnrolled, teachesClass } from "@/data/classes";
import type { Queryable } from "@/data/db";
import { resourceById } from "@/data/resources";
import { ownsPocket } from "@/data/satchel";
import { mayRead } from "@/data/search";
import { taskOf } from "@/data/work";
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
  students?: readonly number[];
  /** Students of several classes, and who of them gets which version. */
  to?: readonly { class: number; students: readonly number[] }[];
  versions?: readonly { student: number; resource: number }[];
}

type Who = "teacher" | "student" | "curator" | "office";
type Relation = (db: Queryable, visitor: Visitor, about: About, now: Date) => Promise<boolean>;

const reads = (db: Queryable, visitor: Visitor, resource: number | undefined) =>
  resource === undefined ? Promise.resolve(false) : mayRead(db, visitor, resource);

const relations = {
  "reads resource": (db, visitor, about) => reads(db, visitor, about.resource),
  "reads resources": async (db, visitor, about) => {
    for (const resource of about.resources ?? []) if (!(await reads(db, visitor, resource))) return false;
    return true;
  },
  "owns resource": async (db, visitor, about) =>
    about.resource !== undefined && (await resourceById(db, about.resource))?.owner === visitor.id,
  "owns resources": async (db, visitor, about) => {
    for (const resource of about.resources ?? [])
      if ((await resourceById(db, resource))?.owner !== visitor.id) return false;
    return true;
  },
  "owns pocket": async (db, visitor, about) => about.pocket !== undefined && ownsPocket(db, visitor.id, about.pocket),
  "teaches class": async (db, visitor, about, now) =>
    about.class !== undefined && teachesClass(db, visitor.id, about.class, now),
  "students are in class": (db, _visitor, about) => allEnrolled(db, about.students ?? [], about.class ?? -1),
  "students are of her school": (db, visitor, about) => allAtSchool(db, about.students ?? [], visitor.school ?? -1),
  "reads versions": async (db, visitor, about) => {
    for (const resource of new Set(about.versions?.map((version) => version.resource)))
      if (!(await reads(db, visitor, resource))) return false;
    return true;
  },
  "teaches the classes": async (db, visitor, about, now) => {
    for (const group of about.to ?? []) if (!(await teachesClass(db, visitor.id, group.class, now))) return false;
    return (about.to ?? []).length > 0;
  },
  "teaches all classes": async (db, visitor, about, now) => {
    for (const group of about.classes ?? []) if (!(await teachesClass(db, visitor.id, group, now))) return false;
    return (about.classes ?? []).length > 0;
  },
  "students are in their classes": async (db, _visitor, about) => {
    for (const group of about.to ?? []) if (!(await allEnrolled(db, group.students, group.class))) return false;
    return true;
  },
  "teaches the assignment's class": async (db, visitor, about, now) => {
    const assignment = about.assignment === undefined ? undefined : await assignmentById(db, about.assignment);
    return assignment !== undefined && teachesClass(db, visitor.id, assignment.class, now);
  },
  "teaches the assignments' classes": async (db, visitor, about, now) => {
    const classes = new Set<number>();
    for (const id of about.assignments ?? []) {
      const assignment = await assignmentById(db, id);
      if (!assignment) return false;
      classes.add(assignment.class);
    }
    for (const group of classes) if (!(await teachesClass(db, visitor.id, group, now))) return false;
    return classes.size > 0;
  },
  "was given assignment": async (db, visitor, about) =>
    about.assignment !== undefined &&
    (await taskOf(db, visitor.id, about.assignment, visitor.joinedClass)) !== undefined,
} satisfies Record<string, Relation>;

interface Permission {
  /** "anyone": also somebody who is not signed in. */
  who: Who | "anyone" | "signed in";
  needs: (keyof typeof relations)[];
}

/**
 * The one table of who may do what. Every page, action and route names a row; a test reads the source and fails for one
 * that does not. A refusal looks the same as something that does not exist.
 */
export const permissions = {
  "sign in": { who: "anyone", needs: [] },
  "read help": { who: "anyone", needs: [] },
  "put into pocket again": { who: "teacher", needs: ["reads resources"] },
  "sign out": { who: "signed in", needs: [] },
  "find resources": { who: "teacher", needs: [] },
  "look at resource": { who: "teacher", needs: ["reads resource"] },
  "keep a need": { who: "teacher", needs: [] },
  "follow an author": { who: "teacher", needs: [] },
  "say how it went": { who: "teacher", needs: ["reads resource"] },
  "take back a note": { who: "teacher", needs: [] },
  "browse standards": { who: "teacher", needs: [] },
  "bring in a framework": { who: "curator", needs: [] },
  "compare resources": { who: "teacher", needs: [] },
  "see own satchel": { who: "teacher", needs: [] },
  "pack resource": { who: "teacher", needs: ["reads resource"] },
  "unpack resource": { who: "teacher", needs: [] },
  "make resource": { who: "teacher", needs: [] },
  "adapt resource": { who: "teacher", needs: ["reads resource"] },
  "edit resource": { who: "teacher", needs: ["owns resource"] },
  "add a file": { who: "teacher", needs: [] },
  "see a file": { who: "signed in", needs: [] },
  "tag resources": { who: "teacher", needs: ["reads resources"] },
  "duplicate resources": { who: "teacher", needs: ["owns resources"] },
  "make pocket": { who: "teacher", needs: [] },
  "change pocket": { who: "teacher", needs: ["owns pocket"] },
  "put into pocket": { who: "teacher", needs: ["owns pocket", "reads resources"] },
  "see who to assign to": { who: "teacher", needs: ["reads resources"] },
  "assign resources": {
    who: "teacher",
    needs: ["reads resources", "reads versions", "teaches the classes", "students are in their classes"],
  },
  "see assignments": { who: "teacher", needs: [] },
  "change assignment": { who: "teacher", needs: ["teaches the assignment's class"] },
  "change assignments": { who: "teacher", needs: ["teaches the assignments' classes"] },
  "move a class's work": { who: "teacher", needs: ["teaches class"] },
  "lose a day": { who: "teacher", needs: ["teaches all classes"] },
  "lay out a pocket": { who: "teacher", needs: ["teaches class", "owns pocket"] },
  "undo a change of plan": { who: "signed in", needs: [] },
  "see results": { who: "teacher", needs: ["teaches the assignment's class"] },
  "read own messages": { who: "teacher", needs: [] },
  "see own classes": { who: "teacher", needs: [] },
  "see class": { who: "teacher", needs: ["teaches class"] },
  "change the school's calendar": { who: "office", needs: [] },
  "change the school's roster": { who: "office", needs: [] },
  "change roster": { who: "teacher", needs: ["teaches class"] },
  "change a student": { who: "teacher", needs: ["teaches class", "students are in class"] },
  "put back into class": { who: "teacher", needs: ["teaches class", "students are of her school"] },
  "arrange class": { who: "teacher", needs: ["teaches class"] },
  "read a calendar by its address": { who: "anyone", needs: [] },
  "open class to students": { who: "teacher", needs: ["teaches class"] },
  "see own work": { who: "student", needs: [] },
  "do assignment": { who: "student", needs: ["was given assignment"] },
} satisfies Record<string, Permission>;

export type Act = keyof typeof permissions;

function isOne(visitor: Visitor | null, who: Permission["who"]): boolean {
  if (who === "anyone") return true;
  if (!visitor) return false;
  if (who === "signed in") return true;
  return who === "student" ? visitor.kind === "student" : visitor.kind === "adult" && visitor.roles.includes(who);
}

/** Whether this visitor may do this, to exactly these things. */
export async function permit(
  db: Queryable,
  visitor: Visitor | null,
  act: Act,
  about: About,
  now: Date,
): Promise<boolean> {
  const { who, needs } = permissions[act] as Permission;
  if (!isOne(visitor, who)) return false;
  for (const need of needs) if (!(await (relations[need] as Relation)(db, visitor!, about, now))) return false;
  return true;
}
