import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { marksFor, Rubric, skillRubric, worthOf } from "@/core/marking/rubric";
import { readByPerson } from "@/core/question/mark";
import { allQuestions } from "@/core/resource/document";
import type { Queryable } from "@/data/engine/db";
import { addMark } from "@/data/marking/marks";
import { addRubric, setWay } from "@/data/marking/rubrics";
import { SeededRandom } from "./bulk/random";
import type { Lesson, Town } from "./town";

const Plan = z.strictObject({
  class: z.string(),
  resource: z.string(),
  rubric: Rubric,
  unsure: z.strictObject({ names: z.array(z.string()), wrote: z.string() }),
  by: z.array(z.strictObject({ name: z.string(), marked: z.number(), says: z.string() })).min(1),
  skill: z.string(),
});

const HOUR = 3_600_000;

/** Writing with numbers in it is a reason; a few words are none. */
const levelOf = (text: string) => (/\d/.test(text) ? 2 : text.length > 60 ? 1 : 0);

/** A piece of writing marked by two teachers, who do not agree in everything. */
export async function addMarking(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Plan.parse(parse(readFileSync(path.join(import.meta.dirname, "marking.yaml"), "utf8")));
  const group = town.classes.get(plan.class)!;
  const lesson = lessons.get(plan.resource)!;
  const asked = allQuestions(lesson.document).find(({ question }) => readByPerson(question.type));
  if (!asked) throw new Error(`demo/marking.yaml: nothing in ${plan.resource} is read by a person`);
  const question = asked.question.id;
  const at = new Date(now.getTime() - HOUR);
  const owner = town.people.get(plan.by[0]!.name)!;
  const rubric = (await addRubric(tx, { owner, content: plan.rubric, replaces: null, at }))!;
  await addRubric(tx, { owner, content: skillRubric(plan.skill, "skill"), replaces: null, at });
  // Answers are never changed; a later one counts.
  await tx.query(
    `insert into response (attempt_id, step_id, question_id, value, checked, late, given, client_key)
     select s.attempt_id, s.step_id, s.question_id, to_jsonb($4::text), false, false, s.given, s.client_key || '-again'
       from response s join attempt t on t.id = s.attempt_id join recipient r on r.id = t.recipient_id
       join assignment a on a.id = r.assignment_id join person p on p.id = r.student_id
      where s.question_id = $3 and a.class_id = $1 and a.resource_id = $2
        and p.given_name || ' ' || p.family_name = any($5::text[])`,
    [group.id, lesson.id, question, plan.unsure.wrote, plan.unsure.names],
  );
  const answers = await tx.query<{ assignment: number; attempt: number; value: string }>(
    `select distinct on (a.id, p.given_name, p.family_name) a.id assignment, t.id attempt, s.value #>> '{}' value
       from assignment a join recipient r on r.assignment_id = a.id join person p on p.id = r.student_id
       join attempt t on t.recipient_id = r.id and t.handed_in is not null
       join response s on s.attempt_id = t.id and s.question_id = $3
      where a.class_id = $1 and a.resource_id = $2 and a.part is null
      order by a.id, p.given_name, p.family_name, s.id desc`,
    [group.id, lesson.id, question],
  );
  const [first] = answers;
  if (!first) return;
  await setWay(tx, { assignment: first.assignment, question, rubric });
  const written = answers.filter(({ assignment }) => assignment === first.assignment);
  for (const [nth, marker] of plan.by.entries()) {
    for (const [place, { attempt, value }] of written.slice(0, marker.marked).entries()) {
      const random = new SeededRandom((nth + 1) * 40_009 + place * 131);
      const clear = value.length > 25 ? 2 : 1;
      const levels = { reason: levelOf(value), reader: clear };
      // The second marker sees some of it another way.
      if (nth > 0 && random.next() < 0.25) levels.reader = Math.max(0, clear - 1);
      const marks = marksFor(plan.rubric, levels);
      await addMark(tx, {
        ...{ attempt, question, by: town.people.get(marker.name)!, at, kind: "marked", for: null },
        ...{ marks, outOf: worthOf(plan.rubric), rubric, levels, comment: levels.reason < 2 ? marker.says : "" },
      });
    }
  }
}
