import { expect, test } from "@playwright/test";
import { readFileSync, rmSync } from "node:fs";
import path from "node:path";
import { root } from "../scripts/installed.mjs";
import type { Knock, Prepared, Press } from "./everybody/prepare";
import { strangers } from "./everybody/names";
import { copyOfTheSchool, runOn, startServer } from "./school";

/**
 * Every page, every route and every action there is, for everybody: a teacher herself, her colleagues, children, curators, the office, and
 * those who have nothing to do with her. What each may do is asked of the table of permissions; that the server asks it too, of the right
 * things, and gives nothing away in refusing, is what is seen here.
 */
test.describe.configure({ mode: "serial", timeout: 280_000 });

const PORT = 3290;
let folder: string;
let prepared: Prepared;
/** Undefined where it was stopped, to look into what it stored. */
let running: Awaited<ReturnType<typeof startServer>> | undefined;
let server: Awaited<ReturnType<typeof startServer>>;
const stop = async () => {
  await running?.stop();
  running = undefined;
};
const file = (name: string) => path.join(folder, name);

test.beforeAll(() => {
  folder = copyOfTheSchool();
  runOn(folder, "e2e/everybody/prepare.ts", file("prepared.json"));
  prepared = JSON.parse(readFileSync(file("prepared.json"), "utf8")) as Prepared;
});
test.beforeEach(async () => {
  server = running = await startServer(PORT, { folder, keep: true });
});
test.afterEach(stop);
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

const cookie = (token: string | null): Record<string, string> => (token ? { cookie: `satchel-session=${token}` } : {});

/** Four at a time: the machine has two cores. */
async function each<Item>(items: readonly Item[], work: (item: Item) => Promise<void>): Promise<void> {
  const left = [...items].reverse();
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      for (let item = left.pop(); item !== undefined; item = left.pop()) await work(item);
    }),
  );
}

interface Action {
  id: string;
  /** A page that can be asked for it. */
  page: string;
}
function actionsOfTheBuild(): Map<string, Action> {
  const manifest = JSON.parse(readFileSync(path.join(root, ".next/server/server-reference-manifest.json"), "utf8")) as {
    node: Record<string, { filename: string; exportedName: string; workers: Record<string, unknown> }>;
  };
  return new Map(
    Object.entries(manifest.node).map(([id, { filename, exportedName, workers }]) => {
      const page = Object.keys(workers)[0]!
        .replace(/^app/, "")
        .replace(/\/page$/, "");
      return [
        `${filename} ${exportedName}`,
        { id, page: page.replaceAll(/\/\([^)]+\)/g, "").replaceAll(/\[\w+\]/g, "1") || "/" },
      ];
    }),
  );
}

/** As React sends it: JSON, with "$D" before a moment. */
const asSent = (input: unknown): string =>
  JSON.stringify([input], (_, value: unknown) =>
    typeof value === "string" && /^\d{4}-\d\d-\d\dT.*\.\d{3}Z$/.test(value) ? `$D${value}` : value,
  );

