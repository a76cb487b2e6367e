import { feedOf } from "@/data/classes/feeds";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { tokenHash } from "../web/secrets";
import { actAs, answerFrom, visitorOf } from "../testing/as";
import { endFeed, makeFeed } from "./classes-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: () => Promise.resolve(new Headers({ host: "satchel.example" })) }));

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => void actAs(visitorOf({ id: world.ines, district: world.district, school: world.here })));

const make = async () => {
  const outcome = await makeFeed({ class: world.class });
  if (!outcome.ok) throw new Error(outcome.problem);
  return outcome.value.address;
};
const tokenIn = (address: string) => /\/calendar\/(.+)\.ics$/.exec(address)![1]!;

test("the calendar's address is secret: long, shown once, and only its hash is kept", async () => {
  const address = await make();
  expect(address).toMatch(/^http:\/\/satchel\.example\/calendar\/[\w-]{40,}\.ics$/);
  const stored = await db.query<{ hash: string }>("select token_hash hash from calendar_feed");
  expect(stored).toEqual([{ hash: tokenHash(tokenIn(address)) }]);
  expect(stored[0]!.hash).not.toContain(tokenIn(address));
});

test("a new address ends the old, and ending it leaves none", async () => {
  const [first, second] = [await make(), await make()];
  expect(await feedOf(db, tokenHash(tokenIn(first)))).toBeUndefined();
  expect(await feedOf(db, tokenHash(tokenIn(second)))).toEqual({ class: world.class, person: world.ines });
  expect(await endFeed({ class: world.class })).toMatchObject({ ok: true });
  expect(await feedOf(db, tokenHash(tokenIn(second)))).toBeUndefined();
});

test("where the application is known under another address, that one is said", async () => {
  process.env.PUBLIC_ADDRESS = "https://lessons.skerry.example/";
  expect(await make()).toMatch(/^https:\/\/lessons\.skerry\.example\/calendar\//);
  delete process.env.PUBLIC_ADDRESS;
});

test("nobody else makes one of her class, nor ends hers", async () => {
  const address = await make();
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect((await makeFeed({ class: world.class })).ok).toBe(false);
  expect((await endFeed({ class: world.class })).ok).toBe(false);
  expect(await feedOf(db, tokenHash(tokenIn(address)))).toBeDefined();
});
