import type { Db } from "@/data/engine/db";
import { keptDays, sweepMedia, sweepRecords } from "@/data/engine/sweep";
import { forgetOldAddresses } from "@/data/office/outbox";
import { sweepCounts } from "@/data/office/try-counts";
import { refreshPopularity } from "@/data/find/uses";
import { deleteThoseWhoLeft } from "../keep/children";
import { judgeAll } from "../results/judge";
import { removeOldFile } from "../files/files";
import { keepDoing } from "../web/jobs";
import { log } from "../web/log";

const LOOK_MS = 15 * 60_000;
const LONGEST_MS = 3 * 3_600_000;
const EVERY_MS = 24 * 3_600_000 - LOOK_MS;
/** So late after the last time nothing is deleted for good yet: it may be the clock that is wrong. */
const WARY_MS = 7 * 24 * 3_600_000;

/**
 * Takes away what is kept no longer (see keptDays), lets Find order by today's uses, works out results, and logs how much it was. `wary`: takes
 * nothing away that cannot be made again.
 */
export async function sweep(
  db: Db,
  now: Date,
  wary = false,
): Promise<{ events: number; viewed: number; files: number; popularity: number; children: number; judged: number }> {
  const records = wary ? { events: 0, viewed: 0 } : await sweepRecords(db, now);
  await sweepCounts(db, now);
  await forgetOldAddresses(db, now);
  const unused = wary ? [] : await sweepMedia(db, now);
  const old = new Date(now.getTime() - keptDays.unusedMedia * 24 * 3_600_000);
  for (const sha256 of unused) await removeOldFile(sha256, old);
  const popularity = await refreshPopularity(db);
  const children = wary ? 0 : await deleteThoseWhoLeft(db, now);
  const swept = { ...records, files: unused.length, popularity, children, judged: await judgeAll(db) };
  if (Object.values(swept).some((count) => count > 0)) log.info(swept, "swept");
  return swept;
}

/** Sweeps once a day, by one of the processes, and never just after a start. Returns what ends it. */
export const sweepDaily = (db: Db): (() => void) =>
  keepDoing(
    db,
    {
      ...{ name: "sweep", everyMs: EVERY_MS, longestMs: LONGEST_MS },
      work: (now, lateMs) => sweep(db, now, lateMs > WARY_MS),
    },
    LOOK_MS,
  );
