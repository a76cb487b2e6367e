// Once a test run: an empty, migrated database as a file, which each test file starts its own copy from.
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync, existsSync } from "node:fs";
import path from "node:path";
import { Worker } from "node:worker_threads";
import pg from "pg";
import { buildParts } from "../../../scripts/build-parts.mjs";

const root = path.resolve(import.meta.dirname, "../../..");
export const templateFile = path.join(root, ".data", "test-template.tar");

const migrations = path.join(root, "migrations");
const noted = "create table migration (name text primary key, applied timestamptz not null)";
const note = "insert into migration values ($1, now())";

/** The same on a server: each test file's database is a copy of this one. Copying takes a tenth of migrating. */
async function prepareOnServer(address, files) {
  const admin = new pg.Client(address);
  await admin.connect();
  await admin.query("drop database if exists satchel_test_template");
  await admin.query("create database satchel_test_template");
  const url = new URL(address);
  url.pathname = "/satchel_test_template";
  const template = new pg.Client(url.toString());
  await template.connect();
  await template.query(noted);
  for (const name of files) {
    await template.query(readFileSync(path.join(migrations, name), "utf8"));
    await template.query(note, [name]);
  }
  await template.end();
  await admin.end();
}

export default async function prepare() {
  await buildParts();
  const files = readdirSync(migrations).sort();
  if (process.env.TEST_DATABASE_URL) await prepareOnServer(process.env.TEST_DATABASE_URL, files);
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
  await call("run", { script: noted });
  for (const name of files) {
    await call("run", { script: readFileSync(path.join(migrations, name), "utf8") });
    await call("run", { text: note, params: [name] });
  }
  // Nothing is made from the engine's own templates: without them there are a third fewer files to unpack, which is most of opening it.
  await call("run", { script: "update pg_database set datistemplate = false" });
  for (const name of ["template0", "template1"]) await call("run", { script: `drop database ${name}` });
  mkdirSync(path.dirname(templateFile), { recursive: true });
  writeFileSync(templateFile, await call("dump"));
  await worker.terminate();
}
