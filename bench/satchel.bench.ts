import { factsOf } from "@/core/resource/facts";
import { anyFilter, filterNames, filterSatchel, origins, satchelChoices, type Kept } from "@/core/satchel/filter";
import { bulkLesson } from "@demo/bulk/lessons";
import { SeededRandom } from "@demo/bulk/random";
import { documentOf } from "@demo/read";
import { percentile, printTable, readOptions } from "./table";

/** Narrowing a satchel: what is shown, and the counts of every choice of all seven filters, for one key typed. */
const { n, json } = readOptions({ n: [300, 3_000] });
const random = new SeededRandom(5);
const now = new Date("2026-11-25T10:00:00Z");
const words = ["", "t", "ti", "tide", "boat sal", "count gannets"];

const rows: Record<string, string | number>[] = [];
for (const count of n) {
  const items = Array.from({ length: count }, (_, at): Kept => {
    const facts = factsOf(documentOf(`s${at}`, { ...bulkLesson(random), by: "" }));
    const used = random.next() < 0.3 ? new Date(now.getTime() - random.int(0, 500) * 86_400_000) : null;
    return {
      facts,
      origin: random.pick(origins),
      author: "Somebody Else",
      pockets: [],
      places: [],
      used,
      tags: [],
      away: false,
    };
  });
  const took: number[] = [];
  for (let round = 0; round < 60; round += 1) {
    const filter = { ...anyFilter, words: random.pick(words), ...(round % 3 === 0 && { grade: random.int(0, 8) }) };
    const from = performance.now();
    filterSatchel(items, filter, now);
    for (const name of filterNames) satchelChoices(items, filter, name, now);
    took.push(performance.now() - from);
  }
  rows.push({
    case: "narrow, all choices counted",
    n: count,
    p50_ms: percentile(took, 50),
    p95_ms: percentile(took, 95),
  });
}
printTable(rows, json);
