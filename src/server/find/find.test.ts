import { anyNeed } from "@/core/find/need";
import { formatVersions } from "@/core/find/format";
import { one, type Db } from "@/data/engine/db";
import type { Reader } from "@/data/find/reach";
import { freshDatabase } from "@/data/testing/database";
import { giveInLesson, lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { addSet } from "@/data/find/browse";
import { importFramework } from "@/data/find/standards";
import type { ClassProfile } from "@/core/fit/fit";
import { find, leavesOf } from "./find";

let db: Db;
let world: World;
const reader = (): Reader => ({ id: world.ines, school: world.here, district: world.district, satchel: [] });
const best = { sort: "best", limit: 24 } as const;

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  await publishFor(db, world.teodor, lesson("Lighthouse signals", { grades: { from: 4, to: 6 } }), ["commons"]);
  await publishFor(db, world.teodor, lesson("Ferry timetable", { grades: { from: 7, to: 8 } }), ["commons"]);
  await publishFor(db, world.judit, lesson("Quernstones of the other school"), ["staffroom"]);
}, 60_000);
afterAll(() => db.close());

describe("a whole find page", () => {
  test("a misspelt word is read as the nearest known one, and the page says so", async () => {
    const { hits, corrected, counts } = await find(db, reader(), { ...anyNeed, words: "lighthuose" }, best);
    expect(corrected).toBe("lighthouse");
    expect(hits.map((hit) => hit.facts.title)).toEqual(["Lighthouse signals"]);
    expect(counts.total).toBe(1);
  });

  test("nothing is corrected while the words as typed find something", async () => {
    expect((await find(db, reader(), { ...anyNeed, words: "lighthouse" }, best)).corrected).toBeNull();
  });

  test("a blank that leaves nothing is no reason to correct the words", async () => {
    const { hits, corrected, counts } = await find(
      db,
      reader(),
      { ...anyNeed, words: "lighthouse", grades: [12] },
      best,
    );
    expect([hits, corrected, counts.total]).toEqual([[], null, 0]);
    expect(counts.facets.grade[4]).toBe(1);
  });

  test("a correction never tells of a word that stands only in what she may not see", async () => {
    const { hits, corrected } = await find(db, reader(), { ...anyNeed, words: "quernstnes" }, best);
    expect([hits, corrected]).toEqual([[], null]);
    const judit: Reader = { id: world.judit, school: world.there, district: world.district, satchel: [] };
    expect((await find(db, judit, { ...anyNeed, words: "quernstnes" }, best)).corrected).toBe("quernstones");
  });

  test("only signs are as good as no words", async () => {
    const { counts, corrected } = await find(db, reader(), { ...anyNeed, words: "?! …" }, best);
    expect(counts.total).toBe(2);
    expect(corrected).toBeNull();
  });
});

