import { richText } from "@/core/content/rich-text";
import type { Db } from "@/data/engine/db";
import { draftOf, resourceById, revisionById } from "@/data/adapt/resources";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { versionsFor } from "../assign/resources-to-assign";
import { lightTable } from "../find/light-table";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import { adaptResource, copyWithoutVoices, makeVersion } from "./adapt-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const now = new Date("2026-11-25T10:00:00Z");
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const teodor = () => visitorOf({ id: world.teodor, district: world.district, school: world.here });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}, 60_000);
afterAll(() => db.close());
beforeEach(() => actAs(ines()));

async function adapted() {
  const source = await publishFor(db, world.teodor, lesson("Original"), ["staffroom"]);
  return { source, mine: value(await adaptResource({ resource: source.id })).resource };
}

describe("making her own version", () => {
  test("is a copy with its source attached; nobody else sees it, and the original stays as it was", async () => {
    const { source, mine } = await adapted();
    const draft = (await draftOf(db, mine))!;
    expect(draft.document.credits).toMatchObject([{ title: "Original", author: "teodor Test", licence: "CC-BY-4.0" }]);
    expect(draft.document.steps[0]!.origin).toMatchObject({ resource: source.id, revision: source.revision });
    expect((await resourceById(db, source.id))!.headNumber).toBe(1);
    actAs(teodor());
    expect(await lightTable(db, teodor(), mine, now)).toBeNull();
  });

  test("a copy without any voice is published at once, and names its author all the same", async () => {
    const document = lesson("Spoken");
    const [step] = document.steps;
    const by = { media: "a".repeat(64), by: world.teodor, name: "Teodor Test", seconds: 4, kept: true };
    step!.instructions = { en: { text: richText("Look."), recording: by as never } };
    const source = await publishFor(db, world.teodor, document, ["staffroom"]);
    const { resource, title } = value(await copyWithoutVoices({ resource: source.id }));
    expect(title).toBe("Spoken");
    const copy = (await resourceById(db, resource))!;
    const published = (await revisionById(db, copy.head!))!.document;
    expect(published.steps[0]!.instructions.en!.recording).toBeUndefined();
    expect(published.credits).toMatchObject([{ author: "teodor Test" }]);
    const draft = value(await adaptResource({ resource: source.id, voices: "none" })).resource;
    expect((await draftOf(db, draft))!.document.steps[0]!.instructions.en!.recording).toBeUndefined();
    expect(
      (await draftOf(db, value(await adaptResource({ resource: source.id })).resource))!.document.steps[0]!.instructions
        .en!.recording,
    ).toBeDefined();
  });

  test("what may not be changed is refused with the reason", async () => {
    const source = await publishFor(db, world.teodor, lesson("As it is", { licence: "CC-BY-ND-4.0" }), ["staffroom"]);
    expect(await adaptResource({ resource: source.id })).toEqual({
      ok: false,
      problem: expect.stringContaining("not changed") as string,
    });
  });

  test("what she may not see cannot be copied either, and answers like something that is not there", async () => {
    const hidden = await publishFor(db, world.judit, lesson("Hidden"), ["staffroom"]);
    const refused = await adaptResource({ resource: hidden.id });
    expect(refused).toEqual(await adaptResource({ resource: 999_999 }));
    expect(refused.ok).toBe(false);
  });

  test("the light table offers the version she has", async () => {
    const { source, mine } = await adapted();
    expect((await lightTable(db, ines(), source.id, now))!.myVersions).toEqual([mine]);
  });
});

describe("a version for some students", () => {
  test("is published beside her own, which stays; it says what was changed, and who is named is not hers to choose", async () => {
    const whole = { ...lesson("Tides"), steps: [...lesson("a").steps, ...lesson("b").steps] };
    const own = await publishFor(db, world.ines, whole);
    const document = { ...whole, steps: whole.steps.slice(0, 1), licence: "CC0-1.0", credits: [] };
    const { resource } = value(await makeVersion({ resource: own.id, title: "Tides (shorter)", document }));
    const made = (await resourceById(db, resource))!;
    expect(made.source).toMatchObject({ resource: own.id, revision: own.revision });
    const published = (await revisionById(db, made.head!))!.document;
    expect(published).toMatchObject({ title: { en: "Tides (shorter)" }, licence: "CC-BY-4.0" });
    expect(published.steps[0]!.origin).toMatchObject({ resource: own.id });
    expect(published.credits).toMatchObject([{ title: "Tides", changed: "1 removed, different title" }]);
    expect(await draftOf(db, resource)).toBeUndefined();
    expect((await revisionById(db, own.revision))!.document.steps).toHaveLength(2);
    expect((await versionsFor(db, ines(), own.id)).map(({ id }) => id)).toContain(resource);
  });

  test("not of somebody else's, not of what cannot be read or is not finished", async () => {
    const theirs = await publishFor(db, world.teodor, lesson("Theirs"), ["staffroom"]);
    const of = (resource: number, document: unknown) => makeVersion({ resource, title: "x", document });
    expect(await of(theirs.id, lesson("Theirs"))).toMatchObject({ ok: false });
    const own = await publishFor(db, world.ines, lesson("Mine"));
    expect(await of(own.id, { schema: 1 })).toMatchObject({ ok: false });
    expect(await of(own.id, { ...lesson("Mine"), steps: [] })).toMatchObject({
      problem: expect.stringContaining("There are no steps yet") as string,
    });
  });
});
