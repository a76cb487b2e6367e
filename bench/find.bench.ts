import MiniSearch from "minisearch";
import { anyNeed, type Need } from "@/core/find/need";
import type { Facts } from "@/core/resource/facts";
import type { Db } from "@/data/engine/db";
import { migrate } from "@/data/engine/migrate";
import { find } from "@/server/find/find";
import type { Reader } from "@/data/find/reach";
import { addBulk } from "@demo/bulk/add";
import { SeededRandom } from "@demo/bulk/random";
import { birds, crafts, goods, places, seaLife, weather } from "@demo/bulk/world";
import { demoFramework } from "@demo/frameworks";
import { documentOf } from "@demo/read";
import { bulkLesson } from "@demo/bulk/lessons";
import { alsoBlanks } from "@/core/find/need";
import { addResource } from "@/data/adapt/resources";
import { putOnShelf } from "@/data/find/shelves";
import { importFramework, treeOf } from "@/data/find/standards";
import { suggestSeen } from "@/data/find/words";
import { leavesOf } from "@/server/find/find";
import { publish } from "@/server/adapt/publish";
import { emptyDatabase } from "./database";
import { percentile, printTable, readOptions } from "./table";

/**
 * One whole find page (24 ranked hits and the counts of every blank), beside MiniSearch ranking the same words over the
 * same titles, summaries and topics in the same run. Needs are of the kind teachers type: one to three words, with and
 * without blanks filled, some misspelt, some without words.
 */
const { n, json } = readOptions({ n: [5_000, 50_000] });
const ROUNDS = 120;
/** An index in memory is no yardstick for more than fits there. */
const MOST_IN_MEMORY = 200_000;

const random = new SeededRandom(42);
const words = [
  ...birds,
  ...seaLife,
  ...goods,
  ...crafts,
  ...weather,
  ...places,
  "tide",
  "timetable",
  "fractions",
  "map scale",
  "story",
  "rhythm",
];

function someNeed(): Need {
  const typed = random.some(words, random.int(1, 2)).join(" ");
  const misspelt = random.next() < 0.1 ? typed.replace(/(.)(.)(.*)/, "$2$1$3") : typed;
  return {
    ...anyNeed,
    words: misspelt,
    grades: random.next() < 0.5 ? [random.int(0, 7)] : [],
    subjects: random.next() < 0.4 ? [random.pick(["mathematics", "science", "reading"] as const)] : [],
    minutes: random.next() < 0.3 ? 30 : null,
  };
}

const cases: [name: string, need: () => Need][] = [
  ["find page, words and blanks", someNeed],
  ["find page, one common word", () => ({ ...anyNeed, words: random.pick(["students", "boat", "table", "read"]) })],
  ["browse without words", () => ({ ...anyNeed, grades: random.next() < 0.5 ? [random.int(0, 7)] : [] })],
];

async function timed(work: () => unknown): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

let published = 0;
/** A new lesson with its search entry, counts, alignments and likeness, on the commons. */
async function publishOne(db: Db, reader: Reader): Promise<void> {
  published += 1;
  const document = documentOf(`b${published}`, { ...bulkLesson(random), by: "" });
  const now = new Date();
  await db.transaction(async (tx) => {
    const resource = await addResource(tx, { district: reader.district, owner: reader.id, source: null, created: now });
    await putOnShelf(tx, { resource, shelf: "commons", school: null, by: reader.id, at: now });
    await publish(tx, { resource, document, author: reader.id, now });
  });
}

const rows: Record<string, string | number | undefined>[] = [];
for (const count of n) {
  const { db, drop } = await emptyDatabase();
  try {
    await migrate(db);
    await db.query("insert into district (name) values ('Bench')");
    await importFramework(db, demoFramework("skerry-isles"), { district: null, now: new Date() });
    await addBulk(db, { count, seed: 7, now: new Date() });
    await db.script("vacuum analyze");
    const [teacher] = await db.query<{ id: number; district: number }>(
      `insert into person (district_id, kind, given_name, family_name, email)
       values (1, 'adult', 'Bench', 'Reader', 'bench@skerry.example') returning id, district_id district`,
    );
    // A satchel of the usual size.
    const packed = await db.query<{ id: number }>(
      "select resource_id id from search_entry order by resource_id limit 40",
    );
    const reader: Reader = { ...teacher!, school: null, satchel: packed.map((row) => row.id) };

    const facts =
      count > MOST_IN_MEMORY
        ? []
        : await db.query<{ id: number; facts: Facts }>("select resource_id id, facts from resource_facts");
    const compared = count <= MOST_IN_MEMORY;
    const yardstick = new MiniSearch<{ id: number; title: string; summary: string }>({
      fields: ["title", "summary"],
      searchOptions: { boost: { title: 3 }, prefix: true },
    });
    if (compared)
      yardstick.addAll(facts.map((row) => ({ id: row.id, title: row.facts.title, summary: row.facts.summary })));

    for (const [name, need] of cases) {
      const needs = Array.from({ length: ROUNDS }, need);
      for (const one of needs.slice(0, 10)) await find(db, reader, one, { sort: "best", limit: 24 });
      const ours: number[] = [];
      const theirs: number[] = [];
      for (const one of needs) ours.push(await timed(() => find(db, reader, one, { sort: "best", limit: 24 })));
      // Afterwards and not in between: tidying up what one has left in memory is not the other's time.
      for (const one of needs)
        if (one.words && compared) theirs.push(await timed(() => yardstick.search(one.words).slice(0, 24)));
      rows.push({
        case: name,
        n: count,
        p50_ms: percentile(ours, 50),
        p95_ms: percentile(ours, 95),
        yardstick_p95_ms: theirs.length > 0 ? percentile(theirs, 95) : undefined,
      });
    }
    const [framework] = await db.query<{ id: number }>("select id from framework");
    const others: [name: string, work: () => Promise<unknown>][] = [
      ["one blank's counts, words and blanks", () => leavesOf(db, reader, someNeed(), random.pick(alsoBlanks), {})],
      ["one blank's counts, nothing filled", () => leavesOf(db, reader, anyNeed, random.pick(alsoBlanks), {})],
      ["suggestions while typing", () => suggestSeen(db, reader, random.pick(words).slice(0, random.int(2, 5)))],
      ["standards tree with counts", () => treeOf(db, reader, framework!.id)],
      ["publish one", () => publishOne(db, reader)],
    ];
    for (const [name, work] of others) {
      for (let round = 0; round < 5; round += 1) await work();
      const took: number[] = [];
      for (let round = 0; round < ROUNDS / 2; round += 1) took.push(await timed(work));
      rows.push({ case: name, n: count, p50_ms: percentile(took, 50), p95_ms: percentile(took, 95) });
    }
  } finally {
    await drop();
  }
}
printTable(rows, json);
process.exit(0);