describe("what is named among the words", () => {
  const kittiwake = [{ id: 0, name: "5 Kittiwake", gradeFrom: 5, gradeTo: 5 }];
  const titles = async (words: string, more: Partial<Parameters<typeof find>[3]> = {}) => {
    const found = await find(db, reader(), { ...anyNeed, words }, { ...best, classes: kittiwake, ...more });
    return {
      titles: found.hits.map((hit) => hit.facts.title).sort(),
      says: found.says.map(({ text }) => text),
      need: found.need,
      found,
    };
  };
  beforeAll(async () => {
    const aligned = (title: string, code: string) =>
      lesson(title, {
        standards: [{ framework: "small", code, relation: "teaches" }],
        grades: { from: 5, to: 5 },
        edition: { work: title, isbn13: "9799940100178" },
      });
    await importFramework(
      db,
      {
        ...{ uri: "small", name: "Small", publisher: "", source: "", associations: [], leftOut: [] },
        statements: ["QQ.5.A.1", "QQ.5.A.2"].map((code) => ({
          ...{ uri: code, parent: null, code, statement: `About ${code}.`, grades: null },
        })),
      },
      { district: null, now: new Date() },
    );
    await publishFor(db, world.teodor, aligned("Herring scales", "QQ.5.A.1"), ["commons"]);
  });

  test("a code, in small letters, finds what is aligned and says what it stands for", async () => {
    expect(await titles("qq.5.a.1")).toMatchObject({ titles: ["Herring scales"], says: ["QQ.5.A.1: About QQ.5.A.1."] });
    expect(await titles("qq.5.a.1 herring")).toMatchObject({ titles: ["Herring scales"] });
    expect(await titles("QQ.5")).toMatchObject({ titles: ["Herring scales"], says: ["QQ.5: 2 statements."] });
  });

  test("a code no framework has stays a word", async () => {
    expect(await titles("ZZ.9.Z.9")).toMatchObject({ titles: [], says: [] });
  });

  test("“by” and a name; a name nobody has stays words", async () => {
    expect((await titles("herring by teodor")).says).toEqual(["By teodor Test."]);
    expect((await titles("herring by nobody")).says).not.toContain("By nobody.");
  });

  test("a topic called one, and a set by its name; in quotes they are words, and so is what nobody calls so", async () => {
    const inSet = await publishFor(db, world.teodor, lesson("Brine and barrels", { topics: ["salt fish"] }), [
      "commons",
    ]);
    await publishFor(db, world.teodor, lesson("A salt fish song"), ["commons"]);
    await addSet(db, {
      ...{ district: world.district, kind: "set", name: "Herring week", note: "", topic: null, months: [] },
      ...{ curator: world.ines, items: [inSet.id] },
    });
    expect(await titles("topic Salt Fish")).toMatchObject({
      titles: ["Brine and barrels"],
      says: ["On the topic “salt fish”."],
    });
    expect((await titles("salt fish")).titles).toContain("A salt fish song");
    expect((await titles("topic nothing")).says).not.toContain("On the topic “nothing”.");
    for (const typed of ["herring week", "the set Herring Week"])
      expect(await titles(typed)).toMatchObject({ titles: ["Brine and barrels"] });
    const { found } = await titles("herring week");
    expect(found.says).toEqual([{ text: "The set “Herring week”.", asWords: '"herring week"' }]);
    expect((await titles('"herring week"')).says).toEqual([]);
  });

  test("an ISBN finds its edition; a mistyped one is said to be one and finds nothing", async () => {
    expect((await titles("979-99-401-0017-8")).titles).toEqual(["Herring scales"]);
    const wrong = await titles("979-99-401-0017-9");
    expect(wrong.titles).toEqual([]);
    expect(wrong.says[0]).toMatch("is not an ISBN");
  });

  test("her class by its name means its grades, unless she has filled the grades", async () => {
    const { need, says } = await titles("signals for 5 Kittiwake");
    expect(need).toMatchObject({ words: "signals", grades: [5] });
    expect(says).toEqual(["For 5 Kittiwake: its grades."]);
    expect((await titles("signals grade 7")).need.grades).toEqual([7]);
    // One press makes it words again; and a blank she filled herself is not overruled in silence.
    const [said] = (
      await find(db, reader(), { ...anyNeed, words: "signals for 5 Kittiwake" }, { ...best, classes: kittiwake })
    ).says;
    expect((await titles(said!.asWords!)).says).not.toContain("For 5 Kittiwake: its grades.");
    const filled = await find(db, reader(), { ...anyNeed, words: "signals grade 7", grades: [5] }, best);
    expect([filled.need.grades, filled.says[0]?.text]).toEqual([[5], "“grade 7” is ignored: you chose grade 5."]);
  });

  test("where next to nothing has all the words, those with most of them are shown, and it says so", async () => {
    const loose = await titles("lighthouse signals zeppelins");
    expect(loose.titles).toContain("Lighthouse signals");
    expect(loose.says).toEqual(["Few results have all of these words. These have most of them."]);
    expect((await titles('"lighthouse signals zeppelins"')).titles).toEqual([]);
  });

  test("words written apart that are one word find it", async () => {
    expect((await titles("ferry time table")).titles[0]).toBe("Ferry timetable");
  });

  test("when nothing is left each blank says what leaving it open would bring back", async () => {
    const { hits, loosen } = await find(
      db,
      reader(),
      { ...anyNeed, words: "lighthouse", grades: [12], doing: ["draw"] },
      best,
    );
    expect(hits).toEqual([]);
    expect(loosen.map((one) => one.left)).toEqual([0, 0, 0]);
    const two = await find(db, reader(), { ...anyNeed, words: "lighthouse", grades: [12] }, best);
    expect(two.loosen[0]).toEqual({ blank: "grades", left: 1 });
  });

  test("by fit: what suits the class comes first, each with its reasons", async () => {
    const profile: ClassProfile = {
      ...{ name: "7 Cormorant", periodMinutes: 45, grades: { from: 7, to: 8 }, reading: null, country: "XS" },
      ...{ languages: ["en"], devices: [], covered: [] },
    };
    const { hits, inTheWay } = await find(db, reader(), anyNeed, { sort: "fit", limit: 24, profile });
    expect(hits[0]!.facts.title).toBe("Ferry timetable");
    expect(inTheWay[hits[0]!.id]).toBeUndefined();
    expect(inTheWay[hits.at(-1)!.id]).toMatch(/grade|reads/);
  });

  test("a blank's counts are what choosing it leaves", async () => {
    const choices = await leavesOf(db, reader(), { ...anyNeed, words: "herring" }, "standard", {});
    expect(choices).toEqual([{ value: "QQ.5.A.1", text: "QQ.5.A.1  About QQ.5.A.1.", leaves: 1 }]);
    const authors = await leavesOf(db, reader(), anyNeed, "author", {});
    const [first] = authors;
    const chosen = await find(db, reader(), { ...anyNeed, authors: [Number(first!.value)] }, best);
    expect(chosen.counts.total).toBe(first!.leaves);
    expect(chosen.names.authors[Number(first!.value)]).toBe(first!.text);
  });

  test("what a class has not covered yet: what teaches a statement it was never given, counted class by class", async () => {
    const [scales] = (await titles("herring scales")).found.hits;
    const classes = [{ id: world.class, name: "4 Puffin", gradeFrom: 4, gradeTo: 4 }];
    const asking = { ...best, classes, now };
    const uncovered = { ...anyNeed, uncovered: [world.class] };
    const found = async () => (await find(db, reader(), uncovered, asking)).hits.map((hit) => hit.facts.title);
    expect(await found()).toEqual(["Herring scales"]);
    expect(await leavesOf(db, reader(), anyNeed, "uncovered", asking)).toEqual([
      { value: String(world.class), text: "4 Puffin", leaves: 1 },
    ]);
    // Nobody else's class can be asked about: the blank is as if it were not filled.
    const foreign = await find(db, reader(), { ...anyNeed, uncovered: [world.class + 1] }, asking);
    expect(foreign.need.uncovered).toEqual([]);
    const { revision } = await one<{ revision: number }>(
      db,
      "select head_revision_id revision from resource where id = $1",
      [scales!.id],
    );
    const lesson = { date: "2026-11-24", period: 1, starts: new Date("2026-11-24T09:00:00Z") };
    await giveInLesson(db, world, { id: scales!.id, revision }, { ...lesson, ends: new Date("2026-11-24T10:00:00Z") });
    expect(await found()).toEqual([]);
    expect(await leavesOf(db, reader(), anyNeed, "uncovered", asking)).toMatchObject([{ leaves: 0 }]);
  });

  test("what a class was assigned is left out when it is asked for, in every version, and only of her own classes", async () => {
    const asking = { ...best, classes: [{ id: world.class, name: "4 Puffin", gradeFrom: 4, gradeTo: 4 }], now };
    const titles = async (undone: number[]) =>
      (await find(db, reader(), { ...anyNeed, undone }, asking)).hits.map(({ facts }) => facts.title);
    expect(await titles([])).toContain("Herring scales");
    expect(await titles([world.class])).not.toContain("Herring scales");
    expect(await titles([world.class + 1])).toContain("Herring scales");
    const all = (await find(db, reader(), anyNeed, asking)).counts.total;
    expect(await leavesOf(db, reader(), anyNeed, "undone", asking)).toMatchObject([{ leaves: all - 1 }]);
  });

  test("text above a grade is left out; what has too little text to measure can be read by everyone", async () => {
    const hard =
      "The meteorological institution subsequently communicated extraordinarily disadvantageous conditions. ";
    await publishFor(db, world.teodor, lesson("Hard to read", { text: hard.repeat(20) }), ["commons"]);
    const titles = async (reads: number[]) =>
      (await find(db, reader(), { ...anyNeed, reads }, best)).hits.map(({ facts }) => facts.title);
    expect(await titles([])).toContain("Hard to read");
    expect(await titles([4])).not.toContain("Hard to read");
    expect(await titles([4])).toContain("Lighthouse signals");
    const leaves = await leavesOf(db, reader(), anyNeed, "reads", {});
    const { total } = (await find(db, reader(), { ...anyNeed, reads: [4] }, best)).counts;
    expect(leaves.find(({ value }) => value === "4")!.leaves).toBe(total);
  });
});

