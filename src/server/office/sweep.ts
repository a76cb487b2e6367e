import type { Db } from "@/data/engine/db";
import { keptDays, sweepMedia, sweepRecords } from "@/data/engine/sweep";
import { forgetOldAddresses } from "@/data/office/outbox";
import { sweepCounts } from "@/data/office/try-counts";
import { refreshPopularity } from "@/data/find/uses";
import { deleteThoseWhoLeft } from "../keep/children";
import { judgeAll } from "../results/judge";
import { removeOldFile } from "../web/files";
import { log } from "../web/log";

const FIRST_MS = 15 * 60_000;
const EVERY_MS = 24 * 3_600_000;

/** Takes away what is kept no longer (see keptDays), lets Find order by today's uses, works out results, and logs how much it was. */
export async function sweep(
  db: Db,
  now: Date,
): Promise<{ events: number; viewed: number; files: number; popularity: number; children: number; judged: number }> {
  const records = await sweepRecords(db, now);
  await sweepCounts(db, now);
  await forgetOldAddresses(db, now);
  const unused = await sweepMedia(db, now);
  const old = new Date(now.getTime() - keptDays.unusedMedia * 24 * 3_600_000);
  for (const sha256 of unused) await removeOldFile(sha256, old);
  const popularity = await refreshPopularity(db);
  const children = await deleteThoseWhoLeft(db, now);
  const swept = { ...records, files: unused.length, popularity, children, judged: await judgeAll(db) };
  if (Object.values(swept).some((count) => count > 0)) log.info(swept, "swept");
  return swept;
}

/** Sweeps a while after the start and then once a day. Returns what ends it. */
export function sweepDaily(db: Db): () => void {
  const run = () =>
    void sweep(db, new Date()).catch((error: Error) => log.error({ error: error.message }, "sweeping failed"));
  const first = setTimeout(run, FIRST_MS);
  const daily = setInterval(run, EVERY_MS);
  first.unref();
  daily.unref();
  return () => {
    clearTimeout(first);
    clearInterval(daily);
  };
}
