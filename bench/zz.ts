import { EmbeddedDb } from "@/data/pglite";
import { migrate } from "@/data/migrate";
import { addBulk } from "@demo/bulk/add";
async function main() {
const db = await EmbeddedDb.open({ folder: "/tmp/gs/bench50" });
await migrate(db);
const t = Date.now();
await addBulk(db, { count: 50000, seed: 7, now: new Date() });
await db.script("vacuum analyze");
console.log("made", (Date.now() - t) / 1000);
await db.close(); process.exit(0);
}
main();
