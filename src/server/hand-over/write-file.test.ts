import { strFromU8, unzipSync } from "fflate";
import { fileKindOf, fileKinds } from "@/core/hand-over/file-kinds";
import { formatAnswer } from "@/core/question/format";
import { allQuestions } from "@/core/resource/document";
import { richText } from "@/core/content/rich-text";
import type { Db } from "@/data/engine/db";
import { addPocket, putIntoPocket } from "@/data/satchel/pockets";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { allOf } from "@/formats/testing/outgoing";
import { visitorOf } from "../testing/as";
import { previewOf } from "./preview";
import { gatherPlan, gatherPocket, gatherResource } from "./what";
import { writeFileOf } from "./write-file";

let db: Db;
let world: World;
let tides: number;
let ferry: number;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  const withNotes = lesson("Reading a tide table");
  withNotes.steps[0]!.teacherNotes = { en: richText("Only for me.") };
  withNotes.steps[0]!.blocks.push({
    ...{ id: "boat", type: "picture", media: "drawing:blank", decorative: false },
    description: { en: "A boat" },
  });
  tides = (await publishFor(db, world.ines, withNotes)).id;
  ferry = (await publishFor(db, world.ines, lesson("Ferry fares"))).id;
}, 60_000);
afterAll(() => db.close());

test.each(fileKinds.flatMap(({ kinds }) => kinds).map((kind) => [kind.name, kind] as const))(
  "a resource is saved as: %s",
  async (_name, kind) => {
    const { pieces, ending } = await writeFileOf(await gatherResource(db, ines(), tides), kind);
    const bytes = await allOf(pieces);
    expect(ending).toBe(kind.ending);
    expect(bytes.length).toBeGreaterThan(200);
  },
  30_000,
);

test("what is right can be told in what goes out", async () => {
  const { outgoing } = await gatherResource(db, ines(), tides);
  const { question } = allQuestions(outgoing.topics[0]!.resources[0]!.document)[0]!;
  expect(formatAnswer(question, ["en"])).toBe("a");
});

test("a pocket is one package in its order, or a file for each thing", async () => {
  const { id } = await addPocket(db, world.ines, "Tides, term 1");
  await putIntoPocket(db, id, [ferry, tides], world.ines, now);
  const gathered = await gatherPocket(db, ines(), id);
  expect(previewOf(gathered)).toMatchObject({
    title: "Tides, term 1",
    topics: [{ title: "Tides, term 1" }],
    left: [],
    changes: [],
  });
  const each = await writeFileOf(gathered, fileKindOf("page")!);
  expect(each.ending).toBe("zip");
  const files = unzipSync(await allOf(each.pieces));
  expect(Object.keys(files)).toEqual(["01-Ferry-fares.html", "02-Reading-a-tide-table.html"]);
  expect(strFromU8(files["02-Reading-a-tide-table.html"]!)).not.toContain("Only for me");
  expect((await writeFileOf(gathered, fileKindOf("cartridge-1.3")!)).ending).toBe("imscc");
}, 30_000);

test("a plan goes by subject, with where students do each piece; work that is called back stays", async () => {
  const at = {
    date: "2026-11-26",
    period: 1,
    starts: new Date("2026-11-26T09:00Z"),
    ends: new Date("2026-11-26T10:00Z"),
  };
  const published = await publishFor(db, world.ines, lesson("Angles"));
  const work = await giveInLesson(db, world, published, at);
  const of = { base: "https://satchel.example", now };
  const stretch = { class: world.class, from: "2026-11-23", weeks: 2 };
  const { outgoing } = await gatherPlan(db, ines(), stretch, of);
  expect(outgoing.topics.map(({ title }) => title)).toEqual(["Science"]);
  expect(outgoing.topics[0]!.resources[0]).toMatchObject({
    ...{ id: `work-${work}`, address: `https://satchel.example/student/${work}` },
  });
  await db.query("update assignment set called_back = now() where id = $1", [work]);
  expect((await gatherPlan(db, ines(), stretch, of)).outgoing.topics).toEqual([]);
});

test("what is not hers to copy stays, and says why", async () => {
  const kept = lesson("Kept", { licence: "all-rights-reserved" });
  const { id: locked } = await publishFor(db, world.teodor, kept, ["staffroom"]);
  const { id: hidden } = await publishFor(db, world.stranger, lesson("Hidden"));
  for (const [resource, reason] of [
    [locked, "keeps all rights"],
    [hidden, "not yours to copy"],
  ] as const) {
    const gathered = await gatherResource(db, ines(), resource);
    expect(gathered.outgoing.topics).toEqual([]);
    expect(gathered.left).toEqual([expect.stringContaining(reason)]);
    await expect(writeFileOf(gathered, fileKindOf("pdf")!)).rejects.toThrow("nothing here that can be saved");
  }
});
