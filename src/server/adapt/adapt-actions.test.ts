import { allQuestions, type Document } from "@/core/resource/document";
import { richText } from "@/core/content/rich-text";
import type { Db } from "@/data/engine/db";
import { draftOf, editsOf, resourceById, revisionById } from "@/data/adapt/resources";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import { adaptData } from "./adapt";
import { lightTable } from "../find/light-table";
import { setEntries } from "@/data/share/sharing";
import { GET as readElsewhere } from "@/app/(teacher)/adapt/[resource]/elsewhere/route";
import { GET as readRevision } from "@/app/(teacher)/adapt/[resource]/revision/route";
import { publish } from "./publish";
import { adaptResource, archiveResource, goOnFromSource, makeResource, publishDraft, saveDraft } from "./adapt-actions";

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

async function adapted(
  document: Document = lesson("Original"),
): Promise<{ source: { id: number; revision: number }; mine: number }> {
  const source = await publishFor(db, world.teodor, document, ["staffroom"]);
  return { source, mine: value(await adaptResource({ resource: source.id })).resource };
}

describe("saving", () => {
  test("moves the counter on; an old window is told and overwrites nothing", async () => {
    const { mine } = await adapted();
    const { document } = (await draftOf(db, mine))!;
    const better = { ...document, title: { en: "Better" } };
    expect(value(await saveDraft({ resource: mine, seen: 1, document: better }))).toEqual({
      conflict: false,
      counter: 2,
    });
    const late = value(await saveDraft({ resource: mine, seen: 1, document }));
    expect(late).toMatchObject({ conflict: true, counter: 2, document: { title: { en: "Better" } } });
    expect((await draftOf(db, mine))!.document.title.en).toBe("Better");
  });

  test("what is no document is refused, says where, and what was saved is kept", async () => {
    const { mine } = await adapted();
    const before = await draftOf(db, mine);
    for (const odd of [null, "x", { ...before!.document, steps: [{}] }, { ...before!.document, schema: 99 }]) {
      expect(await saveDraft({ resource: mine, seen: 1, document: odd })).toMatchObject({
        ok: false,
        problem: expect.stringContaining("What was saved before is kept.") as string,
      });
    }
    expect(await draftOf(db, mine)).toEqual(before);
  });

  test("credits may be added to, never taken away", async () => {
    const { mine } = await adapted();
    const { document } = (await draftOf(db, mine))!;
    expect(await saveDraft({ resource: mine, seen: 1, document: { ...document, credits: [] } })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("never taken away") as string,
    });
  });

  test("a colleague cannot save into it", async () => {
    const { mine } = await adapted();
    const { document } = (await draftOf(db, mine))!;
    actAs(teodor());
    expect((await saveDraft({ resource: mine, seen: 1, document })).ok).toBe(false);
  });

  test("signed out, she is told that what she typed is still there", async () => {
    const { mine } = await adapted();
    actAs(null);
    expect(await saveDraft({ resource: mine, seen: 1, document: {} })).toMatchObject({
      ok: false,
      code: "signedOut",
      problem: expect.stringContaining("still here") as string,
    });
  });
});

describe("the author goes on", () => {
  const publishAgain = async (source: number, document: Document) => {
    const { id } = await db.transaction((tx) => publish(tx, { resource: source, document, author: world.teodor, now }));
    return id;
  };
  const newer = async (mine: number) => (await adaptData(db, ines(), mine, now))!.source!.newer;

  test("a later revision is shown beside, and only when she says so her version goes on from it", async () => {
    const { source, mine } = await adapted();
    expect(await newer(mine)).toBeNull();
    const revision = await publishAgain(source.id, lesson("Original, better"));
    expect(await newer(mine)).toMatchObject({ revision, number: 2, document: { title: { en: "Original, better" } } });
    expect(value(await goOnFromSource({ resource: mine, revision }))).toMatchObject({ number: 2 });
    expect(await newer(mine)).toBeNull();
    expect((await adaptData(db, ines(), mine, now))!.source!.number).toBe(2);
  });

  test("what was taken off the shelf is not shown any more, and cannot be gone on from", async () => {
    const { source, mine } = await adapted();
    const revision = await publishAgain(source.id, lesson("Now private"));
    await setEntries(db, [source.id], []);
    expect(await newer(mine)).toBeNull();
    expect(await goOnFromSource({ resource: mine, revision })).toMatchObject({ ok: false });
  });

  test("nor a revision of something else", async () => {
    const { mine } = await adapted();
    const other = await publishFor(db, world.teodor, lesson("Another thing"), ["staffroom"]);
    expect(await goOnFromSource({ resource: mine, revision: other.revision })).toMatchObject({ ok: false });
    expect((await adaptData(db, ines(), mine, now))!.source!.number).toBe(1);
  });

  test("each of her own revisions can be read again, and nobody else's by way of hers", async () => {
    const { source, mine } = await adapted();
    const draft = (await draftOf(db, mine))!;
    await saveDraft({ resource: mine, seen: 1, document: draft.document });
    await publishDraft({ resource: mine, seen: 2 });
    const [own] = (await adaptData(db, ines(), mine, now))!.revisions;
    const ask = (id: number) =>
      readRevision(new Request(`http://satchel.example/?id=${id}`), {
        params: Promise.resolve({ resource: String(mine) }),
      });
    expect(((await (await ask(own!.id)).json()) as { document: Document }).document.title.en).toBe("Original");
    expect((await ask(source.revision)).status).toBe(404);
    expect((await ask(999_999)).status).toBe(404);
    actAs(teodor());
    expect((await ask(own!.id)).status).toBe(404);
  });
});

