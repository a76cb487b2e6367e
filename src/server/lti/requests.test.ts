import { freshDatabase } from "@/data/testing/database";
import type { Db } from "@/data/engine/db";
import { addSystem, noteCourse, linkCourse } from "@/data/lti/systems";
import { now, smallWorld, type World } from "@/data/testing/world";
import { claims, messages, roleNames } from "@/core/lti/claims";
import type { Launch } from "@/core/lti/launch";
import { answerFrom, takeSignIns } from "../testing/as";
import type { ComeIn } from "./come-in";
import { beginFromRequest, comeInFromRequest } from "./requests";

const jar = new Map<string, { value: string; options: Record<string, unknown> }>();
let came: ComeIn;

jest.mock("next/headers", () => ({
  cookies: async () => ({
    get: (name: string) => jar.get(name),
    set: (name: string, value: string, options: Record<string, unknown>) => jar.set(name, { value, options }),
    delete: ({ name }: { name: string }) => jar.delete(name),
  }),
  headers: async () => new Headers({ host: "satchel.example" }),
}));
jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("./come-in", () => ({
  ...jest.requireActual<typeof import("./come-in")>("./come-in"),
  comeIn: async () => came,
}));

let db: Db;
let world: World;
let system: number;

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  system = await addSystem(db, {
    ...{
      school: world.here,
      name: "Quayside courses",
      issuer: "https://courses.example",
      clientId: "us",
      deployment: "1",
    },
    ...{ authorizeUrl: "https://courses.example/a", tokenUrl: "https://courses.example/t" },
    ...{ keysUrl: "https://courses.example/k", by: null, at: now },
  });
}, 60_000);
afterAll(() => db.close());
beforeEach(() => {
  jar.clear();
  takeSignIns();
});

const where = (response: Response) => response.headers.get("location");
const begin = (said: Record<string, string>) => beginFromRequest(db, now, new URLSearchParams(said));
const asked = {
  iss: "https://courses.example",
  login_hint: "u1",
  target_link_uri: "http://satchel.example/lti/launch",
};

describe("somebody wants to come in from a course site", () => {
  test("and is sent back there to say who she is, with what this browser keeps", async () => {
    const to = new URL(where(await begin({ ...asked, lti_message_hint: "h" }))!);
    expect(to.origin + to.pathname).toBe("https://courses.example/a");
    expect(Object.fromEntries(to.searchParams)).toMatchObject({
      ...{ scope: "openid", response_type: "id_token", response_mode: "form_post", prompt: "none", client_id: "us" },
      ...{ redirect_uri: "http://satchel.example/lti/launch", login_hint: "u1", lti_message_hint: "h" },
    });
    expect(jar.get("satchel-lti")).toMatchObject({
      value: to.searchParams.get("state"),
      options: { httpOnly: true, path: "/lti", sameSite: "lax" },
    });
  });

  test("over https the cookie comes along with the other site's form", async () => {
    process.env.PUBLIC_ADDRESS = "https://satchel.example";
    await begin(asked);
    delete process.env.PUBLIC_ADDRESS;
    expect(jar.get("satchel-lti")!.options).toMatchObject({ sameSite: "none", secure: true });
  });

  test.each([
    ["from a site nobody connected", { ...asked, iss: "https://elsewhere.example" }],
    ["for another client", { ...asked, client_id: "them" }],
    ["without saying for whom", { iss: asked.iss, target_link_uri: "x" }],
    ["with nothing at all", {}],
  ])("%s: she is told, and nothing is kept", async (_name, said) => {
    expect(where(await begin(said as never))).toBe("/lti/refused?why=unknown");
    expect(jar.size).toBe(0);
  });
});

