import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { stretchesOf, type Stretch } from "@/core/calendar/stretches";
import { markTable, type MarkRules } from "@/core/results/mark-table";
import { studentsOf, type Class } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { calendarOf } from "@/data/plan/calendar";
import { gotOf, markedWorks, markRulesOf, type MarksAsked } from "@/data/results/mark-table";
import type { Visitor } from "../web/session";
import { judge } from "./judge";

export interface MarkTableData {
  table: ReturnType<typeof markTable>;
  rules: MarkRules;
  stretches: Stretch[];
  stretch: Stretch;
  /** Goals that work of this stretch is tracked under. */
  goals: string[];
  zone: string;
}

/** What a class gained in a stretch of the year, piece of work by piece of work; `goal`: only what is tracked under it. */
export async function markTableData(
  db: Db,
  visitor: Visitor,
  group: Pick<Class, "id" | "school">,
  asked: { stretch: string | undefined; goal: string | undefined },
  now: Date,
): Promise<MarkTableData> {
  const calendar = await calendarOf(db, group.school);
  const stretches = stretchesOf(calendar, schoolClock(now, calendar.zone).date);
  const stretch = stretches.find(({ name }) => name === asked.stretch) ?? stretches[0]!;
  const within: MarksAsked = {
    ...{ teacher: visitor.id, now, class: group.id },
    from: momentAt(stretch.from, "00:00", calendar.zone),
    to: momentAt(addDays(stretch.to, 1), "00:00", calendar.zone),
  };
  const all = await markedWorks(db, within);
  const works = asked.goal === undefined ? all : all.filter(({ goals }) => goals.includes(asked.goal!));
  const ids = works.map(({ id }) => id);
  await judge(db, ids);
  const [got, students, rules] = await Promise.all([
    gotOf(db, ids, now),
    studentsOf(db, group.id),
    markRulesOf(db, group.id),
  ]);
  const named = students.map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` }));
  return {
    ...{ rules, stretches, stretch, zone: calendar.zone },
    table: markTable(named, works, got, rules),
    goals: [...new Set(all.flatMap(({ goals }) => goals))].toSorted(),
  };
}
