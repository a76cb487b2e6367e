import { readFileSync } from "node:fs";
import { plainText } from "@/core/content/rich-text";
import { broughtBefore, broughtFileOf, goOnFromReading } from "@/data/adapt/brought-files";
import { draftOf } from "@/data/adapt/resources";
import { mediaByHash } from "@/data/engine/media";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { readBrought } from "@/formats/brought/read-brought";
import { visitorOf } from "../testing/as";
import { adaptData } from "../adapt/adapt";
import { lookAtFile, makeFromFile, proposeFromFile, readChoices } from "./bring-file";

let db: Db;
let world: World;
const now = new Date("2026-11-25T10:00:00Z");
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const slides = () => readBrought(new Uint8Array(readFileSync("demo/files/tides.pptx")), "tides.pptx");

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

test("before anything is made she sees each page with its parts, its notes and what does not come in", async () => {
  const { kind, title, pages } = lookAtFile(await slides(), []);
  expect([kind, title, pages.length]).toEqual(["slides", "When is high water?", 4]);
  expect(pages[0]!.parts.map((part) => part.kind)).toEqual(["table", "picture", "text"]);
  expect(pages[0]!.notes).toContain("Walk along the clock");
  expect(pages[3]!.left).toEqual([expect.stringContaining("A chart")]);
  expect(await db.query("select 1 from resource")).toEqual([]);
});

test("pages become steps, notes or nothing; pictures are kept with their descriptions, and nothing is published", async () => {
  const { resource } = await makeFromFile(
    db,
    ines(),
    { name: "tides.pptx", brought: await slides(), choices: readChoices("0023") },
    now,
  );
  const { document } = (await draftOf(db, resource))!;
  expect(document.title).toEqual({ en: "When is high water?" });
  expect(document.steps.map(({ title }) => title.en)).toEqual([
    "When is high water?",
    "Which ferry can cross the bar?",
  ]);
  const [first, second] = document.steps;
  const picture = first!.blocks.find((block) => block.type === "picture")!;
  expect(picture).toMatchObject({ description: { en: "A boat afloat, then the same boat on mud." } });
  expect(await mediaByHash(db, picture.media)).toMatchObject({ mime: "image/png" });
  expect(second!.blocks).toMatchObject([{ question: { type: "choice" } }]);
  expect(plainText(second!.teacherNotes!.en!)).toContain("half past eight");
  expect(await db.query("select 1 from revision where resource_id = $1", [resource])).toEqual([]);
});

test("nothing chosen is said, and a picture that is none is left out", async () => {
  const brought = await slides();
  await expect(
    makeFromFile(db, ines(), { name: "tides.pptx", brought, choices: readChoices("3333") }, now),
  ).rejects.toThrow("Choose at least one page");
  const fake = { ...brought, pictures: [{ mime: "image/png", bytes: new TextEncoder().encode("<svg onload=x>") }] };
  const { resource } = await makeFromFile(
    db,
    ines(),
    { name: "tides.pptx", brought: fake, choices: readChoices("0333") },
    now,
  );
  expect((await draftOf(db, resource))!.document.steps[0]!.blocks.map(({ type }) => type)).toEqual(["table", "text"]);
});

test("the same file again proposes what changed, into what was made of it; what she changed herself stays hers", async () => {
  await db.query("delete from brought_file");
  const choices = readChoices("0023");
  const { resource } = await makeFromFile(db, ines(), { name: "Tides.pptx", brought: await slides(), choices }, now);
  const [before] = await broughtBefore(db, world.ines, "tides.PPTX");
  expect(before).toMatchObject({ resource, title: "When is high water?", choices: "0023" });
  expect(await broughtBefore(db, world.teodor, "tides.pptx")).toEqual([]);
  expect(await proposeFromFile(db, ines(), resource, { brought: await slides(), choices }, now)).toEqual({
    ...{ resource, changes: 0 },
  });
  expect((await adaptData(db, ines(), resource, now))!.file).toBeNull();
  const changed = await slides();
  changed.pages[1] = { ...changed.pages[1]!, title: "Which ferry crosses?" };
  const again = await proposeFromFile(db, ines(), resource, { brought: changed, choices }, now);
  expect(again.changes).toBe(1);
  const { file, document } = (await adaptData(db, ines(), resource, now))!;
  expect(document.steps[1]!.title.en).toBe("Which ferry can cross the bar?");
  expect(file!.newer.steps[1]).toEqual({ ...file!.document.steps[1], title: { en: "Which ferry crosses?" } });
  expect(await goOnFromReading(db, resource)).toBe(true);
  expect(await goOnFromReading(db, resource)).toBe(false);
  expect((await broughtFileOf(db, resource))!.document.steps[1]!.title.en).toBe("Which ferry crosses?");
});
