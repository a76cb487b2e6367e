import { anyNeed } from "@/core/find/need";
import { classesOf } from "@/data/classes/classes";
import { migrate } from "@/data/engine/migrate";
import { EmbeddedDb } from "@/data/engine/pglite";
import type { Reader } from "@/data/find/reach";
import { find } from "@/server/find/find";
import { readAll, seed } from "@demo/seed";
import { ndcg, successAt } from "./relevance/measures";
import { keysOf, lookAlikes, patternOf, wholeNeeds } from "./relevance/whole";
import { mean, printTable } from "./table";

/**
 * How good the order of results is over the whole library: the hand-written lessons and five thousand generated ones, needs as
 * hurried teachers type them (relevance/whole.txt). `--each` shows those that are not held out.
 */
const [json, verbose] = ["--json", "--each"].map((flag) => process.argv.includes(flag));
const DEPTH = 10;
const now = new Date();

const db = await EmbeddedDb.open({});
await migrate(db);
await seed(db, { now, bulk: 5000 });
const [teacher] = await db.query<Omit<Reader, "satchel">>(
  "select id, school_id school, district_id district from person where email = 'ines.halloran@skerry.example'",
);
// Everything is put where she may see it: the order is judged here, not who may see what.
await db.query("update search_entry set shelves = shelves | 4");
const reader: Reader = { ...teacher!, satchel: [] };
const byTitle = new Map(
  readAll().map(({ name, document }) => [
    `${Object.values(document.title)[0]} ${document.edition?.isbn13 ?? ""}`,
    name,
  ]),
);
const rows = await db.query<{ id: number; title: string; isbn: string | null }>(
  "select f.resource_id id, f.facts ->> 'title' title, e.isbn13 isbn from resource_facts f left join edition e on e.resource_id = f.resource_id",
);
const nameOf = new Map(
  rows.map(({ id, title, isbn }) => {
    try {
      return [id, byTitle.get(`${title} ${isbn ?? ""}`) ?? patternOf(title)];
    } catch {
      return [id, title];
    }
  }),
);
const classes = await classesOf(db, reader.id, now);

const results: { set: string; ndcg10: number; success5: number; alike: number }[] = [];
for (const { need, heldOut, good } of wholeNeeds()) {
  const found = await find(db, reader, { ...anyNeed, words: need }, { sort: "best", limit: DEPTH, classes });
  const keys = keysOf(found.hits.map((hit) => nameOf.get(hit.id)!)).slice(0, DEPTH);
  const result = {
    set: heldOut ? "held-out" : "tuned",
    ndcg10: ndcg(keys, good, DEPTH),
    success5: successAt(keys, good, 5),
    alike: lookAlikes(keys),
  };
  results.push(result);
  // Never of the held-out half: what is looked at closely gets tuned on.
  if (verbose && !heldOut)
    console.log(
      result.ndcg10.toFixed(2),
      result.alike,
      need,
      "->",
      found.corrected ?? "",
      keys.slice(0, 6).join(" | "),
    );
}
printTable(
  ["tuned", "held-out"].map((set) => {
    const of = results.filter((one) => one.set === set);
    return {
      case: set,
      needs: of.length,
      value: mean(of.map((one) => one.ndcg10)),
      wanted: 0.9,
      success5: mean(of.map((one) => one.success5)),
      alike: mean(of.map((one) => one.alike)),
    };
  }),
  json!,
);
await db.close();
process.exit(0);
