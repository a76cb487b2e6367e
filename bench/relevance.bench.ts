import { readFileSync } from "node:fs";
import path from "node:path";
import MiniSearch from "minisearch";
import { parse } from "yaml";
import { anyNeed } from "@/core/find/need";
import { searchTexts } from "@/core/resource/facts";
import type { Document } from "@/core/resource/document";
import { migrate } from "@/data/engine/migrate";
import { EmbeddedDb } from "@/data/engine/pglite";
import type { Reader } from "@/data/find/reach";
import { find } from "@/server/find/find";
import { readAll, seed } from "@demo/seed";
import { ndcg, successAt } from "./relevance/measures";
import { mean, printTable } from "./table";

/**
 * How good the order of the results is: needs as teachers type them, judged over the hand-written lessons (needs.yaml).
 * Beside MiniSearch over the same titles, summaries, topics and texts in the same run. Every second need is held out.
 */
interface Judged {
  need: string;
  good: Record<string, number>;
}
const needs = parse(readFileSync(path.join(import.meta.dirname, "relevance", "needs.yaml"), "utf8")) as Judged[];
const [json, verbose] = ["--json", "--each"].map((flag) => process.argv.includes(flag));
const DEPTH = 10;

const db = await EmbeddedDb.open({});
await migrate(db);
await seed(db, { now: new Date(), bulk: 0 });
const [teacher] = await db.query<Omit<Reader, "satchel">>(
  "select id, school_id school, district_id district from person where email = 'ines.halloran@skerry.example'",
);
// Everything is put where she may see it: the order is judged here, not who may see what.
await db.query("update search_entry set shelves = 4");
const reader: Reader = { ...teacher!, satchel: [] };
const titles = new Map(readAll().map((one) => [one.name, one.document] as const));
const rows = await db.query<{ id: number; title: string; isbn: string | null }>(
  "select f.resource_id id, f.facts ->> 'title' title, e.isbn13 isbn from resource_facts f left join edition e on e.resource_id = f.resource_id",
);
const nameOf = new Map<number, string>();
for (const [name, document] of titles) {
  const title = Object.values(document.title)[0];
  const row = rows.find((one) => one.title === title && (document.edition?.isbn13 ?? null) === one.isbn);
  if (!row) throw new Error(`${name} is not in the database`);
  nameOf.set(row.id, name);
}

const yardstick = new MiniSearch<{ id: string; title: string; about: string; body: string }>({
  fields: ["title", "about", "body"],
  searchOptions: { boost: { title: 3, about: 2 }, prefix: true, fuzzy: 0.2 },
});
yardstick.addAll([...titles].map(([name, document]: [string, Document]) => ({ id: name, ...searchTexts(document) })));

const results: { need: string; set: string; ndcg10: number; success5: number; yardstick: number }[] = [];
for (const [at, { need, good }] of needs.entries()) {
  for (const name of Object.keys(good)) if (!titles.has(name)) throw new Error(`needs.yaml: there is no ${name}`);
  const found = await find(db, reader, { ...anyNeed, words: need }, { sort: "best", limit: 40, unfoldAll: true });
  const ours = found.hits.map((hit) => nameOf.get(hit.id)!).slice(0, DEPTH);
  const theirs = yardstick
    .search(need)
    .map((hit) => hit.id as string)
    .slice(0, DEPTH);
  const result = {
    need,
    set: at % 2 === 0 ? "tuned" : "held-out",
    ndcg10: ndcg(ours, good, DEPTH),
    success5: successAt(ours, good, 5),
    yardstick: ndcg(theirs, good, DEPTH),
  };
  results.push(result);
  // Never of the held-out half: what is looked at closely gets tuned on.
  if (verbose && result.set === "tuned")
    console.log(
      result.set,
      result.ndcg10.toFixed(2),
      result.yardstick.toFixed(2),
      need,
      "->",
      ours.slice(0, 5).join(", "),
    );
}
printTable(
  ["tuned", "held-out"].map((set) => {
    const of = results.filter((one) => one.set === set);
    return {
      set,
      needs: of.length,
      ndcg10: mean(of.map((one) => one.ndcg10)),
      success5: mean(of.map((one) => one.success5)),
      yardstick_ndcg10: mean(of.map((one) => one.yardstick)),
    };
  }),
  json!,
);
await db.close();
process.exit(0);
