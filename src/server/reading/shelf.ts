import { needFromParameters } from "@/core/find/need";
import { isAtLevel, type Blank } from "@/core/reading/filling";
import { isInterest, type Interest } from "@/core/reading/interests";
import { readingWeek } from "@/core/reading/minutes";
import { addDays, mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { classesOf, studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { publishedOf } from "@/data/engine/read-once";
import { readableAmong } from "@/data/find/search";
import { readersIn, secondsIn } from "@/data/reading/readings";
import { readingsOn, shelfOf, type ReadingShelf, type ShelfReading } from "@/data/reading/shelves";
import { pocketsOf, resourcesIn } from "@/data/satchel/pockets";
import { find } from "../find/find";
import { readerOf } from "../find/reader";
import type { Visitor } from "../web/session";

/** A shelf has this many readings at most. */
export const MOST_READINGS = 80;

/** What fills a shelf: a pocket of hers, or, where that is null, a blank. */
export type Filling = Blank & { pocket: number | null };

/** The readings a filling gives now, with the revisions children will read: only what the teacher may pass on. */
export async function readingsFor(
  db: Db,
  visitor: Visitor,
  filling: Filling,
  now: Date,
): Promise<{ resource: number; revision: number }[]> {
  const ids =
    filling.pocket === null ? await foundReadings(db, visitor, filling, now) : await resourcesIn(db, filling.pocket);
  const allowed = new Set(await readableAmong(db, visitor, ids, "copy"));
  const heads = await publishedOf(db, ids.filter((id) => allowed.has(id)).slice(0, MOST_READINGS));
  return ids.flatMap((resource) => {
    const head = allowed.has(resource) ? heads.get(resource) : undefined;
    return head ? [{ resource, revision: head.id }] : [];
  });
}

async function foundReadings(db: Db, visitor: Visitor, filling: Filling, now: Date): Promise<number[]> {
  const { subject, language } = filling;
  const need = needFromParameters({ kind: "reading", ...(subject && { subject }), ...(language && { language }) });
  const { hits } = await find(db, await readerOf(db, visitor), need, {
    sort: "best",
    limit: MOST_READINGS * 2,
    classes: await classesOf(db, visitor.id, now),
    now,
  });
  return hits
    .filter(({ facts }) => isAtLevel(filling, facts.readingGrade))
    .slice(0, MOST_READINGS)
    .map(({ id }) => id);
}

/** How a child of the class reads, as the teacher sees it. */
export interface ReaderRow {
  student: number;
  name: string;
  /** Minutes of the goal's day or week, and of each day of the week. */
  minutes: number;
  days: (number | null)[];
  met: boolean;
  reading: string | null;
  finished: number;
  likes: Interest[];
}

export interface ShelfPage {
  shelf: ReadingShelf | null;
  readings: ShelfReading[];
  readers: ReaderRow[];
  pockets: { id: number; name: string }[];
}

export async function shelfPage(db: Db, visitor: Visitor, classId: number, now: Date): Promise<ShelfPage> {
  const shelf = (await shelfOf(db, classId)) ?? null;
  const pockets = (await pocketsOf(db, visitor.id)).map(({ id, name }) => ({ id, name }));
  if (!shelf) return { shelf, readings: [], readers: [], pockets };
  const today = schoolClock(now, visitor.zone).date;
  const monday = mondayOf(today);
  const [readings, students, seconds, readers] = await Promise.all([
    readingsOn(db, [classId]),
    studentsOf(db, classId),
    secondsIn(db, classId, monday, addDays(monday, 6)),
    readersIn(db, classId),
  ]);
  const rows = students.map((student): ReaderRow => {
    const own = new Map(seconds.flatMap((row) => (row.student === student.id ? [[row.date, row.seconds]] : [])));
    const week = readingWeek(own, today, shelf.goal);
    const reader = readers.find((row) => row.student === student.id);
    return {
      student: student.id,
      name: `${student.givenName} ${student.familyName}`,
      minutes: week.minutes,
      days: week.days.map(({ minutes }) => minutes),
      met: week.left === 0,
      reading: reader?.reading ?? null,
      finished: reader?.finished ?? 0,
      likes: (reader?.likes ?? []).filter(isInterest),
    };
  });
  return { shelf, readings, readers: rows, pockets };
}
