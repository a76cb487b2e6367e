import { Secret, TOTP } from "otpauth";
import type { Db } from "@/data/engine/db";
import { credentialsById, startSession } from "@/data/office/people";
import { sessionsOf, setTotp, totpOf } from "@/data/office/second-step";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, takeSignIns, value, visitorOf } from "../testing/as";
import { hashSecret, secretIsRight } from "../web/secrets";
import {
  beginSecondFactor,
  setNewPassword,
  signOutElsewhere,
  turnOffSecondFactor,
  turnOnSecondFactor,
} from "./account-actions";
import { acceptInvitation, endSecondStepOf } from "./begin-actions";
import { sendNewPassword } from "./forgotten";
import { askForPassword, enterCode, signInWithPassword } from "./sign-in-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
const jar = new Map<string, string>();
jest.mock("next/headers", () => ({
  headers: async () => new Headers({ host: "satchel.example" }),
  cookies: async () => ({
    get: (name: string) => (jar.has(name) ? { value: jar.get(name) } : undefined),
    set: (name: string, said: string) => void jar.set(name, said),
    delete: ({ name }: { name: string }) => void jar.delete(name),
  }),
}));

let db: Db;
let world: World;
let email: string;
const password = "kelp-and-tide";
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const code = (secret: string, at = Date.now()) =>
  new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: at });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  await db.query("update person set password_hash = $2 where id = $1", [world.ines, await hashSecret(password)]);
  ({ email } = (await credentialsById(db, world.ines))!);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => {
  jar.clear();
  takeSignIns();
  actAs(ines(), "here");
});

describe("a second step", () => {
  afterAll(() => setTotp(db, world.ines, null));

  test("is set up with the password and a code of the app, and only by somebody grown up", async () => {
    expect(await beginSecondFactor({ password: "guessed" })).toMatchObject({ ok: false, field: "password" });
    const { secret } = value(await beginSecondFactor({ password }));
    expect(await turnOnSecondFactor({ password, secret, code: "000000" })).toMatchObject({ ok: false, field: "code" });
    expect(await totpOf(db, world.ines)).toBeUndefined();
    const { codes } = value(await turnOnSecondFactor({ password, secret, code: code(secret) }));
    expect(new Set(codes).size).toBe(8);
    expect(await totpOf(db, world.ines)).toMatchObject({ secret });
    actAs(visitorOf({ id: world.students[0]!, district: world.district, school: world.here }, { kind: "student" }));
    expect(await beginSecondFactor({ password })).toMatchObject({ ok: false });
  });

  test("is asked for after the password; a wrong code keeps her at the door, five send her back", async () => {
    actAs(null);
    const signIn = () => signInWithPassword({ email, password });
    await expect(signIn()).rejects.toThrow("redirect to /sign-in/code");
    expect(takeSignIns()).toEqual([]);
    expect(await enterCode({ code: "000000" })).toMatchObject({ ok: false, field: "code" });
    const { secret } = (await totpOf(db, world.ines))!;
    // The next code: the one that set it up is used.
    await expect(enterCode({ code: code(secret, Date.now() + 30_000) })).rejects.toThrow("redirect to /find");
    expect(takeSignIns()).toEqual([{ person: world.ines, class: null }]);
    await expect(signIn()).rejects.toThrow("redirect to /sign-in/code");
    for (let at = 0; at < 5; at += 1) expect(await enterCode({ code: "111111" })).toMatchObject({ ok: false });
    await expect(enterCode({ code: "111111" })).rejects.toThrow("redirect to /sign-in?why=code");
    jar.clear();
    await expect(enterCode({ code: "111111" })).rejects.toThrow("redirect to /sign-in?why=code");
  });

  test("is not gone round by a new password; the office of her school turns it off, another's does not", async () => {
    await sendNewPassword(db, email, { base: "https://satchel.example", now: new Date() });
    const [{ body }] = (await db.query("select body from outbox order by id desc limit 1")) as [{ body: string }];
    const token = /welcome\/([\w-]+)/.exec(body)![1]!;
    await expect(acceptInvitation({ token, password: "another-long-one" })).rejects.toThrow("redirect to /sign-in");
    expect(takeSignIns()).toEqual([]);
    const office = (school: number) =>
      visitorOf({ id: world.teodor, district: world.district, school }, { roles: ["office"] });
    actAs(office(world.there));
    expect(await endSecondStepOf({ person: world.ines })).toMatchObject({ ok: false });
    actAs(office(world.here));
    value(await endSecondStepOf({ person: world.ines }));
    expect(await totpOf(db, world.ines)).toBeUndefined();
    await db.query("update person set password_hash = $2 where id = $1", [world.ines, await hashSecret(password)]);
  });

  test("is turned off with the password only", async () => {
    const { secret } = value(await beginSecondFactor({ password }));
    value(await turnOnSecondFactor({ password, secret, code: code(secret) }));
    expect(await turnOffSecondFactor({ password: "guessed" })).toMatchObject({ ok: false });
    value(await turnOffSecondFactor({ password }));
    expect(await totpOf(db, world.ines)).toBeUndefined();
  });
});

test("a new password ends every session but this one; a short one, or without the old one, changes nothing", async () => {
  const now = new Date();
  for (const tokenHash of ["here", "there"])
    await startSession(db, {
      ...{ tokenHash, person: world.ines, class: null, created: now },
      expires: new Date(now.getTime() + 3_600_000),
    });
  expect(await setNewPassword({ password, next: "short" })).toMatchObject({ ok: false, field: "next" });
  expect(await setNewPassword({ password: "guessed", next: "long-enough-now" })).toMatchObject({ ok: false });
  value(await setNewPassword({ password, next: "long-enough-now" }));
  expect(await secretIsRight((await credentialsById(db, world.ines))!.hash, "long-enough-now")).toBe(true);
  expect((await sessionsOf(db, world.ines, now)).map(({ tokenHash }) => tokenHash)).toEqual(["here"]);
  expect(value(await signOutElsewhere({}))).toEqual({ ended: 0 });
});

describe("a forgotten password", () => {
  const letters = () =>
    db.query<{ to: string }>("select to_address \"to\" from outbox where subject like 'A new password%'");
  beforeEach(async () => void (await db.query("delete from outbox")));

  test("is answered the same whether or not anybody has that address, and only somebody gets a letter", async () => {
    actAs(null);
    const answers = [await askForPassword({ email: "nobody@skerry.example" }), await askForPassword({ email })];
    expect(answers).toEqual([
      { ok: true, value: {} },
      { ok: true, value: {} },
    ]);
    await new Promise((resolve) => setTimeout(resolve, 500));
    expect((await letters()).map(({ to }) => to)).toEqual([email]);
    expect(await askForPassword({ email: "no address" })).toMatchObject({ ok: false });
  });

  test("asked for again and again it has to wait, so that nobody's mail is filled", async () => {
    actAs(null);
    const outcomes = [];
    for (let at = 0; at < 10; at += 1) outcomes.push(await askForPassword({ email: "rona@skerry.example" }));
    expect(outcomes.at(-1)).toMatchObject({ ok: false, problem: expect.stringContaining("Too many tries") });
  });
});
