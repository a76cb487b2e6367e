import {
  anyFilter,
  filterFromParameters,
  filterNames,
  filterSatchel,
  inPocket,
  pocketFrom,
  pocketTree,
  satchelChoices,
  sumOfPocket,
  withInside,
  type Kept,
} from "./filter";

const now = new Date("2026-11-25T10:00:00Z");
const days = (ago: number) => new Date(now.getTime() - ago * 86_400_000);
const kept = (title: string, more: Partial<Omit<Kept, "facts">> & { facts?: Partial<Kept["facts"]> } = {}): Kept => ({
  origin: "packed",
  author: "Teodor Brandt",
  pockets: [],
  places: [],
  used: null,
  tags: [],
  away: false,
  ...more,
  facts: {
    title,
    summary: "",
    topics: [],
    kind: "lesson",
    subjects: ["science"],
    grades: { from: 4, to: 5 },
    languages: ["en"],
    licence: "CC-BY-4.0",
    standards: [],
    minutes: 30,
    ...more.facts,
  },
});
const items = [
  kept("Reading a tide table", {
    used: days(3),
    facts: { subjects: ["mathematics", "science"], standards: ["MA.5.M.2"] },
  }),
  kept("Cuando baja la marea", {
    origin: "made",
    author: "Ines Halloran",
    facts: { languages: ["es"], kind: "reading" },
  }),
  kept("Knots", { origin: "adapted", used: days(200), facts: { grades: { from: 2, to: 3 }, minutes: 45 } }),
];
const titles = (filter: Partial<typeof anyFilter>) =>
  filterSatchel(items, { ...anyFilter, ...filter }, now).map(({ facts }) => facts.title);

describe("what of the satchel is shown", () => {
  test.each<[string, Partial<typeof anyFilter>, string[]]>([
    ["nothing asked", {}, ["Reading a tide table", "Cuando baja la marea", "Knots"]],
    ["the beginning of a word", { words: "tid" }, ["Reading a tide table"]],
    ["every word of several", { words: "table tide" }, ["Reading a tide table"]],
    ["by its author", { words: "halloran" }, ["Cuando baja la marea"]],
    ["by a code", { words: "ma.5" }, ["Reading a tide table"]],
    ["not from the middle of a word", { words: "ide" }, []],
    ["one of several subjects", { subject: "mathematics" }, ["Reading a tide table"]],
    ["a grade inside its span", { grade: 3 }, ["Knots"]],
    ["used this month", { used: "this month" }, ["Reading a tide table"]],
    ["used this year", { used: "this year" }, ["Reading a tide table", "Knots"]],
    ["never used", { used: "never" }, ["Cuando baja la marea"]],
    ["several at once", { origin: "packed", language: "es" }, []],
  ])("%s", (_, filter, expected) => expect(titles(filter)).toEqual(expected));

  test("each choice leaves what it says, with the other filters applied", () => {
    for (const filter of [anyFilter, { ...anyFilter, subject: "science" as const }, { ...anyFilter, words: "a" }]) {
      for (const name of filterNames) {
        for (const { value, leaves } of satchelChoices(items, filter, name, now))
          expect([name, value, filterSatchel(items, { ...filter, [name]: value }, now).length]).toEqual([
            name,
            value,
            leaves,
          ]);
      }
    }
  });

  test("grades are counted in their order, not by their digits", () => {
    expect(satchelChoices(items, anyFilter, "grade", now).map(({ value }) => value)).toEqual([2, 3, 4, 5]);
  });

  test("an address is read, and what it does not know left out", () => {
    expect(filterFromParameters({ words: "tide", origin: "made", grade: "4", kind: "spoon", used: "never" })).toEqual({
      ...anyFilter,
      words: "tide",
      origin: "made",
      grade: 4,
      used: "never",
    });
    expect(filterFromParameters({ grade: "99", language: "<b>" })).toEqual(anyFilter);
  });
});

