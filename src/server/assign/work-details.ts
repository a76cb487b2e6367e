import { withExtraTime } from "@/core/assign/extra-time";
import { assignmentById, type Assignment } from "@/data/assign/assignments";
import { calendarOf } from "@/data/plan/calendar";
import { recipientsOf, type Recipient } from "@/data/assign/recipients";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { resourceById } from "@/data/adapt/resources";
import { versionsFor } from "./resources-to-assign";
import { permit } from "../web/permissions";
import type { Visitor } from "../web/session";

/** One piece of work, with who gets what. */
export interface WorkDetails {
  assignment: Assignment;
  /** `setDue`: a due moment that was set for this student, beyond what more time makes of the class's. */
  recipients: (Recipient & { setDue: Date | null })[];
  /** Students of the class who do not have it. */
  others: { id: number; name: string }[];
  /** Students who have not begun and have an older revision than the newest. */
  older: number;
  /** Other versions a student can get in its place. */
  versions: { id: number; title: string }[];
}

/** Null when it is not there, or not hers. */
export async function workDetails(
  db: Db,
  visitor: Visitor,
  id: number | undefined,
  now: Date,
): Promise<WorkDetails | null> {
  if (id === undefined || !(await permit(db, visitor, "change assignment", { assignment: id }, now))) return null;
  const assignment = (await assignmentById(db, id))!;
  const [recipients, roster, versions, calendar] = await Promise.all([
    recipientsOf(db, id),
    studentsOf(db, assignment.class),
    versionsFor(db, visitor, assignment.resource),
    calendarOf(db, assignment.school),
  ]);
  const heads = new Map<number, number | null>();
  for (const { resource } of recipients)
    if (!heads.has(resource)) heads.set(resource, (await resourceById(db, resource))?.head ?? null);
  return {
    assignment,
    recipients: recipients.map((one) => {
      const byTime = withExtraTime(calendar, assignment, one.factor).due.getTime();
      return { ...one, setDue: one.ownDue?.getTime() === byTime ? null : one.ownDue };
    }),
    others: roster
      .filter((student) => !recipients.some((one) => one.student === student.id))
      .map(({ id: student, givenName, familyName }) => ({ id: student, name: `${givenName} ${familyName}` })),
    older: recipients.filter(({ begun, resource, revision }) => !begun && heads.get(resource) !== revision).length,
    versions: versions.map(({ id: version, facts }) => ({ id: version, title: facts.title })),
  };
}
