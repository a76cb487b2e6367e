// npm run backup, restore and verify: see docs/operate.md. Run by tsx.
import { randomUUID } from "node:crypto";
import { existsSync } from "node:fs";
import path from "node:path";
import { dataFolder, openUnchanged } from "@/data/engine/open";
import { FolderInUse } from "@/data/engine/pglite";
import { askForBackup } from "./asked";
import { backupName, writeBackup, type BackupCounts } from "./backup";
import { restoreBackup } from "./restore";
import { verify } from "./verify";

const ANSWER_MS = 30 * 60_000;
const [what, said] = process.argv.slice(2);
const passphrase = process.env.BACKUP_PASSPHRASE || undefined;

const rowsIn = ({ tables }: BackupCounts) => Object.values(tables).reduce((sum, count) => sum + count, 0);

async function backup(): Promise<string> {
  const now = new Date();
  const name = backupName(now, passphrase !== undefined);
  const file = path.resolve(said ?? path.join(process.env.BACKUP_FOLDER ?? path.join(dataFolder(), "backups"), name));
  let counts: BackupCounts;
  try {
    const db = await openUnchanged(0);
    counts = await writeBackup(db, file, { now, passphrase }).finally(() => db.close());
  } catch (error) {
    if (!(error instanceof FolderInUse)) throw error;
    // It runs: its owner writes the backup.
    counts = await askForBackup({ file, passphrase }, { id: randomUUID(), limit: ANSWER_MS });
  }
  return `Written: ${file}\n${rowsIn(counts)} rows, ${counts.media} files.`;
}

async function restore(): Promise<string> {
  if (!said || !existsSync(said)) throw new Error("Say which file: npm run restore -- <file>");
  const db = await openUnchanged(0);
  try {
    const counts = await restoreBackup(db, path.resolve(said), passphrase);
    return `Restored, as it was on ${counts.made}: ${rowsIn(counts)} rows, ${counts.media} files. Everybody signs in again.`;
  } finally {
    await db.close();
  }
}

async function check(): Promise<string> {
  const db = await openUnchanged(0);
  try {
    const { rows, files, works, wrong } = await verify(db);
    const looked = `Looked at ${rows} rows, ${files} files and the marks of ${works} pieces of work.`;
    if (wrong.length > 0) throw new Error(`${looked}\n${wrong.join("\n")}`);
    return `${looked} Everything is as it should be.`;
  } finally {
    await db.close();
  }
}

const commands: Readonly<Record<string, () => Promise<string>>> = { backup, restore, verify: check };
try {
  const command = commands[what ?? ""];
  if (!command) throw new Error("Say what: backup, restore or verify.");
  console.log(await command());
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
}
