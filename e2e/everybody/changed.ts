// Says on the file named second what was changed of others in the school in DATA_DIR since prepare.ts wrote the first. Run with tsx.
import { readFileSync, writeFileSync } from "node:fs";
import { openDatabase } from "@/data/engine/open";
import type { Prepared } from "./prepare";
import { changedOfOthers } from "./rows";

const [prepared, found] = process.argv.slice(2);
const { before, own } = JSON.parse(readFileSync(prepared!, "utf8")) as Prepared;
const db = await openDatabase();
writeFileSync(found!, JSON.stringify(await changedOfOthers(db, before, own)));
await db.close();
process.exit(0);
