import { randomUUID } from "node:crypto";
import { rm, writeFile } from "node:fs/promises";
import path from "node:path";
import { filesMustAnswer } from "../files/files";
import { isStopping } from "./open-requests";
import type { Db } from "@/data/engine/db";
import { dataFolder } from "@/data/engine/open";

const LIMIT_MS = 3_000;

const within = <Value>(work: Promise<Value>): Promise<Value> => {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => fail(new Error("too slow")), LIMIT_MS);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
};

/** Anybody may ask, so nobody makes it work by asking: within a second the answer is the same. */
const SAME_MS = 1_000;
let last: { at: number; problems: Promise<string[]> } | undefined;

/** Whether the database answers and the data folder can be written in; says nothing about anybody. */
export async function health(db: Db, now: () => number = () => performance.now()): Promise<{ problems: string[] }> {
  if (!last || now() - last.at >= SAME_MS) last = { at: now(), problems: look(db) };
  return { problems: [...(isStopping() ? ["It is being stopped."] : []), ...(await last.problems)] };
}

async function look(db: Db): Promise<string[]> {
  const problems: string[] = [];
  const probe = path.join(/* turbopackIgnore: true */ dataFolder(), `.probe-${randomUUID()}`);
  await within(db.query("select 1")).catch(() => problems.push("The database does not answer."));
  await within(writeFile(probe, new Uint8Array(4096))).catch(() =>
    problems.push("The data folder is full, read-only or away."),
  );
  await within(filesMustAnswer()).catch(() => problems.push("The store for files does not answer."));
  await rm(probe, { force: true }).catch(() => undefined);
  return problems;
}