interface Answer {
  ok?: boolean;
  code?: string;
  problem?: string;
}
/** What came of an action; undefined: it said nothing, but sent the visitor elsewhere. */
function answerOf(text: string): Answer | undefined {
  for (const line of text.split("\n")) {
    const at = line.indexOf(":");
    if (at > 0 && /^\{"ok":(true|false)/.test(line.slice(at + 1))) return JSON.parse(line.slice(at + 1)) as Answer;
  }
  return undefined;
}

test("every action refuses everybody it must, and nobody changes what is another's", async () => {
  const actions = actionsOfTheBuild();
  const wrong: string[] = [];
  let tried = 0;
  const press = async ({ visitor, token, act, file: source, action, input, refused }: Press) => {
    const { id, page } = actions.get(`${source} ${action}`)!;
    const response = await fetch(server.address + page, {
      method: "POST",
      redirect: "manual",
      headers: {
        ...cookie(token),
        origin: server.address,
        "next-action": id,
        "content-type": "text/plain;charset=UTF-8",
      },
      body: asSent(input),
    });
    const answer = answerOf(await response.text());
    tried += 1;
    const expected = visitor === "nobody" || visitor === "whose session has ended" ? "signedOut" : "notThere";
    if (
      answer?.code === "failed" ||
      (refused && answer?.code !== expected && !(act === "keep own account" && answer?.code === "signedOut"))
    )
      wrong.push(`${visitor}: ${action} ${JSON.stringify(input)}: ${response.status} ${JSON.stringify(answer)}`);
  };
  // Somebody may end all of her own sessions: that comes last.
  const ends = ({ act }: Press) => act === "keep own account" || act === "sign out";
  await each(
    prepared.presses.filter((one) => !ends(one)),
    press,
  );
  await each(prepared.presses.filter(ends), press);
  expect(wrong.slice(0, 40)).toEqual([]);
  expect(tried).toBeGreaterThan(2000);
  await stop();
  runOn(folder, "e2e/everybody/changed.ts", file("prepared.json"), file("changed.json"));
  expect(JSON.parse(readFileSync(file("changed.json"), "utf8"))).toEqual([]);
});

/** Where a page sends those who may not see it, and those who come by a door that is not theirs. */
const doors = /^\/(sign-in|join|student|find|desk|office)?(\?|$)/;

interface Seen {
  status: number;
  to: string | null;
  body: string;
}
async function see({ method, token, body }: Knock, address: string): Promise<Seen> {
  const response = await fetch(server.address + address, {
    method,
    redirect: "manual",
    signal: AbortSignal.timeout(20_000),
    headers: { ...cookie(token), origin: server.address, "content-type": "application/json" },
    ...(method === "POST" && { body }),
  });
  const to = response.headers.get("location");
  const live = response.headers.get("content-type")?.startsWith("text/event-stream");
  if (live) await response.body?.cancel();
  return { status: response.status, to: to && to.replace(server.address, ""), body: live ? "" : await response.text() };
}

/** What is to be read of an answer, without the address itself. */
const plain = (text: string, address: string) =>
  text
    .replaceAll(/<(script|style)\b.*?<\/\1>/gs, "")
    .replaceAll(/<[^>]*>/g, " ")
    .replaceAll(new RegExp(`\\b(${(address.match(/\d+/g) ?? []).join("|") || "-"})\\b`, "g"), "#");

/** Whatever the table says: to these there is nothing of hers. */
const outsiders = new Set<string>([...strangers, "a colleague", "a child of another class"]);

test("every page and route refuses everybody it must, exactly as it refuses what does not exist", async () => {
  const wrong: string[] = [];
  let refusals = 0;
  await each(
    prepared.knocks.filter(
      ({ visitor, allowed, path: at, nowhere }) => !allowed || (outsiders.has(visitor) && at !== nowhere),
    ),
    async (knock) => {
      const seen = await see(knock, knock.path);
      const line = `${knock.visitor}: ${knock.method} ${knock.path}: ${seen.status} ${seen.to ?? ""}`;
      refusals += 1;
      const refused = seen.to === null ? [401, 404].includes(seen.status) : knock.page && doors.test(seen.to);
      const named = knock.nowhere !== knock.path;
      // A page that asks who is there may show that somebody has no classes at all: then it is the same for any number.
      if (!refused && !named) return void wrong.push(line);
      for (const secret of prepared.secrets)
        if (seen.body.includes(secret)) wrong.push(`${line}, and it says “${secret}”`);
      if (!named) return;
      const nothing = await see(knock, knock.nowhere);
      if (nothing.status !== seen.status || plain(nothing.to ?? "", knock.nowhere) !== plain(seen.to ?? "", knock.path))
        wrong.push(`${line}, where there is nothing ${nothing.status} ${nothing.to ?? ""}`);
      else if (seen.to === null && plain(nothing.body, knock.nowhere) !== plain(seen.body, knock.path))
        wrong.push(`${line}, in other words than where there is nothing`);
    },
  );
  expect(wrong.slice(0, 40)).toEqual([]);
  expect(refusals).toBeGreaterThan(800);
});

/** What needs more words than a number, or somebody else's number: it answers, and says that there is nothing. */
const wantsMore = [/^\/adapt\/\d+\/revision$/, /^\/find\/partner\//, /^\/sign-in\/with\//];

test("the teacher herself comes to everything of hers", async () => {
  const wrong: string[] = [];
  const hers = prepared.knocks.filter(
    ({ visitor, allowed, method, path: at, nowhere }) =>
      visitor === "the teacher herself" && allowed && method === "GET" && at !== nowhere,
  );
  await each(hers, async (knock) => {
    const seen = await see(knock, knock.path);
    // A file that is not said which, is asked for in words.
    if (![200, 400].includes(seen.status) && !wantsMore.some((one) => one.test(knock.path)))
      wrong.push(`${knock.path}: ${seen.status} ${seen.to ?? ""}`);
  });
  expect(wrong).toEqual([]);
  expect(hers.length).toBeGreaterThan(30);
});
