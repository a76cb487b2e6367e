import { anyNeed } from "@/core/find/need";
import { plainForm } from "@/core/assign/plain-form";
import { resultTable } from "@/core/results/table";
import { assignmentById, assignmentsOf } from "@/data/assign/assignments";
import { studentsOf } from "@/data/classes/classes";
import { standingCorrections } from "@/data/results/corrections";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { prepareAssigning } from "@/server/assign/assigning";
import { find } from "@/server/find/find";
import { giveWork } from "@/server/plan/move-work";
import { aroundResult } from "@/server/results/around";
import type { Visitor } from "@/server/web/session";
import { SeededRandom } from "@demo/bulk/random";
import { birds, crafts, goods, places, seaLife } from "@demo/bulk/world";
import { startPostgres } from "../scripts/postgres.mjs";
import { emptyDatabase } from "./database";
import { load, sizeOf, someTeachers, type Someone } from "./scale/load";
import { percentile, printTable, readOptions } from "./table";

/**
 * What a teacher waits for, at growing sizes of the whole installation: a find page, the results of one of her classes, assigning to it. On
 * PostgreSQL: DATABASE_URL's, or one of its own. `grew`: how many times slower than at the size before, which is a tenth.
 */
const { n, json } = readOptions({ n: [10_000, 100_000, 1_000_000] });
const ROUNDS = 100;
const wanted = { "find page": 250, "results of a class": 200, "assigning to a class": 500 } as const;
type Case = keyof typeof wanted;

const own = process.env.DATABASE_URL
  ? null
  : startPostgres(5499, "-c shared_buffers=2GB -c effective_cache_size=8GB -c max_wal_size=8GB");
if (own) process.env.DATABASE_URL = own.url;

const random = new SeededRandom(42);
const words = [...birds, ...seaLife, ...goods, ...crafts, ...places, "tide", "timetable", "fractions", "map scale"];
const someNeed = () => ({
  ...anyNeed,
  words: random.some(words, random.int(1, 2)).join(" "),
  grades: random.next() < 0.5 ? [random.int(0, 7)] : [],
  minutes: random.next() < 0.3 ? 30 : null,
});

const visitorOf = (one: Someone): Visitor => ({
  ...{ id: one.teacher, kind: "adult", district: one.district, school: one.school, roles: ["teacher"] },
  ...{ givenName: "Teacher", familyName: "", schoolName: "", zone: "UTC", locale: "en", country: "XS" },
  ...{ joinedClass: null, joinedAt: null },
});

async function timed(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

const rows: Record<string, string | number | undefined>[] = [];
const before = new Map<Case, number>();
try {
  for (const count of n) {
    const size = sizeOf(count);
    const { db, drop } = await emptyDatabase();
    try {
      const now = new Date();
      const loaded = await timed(() => load(db, size, now));
      if (!json)
        console.log(
          `${count} resources, ${size.students} students, ${size.responses} answers: ${Math.round(loaded / 1000)} s to load`,
        );
      const teachers = await someTeachers(db, ROUNDS);
      const cases: Record<Case, (one: Someone) => Promise<unknown>> = {
        "find page": ({ teacher, district, school }) =>
          find(db, { id: teacher, district, school, satchel: [] }, someNeed(), { sort: "best", limit: 24 }),
        "results of a class": async (one) => {
          const visitor = visitorOf(one);
          await assignmentsOf(db, one.teacher, [one.class], now);
          const assignment = (await assignmentById(db, one.assignment))!;
          const table = resultTable(await workWithLastAnswers(db, assignment.id), assignment.keep);
          await standingCorrections(db, assignment.id);
          await aroundResult(db, visitor, assignment, table, now);
        },
        "assigning to a class": async (one) => {
          const students = (await studentsOf(db, one.class)).map(({ id }) => id);
          const assignment = (await assignmentById(db, one.assignment))!;
          const form = plainForm(
            { resources: [assignment.resource], to: [{ class: one.class, students }] },
            {
              opens: { kind: "now" },
              due: { kind: "at", at: new Date(now.getTime() + 3 * 86_400_000).toISOString().slice(0, 16) },
            },
          );
          const { list, problem } = await prepareAssigning(db, visitorOf(one), form, null, now);
          if (problem || list.length !== 1) throw new Error(problem ?? "Nothing would be assigned.");
          await giveWork(db, one.teacher, now, list);
        },
      };
      for (const [name, work] of Object.entries(cases) as [Case, (one: Someone) => Promise<unknown>][]) {
        for (const one of teachers.slice(0, 5)) await work(one);
        const took: number[] = [];
        for (const one of teachers) took.push(await timed(() => work(one)));
        const p95 = percentile(took, 95);
        rows.push({
          case: `${name}, ${count} resources`,
          ...{ n: count, students: size.students, answers: size.responses },
          ...{ p50_ms: percentile(took, 50), p95_ms: p95, wanted_ms: wanted[name] },
          grew: before.has(name) ? Math.round((10 * p95) / before.get(name)!) / 10 : undefined,
        });
        before.set(name, p95);
      }
    } finally {
      await drop();
    }
  }
} finally {
  own?.stop();
}
printTable(rows, json);
process.exit(0);
