import { anyNeed } from "@/core/find/need";
import { migrate } from "@/data/migrate";
import { EmbeddedDb } from "@/data/pglite";
import { find } from "@/server/find";
import { readAllWords } from "@/data/words";
import { seed } from "@demo/seed";
const db = await EmbeddedDb.open({}); await migrate(db); await seed(db, { now: new Date(), bulk: 2500 });
const [t] = await db.query<any>("select id, school_id school, district_id district from person where email = 'ines.halloran@skerry.example'");
for (const words of process.argv.slice(2)) {
const f = await find(db, { ...t, satchel: [] }, { ...anyNeed, words }, { sort: "best", limit: 10 });
console.log(words, f.need, f.says, f.corrected, f.counts.total, f.hits.map(h=>h.facts.title+" +"+h.alike));
const r = await readAllWords(db, f.need.words); console.log(JSON.stringify(r.strict), r.slack, JSON.stringify(r.loosely(1)).slice(0,600));
}
process.exit(0);
