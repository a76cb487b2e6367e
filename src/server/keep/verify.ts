import { createHash } from "node:crypto";
import { outcomesOf, type Outcome } from "@/core/results/outcomes";
import type { Db } from "@/data/engine/db";
import { namedFiles } from "@/data/engine/sweep";
import { everyMedia } from "@/data/engine/media";
import { brokenReferences, tablesOf } from "@/data/keep/tables";
import { judgedWork, keptOutcomes } from "@/data/results/outcomes";
import { workOf } from "@/data/results/work-of-class";
import { goneAmong, openKept } from "../files/files";

export interface Verified {
  /** What was looked at, counted. */
  rows: number;
  files: number;
  works: number;
  /** What is not right, a line each; none: everything is. */
  wrong: string[];
}

async function hashOf(sha256: string): Promise<string> {
  const hash = createHash("sha256");
  const { stream } = await openKept(sha256);
  for await (const part of stream) hash.update(part as Buffer);
  return hash.digest("hex");
}

async function checkFiles(db: Db, wrong: string[]): Promise<number> {
  const stored = await everyMedia(db);
  const gone = new Set(await goneAmong(stored));
  for (const sha256 of stored) {
    if (gone.has(sha256)) wrong.push(`The file ${sha256} is missing.`);
    else if ((await hashOf(sha256)) !== sha256) wrong.push(`The file ${sha256} is damaged.`);
  }
  const known = new Set(stored);
  for (const sha256 of await namedFiles(db))
    if (!known.has(sha256) && (await goneAmong([sha256])).length > 0)
      // A hash in a text may be anything; one that a document shows is a file.
      wrong.push(`Something names the file ${sha256}, which is not there.`);
  return stored.length;
}

const asText = (outcomes: readonly Outcome[]): string =>
  JSON.stringify(
    outcomes
      .map(({ student, standard, gained, outOf, questions }) =>
        [student, standard?.framework ?? "", standard?.code ?? "", gained, outOf, questions].join(" "),
      )
      .sort(),
  );

/** What is kept of results is what the answers give when they are marked anew. */
async function checkMarks(db: Db, wrong: string[]): Promise<number> {
  const works = await judgedWork(db);
  for (const { assignment, keep } of works) {
    const anew = outcomesOf(await workOf(db, assignment), keep);
    if (asText(anew) !== asText(await keptOutcomes(db, assignment)))
      wrong.push(`The results of assignment ${assignment} are not what its answers give.`);
  }
  return works.length;
}

/** Looks whether everything is as it should be: files by their hashes, references, numbers, and marks worked out anew. Changes nothing. */
export async function verify(db: Db): Promise<Verified> {
  const wrong: string[] = [];
  for (const { table, key, count } of await brokenReferences(db))
    wrong.push(`${count} rows of ${table} name something that is not there (${key}).`);
  const heads = await db.query<{ id: number }>(
    `select r.id from resource r join revision v on v.id = r.head_revision_id where v.resource_id <> r.id`,
  );
  for (const { id } of heads) wrong.push(`Resource ${id} shows a revision of another.`);
  const numbers = await db.query<{ id: number }>(
    `select resource_id id from revision group by resource_id having count(*) <> max(number) or min(number) <> 1`,
  );
  for (const { id } of numbers) wrong.push(`The revisions of resource ${id} are not numbered one after another.`);
  let rows = 0;
  for (const { name } of await tablesOf(db)) {
    const [{ count } = { count: 0 }] = await db.query<{ count: number }>(`select count(*)::int count from "${name}"`);
    rows += count;
  }
  const files = await checkFiles(db, wrong);
  return { rows, files, works: await checkMarks(db, wrong), wrong };
}
