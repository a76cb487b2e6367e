import { resourceById } from "@/data/adapt/resources";
import { pocketsOf, addPocket } from "@/data/satchel/pockets";
import { pack, satchelIds } from "@/data/satchel/satchel";
import { startSession } from "@/data/office/people";
import { keepsDistrict, letKeepDistrict } from "@/data/office/district";
import { leftAdults } from "@/data/office/leaving";
import { peopleAt } from "@/data/student/front-door";
import { find } from "../find/find";
import { anyNeed } from "@/core/find/need";
import type { Db } from "@/data/engine/db";
import { emptied, freshDatabase } from "@/data/testing/database";
import { addPerson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, value, visitorOf } from "../testing/as";
import { bringInPeople } from "./begin-actions";
import { feedOf, setFeed } from "@/data/classes/feeds";
import { makeLink } from "../share/link-actions";
import { openLink } from "../share/link";
import { handOver, markAsReturned, markAsLeft, takeHandingBack } from "./leaving-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));
jest.mock("../web/base-address", () => ({ baseAddress: () => Promise.resolve("https://satchel.example") }));

let db: Db;
let world: World;
let office: number;

beforeEach(async () => {
  db = db ? await emptied(db) : await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  office = await addPerson(db, world.district, world.here, "hollis", "adult");
  await db.query("update person_role set role = 'office' where person_id = $1", [office]);
  actAs(visitorOf({ id: office, district: world.district, school: world.here }, { roles: ["office"] }));
}, 60_000);
afterAll(() => db.close());

const titlesFound = async (person: number) =>
  (
    await find(
      db,
      { id: person, district: world.district, school: world.here, satchel: await satchelIds(db, person) },
      { ...anyNeed, words: "heron" },
      { sort: "best", limit: 24 },
    )
  ).hits.map(({ facts }) => facts.title);

test("who has left is signed out and gone from the list, the class nobody teaches is named, and she can come back", async () => {
  const expires = new Date(now.getTime() + 3_600_000);
  await startSession(db, { tokenHash: "t", person: world.ines, class: null, created: now, expires });
  expect(value(await markAsLeft({ person: world.ines }))).toEqual({ name: "ines Test", classes: ["5 Kittiwake"] });
  expect(await db.query("select 1 from session where person_id = $1", [world.ines])).toEqual([]);
  expect((await peopleAt(db, world.here, now)).map(({ id }) => id)).not.toContain(world.ines);
  expect((await leftAdults(db, world.here)).map(({ id }) => id)).toEqual([world.ines]);
  expect(value(await markAsReturned({ person: world.ines }))).toEqual({ name: "ines Test" });
  expect((await peopleAt(db, world.here, now)).map(({ id }) => id)).toContain(world.ines);
});

test("the keeper of the district leaves it to somebody else of the office, who says that she has left", async () => {
  await letKeepDistrict(db, office);
  await db.query("insert into person_role values ($1, 'office', 'school')", [world.teodor]);
  expect(await markAsLeft({ person: office })).toMatchObject({
    code: "otherMustSayLeft",
  });
  actAs(
    visitorOf({ id: world.teodor, district: world.district, school: world.here }, { roles: ["teacher", "office"] }),
  );
  expect(await keepsDistrict(db, world.teodor)).toBe(false);
  value(await markAsLeft({ person: office }));
  expect(await keepsDistrict(db, world.teodor)).toBe(true);
});

test("nobody of another school is said to have left, and no child", async () => {
  expect(await markAsLeft({ person: world.judit })).toMatchObject({ ok: false });
  expect(await markAsLeft({ person: world.students[0]! })).toMatchObject({ ok: false });
  expect(await db.query("select 1 from person where not active")).toEqual([]);
});

test("a satchel goes to a colleague, who finds what is in it, and back again with one press", async () => {
  const { id: own } = await publishFor(db, world.ines, lesson("The heron's own"));
  const { id: others } = await publishFor(db, world.teodor, lesson("A heron of Teodor's"), ["staffroom"]);
  await pack(db, world.ines, others, now);
  await addPocket(db, world.ines, "Birds");
  await addPocket(db, world.teodor, "Birds");
  expect(await titlesFound(world.teodor)).toEqual(["A heron of Teodor's"]);
  expect(await handOver({ person: world.ines, colleague: world.teodor })).toMatchObject({ ok: false });
  value(await markAsLeft({ person: world.ines }));
  expect(await handOver({ person: world.ines, colleague: office })).toMatchObject({
    problem: "hollis Test does not teach, so has no satchel.",
  });
  const { handed } = value(await handOver({ person: world.ines, colleague: world.teodor }));
  expect(handed.resources).toEqual([own]);
  expect((await titlesFound(world.teodor)).toSorted()).toEqual(["A heron of Teodor's", "The heron's own"]);
  expect((await resourceById(db, own))!.ownerName).toBe("ines Test");
  const names = (await pocketsOf(db, world.teodor)).map(({ name }) => name);
  expect(names).toHaveLength(2);
  expect(new Set(names).size).toBe(2);
  expect(names[1]).toMatch(/^Birds \(ines Test/);
  value(await takeHandingBack({ person: world.ines, colleague: world.teodor, handed }));
  expect(await titlesFound(world.teodor)).toEqual(["A heron of Teodor's"]);
  expect((await pocketsOf(db, world.ines)).map(({ name }) => name)).toEqual(["Birds"]);
});

test("who has left one school of the district is taken into another with the same address, and not before", async () => {
  const line = "Judit, Test, judit@skerry.example, teacher";
  const before = value(await bringInPeople({ text: line, add: true }));
  expect([before.added, before.problems.length]).toEqual([0, 1]);
  const { id: lessonOfHers } = await publishFor(db, world.judit, lesson("Judit's heron"));
  await db.query("update person set active = false where id = $1", [world.judit]);
  expect(value(await bringInPeople({ text: line, add: true })).added).toBe(1);
  const [judit] = await db.query("select school_id school, active from person where id = $1", [world.judit]);
  expect(judit).toEqual({ school: world.here, active: true });
  const [kept] = await db.query("select owner_id owner from resource where id = $1", [lessonOfHers]);
  expect(kept).toEqual({ owner: world.judit });
  // Nobody of another district comes in like that.
  await db.query("update person set active = false where id = $1", [world.stranger]);
  const stranger = value(await bringInPeople({ text: "A, B, stranger@skerry.example, teacher", add: true }));
  expect(stranger.added).toBe(0);
});

test("while she is gone her links lead nowhere and her calendar address shows nothing; when she is back they do again", async () => {
  const { id } = await publishFor(db, world.ines, lesson("Gannets"));
  actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
  const { address } = value(
    await makeLink({ name: "Gannets", way: "look", teacherPart: false, until: null, resources: [id] }),
  );
  await setFeed(db, { class: world.class, person: world.ines }, "feed", now);
  const token = address.split("/").at(-1)!;
  const lead = async () => [(await openLink(db, token)) !== null, (await feedOf(db, "feed")) !== undefined];
  expect(await lead()).toEqual([true, true]);
  actAs(visitorOf({ id: office, district: world.district, school: world.here }, { roles: ["office"] }));
  value(await markAsLeft({ person: world.ines }));
  expect(await lead()).toEqual([false, false]);
  value(await markAsReturned({ person: world.ines }));
  expect(await lead()).toEqual([true, true]);
});
