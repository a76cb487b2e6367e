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

/** Whether the database answers and the data folder can be written in; says nothing about anybody. */
export async function health(db: Db): Promise<{ problems: string[] }> {
  const problems: string[] = isStopping() ? ["It is being stopped."] : [];
  const probe = path.join(/* turbopackIgnore: true */ dataFolder(), `.probe-${randomUUID()}`);
  await within(db.query("select 1")).catch(() => problems.push("The database does not answer."));
  await within(writeFile(probe, new Uint8Array(4096))).catch(() =>
    problems.push("The data folder is full, read-only or away."),
  );
  await within(filesMustAnswer()).catch(() => problems.push("The store for files does not answer."));
  await rm(probe, { force: true }).catch(() => undefined);
  return { problems };
}
