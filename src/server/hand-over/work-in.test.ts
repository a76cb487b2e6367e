import { newStep } from "@/core/resource/edit";
import { titleOf } from "@/core/resource/document";
import { addRevision } from "@/data/adapt/resources";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, newId, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { hashOf } from "../adapt/publish";
import { visitorOf } from "../testing/as";
import { gather } from "./gather";
import { gatherPlan } from "./what";
import { workIn } from "./work-in";

let db: Db;
let world: World;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const at = (day: number) => ({
  ...{ date: `2026-11-${day}`, period: 1 },
  ...{ starts: new Date(`2026-11-${day}T09:00Z`), ends: new Date(`2026-11-${day}T10:00Z`) },
});
const fortnight = () => ({ class: world.class, from: "2026-11-23", weeks: 2 });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => db.query("delete from assignment"));

test("what goes is what the students have: their revision, their steps, and the name of the part", async () => {
  const document = lesson("Clock time");
  document.steps.push(newStep("en", "Week two", newId, [...lesson("x").steps[0]!.blocks]));
  const published = await publishFor(db, world.ines, document);
  const [, second] = document.steps;
  await giveInLesson(db, world, published, at(26), { steps: [second!.id], part: "2 of 2" });
  const changed = { ...document, title: { en: "Quite another title" } };
  const revision = {
    resource: published.id,
    document: changed,
    hash: hashOf(changed),
    author: world.ines,
    created: now,
  };
  await addRevision(db, revision);
  const [one] = await workIn(db, ines(), fortnight(), now);
  expect(titleOf(one!.document)).toBe("Clock time, 2 of 2");
  expect(one!.document.steps.map(({ title }) => title.en)).toEqual(["Week two"]);
  const { outgoing } = await gatherPlan(db, ines(), fortnight(), { base: "https://satchel.example", now });
  expect(titleOf(outgoing.topics[0]!.resources[0]!.document)).toBe("Clock time, 2 of 2");
});

test("what only explains comes first, then what is due first; what is outside these weeks stays", async () => {
  const reading = lesson("Words to explain");
  reading.steps[0]!.blocks = reading.steps[0]!.blocks.filter(({ type }) => type !== "question");
  await giveInLesson(db, world, await publishFor(db, world.ines, lesson("Second")), at(27));
  await giveInLesson(db, world, await publishFor(db, world.ines, lesson("First")), at(25));
  await giveInLesson(db, world, await publishFor(db, world.ines, reading), at(28));
  await giveInLesson(db, world, await publishFor(db, world.ines, lesson("Long ago")), at(12));
  const work = await workIn(db, ines(), fortnight(), now);
  expect(work.map(({ document }) => titleOf(document))).toEqual(["Words to explain", "First", "Second"]);
});

test("a lesson whose author keeps all rights goes as a link, and nothing of it goes along", async () => {
  const kept = lesson("Kept", { licence: "all-rights-reserved" });
  const { id } = await publishFor(db, world.teodor, kept, ["staffroom"]);
  const chosen = { resource: id, document: kept, topic: "Science", id: "work-1" };
  const launch = { address: "https://satchel.example/lti/launch?work=1", work: 1 };
  const { outgoing } = await gather(db, ines(), { id: "x", title: "x" }, [{ ...chosen, launch }]);
  expect(outgoing.topics[0]!.resources[0]).toMatchObject({ isLinkOnly: true, launch });
  expect(outgoing.files.size).toBe(0);
  // As a file there would be nothing but its words.
  expect((await gather(db, ines(), { id: "x", title: "x" }, [chosen])).left).toEqual([
    expect.stringContaining("keeps all rights"),
  ]);
});
