import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { nthMeeting } from "@/core/calendar/school-calendar";
import { formatGoal } from "@/core/results/goal-tag";
import { partOf } from "@/core/plan/parts";
import { addAssignment } from "@/data/assign/assignments";
import type { Queryable } from "@/data/engine/db";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { SeededRandom } from "./bulk/random";
import type { Lesson, Town } from "./town";
import { abilityOf, addTry } from "./tries";

const Plan = z.strictObject({
  class: z.string(),
  lesson: z.string(),
  falls: z.string(),
  notes: z.array(z.strictObject({ by: z.string(), weeks: z.number(), says: z.string() })),
  goal: z.strictObject({ student: z.string(), goal: z.string(), share: z.number(), times: z.number() }),
  weeks: z.array(
    z.strictObject({
      week: z.number(),
      resource: z.string(),
      step: z.number(),
      level: z.number(),
      tracked: z.boolean().default(false),
      under: z.string().optional(),
    }),
  ),
});

const DAY = 24 * 3_600_000;
const DONE = 0.96;

/** What a class was assigned since the term began, and how it went: something to be found over weeks. */
export async function addTerm(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Plan.parse(parse(readFileSync(path.join(import.meta.dirname, "term.yaml"), "utf8")));
  const group = town.classes.get(plan.class)!;
  const calendar = await calendarOf(tx, group.school);
  const rules = (await meetingRulesOf(tx, [group.id])).filter(({ label }) => label === plan.lesson);
  const [own] = await tx.query<{ id: number; student: number; goal: string; year: number }>(
    `update student_goal g set share = $3, times = $4 from person p
      where p.id = g.student_id and p.given_name || ' ' || p.family_name = $1 and g.goal = $2
      returning g.id, g.student_id student, g.goal, g.year`,
    [plan.goal.student, plan.goal.goal, plan.goal.share, plan.goal.times],
  );
  if (!own) throw new Error(`demo/term.yaml: ${plan.goal.student} has no such goal`);
  for (const note of plan.notes)
    await tx.query(
      `insert into student_note (student_id, by_id, at, text)
       select id, $2, $3, $4 from person where given_name || ' ' || family_name = $1`,
      [plan.falls, town.people.get(note.by), new Date(now.getTime() - note.weeks * 7 * DAY), note.says],
    );
  const longest = Math.max(...plan.weeks.map(({ week }) => week));
  for (const [nth, { week, resource, step, level, tracked, under }] of plan.weeks.entries()) {
    const lesson = lessons.get(resource);
    if (!lesson) throw new Error(`demo/term.yaml: there is no lesson ${resource}`);
    const meeting = nthMeeting(calendar, rules, new Date(now.getTime() - week * 7 * DAY), 1)!;
    const steps = [lesson.document.steps[step - 1]!.id];
    const document = partOf(lesson.document, steps);
    const assignment = await addAssignment(tx, {
      ...{ class: group.id, resource: lesson.id, revision: lesson.revision, students: group.students },
      ...{ madeBy: group.lead, made: new Date(meeting.starts.getTime() - DAY), opens: meeting.starts },
      ...{ due: meeting.ends, meeting: { date: meeting.date, period: meeting.period } },
      goals: [...(tracked ? [formatGoal(own)] : []), ...(under ? [under] : [])],
      ...{ tries: 1, keep: "best", checking: "at the end" },
      ...{ steps, part: `step ${step}`, minutes: document.steps[0]!.minutes ?? 8 },
    });
    const recipients = await tx.query<{ id: number; student: number; name: string }>(
      `select r.id, r.student_id student, p.given_name || ' ' || p.family_name as name
         from recipient r join person p on p.id = r.student_id where assignment_id = $1 order by r.id`,
      [assignment],
    );
    for (const [place, recipient] of recipients.entries()) {
      const random = new SeededRandom((nth + 1) * 31_337 + place * 97);
      if (random.next() > DONE && recipient.name !== plan.falls && recipient.student !== own.student) continue;
      // The first time it is still too hard; from the second on it shows.
      const working = tracked && recipient.student === own.student ? (week < longest - 1 ? 1 : 0.2) : null;
      const falling = recipient.name === plan.falls ? 0.3 + (0.65 * week) / longest : null;
      await addTry(tx, {
        ...{ recipient: recipient.id, lesson: { document }, opens: meeting.starts, due: meeting.ends, all: true },
        ...{
          tries: 1,
          random,
          now,
          ability: working ?? falling ?? Math.min(0.97, abilityOf(recipient.student) * level),
        },
      });
    }
  }
}
