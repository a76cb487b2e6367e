import {
  addDays,
  meetingsBetween,
  momentAt,
  schoolClock,
  type MeetingRule,
  type SchoolCalendar,
} from "@/core/calendar/school-calendar";
import { stretchesOf, type Stretch } from "@/core/calendar/stretches";
import { areaOf } from "@/core/results/branches";
import { coverageOf, type Coverage } from "@/core/results/coverage";
import { partOf } from "@/core/plan/parts";
import { codesAsked } from "@/core/resource/aligned";
import type { Document } from "@/core/resource/document";
import { readRevision } from "@/data/engine/read-once";
import type { Class } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { frameworksOf, standardsByCode, statementsOf, type Framework, type Standard } from "@/data/find/standards";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import {
  evidenceOf,
  partsAskedFor,
  standingsOf,
  workAskedFor,
  type Asked,
  type Standing,
} from "@/data/results/coverage";
import type { Visitor } from "../web/session";
import { judge } from "./judge";

/** Her class beside another. */
export interface CoveredClass {
  id: number;
  name: string;
  grades: { from: number; to: number };
  /** Meetings left until the stretch is over, the next among them, by what is taught in them. */
  lessons: { label: string; left: number }[];
}

export interface CoverageData {
  frameworks: Framework[];
  framework: Framework | null;
  statements: Standard[];
  stretches: Stretch[];
  stretch: Stretch;
  classes: CoveredClass[];
  coverage: Coverage;
  /** Where each child of the class stands with the statement that is open. */
  standings: Standing[];
  zone: string;
}

function lessonsLeft(
  calendar: SchoolCalendar,
  rules: MeetingRule[],
  until: string,
  now: Date,
): CoveredClass["lessons"] {
  const left = new Map(rules.map(({ label }) => [label, 0]));
  for (const { label, starts } of meetingsBetween(calendar, rules, schoolClock(now, calendar.zone).date, until))
    if (starts > now) left.set(label, left.get(label)! + 1);
  return [...left].map(([label, count]) => ({ label, left: count }));
}

/** Of work of which only some steps were assigned, the codes those steps are about: the others were not taught by it. */
async function aboutParts(db: Db, within: Asked): Promise<Map<number, Set<string>>> {
  const parts = await partsAskedFor(db, within);
  const documents = new Map<number, Document>();
  for (const { revision } of parts)
    if (!documents.has(revision)) documents.set(revision, (await readRevision(db, revision))!.document);
  return new Map(
    parts.map(({ assignment, steps, revision }) => [
      assignment,
      new Set(codesAsked(partOf(documents.get(revision)!, steps))),
    ]),
  );
}

/**
 * What classes have covered of a framework in a stretch of the year: planned, taught, assessed, and how well. `open`: the cell whose
 * children are named.
 */
export async function coverageData(
  db: Db,
  visitor: Visitor,
  classes: readonly Class[],
  asked: {
    framework: number | undefined;
    stretch: string | undefined;
    open: { class: number; standard: number } | null;
  },
  now: Date,
): Promise<CoverageData> {
  const calendar = await calendarOf(db, classes[0]!.school);
  const today = schoolClock(now, calendar.zone).date;
  const stretches = stretchesOf(calendar, today);
  const stretch = stretches.find(({ name }) => name === asked.stretch) ?? stretches[0]!;
  const ids = classes.map(({ id }) => id);
  const [frameworks, rules] = await Promise.all([frameworksOf(db, visitor.district), meetingRulesOf(db, ids)]);
  const framework = frameworks.find(({ id }) => id === asked.framework) ?? frameworks[0] ?? null;
  const within: Asked = {
    ...{ teacher: visitor.id, now, classes: ids },
    from: momentAt(stretch.from, "00:00", calendar.zone),
    to: momentAt(addDays(stretch.to, 1), "00:00", calendar.zone),
  };
  const works = await workAskedFor(db, within);
  await judge(db, works.begun);
  const [statements, found, parts, standings] = await Promise.all([
    framework ? statementsOf(db, visitor.district, framework.id) : [],
    framework ? evidenceOf(db, works.all, framework.id) : [],
    aboutParts(db, within),
    asked.open && ids.includes(asked.open.class)
      ? standingsOf(db, { ...within, classes: [asked.open.class] }, asked.open.standard)
      : [],
  ]);
  const codeOf = new Map(statements.map(({ id, code }) => [id, code]));
  const evidence = found.filter(
    ({ assignment, standard, result }) =>
      result !== null || (parts.get(assignment)?.has(codeOf.get(standard) ?? "") ?? true),
  );
  return {
    ...{ frameworks, framework, statements, stretches, stretch, standings, zone: calendar.zone },
    coverage: coverageOf(evidence, now),
    classes: await Promise.all(
      classes.map(async ({ id, name, school, gradeFrom, gradeTo }) => ({
        ...{ id, name, grades: { from: gradeFrom, to: gradeTo } },
        lessons: lessonsLeft(
          school === classes[0]!.school ? calendar : await calendarOf(db, school),
          rules.filter((rule) => rule.class === id),
          stretch.to,
          now,
        ),
      })),
    ),
  };
}

/** The place in coverage where a statement's cell of a class is open; null: no such statement in this district's frameworks. */
export async function placeOfStandard(db: Db, visitor: Visitor, classId: number, code: string): Promise<string | null> {
  const named = await standardsByCode(db, visitor.district, [code]);
  const standard = named.find((one) => one.code.toUpperCase() === code.toUpperCase());
  if (!standard) return null;
  const { id, framework } = standard;
  const byId = new Map((await statementsOf(db, visitor.district, framework)).map((one) => [one.id, one]));
  const place = {
    classes: classId,
    framework,
    area: areaOf(byId, standard).code,
    grade: "all",
    cell: `${classId}.${id}`,
  };
  return `/results/coverage?${new URLSearchParams(Object.entries(place).map(([name, value]) => [name, String(value)]))}`;
}