test("a title typed in full comes first, with or without its article, whatever its words could be taken for", async () => {
  await publishFor(db, world.teodor, lesson("The quiz of grade 5 step by step"), ["commons"]);
  await publishFor(db, world.teodor, lesson("Step by step to a bypass"), ["commons"]);
  for (const words of [
    "the quiz of grade 5 step by step",
    "Quiz of grade 5 step by step",
    "quiz of grade 5 step by step ",
  ]) {
    const { hits, says } = await find(db, reader(), { ...anyNeed, words }, best);
    expect([words, hits[0]?.facts.title]).toEqual([words, "The quiz of grade 5 step by step"]);
    expect(says).toEqual([]);
  }
});

test("editions of one work are one line that says their years; a quiz about the work is none of them", async () => {
  const edition = (year: number) => ({ kind: "reading" as const, edition: { work: "The Gannet Rock", year } });
  for (const year of [2023, 2011])
    await publishFor(
      db,
      world.teodor,
      lesson(`The Gannet Rock ${year}`, { ...edition(year), text: `A ${year} text.` }),
      ["commons"],
    );
  const quiz = { ...edition(2023), kind: "quiz" as const };
  await publishFor(db, world.teodor, lesson("The Gannet Rock quiz", quiz), ["commons"]);
  const found = async (reading: Reader) =>
    (await find(db, reading, { ...anyNeed, words: "gannet rock" }, best)).hits.map((hit) => formatVersions(hit));
  expect((await found(reader())).sort()).toEqual(["", "editions of 2011 and 2023"]);
  // Where one of them is out of sight, there is nothing to say.
  const [last] = (await find(db, reader(), { ...anyNeed, words: "gannet rock 2011" }, best)).hits;
  await db.query("update search_entry set shelves = 0 where resource_id = $1", [last!.id]);
  expect(await found(reader())).toEqual(["", ""]);
});

