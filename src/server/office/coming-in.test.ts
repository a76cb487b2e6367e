import { badgeNumber } from "@/core/student/badge";
import { pictureSecret } from "@/core/student/pictures";
import { setJoinCode } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { endSession, personOfSession, startSession } from "@/data/office/people";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { hashSecret } from "../web/secrets";
import { actAs, answerFrom, takeSignIns, visitorOf, value } from "../testing/as";
import { endJoinCode, startJoinCode } from "../classes/classes-actions";
import { joinClass, readCode, signInWithPictures } from "../student/student-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
let world: World;
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());

describe("coming in", () => {
  beforeAll(async () => {
    await db.query("update person set password_hash = $2 where id = $1", [
      world.students[0],
      await hashSecret(pictureSecret(["fish", "boat", "star"])),
    ]);
  });
  beforeEach(() => void actAs(null));

  test("with a name and three pictures in their order", async () => {
    expect(await signInWithPictures({ name: "aisha.test", pictures: ["boat", "fish", "star"] })).toMatchObject({
      ok: false,
    });
    await expect(signInWithPictures({ name: " Aisha.Test ", pictures: ["fish", "boat", "star"] })).rejects.toThrow(
      "redirect to /student",
    );
    expect(takeSignIns()).toEqual([{ person: world.students[0], class: null }]);
  });

  test("a name nobody has says the same as wrong pictures", async () => {
    const pictures: ["fish", "fish", "fish"] = ["fish", "fish", "fish"];
    expect(await signInWithPictures({ name: "nobody", pictures })).toEqual(
      await signInWithPictures({ name: "bo.test", pictures }),
    );
  });

  test("with the code on the board, to that class only, while it is good", async () => {
    actAs(teacher());
    const { code } = value(await startJoinCode({ class: world.class }));
    actAs(null);
    const read = value(await readCode({ code: code.toLowerCase().replace(" ", "") }));
    expect(read).toEqual({
      class: "5 Kittiwake",
      students: world.students.map((id, at) => ({
        ...{ id, badge: badgeNumber(id, null) },
        name: `${["aisha", "bo", "cato"][at]} T.`,
      })),
    });
    await expect(joinClass({ code, student: world.students[1]! })).rejects.toThrow("redirect to /student");
    expect(takeSignIns()).toEqual([{ person: world.students[1], class: world.class }]);
    expect((await joinClass({ code, student: world.ines })).ok).toBe(false);

    actAs(teacher());
    value(await endJoinCode({ class: world.class }));
    actAs(null);
    expect(await readCode({ code })).toMatchObject({ ok: false });
    expect((await joinClass({ code, student: world.students[1]! })).ok).toBe(false);
  });

  test("ending a code, or making another, ends everybody who came in by it; a card's session goes on", async () => {
    for (const end of [() => endJoinCode({ class: world.class }), () => startJoinCode({ class: world.class })]) {
      const session = (tokenHash: string, group: number | null) =>
        startSession(db, {
          tokenHash,
          person: world.students[0]!,
          class: group,
          created: new Date(),
          expires: new Date(Date.now() + 3_600_000),
        });
      await session("by code", world.class);
      await session("by card", null);
      actAs(teacher());
      value(await end());
      expect(await personOfSession(db, "by code", new Date())).toBeUndefined();
      expect(await personOfSession(db, "by card", new Date())).toBeDefined();
      await endSession(db, "by card");
    }
  });

  test("a code lives as long as was chosen, an hour when nothing was, and never longer than a school day", async () => {
    actAs(teacher());
    const minutes = async (given: object) => {
      const { expires } = value(await startJoinCode({ class: world.class, ...given }));
      return Math.round((expires.getTime() - Date.now()) / 60_000);
    };
    expect([await minutes({}), await minutes({ minutes: 15 }), await minutes({ minutes: 480 })]).toEqual([60, 15, 480]);
    expect((await startJoinCode({ class: world.class, minutes: 100_000 as 60 })).ok).toBe(false);
  });

  test("a code that has run out opens nothing", async () => {
    await setJoinCode(db, world.class, { code: "KELP 11", expires: new Date(Date.now() - 1000) });
    expect(await readCode({ code: "KELP 11" })).toMatchObject({ ok: false });
  });

  test("only the class's teacher opens its door", async () => {
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    expect((await startJoinCode({ class: world.class })).ok).toBe(false);
  });
});
