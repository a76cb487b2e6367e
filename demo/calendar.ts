import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { addDays, mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { addDaysOff, setBells, setMeetingRules, setTerms, setWeek } from "@/data/plan/calendar";
import { one, type Queryable } from "@/data/engine/db";
import { SeededRandom } from "./bulk/random";
import type { Town } from "./town";

const Day = z.tuple([z.number(), z.number()]);
const Plan = z.strictObject({
  schools: z.array(
    z.strictObject({
      school: z.string(),
      cycle: z.array(z.string()),
      bells: z.array(z.tuple([z.number(), z.string(), z.string()])),
      terms: z.array(z.strictObject({ name: z.string(), from: Day, to: Day })),
      off: z.array(
        z.strictObject({
          name: z.string(),
          day: Day,
          kind: z.enum(["off", "half", "lost"]),
          until: z.string().nullable().default(null),
        }),
      ),
    }),
  ),
  meetings: z.record(
    z.string(),
    z.array(
      z.strictObject({ label: z.string(), period: z.number(), on: z.union([z.string(), z.number()]).optional() }),
    ),
  ),
  groups: z.record(z.string(), z.record(z.string(), z.array(z.string()))),
  students: z.record(
    z.string(),
    z.strictObject({
      factor: z.number().default(1),
      aloud: z.boolean().default(false),
      home: z.string().optional(),
      goal: z.string().optional(),
    }),
  ),
  cover: z.array(z.strictObject({ class: z.string(), teacher: z.string(), from: Day, to: Day })),
});

const key = (name: string) => name.toLowerCase().replaceAll(" ", ".");
const weekdays = [1, 2, 3, 4, 5];

/** Terms, bells, meetings and days off; what is known of students; groups and cover. */
export async function addCalendar(tx: Queryable, town: Town, now: Date): Promise<void> {
  const plan = Plan.parse(parse(readFileSync(path.join(import.meta.dirname, "calendar.yaml"), "utf8")));
  const monday = mondayOf(schoolClock(now, town.zone).date);
  const date = ([week, weekday]: [number, number]) => addDays(monday, week * 7 + weekday - 1);
  for (const { school: name, cycle, bells, terms, off } of plan.schools) {
    const school = town.schools.get(name)!;
    await setWeek(tx, school, { weekdays, cycle });
    await setTerms(
      tx,
      school,
      terms.map((term) => ({ name: term.name, from: date(term.from), to: date(term.to) })),
    );
    await setBells(
      tx,
      school,
      weekdays.flatMap((weekday) => bells.map(([period, starts, ends]) => ({ weekday, period, starts, ends }))),
    );
    await addDaysOff(
      tx,
      school,
      off.map(({ day, ...rest }) => ({ ...rest, date: date(day) })),
    );
  }
  for (const [name, meetings] of Object.entries(plan.meetings)) {
    await setMeetingRules(
      tx,
      town.classes.get(name)!.id,
      meetings.map(({ label, period, on }) => ({
        label,
        period,
        weekday: typeof on === "number" ? on : null,
        cycleDay: typeof on === "string" ? on : null,
      })),
    );
  }
  await addStudentFacts(tx, town, plan.students, now);
  for (const [name, groups] of Object.entries(plan.groups)) {
    const { id: classId } = town.classes.get(name)!;
    for (const [position, [group, students]] of Object.entries(groups).entries()) {
      const { id } = await one<{ id: number }>(
        tx,
        "insert into student_group (class_id, name, position) values ($1, $2, $3) returning id",
        [classId, group, position],
      );
      await tx.query("insert into group_member (group_id, student_id) select $1, unnest($2::int[])", [
        id,
        students.map((student) => studentNamed(town, student)),
      ]);
    }
  }
  for (const cover of plan.cover) {
    await tx.query(
      "insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, 'cover', $3, $4)",
      [town.classes.get(cover.class)!.id, town.people.get(key(cover.teacher)), date(cover.from), date(cover.to)],
    );
  }
}

function studentNamed(town: Town, name: string): number {
  for (const [known, id] of town.people) if (known.startsWith(`${key(name)}@`)) return id;
  throw new Error(`demo/calendar.yaml: nobody is called ${name}`);
}

/** Measured reading grades spread over what each class reads at, and what single students need. */
async function addStudentFacts(
  tx: Queryable,
  town: Town,
  known: z.infer<typeof Plan>["students"],
  now: Date,
): Promise<void> {
  const random = new SeededRandom(17);
  for (const { id, students } of town.classes.values()) {
    const { from, to } = await one<{ from: number; to: number }>(
      tx,
      `select reading_from::float8 "from", reading_to::float8 "to" from class where id = $1`,
      [id],
    );
    for (const student of students) {
      const reads = from + (to - from) * (0.5 * random.next() + 0.5 * random.next());
      await tx.query("update person set reading_grade = $2 where id = $1 and reading_grade is null", [
        student,
        Math.round(reads * 10) / 10,
      ]);
    }
  }
  for (const [name, { factor, aloud, home, goal }] of Object.entries(known)) {
    const student = studentNamed(town, name);
    await tx.query(
      "update person set time_factor = $2, reads_aloud = $3, family_language = $4, languages = $5 where id = $1",
      [student, factor, aloud, home ?? null, home ? ["en", home] : ["en"]],
    );
    if (goal)
      await tx.query("insert into student_goal (student_id, year, goal) values ($1, $2, $3)", [
        student,
        now.getFullYear(),
        goal,
      ]);
  }
}
