import { parse } from "devalue";
import { viewedLately } from "@/data/find/saved-searches";
import { importFramework } from "@/data/find/standards";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf } from "@/server/testing/as";
import { GET as bring } from "../plan/bring/route";
import { GET as leaves } from "./leaves/route";
import { GET as results } from "./results/route";
import { GET as start } from "./start/route";
import { GET as table } from "./table/route";
import { POST as bringIn } from "./standards/import/route";
import { GET as why } from "./why/route";
import { GET as words } from "./words/route";
import type { Results } from "@/server/find/find-page";
import type { LightTableData } from "@/server/find/light-table";
import type { StartData } from "@/server/find/start-page";

jest.mock(
  "@/server/web/session",
  () => jest.requireActual<typeof import("@/server/testing/as")>("@/server/testing/as").session,
);
jest.mock(
  "@/server/web/database",
  () => jest.requireActual<typeof import("@/server/testing/as")>("@/server/testing/as").database,
);
jest.mock("next/headers", () => ({ cookies: async () => ({ get: () => undefined }) }));

let db: Db;
let world: World;
let [open, shut] = [0, 0];
beforeAll(async () => {
  db = await freshDatabase();
  answerFrom(db);
  world = await smallWorld(db);
  ({ id: open } = await publishFor(db, world.teodor, lesson("Whelk counting", { topics: ["whelks"] }), ["staffroom"]));
  ({ id: shut } = await publishFor(db, world.judit, lesson("Whelk secrets", { topics: ["secrets"] }), ["staffroom"]));
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(visitorOf({ id: world.ines, district: world.district, school: world.here })));

const context = { params: Promise.resolve({}) };
const ask = async (route: typeof leaves, address: string) => {
  const response = await route(new Request(`http://satchel.example${address}`), context);
  return { status: response.status, body: (await response.json()) as Record<string, unknown> };
};
const send = async (body: string) => {
  const response = await bringIn(new Request("http://satchel.example/", { method: "POST", body }), context);
  return { status: response.status, body: (await response.json()) as Record<string, unknown> };
};

describe("what Find asks for on the way", () => {
  test("a blank's counts, read like the page: what is not hers is not counted", async () => {
    const { status, body } = await ask(leaves, "/find/leaves?blank=topic&words=whelk");
    expect([status, body]).toEqual([200, { choices: [{ value: "whelks", text: "whelks", leaves: 1 }] }]);
  });

  test("a blank there is none of is said to be none", async () => {
    expect(await ask(leaves, "/find/leaves?blank=weather")).toMatchObject({
      status: 400,
      body: { code: "noSuchBlank" },
    });
  });

  test("why something is here; for what is not hers, as if it were not there", async () => {
    const { body } = await ask(why, `/find/why?words=whelk&resource=${open}`);
    expect(body).toEqual({ reasons: ["“whelk” is in its title."] });
    for (const resource of [String(shut), "999999", "x", ""])
      expect((await ask(why, `/find/why?words=whelk&resource=${resource}`)).status).toBe(404);
  });

  test("what can be brought to a lesson of the plan, as far as it is hers to see; a student asks for nothing", async () => {
    const { body } = await ask(bring, "/plan/bring?words=whelk");
    expect((body.things as { id: number }[]).map(({ id }) => id)).toEqual([open]);
    expect((await ask(bring, "/plan/bring")).body).toEqual({ things: [] });
    const aisha = { id: world.students[0]!, district: world.district, school: world.here };
    actAs(visitorOf(aisha, { kind: "student", roles: [] }));
    expect((await ask(bring, "/plan/bring?words=whelk")).status).toBeGreaterThanOrEqual(400);
  });

  test("words that go on from what is typed, of what she may see", async () => {
    expect((await ask(words, "/find/words?start=whe")).body).toEqual({ words: ["whelk", "whelks"] });
    expect((await ask(words, "/find/words?start=secr")).body).toEqual({ words: [] });
    expect((await ask(words, "/find/words?start=%25")).body).toEqual({ words: [] });
    expect((await ask(words, "/find/words")).body).toEqual({ words: [] });
  });

  test("nobody signed in is told nothing, and a student neither", async () => {
    actAs(null);
    for (const route of [leaves, why, words, results, table, start])
      expect((await ask(route, "/?blank=topic&start=whe")).status).toBe(401);
    actAs({
      ...visitorOf({ id: world.students[0]!, district: world.district, school: world.here }),
      kind: "student",
      roles: [],
    });
    for (const route of [leaves, why, words, results, table, start])
      expect((await ask(route, "/?blank=topic&start=whe")).status).toBe(404);
  });
});

describe("the parts of Find, each asked for by itself", () => {
  const read = async <Part>(route: typeof results, address: string) => {
    const response = await route(new Request(`http://satchel.example${address}`), context);
    expect(response.status).toBe(200);
    return parse(await response.text()) as Part;
  };
  const reader = () => ({ id: world.ines, school: world.here, district: world.district, satchel: [] });

  test("the results of an address: what she may see, counted, and since when it can be found", async () => {
    const { asked, found, saved } = await read<Results>(results, "/find/results?words=whelk&sort=title");
    expect(asked).toMatchObject({ sort: "title", need: { words: "whelk" } });
    expect(found.hits.map(({ id }) => id)).toEqual([open]);
    expect(found.counts.total).toBe(1);
    expect(found.hits[0]!.fresh).toBeInstanceOf(Date);
    expect(saved).toBe(false);
  });

  test("a question nobody waits for any more is broken off", async () => {
    const request = new Request("http://satchel.example/find/results?words=whelk", { signal: AbortSignal.abort() });
    expect((await results(request, context)).status).toBe(499);
  });

  test("what lies on the light table; what is not hers does not", async () => {
    const lying = await read<LightTableData>(table, `/find/table?resource=${open}`);
    expect(lying.facts.title).toBe("Whelk counting");
    for (const resource of [String(shut), "999999", "x", ""])
      expect(await read(table, `/find/table?resource=${resource}`)).toBeNull();
  });

  test("only what she opened herself she has looked at", async () => {
    await read(table, `/find/table?resource=${open}`);
    expect(await viewedLately(db, reader(), 6)).toEqual([]);
    await read(table, `/find/table?resource=${open}&chosen=1`);
    expect((await viewedLately(db, reader(), 6)).map(({ id }) => id)).toEqual([open]);
    expect((await read<StartData>(start, "/find/start")).viewed.map(({ id }) => id)).toEqual([open]);
  });
});

describe("bringing in a framework", () => {
  const file = JSON.stringify({
    CFDocument: { identifier: "knots", title: "Knots" },
    CFItems: [{ identifier: "k1", humanCodingScheme: "K.1", fullStatement: "Tie a bowline." }],
  });
  const curator = () =>
    actAs({
      ...visitorOf({ id: world.ines, district: world.district, school: world.here }),
      roles: ["teacher", "curator"],
    });

  test("is a curator's; to a teacher it is not there", async () => {
    expect((await send(file)).status).toBe(404);
  });

  test("says what was added, and the second time what changed", async () => {
    curator();
    expect(await send(file)).toMatchObject({
      status: 200,
      body: { name: "Knots", statements: 1, added: 1, changed: 0 },
    });
    expect(await send(file.replace("Tie a bowline", "Tie a sheet bend"))).toMatchObject({
      body: { added: 0, changed: 1 },
    });
  });

  test("a file that is none changes nothing and names the place", async () => {
    curator();
    expect(await send("{")).toMatchObject({ status: 422 });
    expect((await send(file.replace("Tie a bowline.", " "))).body.problem).toBe(
      "CFItems.0.fullStatement: has no fullStatement. Nothing was changed.",
    );
    expect(await db.query("select 1 from standard where code = 'K.1'")).toHaveLength(1);
  });

  test("another district's framework is never overwritten by one of the same name", async () => {
    await importFramework(
      db,
      {
        ...{ uri: "theirs", name: "Theirs", publisher: "", source: "", associations: [], leftOut: [] },
        statements: [{ uri: "t1", parent: null, code: "T.1", statement: "Theirs.", grades: null }],
      },
      { district: world.otherDistrict, now: new Date() },
    );
    curator();
    const stolen = file.replace('"knots"', '"theirs"');
    expect(await send(stolen)).toMatchObject({ status: 200, body: { added: 1 } });
    const rows = await db.query<{ name: string }>("select name from framework where uri = 'theirs' order by name");
    expect(rows.map((row) => row.name)).toEqual(["Knots", "Theirs"]);
  });
});