describe("taking from elsewhere", () => {
  const ask = async (mine: number, query: string) => {
    const response = await readElsewhere(new Request(`http://satchel.example/?${query}`), {
      params: Promise.resolve({ resource: String(mine) }),
    });
    return { status: response.status, body: (await response.json()) as Record<string, unknown> };
  };

  test("what she may see is found, her own version that is being made is not", async () => {
    const { source, mine } = await adapted(lesson("Sandpiper steps"));
    await publishFor(db, world.judit, lesson("Sandpiper secrets"), ["staffroom"]);
    const { body } = await ask(mine, "words=sandpiper");
    expect((body.resources as { id: number }[]).map(({ id }) => id)).toEqual([source.id]);
    expect(((await ask(mine, "words=sandpiper&doing=watch")).body.resources as unknown[]).length).toBe(0);
  });

  test("the steps of one come with whom to name, or with why they may not be taken", async () => {
    const { source, mine } = await adapted();
    expect((await ask(mine, `of=${source.id}`)).body).toMatchObject({
      closed: null,
      from: { resource: source.id, author: "teodor Test", own: false },
    });
    const closed = await publishFor(db, world.teodor, lesson("As it is", { licence: "CC-BY-ND-4.0" }), ["staffroom"]);
    expect((await ask(mine, `of=${closed.id}`)).body.closed).toContain("not changed");
    const hidden = await publishFor(db, world.judit, lesson("Hidden"), ["staffroom"]);
    expect((await ask(mine, `of=${hidden.id}`)).status).toBe(404);
    expect((await ask(mine, "of=nonsense")).status).toBe(404);
  });
});

describe("publishing", () => {
  test("makes a revision, ends the draft, and writes into the credit what was changed", async () => {
    const { mine } = await adapted();
    const { document } = (await draftOf(db, mine))!;
    await saveDraft({ resource: mine, seen: 1, document: { ...document, title: { en: "My tides" } } });
    expect(value(await publishDraft({ resource: mine, seen: 2 }))).toMatchObject({ number: 1 });
    const resource = (await resourceById(db, mine))!;
    const revision = (await revisionById(db, resource.head!))!;
    expect(revision.document.credits.at(-1)!.changed).toBe("different title");
    expect(await draftOf(db, mine)).toBeUndefined();
    expect((await adaptData(db, ines(), mine, now))!).toMatchObject({
      published: true,
      hasDraft: false,
      counter: 3,
      source: { author: "teodor Test", number: 1 },
    });
  });

  test("nothing unfinished goes out, and it says what is missing", async () => {
    const made = value(await makeResource({ title: "Empty" })).resource;
    expect(await publishDraft({ resource: made, seen: 1 })).toMatchObject({
      ok: false,
      problem: "Not published yet: There are no steps yet.",
    });
  });

  test("not what another window has changed since", async () => {
    const { mine } = await adapted();
    const { document } = (await draftOf(db, mine))!;
    await saveDraft({ resource: mine, seen: 1, document });
    expect(await publishDraft({ resource: mine, seen: 1 })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("another window") as string,
    });
  });

  test("not under a licence freer than its source's, whatever the window sends", async () => {
    const { mine } = await adapted(lesson("Share alike", { licence: "CC-BY-SA-4.0" }));
    const { document } = (await draftOf(db, mine))!;
    await saveDraft({ resource: mine, seen: 1, document: { ...document, licence: "CC0-1.0" } });
    expect(await publishDraft({ resource: mine, seen: 2 })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("cannot be under") as string,
    });
    await saveDraft({ resource: mine, seen: 2, document });
    value(await publishDraft({ resource: mine, seen: 3 }));
  });

  test("twice is once", async () => {
    const { mine } = await adapted();
    value(await publishDraft({ resource: mine, seen: 1 }));
    expect(await publishDraft({ resource: mine, seen: 1 })).toMatchObject({
      ok: false,
      code: "nothingToPublish",
    });
  });
});

