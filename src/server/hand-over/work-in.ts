import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { allQuestions, type Document } from "@/core/resource/document";
import { assignmentsOf, type Assignment } from "@/data/assign/assignments";
import type { Queryable } from "@/data/engine/db";
import { resourcesIn } from "@/data/satchel/pockets";
import { ledDocument } from "../live/room";
import type { Visitor } from "../web/session";

/** How much of the plan goes: from a day, this many weeks. */
export interface Stretch {
  class: number;
  from: string;
  weeks: number;
}

/** A piece of work, as most of its students have it: its revision, its steps, the name of its part. */
export interface AssignedWork {
  assignment: Assignment;
  document: Document;
  topic: string;
}

const capital = (word: string) => word[0]!.toUpperCase() + word.slice(1);
const named = (document: Document, part: string | null): Document =>
  part === null
    ? document
    : {
        ...document,
        title: Object.fromEntries(
          Object.entries(document.title).map(([language, title]) => [language, `${title}, ${part}`]),
        ),
      };

/** Work of a class that opens or is due in these weeks: what only explains first, then by when it is due. */
export async function workIn(db: Queryable, visitor: Visitor, stretch: Stretch, now: Date): Promise<AssignedWork[]> {
  const to = addDays(stretch.from, stretch.weeks * 7 - 1);
  const day = (moment: Date) => schoolClock(moment, visitor.zone).date;
  const all = (await assignmentsOf(db, visitor.id, [stretch.class], now)).filter(
    ({ calledBack, opens, due }) => !calledBack && day(opens) <= to && day(due) >= stretch.from,
  );
  const work: AssignedWork[] = [];
  for (const assignment of all) {
    const document = await ledDocument(db, assignment);
    // Nobody has it any more: there is nothing to send.
    if (!document) continue;
    work.push({
      assignment,
      document: named(document, assignment.part),
      topic: capital(assignment.subjects[0] ?? "other"),
    });
  }
  const explains = ({ document }: AssignedWork) => Number(allQuestions(document).length === 0);
  return work.toSorted(
    (one, other) =>
      explains(other) - explains(one) ||
      one.assignment.due.getTime() - other.assignment.due.getTime() ||
      one.assignment.id - other.assignment.id,
  );
}

/**
 * A pocket in its order, for a class: what the class has of it goes as that work, the latest of each; the rest as a page to read (null: hers to copy,
 * or not, is asked when it is gathered).
 */
export async function workOfPocket(
  db: Queryable,
  visitor: Visitor,
  of: { class: number; pocket: number },
  now: Date,
): Promise<(AssignedWork | { resource: number })[]> {
  const assignments = (await assignmentsOf(db, visitor.id, [of.class], now)).filter(({ calledBack }) => !calledBack);
  const items: (AssignedWork | { resource: number })[] = [];
  for (const resource of await resourcesIn(db, of.pocket)) {
    const assignment = assignments
      .filter((one) => one.resource === resource)
      .toSorted((one, other) => other.id - one.id)[0];
    const document = assignment && (await ledDocument(db, assignment));
    items.push(document ? { assignment, document: named(document, assignment.part), topic: "" } : { resource });
  }
  return items;
}
