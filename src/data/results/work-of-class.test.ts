import { allQuestions } from "@/core/resource/document";
import { outcomesOf } from "@/core/results/outcomes";
import { resultTable } from "@/core/results/table";
import type { Db } from "../engine/db";
import { addResponses, countLate, handIn, openAttempt, ownAssignment } from "../student/work";
import { freshDatabase } from "../testing/database";
import { giveToClass, lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { workOf, workOfStudent, workWithLastAnswers } from "./work-of-class";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

const seconds = (count: number) => new Date(now.getTime() + count * 1000);
const document = lesson("Tides");
const asked = allQuestions(document);

/** A fair number below one, the same in every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}

/** A class that answers, changes, checks and comes too late, as often as children do; two tries each, most of them handed in. */
async function busyClass(seed: number): Promise<number> {
  const random = numbers(seed);
  const below = (most: number) => Math.floor(random() * most);
  const resource = await publishFor(db, world.ines, document);
  const assignment = await giveToClass(db, world, resource, { opens: seconds(-3600), tries: 2 });
  for (const student of world.students) {
    const own = (await ownAssignment(db, student, assignment, null))!;
    for (let number = 1; number <= 2; number += 1) {
      const attempt = (await openAttempt(db, own, seconds(number * 5000)))!;
      const some = Array.from({ length: below(30) }, (_, nth) => {
        const { step, question } = asked[below(asked.length)]!;
        const written = new Date(seconds(number * 5000 + below(900)).getTime() + below(1000));
        const flags = { checked: random() < 0.3, late: random() < 0.2 };
        const value = ["a", "b", "c", ""][below(4)];
        return {
          key: `${student} ${number} ${nth} of ${seed}`,
          step: step.id,
          question: question.id,
          value,
          written,
          ...flags,
        };
      });
      // Two devices: what was written first need not come first.
      const later = some.splice(0, below(some.length + 1));
      for (const part of [some, later]) await addResponses(db, attempt.id, part, seconds(number * 5000 + 1000));
      if (random() < 0.5)
        await countLate(db, {
          ...{ attempt: attempt.id, question: asked[0]!.question.id, by: world.ines, at: now, counts: true },
        });
      if (number === 1 || random() < 0.5) await handIn(db, attempt.id, seconds(number * 5000 + 2000));
    }
  }
  return assignment;
}

test.each([1, 2, 3, 4, 5, 6])(
  "the last answers alone lead to the same marks, times, checks and outcomes (class %i)",
  async (seed) => {
    const assignment = await busyClass(seed);
    const [all, last] = await Promise.all([workOf(db, assignment), workWithLastAnswers(db, assignment)]);
    const count = (works: typeof all) =>
      works.flatMap(({ tries }) => tries.flatMap(({ responses }) => responses)).length;
    expect(count(last)).toBeLessThan(count(all));
    for (const keep of ["best", "last", "first"] as const) {
      expect(resultTable(last, keep)).toEqual(resultTable(all, keep));
      expect(outcomesOf(last, keep)).toEqual(outcomesOf(all, keep));
    }
  },
);

test("one student's work has every answer as it was written, and nobody else's", async () => {
  const assignment = await busyClass(7);
  const all = await workOf(db, assignment);
  for (const work of all) expect(await workOfStudent(db, assignment, work.student.id)).toEqual(work);
  expect(await workOfStudent(db, assignment, world.ines)).toBeUndefined();
});
