import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { addAssignment } from "@/data/assign/assignments";
import { one, type Queryable } from "@/data/engine/db";
import { putIn, setWhy, tryToPutIn } from "@/data/portfolio/pieces";
import { SeededRandom } from "./bulk/random";
import type { Lesson, Town } from "./town";
import { addTry } from "./tries";

const Plan = z.strictObject({
  class: z.string(),
  last: z.strictObject({ name: z.string(), by: z.string(), subject: z.string(), months: z.number() }),
  pieces: z.array(
    z.strictObject({ student: z.string(), resource: z.string(), last: z.boolean().default(false), why: z.string() }),
  ),
});
type Piece = z.infer<typeof Plan>["pieces"][number];

const DAY = 24 * 3_600_000;

/** A class of the year before, which is archived, with what some of its children did. By resource, the assignment. */
async function addLastYear(
  tx: Queryable,
  of: {
    plan: z.infer<typeof Plan>;
    town: Town;
    lessons: Map<string, Lesson>;
    students: Map<string, number>;
    now: Date;
  },
): Promise<Map<string, number>> {
  const { plan, town, lessons, students, now } = of;
  const { school, students: all } = town.classes.get(plan.class)!;
  const teacher = town.people.get(plan.last.by)!;
  const opens = new Date(now.getTime() - plan.last.months * 30 * DAY);
  const { id: group } = await one<{ id: number }>(
    tx,
    `insert into class (school_id, name, subject, year, grade_from, grade_to, archived)
     values ($1, $2, $3, $4, 4, 4, $5) returning id`,
    [school, plan.last.name, plan.last.subject, now.getFullYear() - 1, new Date(opens.getTime() + 60 * DAY)],
  );
  await tx.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [group, teacher]);
  await tx.query("insert into enrolment (class_id, student_id) select $1, unnest($2::int[])", [group, all]);
  const assigned = new Map<string, number>();
  for (const resource of new Set(plan.pieces.filter(({ last }) => last).map((piece) => piece.resource))) {
    const lesson = lessons.get(resource)!;
    const doing = plan.pieces
      .filter((piece) => piece.last && piece.resource === resource)
      .map(({ student }) => students.get(student)!);
    const due = new Date(opens.getTime() + 2 * DAY);
    const assignment = await addAssignment(tx, {
      ...{ class: group, resource: lesson.id, revision: lesson.revision, students: doing, madeBy: teacher },
      ...{ made: opens, opens, due, tries: 1, keep: "best", checking: "at the end" },
    });
    assigned.set(resource, assignment);
    const recipients = await tx.query<{ id: number }>("select id from recipient where assignment_id = $1 order by id", [
      assignment,
    ]);
    for (const [place, recipient] of recipients.entries())
      await addTry(tx, {
        ...{ recipient: recipient.id, lesson, opens, due, now, all: true, tries: 1, ability: 0.9 },
        random: new SeededRandom(50_021 + place * 17),
      });
  }
  return assigned;
}

/** What children are proud of, with why, over two years. */
export async function addPortfolios(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Plan.parse(parse(readFileSync(path.join(import.meta.dirname, "portfolio.yaml"), "utf8")));
  const group = town.classes.get(plan.class)!;
  const rows = await tx.query<{ id: number; name: string }>(
    "select id, given_name || ' ' || family_name as name from person where id = any($1::int[])",
    [group.students],
  );
  const students = new Map(rows.map(({ id, name }) => [name, id]));
  const lastYear = await addLastYear(tx, { plan, town, lessons, students, now });
  const assigned = async ({ resource }: Piece) =>
    (
      await tx.query<{ id: number }>(
        "select id from assignment where class_id = $1 and resource_id = $2 and part is null order by opens limit 1",
        [group.id, lessons.get(resource)!.id],
      )
    )[0]?.id;
  for (const piece of plan.pieces) {
    const student = students.get(piece.student)!;
    const assignment = piece.last ? lastYear.get(piece.resource) : await assigned(piece);
    const found = assignment === undefined ? undefined : await tryToPutIn(tx, { student, assignment });
    // Not everybody has handed everything in.
    if (!found) continue;
    const { piece: id } = await putIn(tx, { student, attempt: found.attempt, question: null, by: student, at: now });
    await setWhy(tx, { student, piece: id, why: piece.why, voice: null });
  }
}