describe("pockets", () => {
  test("an open pocket shows its own order, then what lies in those inside it in theirs", () => {
    const pockets = [
      { id: 1, parent: null },
      { id: 2, parent: 1 },
    ];
    const things = [
      kept("Inside", { pockets: [2], places: [1] }),
      kept("Second", { pockets: [1], places: [2] }),
      kept("Both, first here", { pockets: [1, 2], places: [1, 9] }),
    ];
    const titles = (open: number) => inPocket(things, pockets, open).map(({ facts }) => facts.title);
    expect(titles(1)).toEqual(["Both, first here", "Second", "Inside"]);
    expect(titles(2)).toEqual(["Inside", "Both, first here"]);
  });

  test("a pocket adds up its minutes, and names each standard once", () => {
    expect(sumOfPocket([items[0]!, items[0]!, items[2]!])).toEqual({
      things: 3,
      minutes: 105,
      standards: ["MA.5.M.2"],
    });
    expect(sumOfPocket([])).toEqual({ things: 0, minutes: 0, standards: [] });
  });

  test("what is inside a pocket comes right after it; without its parent it stands by itself", () => {
    const pockets = [
      { id: 1, parent: null },
      { id: 2, parent: null },
      { id: 3, parent: 1 },
      { id: 4, parent: 99 },
    ];
    expect(pocketTree(pockets).map(({ pocket, inside }) => [pocket.id, inside])).toEqual([
      [1, false],
      [3, true],
      [2, false],
      [4, false],
    ]);
    expect(withInside(pockets, 1)).toEqual([1, 3]);
  });
});

describe("words of her own", () => {
  const tagged = [
    kept("Reading a tide table", { tags: ["short", "fridays"] }),
    kept("Kelp under glass", { tags: ["short"] }),
    kept("Ferry fares"),
  ];
  const left = (filter: Partial<typeof anyFilter>) =>
    filterSatchel(tagged, { ...anyFilter, ...filter }, now).map(({ facts }) => facts.title);

  test("narrow by themselves, and are found among the words", () => {
    expect(left({ tag: "short" })).toEqual(["Reading a tide table", "Kelp under glass"]);
    expect(left({ tag: "fridays", words: "kelp" })).toEqual([]);
    expect(left({ words: "frid" })).toEqual(["Reading a tide table"]);
    expect(left({ tag: "none such" })).toEqual([]);
  });

  test("are offered with how many each leaves, those there are and no others", () => {
    expect(satchelChoices(tagged, anyFilter, "tag", now)).toEqual([
      { value: "fridays", leaves: 1 },
      { value: "short", leaves: 2 },
    ]);
    expect(satchelChoices(tagged, { ...anyFilter, words: "kelp" }, "tag", now)).toEqual([
      { value: "short", leaves: 1 },
    ]);
  });

  test("stand in the address", () => {
    expect(filterFromParameters({ tag: "short" }).tag).toBe("short");
    expect(filterFromParameters({ tag: "" }).tag).toBeNull();
    expect(filterFromParameters({ tag: "x".repeat(100) }).tag).toHaveLength(40);
  });
});

describe("what is put away", () => {
  const pockets = [{ id: 1, parent: null }];
  const things = [kept("Here", { pockets: [1] }), kept("Away", { pockets: [1], away: true }), kept("Loose", {})];
  const shown = (open: Parameters<typeof inPocket>[2]) =>
    inPocket(things, pockets, open).map(({ facts }) => facts.title);

  test("is shown where it is asked for and nowhere else, whatever pocket it stood in", () => {
    expect(shown("away")).toEqual(["Away"]);
    expect(shown(null)).toEqual(["Here", "Loose"]);
    expect(shown(1)).toEqual(["Here"]);
    expect(shown("none")).toEqual(["Loose"]);
  });

  test("has an address of its own", () => {
    expect(pocketFrom("away", pockets)).toBe("away");
    expect(pocketFrom("elsewhere", pockets)).toBeNull();
    expect(pocketFrom("1", pockets)).toBe(1);
  });
});
