import fc from "fast-check";
import { factsOf, type Facts } from "@/core/resource/facts";
import type { Document } from "@/core/resource/document";
import { kinds, licences, subjects } from "@/core/content/vocabulary";
import { bitBlanks, type BitBlankName } from "@/core/find/also";
import { languageOf } from "@/core/locale/names";
import { chosenIn, lengthLimits, shelves, type Need } from "@/core/find/need";
import { SeededRandom } from "@demo/bulk/random";
import { bulkLesson } from "@demo/bulk/lessons";
import { documentOf } from "@demo/read";
import type { Db } from "../engine/db";
import { setArchived } from "../adapt/resources";
import { pack, satchelIds } from "../satchel/satchel";
import { countBlank, countNeed } from "./counts";
import type { Reader } from "./reach";
import { sorts } from "@/core/find/order";
import { hitsOf, mayReadAll } from "./search";
import type { SharedShelf } from "@/core/sharing/how-far";
import { setEntries } from "../share/sharing";
import { indexResource, putOnShelf, removeFromSearch } from "./shelves";
import { freshDatabase } from "../testing/database";
import { asRead, readWords } from "../testing/read";
import { lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { correctWords } from "./words";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

const alsoCounted = Object.keys(bitBlanks) as BitBlankName[];
const alsoOf: Record<BitBlankName, (facts: Facts) => string[]> = {
  language: (facts) => facts.languages.map(languageOf),
  country: (facts) => [facts.country],
  licence: (facts) => [facts.licence],
  device: (facts) => facts.devices,
  doing: (facts) => facts.doing,
};

async function reader(id: number): Promise<Reader> {
  const [row] = await db.query<{ school: number; district: number }>(
    "select school_id school, district_id district from person where id = $1",
    [id],
  );
  return { id, ...row!, satchel: await satchelIds(db, id) };
}

async function titles(of: Reader, need: Partial<Need>): Promise<string[]> {
  const words = need.words ? await readWords(db, need.words) : null;
  return (await hitsOf(db, of, asRead(need, words), { sort: "best", limit: 100 })).map((hit) => hit.facts.title);
}

describe("what is found, and by whom", () => {
  beforeAll(async () => {
    await publishFor(db, world.ines, lesson("Private gannets"));
    await publishFor(db, world.teodor, lesson("Staffroom gannets"), ["staffroom"]);
    await publishFor(db, world.judit, lesson("Gannets of the other school"), ["staffroom"]);
    await publishFor(db, world.judit, lesson("District gannets"), ["district"]);
    await publishFor(db, world.stranger, lesson("Gannets of another district"), ["district"]);
    await publishFor(db, world.stranger, lesson("Commons gannets"), ["commons"]);
  });

  test("her own, her school's, her district's, the open one; nothing else", async () => {
    expect((await titles(await reader(world.ines), { words: "gannets" })).sort()).toEqual([
      "Commons gannets",
      "District gannets",
      "Private gannets",
      "Staffroom gannets",
    ]);
    expect((await titles(await reader(world.judit), { words: "gannets" })).sort()).toEqual([
      "Commons gannets",
      "District gannets",
      "Gannets of the other school",
    ]);
    expect((await titles(await reader(world.stranger), { words: "gannets" })).sort()).toEqual([
      "Commons gannets",
      "Gannets of another district",
    ]);
  });

  test("what she may not see is in no count either", async () => {
    const judit = await reader(world.judit);
    const { total, facets } = await countNeed(db, judit, asRead({ words: "gannets" }, await readWords(db, "gannets")));
    expect(total).toBe(3);
    expect(facets.shelf).toEqual({ satchel: 2, staffroom: 1, district: 1, commons: 1 });
  });

  test("the same without words: before anything is typed", async () => {
    const { total, facets } = await countNeed(db, await reader(world.stranger), asRead());
    expect(total).toBe(2);
    expect(facets.shelf).toEqual({ satchel: 2, district: 1, commons: 1 });
  });

  test("reading one follows the same rule", async () => {
    const ids = new Map(
      (
        await db.query<{ id: number; title: string }>(
          "select resource_id id, facts ->> 'title' title from resource_facts",
        )
      ).map((row) => [row.title, row.id]),
    );
    const may = async (who: number, title: string) => mayReadAll(db, await reader(who), [ids.get(title)!]);
    expect(await may(world.ines, "Private gannets")).toBe(true);
    expect(await may(world.teodor, "Private gannets")).toBe(false);
    expect(await may(world.ines, "Gannets of the other school")).toBe(false);
    expect(await may(world.judit, "Gannets of the other school")).toBe(true);
    expect(await may(world.judit, "Gannets of another district")).toBe(false);
    expect(await may(world.judit, "Commons gannets")).toBe(true);
    expect(await mayReadAll(db, await reader(world.ines), [999_999])).toBe(false);
  });

  test("packing does not outlast the shelf: what was taken off is gone, from counts too", async () => {
    const shared = await publishFor(db, world.teodor, lesson("Soon withdrawn skuas"), ["staffroom"]);
    await pack(db, world.ines, shared.id, now);
    expect(await titles(await reader(world.ines), { words: "skuas" })).toEqual(["Soon withdrawn skuas"]);
    await setEntries(db, [shared.id], []);
    await indexResource(db, shared.id, lesson("Soon withdrawn skuas"), true);
    expect(await titles(await reader(world.ines), { words: "skuas" })).toEqual([]);
    expect(
      (await countNeed(db, await reader(world.ines), asRead({ words: "skuas" }, await readWords(db, "skuas")))).total,
    ).toBe(0);
    expect(await titles(await reader(world.teodor), { words: "skuas" })).toEqual(["Soon withdrawn skuas"]);
  });

  test("what its owner put away is found by nobody", async () => {
    const old = await publishFor(db, world.ines, lesson("Old razorbills"), ["commons"]);
    await setArchived(db, old.id, now);
    await removeFromSearch(db, old.id);
    expect(await titles(await reader(world.ines), { words: "razorbills" })).toEqual([]);
    expect(await mayReadAll(db, await reader(world.teodor), [old.id])).toBe(false);
  });
});

describe("words", () => {
  beforeAll(async () => {
    await publishFor(db, world.teodor, lesson("Reading a tide table", { text: "The harbour office prints it." }), [
      "commons",
    ]);
    await publishFor(db, world.teodor, lesson("Boats", { text: "She waits for the tide at high water." }), ["commons"]);
    await publishFor(
      db,
      world.teodor,
      lesson("¿Cuándo baja la marea?", { languages: ["es"], title: { es: "¿Cuándo baja la marea?" } }),
      ["commons"],
    );
    await publishFor(
      db,
      world.teodor,
      lesson("Lighthouse signals", { standards: [{ framework: "skerry", code: "MA.5.N.2", relation: "teaches" }] }),
      ["commons"],
    );
  });
  const found = async (words: string) => titles(await reader(world.ines), { words });

  test("titles come before what only stands in the text", async () => {
    expect(await found("tide")).toEqual(["Reading a tide table", "Boats"]);
  });
  test("plural or singular, either finds the other", async () => {
    expect(await found("tides tables")).toEqual(["Reading a tide table"]);
  });
  test("the beginning of a word is enough while it is being typed", async () => {
    expect(await found("lighth")).toEqual(["Lighthouse signals"]);
  });
  test("accents may be left out, and Spanish is stemmed as Spanish", async () => {
    expect(await found("cuando bajan mareas")).toEqual(["¿Cuándo baja la marea?"]);
  });
  test("a word that means nothing in one language still counts in the other", async () => {
    await publishFor(db, world.teodor, lesson("A sea song"), ["commons"]);
    await publishFor(db, world.teodor, lesson("A field song"), ["commons"]);
    expect(await found("sea song")).toEqual(["A sea song"]);
  });
  test("quotes keep words together, a minus leaves out", async () => {
    expect(await found('"high water"')).toEqual(["Boats"]);
    expect(await found('"water high"')).toEqual([]);
    expect(await found("tide -boats")).toEqual(["Reading a tide table"]);
  });
  test("a standard's code finds what is aligned to it", async () => {
    expect(await found("MA.5.N.2")).toEqual(["Lighthouse signals"]);
  });
  test("an author's name finds her work", async () => {
    expect(await found("teodor lighthouse")).toEqual(["Lighthouse signals"]);
  });
  test("words that mean nothing by themselves do not empty the list", async () => {
    expect(await found("the tide of the")).toEqual(await found("tide"));
  });
  test.each(["'", "a & b | !c", "tide:*", "((", '"', "\\", "%", "a".repeat(300), "\u0000"])(
    "no typed text breaks it: %j",
    async (words) => {
      expect(Array.isArray(await found(words))).toBe(true);
    },
  );

  test("a misspelt word is read as the nearest known one, a known word never", async () => {
    const ines = await reader(world.ines);
    expect(await correctWords(db, ines, "lighthuose")).toBe("lighthouse");
    expect(await correctWords(db, ines, "tide lighthuose")).toBe("tide lighthouse");
    expect(await correctWords(db, ines, "tide")).toBeNull();
    expect(await correctWords(db, ines, "xqzzv")).toBeNull();
  });
});

describe("counts", () => {
  // Generated lessons on random shelves of random people.
  const documents = new Map<
    number,
    { document: Document; owner: number; shelves: SharedShelf[]; school: number; district: number }
  >();
  beforeAll(async () => {
    await db.script("delete from search_entry; delete from pack");
    const random = new SeededRandom(11);
    const people = [world.ines, world.teodor, world.judit, world.stranger];
    await db.transaction(async (tx) => {
      for (let n = 0; n < 160; n += 1) {
        const owner = random.pick(people);
        const shelvesOf = random.some<SharedShelf>(["staffroom", "district", "commons"], random.int(0, 2));
        const document = documentOf(`g${n}`, { ...bulkLesson(random), by: "" });
        const { id } = await publishFor(tx, owner, document, shelvesOf);
        const [row] = await tx.query<{ school: number; district: number }>(
          "select school_id school, district_id district from person where id = $1",
          [owner],
        );
        documents.set(id, { document, owner, shelves: shelvesOf, ...row! });
        if (random.next() < 0.2) await pack(tx, world.ines, id, now);
      }
    });
  }, 60_000);

  /** The plain way: look at every one. */
  function plainly(of: Reader, need: Need) {
    const seen = [...documents].flatMap(([id, entry]) => {
      const on = new Set<string>();
      if (entry.shelves.includes("commons")) on.add("commons");
      if (entry.shelves.includes("district") && entry.district === of.district) on.add("district");
      if (entry.shelves.includes("staffroom") && entry.school === of.school) on.add("staffroom");
      if (entry.owner === of.id || (on.size > 0 && of.satchel.includes(id))) on.add("satchel");
      return on.size > 0 ? [{ facts: factsOf(entry.document), on }] : [];
    });
    const overlap = (from: number, to: number) =>
      need.grades.length === 0 || need.grades.some((grade) => grade >= from && grade <= to);
    const filters = {
      kind: (entry: (typeof seen)[number]) => need.kinds.length === 0 || need.kinds.includes(entry.facts.kind),
      grade: (entry: (typeof seen)[number]) => overlap(entry.facts.grades.from, entry.facts.grades.to),
      subject: (entry: (typeof seen)[number]) =>
        need.subjects.length === 0 || entry.facts.subjects.some((subject) => need.subjects.includes(subject)),
      minutes: (entry: (typeof seen)[number]) => need.minutes === null || entry.facts.minutes <= need.minutes,
      shelf: (entry: (typeof seen)[number]) => need.shelf === null || entry.on.has(need.shelf),
      reads: ({ facts: { readingGrade } }: (typeof seen)[number]) =>
        need.reads.length === 0 || readingGrade === null || Math.round(readingGrade * 10) < (need.reads[0]! + 1) * 10,
      ...(Object.fromEntries(
        alsoCounted.map((blank) => [
          blank,
          ({ facts }: (typeof seen)[number]) =>
            chosenIn(need, blank).length === 0 ||
            alsoOf[blank](facts).some((value) => chosenIn(need, blank).includes(value)),
        ]),
      ) as Record<BitBlankName, (entry: (typeof seen)[number]) => boolean>),
    };
    const but = (left: keyof typeof filters | null) =>
      seen.filter((entry) =>
        (Object.keys(filters) as (keyof typeof filters)[]).every((name) => name === left || filters[name](entry)),
      );
    return { total: but(null).length, but };
  }

  const some = <Value>(values: readonly Value[]) =>
    fc.oneof(
      { weight: 3, arbitrary: fc.constant<Value[]>([]) },
      { weight: 1, arbitrary: fc.uniqueArray(fc.constantFrom(...values), { minLength: 1, maxLength: 3 }) },
    );

  const anyNeedAtAll: fc.Arbitrary<Need> = fc.record({
    ...{
      standards: fc.constant([]),
      topics: fc.constant([]),
      sets: fc.constant([]),
      uncovered: fc.constant([]),
      undone: fc.constant([]),
      authors: fc.constant([]),
      since: fc.constant([]),
    },
    languages: some(["en", "es"] as const),
    countries: some(["any", "XS", "US", "GB"] as const),
    licences: some(licences),
    doing: some(["read", "choose", "calculate", "write", "order"] as const),
    reads: fc.constantFrom([], [2], [4]),
    devices: some(["any", "tablet"] as const),
    words: fc.constant(""),
    kinds: fc.uniqueArray(fc.constantFrom(...kinds), { maxLength: 2 }),
    grades: fc.uniqueArray(fc.nat(8), { maxLength: 3 }),
    subjects: fc.uniqueArray(fc.constantFrom(...subjects), { maxLength: 2 }),
    minutes: fc.constantFrom(null, ...lengthLimits),
    shelf: fc.constantFrom(null, null, ...shelves),
  });

  test("new since a day: what could be found before is neither shown nor counted, and each span says what it leaves", async () => {
    const ines = await reader(world.ines);
    const all = await countNeed(db, ines, asRead({}));
    const [{ id }] = (await db.query<{ id: number }>(
      "select min(resource_id) id from search_entry where owner_id = $1",
      [world.ines],
    )) as [{ id: number }];
    await db.query("update search_entry set fresh = now() - interval '400 days' where resource_id = $1", [id]);
    const since = [new Date(Date.now() - 300 * 86_400_000).toISOString().slice(0, 10)];
    const recent = await countNeed(db, ines, asRead({ since }));
    const old = await db.query("select 1 from search_entry where fresh <= $1", [
      new Date(Date.now() - 300 * 86_400_000),
    ]);
    expect(recent.total).toBe(all.total - old.length);
    const hits = await hitsOf(db, ines, asRead({ since }), { sort: "best", limit: 2000, unfoldAll: true });
    expect(hits.map((hit) => hit.id)).not.toContain(id);
    const choices = await countBlank(db, ines, asRead({}), "since");
    expect(choices.map(({ text }) => text).sort()).toContain("the last 7 days");
  });

  test("every count of every blank equals the plain count, for any reader and any need", async () => {
    const readers = await Promise.all([world.ines, world.teodor, world.judit, world.stranger].map(reader));
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...readers), anyNeedAtAll, async (of, need) => {
        const { total, facets, trail } = await countNeed(db, of, asRead(need));
        const plain = plainly(of, need);
        expect(total).toBe(plain.total);
        expect(trail.at(-1)!.left).toBe(plain.total);
        for (const kind of kinds)
          expect(facets.kind[kind] ?? 0).toBe(plain.but("kind").filter((entry) => entry.facts.kind === kind).length);
        for (const subject of subjects)
          expect(facets.subject[subject] ?? 0).toBe(
            plain.but("subject").filter((entry) => entry.facts.subjects.includes(subject)).length,
          );
        for (let grade = 0; grade <= 12; grade += 1) {
          expect(facets.grade[grade] ?? 0).toBe(
            plain.but("grade").filter((entry) => entry.facts.grades.from <= grade && grade <= entry.facts.grades.to)
              .length,
          );
        }
        for (const limit of lengthLimits)
          expect(facets.minutes[limit]).toBe(
            plain.but("minutes").filter((entry) => entry.facts.minutes <= limit).length,
          );
        for (const shelf of shelves)
          expect(facets.shelf[shelf] ?? 0).toBe(plain.but("shelf").filter((entry) => entry.on.has(shelf)).length);
        for (const blank of alsoCounted) {
          for (const choice of await countBlank(db, of, asRead(need), blank)) {
            const plainly = plain.but(blank).filter(({ facts }) => alsoOf[blank](facts).includes(choice.value)).length;
            expect([blank, choice.value, choice.leaves]).toEqual([blank, choice.value, plainly]);
          }
        }
      }),
      { numRuns: 60 },
    );
  }, 60_000);

  test("counting with words and without agrees where the words are in everything", async () => {
    const ines = await reader(world.ines);
    const all = await countNeed(db, ines, asRead());
    const some = await countNeed(
      db,
      ines,
      asRead({ words: "x" }, { text: "!'nobody-wrote-this'", parts: [], loose: false }),
    );
    expect(some.facets).toEqual(all.facets);
    expect(some.total).toBe(all.total);
    expect(some.trail[0]).toEqual({ blank: null, left: all.total });
  });

  test("counts follow when something is shelved, changed and taken away", async () => {
    const ines = await reader(world.ines);
    const before = (await countNeed(db, ines, asRead())).total;
    const quiz = lesson("Late quiz", { kind: "quiz" });
    const { id } = await publishFor(db, world.judit, quiz);
    expect((await countNeed(db, ines, asRead())).total).toBe(before);
    await putOnShelf(db, { resource: id, shelf: "commons", school: null, by: world.judit, at: now });
    await indexResource(db, id, quiz, true);
    const quizzes = (await countNeed(db, ines, asRead())).facets.kind.quiz!;
    await indexResource(db, id, lesson("Late quiz", { kind: "film" }), true);
    const after = await countNeed(db, ines, asRead());
    expect(after.total).toBe(before + 1);
    expect(after.facets.kind.quiz).toBe(quizzes - 1);
    await removeFromSearch(db, id);
    expect((await countNeed(db, ines, asRead())).total).toBe(before);
  });

  test.each(sorts)("sorted by %s, every result is there once", async (sort) => {
    const ines = await reader(world.ines);
    const hits = await hitsOf(db, ines, asRead(), { sort, limit: 500 });
    // Versions of one thing are one line, look-alikes fold; together the lines stand for everything that is counted.
    const stoodFor = hits.reduce((sum, hit) => sum + hit.versions + hit.alike, 0);
    expect(stoodFor).toBe((await countNeed(db, ines, asRead())).total);
    expect(new Set(hits.map((hit) => hit.id)).size).toBe(hits.length);
    if (sort === "minutes")
      expect(hits.map((hit) => hit.facts.minutes)).toEqual(hits.map((hit) => hit.facts.minutes).sort((a, b) => a - b));
  });
});
