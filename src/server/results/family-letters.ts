import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { stretchesOf } from "@/core/calendar/stretches";
import { underGoal } from "@/core/results/goal-tag";
import type { LetterResults } from "@/core/results/family-letter";
import type { Class, Student } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { calendarOf } from "@/data/plan/calendar";
import type { Visitor } from "../web/session";

import { studentData } from "./student";

/** A child, and what a letter to the family says. */
export interface FamilyLetter {
  student: number;
  name: string;
  familyLanguage: string | null;
  results: LetterResults;
}

/** What letters about the results of this term say, for these children of a class: from work of that class only. */
export async function familyLetters(
  db: Db,
  visitor: Visitor,
  group: Pick<Class, "id" | "name" | "school">,
  students: readonly Student[],
  now: Date,
): Promise<FamilyLetter[]> {
  const calendar = await calendarOf(db, group.school);
  const today = schoolClock(now, calendar.zone).date;
  const { from, to } = stretchesOf(calendar, today)[0]!;
  const first = momentAt(from, "00:00", calendar.zone);
  const until = to < today ? to : today;
  const last = momentAt(addDays(until, 1), "00:00", calendar.zone);
  const letters: FamilyLetter[] = [];
  for (const { id, givenName, familyName, familyLanguage } of students) {
    const data = await studentData(db, visitor, id, now);
    const points = data.points.filter((one) => one.class === group.id && one.at >= first && one.at < last);
    const works = new Set(points.map(({ assignment }) => assignment));
    letters.push({
      ...{ student: id, name: `${givenName} ${familyName}`, familyLanguage },
      results: {
        ...{ student: givenName, className: group.name, from, to: until },
        points: points.map(({ assignment, title, at, gained, outOf }) => ({ assignment, title, at, gained, outOf })),
        standards: data.standards.map((one) => ({
          ...one,
          points: one.points.filter(({ assignment }) => works.has(assignment)),
        })),
        // A goal goes on over the years: all that was tracked under it counts.
        goals: data.goals.map((goal) => ({
          ...{ goal: goal.goal, closed: goal.closed !== null, criterion: goal.criterion },
          points: underGoal(data.points, goal),
        })),
      },
    });
  }
  return letters;
}
