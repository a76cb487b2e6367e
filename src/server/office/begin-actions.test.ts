import { credentialsByEmail } from "@/data/office/people";
import type { Db } from "@/data/engine/db";
import { forgetOldAddresses } from "@/data/office/outbox";
import { freshDatabase } from "@/data/testing/database";
import { printFirstCode } from "./first-code";
import { secretIsRight } from "../web/secrets";
import { actAs, answerFrom, takeSignIns, visitorOf, value } from "../testing/as";
import { acceptInvitation, beginSchool, bringInPeople, inviteAgain } from "./begin-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
beforeAll(async () => {
  db = await freshDatabase();
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(null));

async function printedCode(): Promise<string | undefined> {
  let printed: string | undefined;
  await printFirstCode(db, new Date(), (line) => (printed = /[A-Z2-9]{4}-[A-Z2-9]{4}-[A-Z2-9]{4}/.exec(line)?.[0]));
  return printed;
}
const form = (code: string) => ({
  code,
  school: "Lighthouse Road Primary",
  district: "Skerry Isles Schools",
  zone: "Europe/London",
  country: "GB",
  office: { givenName: "Hollis", familyName: "Gray", email: "Hollis@Skerry.example", password: "kelp-and-tide" },
  teacher: { givenName: "Ines", familyName: "Halloran", email: "ines@skerry.example" },
});
const tokenSentTo = async (address: string) => {
  const [sent] = await db.query<{ body: string }>("select body from outbox where to_address = $1 order by id desc", [
    address,
  ]);
  return /\/welcome\/([\w-]+)/.exec(sent!.body)![1]!;
};
async function office() {
  const [person] = await db.query<{ id: number; district: number; school: number }>(
    "select id, district_id district, school_id school from person where email = 'hollis@skerry.example'",
  );
  return visitorOf(person!, { roles: ["office"] });
}

describe("from an empty folder to a school", () => {
  test("only the code the server printed opens it, and only the newest", async () => {
    const [old, code] = [await printedCode(), await printedCode()];
    expect(old).not.toBe(code);
    for (const wrong of ["", "ABCD-EFGH-JKMN", old!])
      expect(await beginSchool(form(wrong))).toMatchObject({ ok: false, field: "code" });
    expect(await db.query("select 1 from person")).toEqual([]);
    expect(await beginSchool({ ...form(code!), office: { ...form("").office, password: "short" } })).toMatchObject({
      ok: false,
      field: "office.password",
    });
    await expect(beginSchool(form(code!.toLowerCase().replaceAll("-", " ")))).rejects.toThrow("redirect to /office");
    expect(takeSignIns()).toHaveLength(1);
  });

  test("the office has its password, the first teacher an invitation that works once", async () => {
    const hollis = await credentialsByEmail(db, "hollis@skerry.example");
    expect(await secretIsRight(hollis!.hash, "kelp-and-tide")).toBe(true);
    const token = await tokenSentTo("ines@skerry.example");
    expect(await acceptInvitation({ token, password: "too short" })).toMatchObject({ ok: false });
    await expect(acceptInvitation({ token, password: "a long enough one" })).rejects.toThrow("redirect to /find");
    expect(await acceptInvitation({ token, password: "another long one" })).toMatchObject({ ok: false });
    const ines = await credentialsByEmail(db, "ines@skerry.example");
    expect(await secretIsRight(ines!.hash, "a long enough one")).toBe(true);
    // The next sweep leaves no address in the letter that has been used.
    expect(await forgetOldAddresses(db, new Date())).toBe(1);
    const letters = await db.query<{ body: string }>(
      "select body from outbox where to_address = 'ines@skerry.example'",
    );
    expect(letters.map(({ body }) => body).join()).toContain("/welcome/(no longer works)");
    expect(letters.map(({ body }) => body).join()).not.toContain(token);
  });

  test("once there is somebody, no code is printed and none works", async () => {
    expect(await printedCode()).toBeUndefined();
    expect(await beginSchool(form("ABCD-EFGH-JKMN"))).toMatchObject({ ok: false });
    expect(await db.query("select 1 from school")).toHaveLength(1);
  });
});

describe("more people", () => {
  test("typed or pasted, are looked at first; each gets an invitation; the same list again adds nobody", async () => {
    actAs(await office());
    const text = "Teodor, Brandt, teodor@skerry.example\nIda, Holm, ida@skerry.example, teacher and curator\nnobody";
    expect(value(await bringInPeople({ text, add: false }))).toMatchObject({ fresh: 2, known: 0, added: 0 });
    expect(await credentialsByEmail(db, "teodor@skerry.example")).toBeUndefined();
    const done = value(await bringInPeople({ text, add: true }));
    expect(done).toMatchObject({ added: 2, problems: [{ line: 3 }] });
    expect(value(await bringInPeople({ text, add: true }))).toMatchObject({ fresh: 0, known: 2, added: 0 });
    actAs(null);
    await expect(
      acceptInvitation({ token: await tokenSentTo("ida@skerry.example"), password: "hers alone 12" }),
    ).rejects.toThrow("redirect");
    const roles = await db.query(
      "select role from person_role r join person p on p.id = r.person_id where p.email = 'ida@skerry.example' order by role",
    );
    expect(roles).toEqual([{ role: "curator" }, { role: "teacher" }]);
    // An address that still works stays in its letter until it is too old.
    const [now, later] = [new Date(), new Date(Date.now() + 15 * 86_400_000)];
    expect(await forgetOldAddresses(db, now)).toBe(1);
    expect(await tokenSentTo("teodor@skerry.example")).toMatch(/^[\w-]{20,}$/);
    expect(await forgetOldAddresses(db, later)).toBe(1);
    expect(await db.query("select 1 from outbox where body ~ '/welcome/[A-Za-z0-9_-]{20,}'")).toEqual([]);
    // The letter is written anew for those who come after in this file.
    actAs(await office());
    const [teodor] = await db.query<{ id: number }>("select id from person where email = 'teodor@skerry.example'");
    value(await inviteAgain({ person: teodor!.id }));
  });

  test("a new invitation ends the old one; of another school's people there is nothing", async () => {
    actAs(await office());
    const [teodor] = await db.query<{ id: number }>("select id from person where email = 'teodor@skerry.example'");
    const old = await tokenSentTo("teodor@skerry.example");
    const { address } = value(await inviteAgain({ person: teodor!.id }));
    expect(await inviteAgain({ person: 999_999 })).toMatchObject({ ok: false });
    actAs(null);
    expect(await acceptInvitation({ token: old, password: "a long enough one" })).toMatchObject({ ok: false });
    await expect(
      acceptInvitation({ token: address.split("/").at(-1)!, password: "a long enough one" }),
    ).rejects.toThrow("redirect");
  });

  test("teachers add nobody", async () => {
    const hollis = await office();
    actAs({ ...hollis, roles: ["teacher"] });
    expect((await bringInPeople({ text: "A, B, c@d.example", add: true })).ok).toBe(false);
  });
});
