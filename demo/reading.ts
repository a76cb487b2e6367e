import { addDays, schoolClock } from "@/core/calendar/school-calendar";
import { anyReading, writeBlank } from "@/core/reading/filling";
import { interestNames } from "@/core/reading/interests";
import type { Queryable } from "@/data/engine/db";
import { openShelf } from "@/data/reading/shelves";
import { setInterests } from "@/data/reading/readings";
import { SeededRandom } from "./bulk/random";
import type { Lesson, Town } from "./town";

const HOUR = 3_600_000;
const FORTNIGHT = 14;

/** A shelf for 5 Kittiwake that was opened a fortnight ago, and how each child has read since. */
export async function addReading(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const group = town.classes.get("5 Kittiwake")!;
  const readings = [...lessons.values()].filter(({ document }) => document.kind === "reading");
  await openShelf(tx, {
    class: group.id,
    by: group.lead,
    at: new Date(now.getTime() - FORTNIGHT * 24 * HOUR),
    pocket: null,
    blank: writeBlank(anyReading),
    goal: { minutes: 60, per: "week" },
    readings: readings.map(({ id, revision }) => ({ resource: id, revision })),
  });
  const today = schoolClock(now, town.zone).date;
  for (const student of group.students) {
    const random = new SeededRandom(student * 611);
    if (random.next() < 0.85)
      await setInterests(
        tx,
        student,
        interestNames.filter(() => random.next() < 0.2),
      );
    // Some read every day, some hardly at all.
    const eager = random.next();
    let at = random.int(0, readings.length - 1);
    for (let ago = FORTNIGHT; ago >= 1; ago -= 1) {
      const date = addDays(today, -ago);
      if (random.next() > 0.2 + 0.6 * eager) continue;
      const reading = readings[at % readings.length]!;
      const seconds = random.int(4 * 60, 25 * 60);
      const moment = new Date(now.getTime() - ago * 24 * HOUR);
      const ends = random.next() < 0.35;
      const step = reading.document.steps.at(ends ? -1 : 0)!.id;
      await tx.query(
        `insert into reading (student_id, resource_id, revision_id, step_id, began, beat, finished) values ($1, $2, $3, $4, $5, $5, $6)
         on conflict (student_id, resource_id) do update set step_id = excluded.step_id, beat = excluded.beat, finished = excluded.finished`,
        [student, reading.id, reading.revision, step, moment, ends ? moment : null],
      );
      await tx.query(
        `insert into reading_seconds (student_id, resource_id, date, seconds) values ($1, $2, $3, $4)
         on conflict (student_id, date, resource_id) do update set seconds = reading_seconds.seconds + excluded.seconds`,
        [student, reading.id, date, seconds],
      );
      if (ends) at += 1;
    }
  }
}
