import { expect, test } from "@playwright/test";
import { strFromU8, unzipSync } from "fflate";
import { readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { startPostgres } from "../scripts/postgres.mjs";
import type { Look } from "./one-district/prepare";
import { copyOfTheSchool, runOn, startServer } from "./school";

/**
 * No statement crosses districts: the same school, once as it is and once for a user of the database for whom nothing exists but one district and
 * the commons. Every page and route of everybody in that district must be the same, word for word. What is kept then lies together, district by
 * district, and can be on different machines.
 */
test.describe.configure({ mode: "serial", timeout: 600_000 });

const [DATABASE, WHOLE, WALLED] = [5445, 3291, 3292];
let database: ReturnType<typeof startPostgres>;
let folder: string;
let servers: Awaited<ReturnType<typeof startServer>>[];
let looks: Look[];

test.beforeAll(async () => {
  folder = copyOfTheSchool();
  const [backup, looksFile] = [path.join(folder, "whole.tar.gz"), path.join(folder, "looks.json")];
  runOn(folder, "src/server/keep/command.ts", "backup", backup);
  database = startPostgres(DATABASE);
  const on = { DATABASE_URL: database.url };
  runOn(folder, { program: "src/server/keep/command.ts", settings: on }, "restore", backup);
  runOn(folder, { program: "e2e/one-district/prepare.ts", settings: on }, looksFile);
  looks = JSON.parse(readFileSync(looksFile, "utf8")) as Look[];
  const walled = { DATABASE_URL: database.url.replace("satchel@", "one_district@") };
  servers = [
    await startServer(WHOLE, { folder, keep: true, settings: on }),
    await startServer(WALLED, { folder, keep: true, settings: walled }),
  ];
});
test.afterAll(async () => {
  for (const server of servers ?? []) await server.stop();
  database?.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** What is to be read, without the moment at which it was made. */
const plain = (text: string) =>
  text
    .replaceAll(/<(script|style)\b.*?<\/\1>/gs, "")
    .replaceAll(/<[^>]*>/g, " ")
    .replaceAll(/localhost:\d+/g, "here")
    .replaceAll(/\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d[\d.]*Z/g, "now")
    .replaceAll(/DTSTAMP:\w+/g, "now")
    .replaceAll(/\(D:\d{14}Z\)|\/ID \[.*?\]/gs, "now");

async function contentOf(response: Response): Promise<string> {
  const type = response.headers.get("content-type") ?? "";
  if (type.startsWith("text/event-stream")) {
    await response.body?.cancel();
    return "";
  }
  const bytes = new Uint8Array(await response.arrayBuffer());
  if (!type.includes("zip")) return plain(strFromU8(bytes));
  return Object.entries(unzipSync(bytes))
    .map(([name, file]) => `${name}: ${plain(strFromU8(file))}`)
    .join("\n");
}

async function see(address: string, { token, path: where }: Look): Promise<string> {
  const response = await fetch(address + where, {
    redirect: "manual",
    headers: { cookie: `satchel-session=${token}` },
    signal: AbortSignal.timeout(60_000),
  });
  const to = response.headers.get("location")?.replace(address, "") ?? "";
  return `${response.status} ${to} ${await contentOf(response)}`;
}

test("everybody of a district sees the same when there is nothing but the district and the commons", async () => {
  const wrong: string[] = [];
  const [whole, walled] = servers.map(({ address }) => address);
  const left = [...looks].reverse();
  await Promise.all(
    // More at once than there are cores: a wrong address is made to wait for its answer.
    Array.from({ length: 6 }, async () => {
      for (let look = left.pop(); look; look = left.pop()) {
        let all = await see(whole!, look);
        const alone = await see(walled!, look);
        // Looking leaves traces ("seen lately"): where it may be that, it is looked at once more.
        if (alone !== all) all = await see(whole!, look);
        if (alone !== all) wrong.push(`${look.visitor} ${look.path}\n${difference(all, alone)}`);
      }
    }),
  );
  expect(wrong.slice(0, 20)).toEqual([]);
  expect(looks.length).toBeGreaterThan(200);
});

/** From the first letter that differs. */
function difference(one: string, other: string): string {
  let at = 0;
  while (one[at] === other[at]) at += 1;
  return [one, other].map((text) => `  ${text.slice(Math.max(0, at - 60), at + 100)}`).join("\n");
}
