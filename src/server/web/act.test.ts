import { z } from "zod";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { act, ActionError } from "./act";
import { numberFrom, route } from "./route";
import { actAs, answerFrom, visitorOf } from "../testing/as";

jest.mock("./session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("./database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(visitorOf({ id: world.ines, district: world.district, school: world.here })));

const Input = z.object({ name: z.string().min(1, "Give it a name.") });

describe("an action", () => {
  test("gets what was given, checked, and who gave it", async () => {
    const hello = act("make pocket", Input, async ({ visitor }, { name }) => `${name} of ${visitor.id}`);
    expect(await hello({ name: "Tides" })).toEqual({ ok: true, value: `Tides of ${world.ines}` });
  });

  test("says what is wrong with the input, and in which field, and does nothing", async () => {
    const work = jest.fn();
    expect(await act("make pocket", Input, work)({ name: "" })).toEqual({
      ok: false,
      problem: "Give it a name.",
      field: "name",
    });
    expect((await act("make pocket", Input, work)({} as never)).ok).toBe(false);
    expect((await act("make pocket", Input, work)(null as never)).ok).toBe(false);
    expect(work).not.toHaveBeenCalled();
  });

  test("is not begun for somebody who may not", async () => {
    const work = jest.fn();
    actAs(null);
    expect(await act("make pocket", Input, work)({ name: "x" })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("signed out") as string,
    });
    actAs(
      visitorOf(
        { id: world.students[0]!, district: world.district, school: world.here },
        { kind: "student", roles: [] },
      ),
    );
    expect(await act("make pocket", Input, work)({ name: "x" })).toMatchObject({
      ok: false,
      problem: "This is not here, or you do not have access to it.",
    });
    expect(work).not.toHaveBeenCalled();
  });

  test("refuses with its own reason, and hides what broke inside", async () => {
    const refusing = act("make pocket", Input, async () => {
      throw new ActionError("weekByMonday", "day");
    });
    expect(await refusing({ name: "x" })).toEqual({
      ...{ ok: false, field: "day" },
      ...{ problem: "A week is named by its Monday.", code: "weekByMonday" },
    });
    const breaking = act("make pocket", Input, async () => {
      throw new Error("password=hunter2 in /etc/secret");
    });
    const outcome = await breaking({ name: "x" });
    expect(JSON.stringify(outcome)).not.toMatch(/hunter2|secret/);
    expect(outcome).toMatchObject({ ok: false, problem: expect.stringContaining("nothing was changed") as string });
  });

  test("lets a redirect through", async () => {
    const leaving = act("make pocket", Input, async () => {
      throw Object.assign(new Error("redirect"), { digest: "NEXT_REDIRECT" });
    });
    await expect(leaving({ name: "x" })).rejects.toThrow("redirect");
  });
});

describe("a route", () => {
  const call = (handler: ReturnType<typeof route>, params: Record<string, string> = {}, body?: string) =>
    handler(new Request("http://here.example/x", body === undefined ? {} : { method: "POST", body }), {
      params: Promise.resolve(params),
    });
  const say = route(
    "find resources",
    () => ({}),
    async ({ visitor }) => Response.json({ id: visitor.id }),
  );

  test("answers everybody who may", async () => {
    expect(await (await call(say)).json()).toEqual({ id: world.ines });
  });

  test("says 401 to nobody and 404 to somebody who may not: not there, not yours, one answer", async () => {
    actAs(null);
    expect((await call(say)).status).toBe(401);
    actAs(
      visitorOf(
        { id: world.students[0]!, district: world.district, school: world.here },
        { kind: "student", roles: [] },
      ),
    );
    expect((await call(say)).status).toBe(404);
    actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
    const results = route(
      "see results",
      (params) => ({ assignment: numberFrom(params, "assignment") }),
      async () => Response.json({}),
    );
    expect((await call(results, { assignment: "999999" })).status).toBe(404);
    expect((await call(results, { assignment: "1 or 1=1" })).status).toBe(404);
  });

  test("reads a body of the right shape and no other, and never more than a class could write", async () => {
    const take = route(
      "find resources",
      () => ({}),
      async ({ body }) => Response.json(body),
      z.object({ n: z.number() }),
    );
    expect(await (await call(take, {}, '{"n":1}')).json()).toEqual({ n: 1 });
    for (const odd of ["", "{", '{"n":"1"}', "null", "[]"]) expect((await call(take, {}, odd)).status).toBe(400);
    expect((await call(take, {}, JSON.stringify({ n: 1, pad: "x".repeat(1_100_000) }))).status).toBe(413);
  });

  test("hides what broke inside", async () => {
    const breaking = route(
      "find resources",
      () => ({}),
      async () => {
        throw new Error("select * from person");
      },
    );
    const response = await call(breaking);
    expect(response.status).toBe(500);
    expect(await response.text()).not.toContain("person");
  });

  test.each([
    ["7", 7],
    ["007", 7],
    ["-1", -1],
    ["1e3", -1],
    ["", -1],
    ["99999999999", -1],
  ])("an id of %j is read as %d", (text, id) => {
    expect(numberFrom({ id: text }, "id")).toBe(id);
  });
});
