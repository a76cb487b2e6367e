import { readdir, rm, stat } from "node:fs/promises";
import path from "node:path";
import type { Db } from "@/data/engine/db";
import { dataFolder } from "@/data/engine/open";
import { keepDoing } from "../web/jobs";
import { backupName, writeBackup } from "./backup";

const HOUR_MS = 3_600_000;
const LOOK_EVERY_MS = 60_000;
const KEPT = 14;

/** What the environment says about backups; null: none are made by themselves. */
export interface BackupPlan {
  folder: string;
  everyHours: number;
  keep: number;
  passphrase: string | undefined;
}

/**
 * BACKUP_EVERY_HOURS, BACKUP_FOLDER (`backups` in the data folder), BACKUP_KEEP (14), BACKUP_PASSPHRASE.
 * @throws Error when a number is none
 */
export function backupPlan(environment: NodeJS.ProcessEnv = process.env): BackupPlan | null {
  const number = (name: string, otherwise: number) => {
    const said = environment[name];
    if (said === undefined || said === "") return otherwise;
    if (!/^\d{1,4}$/.test(said) || Number(said) === 0) throw new Error(`${name} is "${said}": it must be a number.`);
    return Number(said);
  };
  const everyHours = number("BACKUP_EVERY_HOURS", 0);
  if (everyHours === 0) return null;
  return {
    folder: path.resolve(/* turbopackIgnore: true */ environment.BACKUP_FOLDER ?? path.join(dataFolder(), "backups")),
    ...{ everyHours, keep: number("BACKUP_KEEP", KEPT), passphrase: environment.BACKUP_PASSPHRASE || undefined },
  };
}

/** The backups in a folder, the oldest first. */
export async function backupsIn(folder: string): Promise<{ file: string; at: Date }[]> {
  const names = (await readdir(folder).catch(() => [])).filter((name) => /^golden-satchel-.*\.tar\.gz/.test(name));
  const whole = names.filter((name) => !name.endsWith(".part"));
  const all = await Promise.all(
    whole.map(async (name) => {
      const file = path.join(folder, name);
      return { file, at: (await stat(file)).mtime };
    }),
  );
  return all.toSorted((one, other) => one.at.getTime() - other.at.getTime());
}

const DAY_MS = 24 * HOUR_MS;

/** Takes away what a stop in the middle of a backup left behind. */
async function removeHalves(folder: string, now: Date): Promise<void> {
  const names = (await readdir(folder).catch(() => [])).filter((name) => /^golden-satchel-.*\.part$/.test(name));
  for (const name of names) {
    const file = path.join(folder, name);
    const known = await stat(file).catch(() => null);
    if (known && now.getTime() - known.mtimeMs > DAY_MS) await rm(file, { force: true });
  }
}

/** Makes a backup if the last is that old, and takes away the oldest above `keep`. Returns whether one was made. */
export async function backUpIfDue(db: Db, plan: BackupPlan, now: Date): Promise<boolean> {
  // One from the future was made while the clock was wrong.
  const [last] = (await backupsIn(plan.folder)).filter(({ at }) => at <= now).slice(-1);
  if (last && now.getTime() - last.at.getTime() < plan.everyHours * HOUR_MS) return false;
  await writeBackup(db, path.join(plan.folder, backupName(now, plan.passphrase !== undefined)), { now, ...plan });
  await removeHalves(plan.folder, now);
  const all = await backupsIn(plan.folder);
  for (const { file } of all.slice(0, Math.max(0, all.length - plan.keep))) await rm(file, { force: true });
  return true;
}

/** Makes backups by themselves, where the environment says so. Returns what ends it. */
export function backUpOnSchedule(db: Db): () => void {
  const plan = backupPlan();
  if (!plan) return () => undefined;
  const work = (now: Date) => backUpIfDue(db, plan, now);
  return keepDoing(
    db,
    { name: `back up to ${plan.folder}`, everyMs: LOOK_EVERY_MS, longestMs: HOUR_MS, work },
    LOOK_EVERY_MS,
  );
}
