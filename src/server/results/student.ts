import type { Point } from "@/core/results/progress";
import type { Db } from "@/data/engine/db";
import { standardsByCode } from "@/data/find/standards";
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
}

/** How a child is doing over time, by what this teacher works with. */
export async function studentData(db: Db, visitor: Visitor, student: number, now: Date): Promise<StudentData> {
  await judge(db, await workOfStudent(db, visitor.id, student, now));
  const [outcomes, goals] = await Promise.all([
    outcomesOfStudent(db, visitor.id, student, now),
    studentGoals(db, [student]),
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
  return {
    points: outcomes
      .filter(({ code }) => code === "")
      .map((one) => {
        const { class: group, className, goals: tags, due, minutes } = one;
        return { ...pointOf(one), class: group, className, goals: tags, due, minutes };
      }),
    standards: [...byCode].map(([code, points]) => ({
      ...{ code, points },
      statement: known.find((one) => one.code === code)?.statement ?? "",
    })),
    goals,
  };
}
