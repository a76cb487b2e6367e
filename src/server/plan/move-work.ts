import { withExtraTime } from "@/core/assign/extra-time";
import { canonical } from "@/core/resource/changes";
import { addAssignments, type NewAssignment } from "@/data/assign/assignments";
import { placesOf, setPlaces, type Place, type PlaceWas, type Position } from "@/data/assign/places";
import type { DayOff } from "@/core/calendar/school-calendar";
import type { PocketItem, PocketMay, RemovedPocket } from "@/data/satchel/pockets";
import type { SetState } from "@/data/find/sets";
import type { ShelfEntry } from "@/data/share/sharing";
import type { Secret } from "@/data/office/rosters";
import type { TeamState } from "@/data/share/teams";
import type { PartWas } from "@/data/assign/split";
import { calendarOf } from "@/data/plan/calendar";
import type { Db, Queryable } from "@/data/engine/db";
import { addEvent } from "@/data/engine/events";
import { announceWork } from "@/data/student/work";
import type { SchoolChange } from "../office/change-school";
import type { WorkWas } from "@/data/assign/work-rules";

/** What a change of the plan was before and is after: all that undoing needs. */
export interface PlanState {
  places: PlaceWas[];
  /** A day on which classes do not meet because of it. */
  lost?: { classes: number[]; date: string; name: string };
  /** A day the whole school lost, and what stood in the calendar for it before. */
  schoolLost?: { school: number; date: string; before: DayOff | null };
  /** The places are those of work that was not there before. */
  given?: true;
  /** In which order students meet work, where that was changed. */
  order?: Position[];
  /** Work that was cut into parts: what it was, and the parts added. */
  split?: { assignment: number; was: PartWas; added: number[] };
  /** Rules and students of work, where those were changed. */
  works?: WorkWas[];
  /** What a school's office or a roster changed. */
  schoolChange?: SchoolChange;
  /** Where things stand, and offers that came or went with it. */
  shelves?: { resources: number[]; entries: ShelfEntry[]; offers: number[] };
  /** An offer a curator decided about (null: something was taken off a shelf), where its thing stands, and which revision is read there when that changed. */
  offer?: {
    id: number | null;
    grades: number;
    subjects: number;
    resource: number;
    entries: ShelfEntry[];
    head?: number;
  };
  /** What is said of a partner on its page. */
  partner?: { id: number; about: string };
  /** Which revision of her thing is read. */
  head?: { resource: number; revision: number };
  /** What was given to colleagues, or (`ended`) taken back from them. */
  gave?: { resources: number[]; ids: number[]; ended: boolean };
  /** A team whose people or parts were changed. */
  team?: { id: number; state: TeamState };
  /** Who keeps a pocket with its owner (`left`: somebody went by herself), what was taken out of it, or all of it when it was removed. */
  pocket?: {
    id: number;
    people?: { id: number; may: PocketMay }[];
    items?: PocketItem[];
    left?: true;
    removed?: RemovedPocket;
  };
  /** A curated set as it was and is; null: there is none. */
  set?: { id: number; state: SetState | null };
  /** A report a curator decided about, and where its thing stands. */
  report?: { id: number; resource: number; entries: ShelfEntry[] };
  /** A link that was made or (`ended`) ended. */
  link?: { id: number; ended: boolean };
  /** Secrets that students' cards carry: their hashes. */
  cards?: { class: number; secrets: Secret[] };
}

/**
 * The same work at other times. Anyone who has more time has it there too; anyone who was given a later due moment keeps as much
 * later.
 */
async function withOwn(
  tx: Queryable,
  before: readonly PlaceWas[],
  to: readonly (Place & { id: number })[],
): Promise<PlaceWas[]> {
  const rows = await tx.query<{ assignment: number; student: number; factor: number; school: number }>(
    `select r.assignment_id assignment, r.student_id student, r.time_factor::float8 factor, c.school_id school
       from recipient r join assignment a on a.id = r.assignment_id join class c on c.id = a.class_id
      where r.assignment_id = any($1::int[]) and (r.time_factor <> 1 or r.own_due is not null)`,
    [to.map(({ id }) => id)],
  );
  const calendars = new Map<number, Awaited<ReturnType<typeof calendarOf>>>();
  for (const { school } of rows) if (!calendars.has(school)) calendars.set(school, await calendarOf(tx, school));
  return to.map((place) => {
    const was = before.find(({ id }) => id === place.id)!;
    const own = rows
      .filter(({ assignment }) => assignment === place.id)
      .map(({ student, factor, school }) => {
        if (factor !== 1) {
          const times = withExtraTime(calendars.get(school)!, place, factor);
          return { student, due: times.due, closes: times.closes };
        }
        const had = was.own.find((row) => row.student === student);
        const later = had?.due ? had.due.getTime() - was.due.getTime() : 0;
        const due = later > 0 ? new Date(place.due.getTime() + later) : null;
        return { student, due, closes: place.closes && due && due > place.closes ? due : null };
      });
    return { id: place.id, opens: place.opens, due: place.due, closes: place.closes, meeting: place.meeting, own };
  });
}

/** Moves work in one act that can be undone; returns the event's number. */
export async function changePlaces(
  db: Db,
  person: number,
  now: Date,
  what: string,
  to: readonly (Place & { id: number })[],
  more: Omit<PlanState, "places"> = {},
  alongside: (tx: Queryable) => Promise<void> = async () => undefined,
): Promise<number> {
  return db.transaction(async (tx) => {
    await alongside(tx);
    const before = await placesOf(
      tx,
      to.map(({ id }) => id),
    );
    const after = await withOwn(tx, before, to);
    await setPlaces(tx, after);
    for (const { id } of to) await announceWork(tx, id);
    return addEvent<PlanState>(tx, {
      person,
      at: now,
      what,
      before: { places: before },
      after: {
        places: await placesOf(
          tx,
          to.map(({ id }) => id),
        ),
        ...more,
      },
    });
  });
}

/** Gives work in one act that can be undone; returns the ids in the order of the list, and the event's number. */
export async function giveWork(
  db: Db,
  person: number,
  now: Date,
  list: readonly NewAssignment[],
): Promise<{ assignments: number[]; event: number }> {
  return db.transaction(async (tx) => {
    const assignments = await addAssignments(tx, list);
    const after = { places: await placesOf(tx, assignments), given: true as const };
    const what = "gave work";
    return {
      assignments,
      event: await addEvent<PlanState>(tx, { person, at: now, what, before: { places: [] }, after }),
    };
  });
}

/** Whether the work is still where a change of the plan put it. */
export function samePlaces(now: readonly PlaceWas[], then: readonly PlaceWas[]): boolean {
  // What was stored is JSON: dates are compared as they are written there, and keys have no order.
  return canonical(JSON.parse(JSON.stringify(now))) === canonical(then);
}
