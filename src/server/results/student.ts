import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { stretchesOf } from "@/core/calendar/stretches";
import { skillPoints, type SkillPoints } from "@/core/marking/skills";
import type { Point } from "@/core/results/progress";
import type { Db } from "@/data/engine/db";
import { standardsByCode } from "@/data/find/standards";
import { markedByRubric, markEntries } from "@/data/marking/marks";
import { rubricById } from "@/data/marking/rubrics";
import { calendarOf } from "@/data/plan/calendar";
import { studentNotes, type StudentNote } from "@/data/results/student-notes";
import { studentGoals, type StudentGoal } from "@/data/plan/plan";
import { outcomesOfStudent, workOfStudent } from "@/data/results/student";
import type { Visitor } from "../web/session";
import { judge } from "./judge";

/** A result with what it can be filtered by. */
export interface StudentPoint extends Point {
  class: number;
  className: string;
  goals: string[];
  due: Date;
  minutes: number;
}

export interface StudentData {
  /** The whole of each piece of work. */
  points: StudentPoint[];
  /** By the code of a standard. */
  standards: { code: string; statement: string; points: Point[] }[];
  goals: StudentGoal[];
  /** Levels given by a rubric, by the skill. */
  skills: SkillPoints[];
  notes: StudentNote[];
  /** Terms and years to look at by themselves; `to` is not part of them. */
  stretches: { name: string; from: Date; to: Date }[];
}

/** What was marked by rubrics, of work that is among the results. */
async function skillsOf(db: Db, student: number, points: readonly StudentPoint[]): Promise<SkillPoints[]> {
  const marked = await markedByRubric(
    db,
    student,
    points.map(({ assignment }) => assignment),
  );
  const works = await Promise.all(
    points
      .filter(({ assignment }) => marked.includes(assignment))
      .map(async ({ assignment, title, at }) => ({
        ...{ assignment, title, at },
        entries: await markEntries(db, assignment, student),
      })),
  );
  const ids = new Set(works.flatMap(({ entries }) => entries.flatMap(({ rubric }) => rubric ?? [])));
  const rubrics = await Promise.all([...ids].map(async (id) => [id, (await rubricById(db, id))!.content] as const));
  return skillPoints(works, new Map(rubrics));
}

/** How a child is doing over time, by what this teacher works with. */
export async function studentData(db: Db, visitor: Visitor, student: number, now: Date): Promise<StudentData> {
  await judge(db, await workOfStudent(db, visitor.id, student, now));
  const [outcomes, goals, notes, calendar] = await Promise.all([
    outcomesOfStudent(db, visitor.id, student, now),
    studentGoals(db, [student]),
    studentNotes(db, student),
    visitor.school === null ? null : calendarOf(db, visitor.school),
  ]);
  const pointOf = ({ assignment, title, at, gained, outOf }: Point): Point => ({
    assignment,
    title,
    at,
    gained,
    outOf,
  });
  const byCode = new Map<string, Point[]>();
  for (const one of outcomes) if (one.code) byCode.set(one.code, [...(byCode.get(one.code) ?? []), pointOf(one)]);
  const known = await standardsByCode(db, visitor.district, [...byCode.keys()]);
  const points = outcomes
    .filter(({ code }) => code === "")
    .map((one) => {
      const { class: group, className, goals: tags, due, minutes } = one;
      return { ...pointOf(one), class: group, className, goals: tags, due, minutes };
    });
  const moment = (day: string) => momentAt(day, "00:00", visitor.zone);
  return {
    ...{ points, notes, skills: await skillsOf(db, student, points) },
    stretches: (calendar ? stretchesOf(calendar, schoolClock(now, calendar.zone).date) : []).map(
      ({ name, from, to }) => ({ name, from: moment(from), to: moment(addDays(to, 1)) }),
    ),
    standards: [...byCode].map(([code, points]) => ({
      ...{ code, points },
      statement: known.find((one) => one.code === code)?.statement ?? "",
    })),
    goals,
  };
}