describe("putting away", () => {
  test("put away it is found by nobody, and comes back as it was", async () => {
    const { id } = await publishFor(db, world.ines, lesson("Put away"), ["commons"]);
    value(await archiveResource({ resource: id, archived: true }));
    expect(await lightTable(db, teodor(), id, now)).toBeNull();
    value(await archiveResource({ resource: id, archived: false }));
    expect((await lightTable(db, teodor(), id, now))!.facts.title).toBe("Put away");
  });

  test("only its owner", async () => {
    const { id } = await publishFor(db, world.teodor, lesson("Not hers"), ["commons"]);
    expect((await archiveResource({ resource: id, archived: true })).ok).toBe(false);
  });
});

test("the light table shows a teacher the answers, and her own draft before it is published", async () => {
  const { id } = await publishFor(db, world.teodor, lesson("Looked over"), ["staffroom"]);
  const table = (await lightTable(db, ines(), id, now))!;
  expect(allQuestions(table.document)[0]!.question).toMatchObject({ right: "a" });
  expect(table).toMatchObject({ mine: false, packed: false, published: true, usedHere: 0 });
  const made = value(await makeResource({ title: "Only a draft" })).resource;
  expect(await lightTable(db, ines(), made, now)).toMatchObject({
    mine: true,
    published: false,
    facts: { title: "Only a draft" },
  });
  expect(await lightTable(db, ines(), undefined, now)).toBeNull();
});

describe("somebody else's voice", () => {
  const spoken = () => {
    const document = lesson("Spoken");
    const [step] = document.steps;
    const recording = {
      media: "sound:watch-the-film-en",
      by: world.teodor,
      name: "Teodor Test",
      seconds: 8,
      kept: false,
    };
    return { ...document, steps: [{ ...step!, instructions: { en: { text: richText("Watch."), recording } } }] };
  };
  const said = (document: Document, more: object) => ({
    ...document,
    steps: document.steps.map((step) => ({
      ...step,
      instructions: { en: { ...step.instructions.en!, recording: { ...step.instructions.en!.recording!, ...more } } },
    })),
  });

  test("does not go out with a version unless she chose that it stays", async () => {
    const { mine } = await adapted(spoken());
    const draft = (await draftOf(db, mine))!;
    const counter = await editsOf(db, mine);
    expect(await publishDraft({ resource: mine, seen: counter })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("Teodor Test speaks here") as string,
    });
    const saved = value(
      await saveDraft({ resource: mine, seen: counter, document: said(draft.document, { kept: true }) }),
    );
    expect(value(await publishDraft({ resource: mine, seen: saved.counter }))).toMatchObject({ number: 1 });
  });

  test("goes out with his own", async () => {
    const { id } = await publishFor(db, world.teodor, spoken(), ["staffroom"]);
    actAs(teodor());
    const saved = value(
      await saveDraft({ resource: id, seen: 0, document: { ...spoken(), title: { en: "Spoken again" } } }),
    );
    expect(value(await publishDraft({ resource: id, seen: saved.counter }))).toMatchObject({ number: 2 });
  });
});

describe("what classes have just now", () => {
  test("is said to those who gave it while it is to be done, and to nobody else", async () => {
    const { id, revision } = await publishFor(db, world.ines, lesson("Running"), ["staffroom"]);
    const give = (due: string) =>
      db.query(
        `insert into assignment (class_id, resource_id, made_by, made, opens, due, keep, checking)
         values ($1, $2, $3, $4, $4::timestamptz - interval '3 days', $5, 'best', 'at once')`,
        [world.class, id, world.ines, now, new Date(due)],
      );
    const running = async (at: Date) => (await adaptData(db, ines(), id, at))!.running;
    expect(await running(now)).toEqual([]);
    await give("2026-11-24T15:00:00Z");
    expect(await running(now)).toEqual([]);
    await give("2026-11-26T15:00:00Z");
    expect(await running(now)).toEqual(["5 Kittiwake"]);
    expect(await running(new Date("2026-11-27T00:00:00Z"))).toEqual([]);
    expect((await adaptData(db, teodor(), id, now))!.running).toEqual([]);
    expect((await revisionById(db, revision))!.document.title).toEqual({ en: "Running" });
  });
});
