import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { changesBetween } from "@/core/resource/changes";
import type { Document, Step } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { merge } from "@/core/resource/merge";
import { migrate } from "@/data/engine/migrate";
import { EmbeddedDb } from "@/data/engine/pglite";
import { addResource, saveDraft } from "@/data/adapt/resources";
import { bulkLesson } from "@demo/bulk/lessons";
import { SeededRandom } from "@demo/bulk/random";
import { documentOf } from "@demo/read";
import { percentile, printTable, readOptions } from "./table";

/** What the editor does between a key and "saved": checking a document, the difference to its source, merging, saving. */
const { n, json } = readOptions({ n: [60, 200] });
const ROUNDS = 60;
const random = new SeededRandom(3);
const rows: Record<string, string | number>[] = [];

async function timed(name: string, steps: number, work: () => unknown): Promise<void> {
  for (let round = 0; round < 5; round += 1) await work();
  const took: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const from = performance.now();
    await work();
    took.push(performance.now() - from);
  }
  rows.push({ case: name, n: steps, p50_ms: percentile(took, 50), p95_ms: percentile(took, 95) });
}

function lessonOf(count: number): Document {
  const steps: Step[] = [];
  for (let made = 0; steps.length < count; made += 1)
    steps.push(...documentOf(`e${made}`, { ...bulkLesson(random), by: "" }).steps);
  return { ...documentOf("whole", { ...bulkLesson(random), by: "" }), steps: steps.slice(0, count) };
}

const retitled = (document: Document, every: number, from: number, title: string): Document => ({
  ...document,
  steps: document.steps.map((step, at) => (at % every === from ? { ...step, title: { en: title } } : step)),
});

const folder = mkdtempSync(path.join(os.tmpdir(), "satchel-bench-"));
try {
  const db = await EmbeddedDb.open({ folder });
  await migrate(db);
  await db.query("insert into district (name) values ('Bench')");
  const [person] = await db.query<{ id: number }>(
    `insert into person (district_id, kind, given_name, family_name, email)
     values (1, 'adult', 'Bench', 'Writer', 'bench@skerry.example') returning id`,
  );
  for (const count of n) {
    const base = lessonOf(count);
    const mine = retitled(base, 4, 0, "Mine");
    const theirs = retitled(base, 4, 2, "Theirs");
    await timed("difference of two versions", count, () => changesBetween(base, mine));
    await timed("three versions merged", count, () => merge(base, mine, theirs));
    const resource = await addResource(db, { district: 1, owner: person!.id, source: null, created: new Date() });
    let seen = 0;
    await timed("checked and saved as a draft", count, async () => {
      const document = parseDocument(mine);
      const at = new Date();
      seen = (await db.transaction((tx) =>
        saveDraft(tx, { resource, document, base: null, seen, by: person!.id, at }),
      ))!;
    });
  }
  await db.close();
} finally {
  rmSync(folder, { recursive: true, force: true });
}
printTable(rows, json);
process.exit(0);
