import { addDays, mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { interestsIn, type Interest } from "@/core/reading/interests";
import { readingWeek, type ReadingWeek } from "@/core/reading/minutes";
import { isTooHard, suggestions, type Reason } from "@/core/reading/suggest";
import type { Db } from "@/data/engine/db";
import { interestsOf, readingsOf, secondsOf } from "@/data/reading/readings";
import { readingsOn, shelvesFor } from "@/data/reading/shelves";
import { readsAt } from "@/data/reading/reader-grade";
import type { Visitor } from "../web/session";

/** A reading as a child sees it before she opens it. */
export interface ToRead {
  resource: number;
  title: string;
  minutes: number;
  about: Interest[];
  /** Above what she reads with ease. */
  hard: boolean;
  finished: boolean;
}

export interface ReadingPlace {
  /** What she is at; null: nothing, or it is finished. */
  current: (ToRead & { step: string }) | null;
  suggested: (ToRead & { reason: Reason })[];
  shelf: ToRead[];
  week: ReadingWeek;
  perDay: boolean;
  /** What was read this week, the newest first. */
  log: { date: string; title: string; minutes: number }[];
  likes: Interest[];
}

/** A child's place to choose something to read; null where no class of hers has a shelf. */
export async function readingPlace(db: Db, visitor: Visitor, now: Date): Promise<ReadingPlace | null> {
  const shelves = await shelvesFor(db, visitor.id);
  const [first] = shelves;
  if (!first) return null;
  const today = schoolClock(now, visitor.zone).date;
  const monday = mondayOf(today);
  const [standing, readings, likes, seconds, { grade, languages }] = await Promise.all([
    readingsOn(
      db,
      shelves.map((shelf) => shelf.class),
    ),
    readingsOf(db, visitor.id),
    interestsOf(db, visitor.id),
    secondsOf(db, visitor.id, monday, addDays(monday, 6)),
    readsAt(db, visitor.id),
  ]);
  const spoken = new Set([...languages, visitor.locale].map((language) => language.split("-")[0]!));
  // The same on two shelves is one reading.
  const shelf = [...new Map(standing.map((one) => [one.resource, one])).values()].map((one) => ({
    resource: one.resource,
    readingGrade: one.facts.readingGrade,
    about: interestsIn([one.facts.title, one.facts.summary, ...one.facts.topics]),
    top: standing.some((other) => other.resource === one.resource && other.top),
    finished: one.finished,
    understood: one.facts.languages.some((language) => spoken.has(language.split("-")[0]!)),
    facts: one.facts,
  }));
  const done = new Set(readings.filter(({ finished }) => finished !== null).map(({ resource }) => resource));
  const toRead = new Map(
    shelf.map(({ resource, facts, about, readingGrade }): [number, ToRead] => [
      resource,
      {
        ...{ resource, title: facts.title, minutes: facts.minutes, about },
        hard: isTooHard({ readingGrade }, { readingGrade: grade }),
        finished: done.has(resource),
      },
    ]),
  );
  const at = readings.find(({ resource, finished }) => finished === null && toRead.has(resource));
  const known = new Set([...done, ...(at ? [at.resource] : [])]);
  const bySum = new Map<string, number>();
  for (const { date, seconds: spent } of seconds) bySum.set(date, (bySum.get(date) ?? 0) + spent);
  return {
    current: at ? { ...toRead.get(at.resource)!, step: at.step } : null,
    suggested: suggestions(shelf, { readingGrade: grade, likes, known }).map(({ resource, reason }) => ({
      ...toRead.get(resource)!,
      reason,
    })),
    shelf: [...toRead.values()],
    week: readingWeek(bySum, today, first.goal),
    perDay: first.goal.per === "day",
    log: seconds
      .map(({ date, title, seconds: spent }) => ({ date, title, minutes: Math.floor(spent / 60) }))
      .filter(({ minutes }) => minutes > 0),
    likes,
  };
}
