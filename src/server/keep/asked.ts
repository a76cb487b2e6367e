import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { z } from "zod";
import type { Db } from "@/data/engine/db";
import { dataFolder } from "@/data/engine/open";
import { log } from "../web/log";
import { writeBackup, type BackupCounts } from "./backup";

/*
 * The embedded database has one owner, the server. A backup while it runs is asked of it by a file in the data folder, which only those who may read the
 * school's data can write:  asked.json → the server writes the backup → answered.json.
 */
const folder = () => path.join(/* turbopackIgnore: true */ dataFolder(), "keep");
const askedFile = () => path.join(folder(), "asked.json");
const answerFile = (id: string) => path.join(folder(), `answered-${id}.json`);

const Asked = z.object({
  id: z.string().regex(/^[\w-]{1,60}$/),
  file: z.string().min(1),
  passphrase: z.string().optional(),
});
const Answered = z.union([
  z.object({ counts: z.object({ tables: z.record(z.string(), z.number()), media: z.number() }) }),
  z.object({ problem: z.string() }),
]);

/** A file that is there is whole. */
function writeWhole(file: string, value: unknown): void {
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(`${file}.part`, JSON.stringify(value), { mode: 0o600 });
  renameSync(`${file}.part`, file);
}

async function answer(db: Db): Promise<void> {
  let asked: z.infer<typeof Asked>;
  try {
    asked = Asked.parse(JSON.parse(readFileSync(askedFile(), "utf8")));
  } finally {
    rmSync(askedFile(), { force: true });
  }
  try {
    const counts = await writeBackup(db, asked.file, { now: new Date(), passphrase: asked.passphrase });
    writeWhole(answerFile(asked.id), { counts });
  } catch (error) {
    log.error({ error: (error as Error).message }, "a backup failed");
    writeWhole(answerFile(asked.id), { problem: (error as Error).message });
  }
}

const EVERY_MS = 1_000;
/** A server that runs has taken up what is asked by then. */
const HEARD_MS = 20_000;

/** Answers when a backup is asked for. Returns what ends it. */
export function answerBackups(db: Db): () => void {
  let busy = false;
  const timer = setInterval(() => {
    if (busy || !existsSync(askedFile())) return;
    busy = true;
    void answer(db)
      .catch((error: Error) => log.error({ error: error.message }, "what was asked could not be read"))
      .finally(() => (busy = false));
  }, EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}

/**
 * Asks the server that owns the folder for a backup.
 * @throws Error when it does not answer within this many milliseconds, or says what went wrong
 */
export async function askForBackup(
  asked: Omit<z.infer<typeof Asked>, "id">,
  of: { id: string; limit: number },
): Promise<BackupCounts> {
  writeWhole(askedFile(), { ...asked, id: of.id });
  const began = Date.now();
  while (!existsSync(answerFile(of.id))) {
    const isHeard = !existsSync(askedFile());
    if (Date.now() > began + (isHeard ? of.limit : Math.min(of.limit, HEARD_MS))) {
      rmSync(askedFile(), { force: true });
      throw new Error("The running Golden Satchel does not answer. Nothing was written.");
    }
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const read = Answered.parse(JSON.parse(readFileSync(answerFile(of.id), "utf8")));
  rmSync(answerFile(of.id), { force: true });
  if ("problem" in read) throw new Error(read.problem);
  return read.counts;
}
