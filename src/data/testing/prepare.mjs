// Once a test run: an empty, migrated database as a file, which each test file starts its own copy from.
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync, existsSync } from "node:fs";
import path from "node:path";
import { Worker } from "node:worker_threads";
import { buildParts } from "../../../scripts/build-parts.mjs";

const root = path.resolve(import.meta.dirname, "../../..");
export const templateFile = path.join(root, ".data", "test-template.tar.gz");

export default async function prepare() {
  await buildParts();
  const migrations = path.join(root, "migrations");
  const files = readdirSync(migrations).sort();
  const newest = Math.max(...files.map((name) => statSync(path.join(migrations, name)).mtimeMs));
  if (existsSync(templateFile) && statSync(templateFile).mtimeMs > newest) return;
  const worker = new Worker(path.join(root, "worker/db-worker.mjs"), { workerData: {} });
  let next = 1;
  const call = (op, fields) =>
    new Promise((resolve, reject) => {
      const id = next++;
      const heard = (answer) => {
        if (answer.id !== id) return;
        worker.off("message", heard);
        if (answer.ok) resolve(answer.value);
        else reject(new Error(answer.error.message));
      };
      worker.on("message", heard);
      worker.postMessage({ id, op, ...fields });
    });
  await call("run", { script: "create table migration (name text primary key, applied timestamptz not null)" });
  for (const name of files) {
    await call("run", { script: readFileSync(path.join(migrations, name), "utf8") });
    await call("run", { text: "insert into migration values ($1, now())", params: [name] });
  }
  mkdirSync(path.dirname(templateFile), { recursive: true });
  writeFileSync(templateFile, await call("dump"));
  await worker.terminate();
}