test("a language without a place of its own, and a country far away, are counted and found by their names", async () => {
  for (const [title, language, region] of [
    ["Marés na enseada", "pt-BR", "BR"],
    ["Ebbe im Hafen", "de", "DE"],
  ] as const)
    await publishFor(
      db,
      world.teodor,
      { ...lesson(title), languages: [language], title: { [language]: title }, steps: [], region },
      ["commons"],
    );
  const said = (choices: { text: string; leaves: number }[]) => choices.map(({ text, leaves }) => [text, leaves]);
  const languages = said(await leavesOf(db, reader(), anyNeed, "language", {}));
  expect(languages).toEqual(
    expect.arrayContaining([
      ["Portuguese", 1],
      ["German", 1],
    ]),
  );
  expect(languages.map(([text]) => text)).not.toContain("another language");
  expect(said(await leavesOf(db, reader(), anyNeed, "country", {}))).toEqual(
    expect.arrayContaining([
      ["Brazil", 1],
      ["Germany", 1],
    ]),
  );
  const titles = async (need: Partial<typeof anyNeed>) =>
    (await find(db, reader(), { ...anyNeed, ...need }, best)).hits.map((hit) => hit.facts.title);
  expect(await titles({ languages: ["pt"] })).toEqual(["Marés na enseada"]);
  expect((await titles({ languages: ["pt", "de"] })).sort()).toEqual(["Ebbe im Hafen", "Marés na enseada"]);
  expect(await titles({ countries: ["DE"] })).toEqual(["Ebbe im Hafen"]);
});