const launch = (more: Partial<Launch> = {}): Launch => ({
  ...{ subject: "u1", email: null, rosterId: null, role: "teacher", work: null, choosing: null },
  course: { id: "c1", title: "5 Kittiwake" },
  services: { lineItems: null, members: null, cartridge: null },
  ...more,
});
async function comesIn(more: Partial<Launch>): Promise<string | null> {
  const [{ email }] = (await db.query("select email from person where id = $1", [world.ines])) as [{ email: string }];
  const said = launch(more);
  came = {
    ok: true,
    launch: { ...said, email: said.role === "teacher" ? email : null },
    system: (
      await db.query(
        `select id, school_id school, name, issuer, client_id "clientId", deployment_id deployment from other_system where id = $1`,
        [system],
      )
    )[0] as never,
  };
  return where(await comeInFromRequest(db, now, new URLSearchParams({ id_token: "t", state: "s" })));
}

describe("somebody has come in", () => {
  test("a teacher says once which class the course is, and is at its hand-over from then on", async () => {
    const first = await comesIn({});
    expect(first).toMatch(/^\/lti\/course\/\d+$/);
    expect(takeSignIns()).toEqual([{ person: world.ines, class: null }]);
    await linkCourse(db, Number(/\d+$/.exec(first!)![0]), world.class);
    expect(await comesIn({})).toBe(`/hand-over/${world.class}`);
    expect(await comesIn({ work: 7 })).toBe("/results/7");
    expect(await comesIn({ course: null })).toBe("/plan");
  });

  test("a teacher who chooses is at her satchel, with a word only she can use", async () => {
    const choosing = { returnUrl: "https://courses.example/r", data: null, several: true };
    expect(await comesIn({ choosing })).toMatch(/^\/lti\/choose\?for=[\w-]{43}$/);
    const rows = await db.query<{ person_id: number }>("select person_id from lti_choice");
    expect(rows).toEqual([{ person_id: world.ines }]);
  });

  test("a student is at her work, and one nobody knows is told whom to ask", async () => {
    await db.query("update person set roster_id = 'r-1' where id = $1", [world.students[0]]);
    const student = { role: "student" as const, subject: "u2", rosterId: "r-1" };
    expect(await comesIn({ ...student, work: 9 })).toBe("/student/9");
    expect(await comesIn(student)).toBe("/student");
    expect(takeSignIns()).toEqual([
      { person: world.students[0], class: null },
      { person: world.students[0], class: null },
    ]);
    expect(await comesIn({ ...student, subject: "u3", rosterId: "r-9" })).toBe("/lti/refused?why=who");
    // Somebody who is a student here is no teacher there.
    expect(await comesIn({ subject: "u2" })).toBe("/lti/refused?why=who");
    expect(takeSignIns()).toEqual([]);
  });

  test("a course keeps the addresses it said before where it says none", async () => {
    const of = { contextId: "c2", title: "Puffin", membersUrl: null, cartridgeUrl: null };
    await noteCourse(db, system, { ...of, lineItemsUrl: "https://courses.example/l" });
    expect(await noteCourse(db, system, { ...of, title: "4/5 Puffin", lineItemsUrl: null })).toMatchObject({
      ...{ title: "4/5 Puffin", lineItemsUrl: "https://courses.example/l" },
    });
  });

  test.each([
    ["state", "expired"],
    ["expired", "expired"],
    ["signature", "unknown"],
    ["nonce", "unknown"],
    ["deployment", "unknown"],
  ] as const)("refused for %s she reads no more than she can use", async (rule, why) => {
    came = { ok: false, rule };
    const response = await comeInFromRequest(db, now, new URLSearchParams({ id_token: "t", state: "s" }));
    expect(where(response)).toBe(`/lti/refused?why=${why}`);
    expect(takeSignIns()).toEqual([]);
  });
});

test("names of the standard are those of the specification", () => {
  expect(claims.version).toBe("https://purl.imsglobal.org/spec/lti/claim/version");
  expect(messages.choose).toBe("LtiDeepLinkingRequest");
  expect(roleNames.student).toBe("http://purl.imsglobal.org/vocab/lis/v2/membership#Learner");
});
