import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { nthMeeting } from "@/core/calendar/school-calendar";
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
  weeks: z.array(z.strictObject({ week: z.number(), resource: z.string(), step: z.number(), level: z.number() })),
});

const DAY = 24 * 3_600_000;
const DONE = 0.96;

/** What a class was assigned since the term began, and how it went: something to be found over weeks. */
export async function addTerm(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Plan.parse(parse(readFileSync(path.join(import.meta.dirname, "term.yaml"), "utf8")));
  const group = town.classes.get(plan.class)!;
  const calendar = await calendarOf(tx, group.school);
  const rules = (await meetingRulesOf(tx, [group.id])).filter(({ label }) => label === plan.lesson);
  const longest = Math.max(...plan.weeks.map(({ week }) => week));
  for (const [nth, { week, resource, step, level }] of plan.weeks.entries()) {
    const lesson = lessons.get(resource);
    if (!lesson) throw new Error(`demo/term.yaml: there is no lesson ${resource}`);
    const meeting = nthMeeting(calendar, rules, new Date(now.getTime() - week * 7 * DAY), 1)!;
    const steps = [lesson.document.steps[step - 1]!.id];
    const document = partOf(lesson.document, steps);
    const assignment = await addAssignment(tx, {
      ...{ class: group.id, resource: lesson.id, revision: lesson.revision, students: group.students },
      ...{ madeBy: group.lead, made: new Date(meeting.starts.getTime() - DAY), opens: meeting.starts },
      ...{ due: meeting.ends, meeting: { date: meeting.date, period: meeting.period } },
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
      if (random.next() > DONE && recipient.name !== plan.falls) continue;
      // From a little more than the others to much less.
      const fall = recipient.name === plan.falls ? 0.25 + (0.9 * week) / longest : 1;
      await addTry(tx, {
        ...{ recipient: recipient.id, lesson: { document }, opens: meeting.starts, due: meeting.ends, all: true },
        ...{ tries: 1, random, now, ability: Math.min(0.97, abilityOf(recipient.student) * level * fall) },
      });
    }
  }
}
