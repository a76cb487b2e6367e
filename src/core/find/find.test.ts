import fc from "fast-check";
import { kinds, licences, subjects } from "../content/vocabulary";
import { facetCounts, lengthClass, masksOf, packFacets } from "./facets";
import { formatGradeSpan } from "../content/grade";
import {
  anyNeed,
  blanks,
  emptied,
  isFilled,
  lengthLimits,
  needFromParameters,
  needToParameters,
  shelves,
  toggled,
  withChosen,
  type Need,
} from "./need";
import { formatBlank, formatCount, formatGrades } from "./format";
import { countries, languages } from "../locale/names";
import { devices } from "../content/device";
import { activities } from "../content/vocabulary";
import { queryText, typedParts, wordList } from "./words";
import { listedForm } from "../content/listed-form";

const anyValidNeed: fc.Arbitrary<Need> = fc.record({
  words: fc.stringMatching(/^[a-z]{0,12}( [a-z]{1,8})?$/).map((words) => words.trim()),
  kinds: fc.uniqueArray(fc.constantFrom(...kinds)),
  grades: fc.uniqueArray(fc.nat(12)).map((grades) => grades.sort((a, b) => a - b)),
  subjects: fc.uniqueArray(fc.constantFrom(...subjects)),
  minutes: fc.constantFrom(null, ...lengthLimits),
  shelf: fc.constantFrom(null, ...shelves),
  languages: fc.uniqueArray(fc.constantFrom(...languages)),
  countries: fc.uniqueArray(fc.constantFrom(...countries)),
  standards: fc.uniqueArray(fc.constantFrom("MA.5.M.2", "RE.4.T.1", "SC.K.L.1")),
  licences: fc.uniqueArray(fc.constantFrom(...licences)),
  doing: fc.uniqueArray(fc.constantFrom(...activities)),
  devices: fc.uniqueArray(fc.constantFrom(...devices)),
  authors: fc.uniqueArray(fc.integer({ min: 1, max: 999_999 }), { maxLength: 4 }),
  topics: fc.uniqueArray(fc.constantFrom("tides", "food webs", "close reading")),
  sets: fc.uniqueArray(fc.integer({ min: 1, max: 999 }), { maxLength: 2 }),
  uncovered: fc.uniqueArray(fc.integer({ min: 1, max: 999 }), { maxLength: 2 }),
  undone: fc.constantFrom<number[]>([], [4]),
  reads: fc.constantFrom<number[]>([], [3]),
  since: fc.constantFrom<string[]>([], ["2026-11-24"], ["2026-01-31T08:15"]),
});

describe("the need line and its address", () => {
  test("every need can be sent as a link and comes back the same", () => {
    fc.assert(
      fc.property(anyValidNeed, (need) => {
        expect(needFromParameters(Object.fromEntries(needToParameters(need)))).toEqual(need);
      }),
    );
  });

  test("what an address says that we do not know is left out, the rest still opens", () => {
    expect(
      needFromParameters({
        words: "tide",
        kind: "lesson,opera",
        grades: "4,99,-1,x,5",
        subject: ["science", "magic"],
        minutes: "17",
        shelf: "moon",
        x: "y",
      }),
    ).toEqual({ ...anyNeed, words: "tide", kinds: ["lesson"], grades: [4, 5], subjects: ["science"] });
    expect(needFromParameters({ words: "a".repeat(5000) }).words).toHaveLength(200);
  });

  test("choosing twice takes back, and what a blank does not know is never taken in", () => {
    const once = toggled(anyNeed, "doing", "draw");
    expect(once.doing).toEqual(["draw"]);
    expect(toggled(once, "doing", "draw")).toEqual(anyNeed);
    expect(withChosen(anyNeed, "country", ["XS", "Atlantis"]).countries).toEqual(["XS"]);
    expect(withChosen(anyNeed, "author", ["7", "drop table", "-1"]).authors).toEqual([7]);
  });

  test("counts are exact up to ten thousand", () => {
    expect([formatCount(9_999, "en"), formatCount(10_000, "en"), formatCount(10_001, "en")]).toEqual([
      "9,999",
      "10,000",
      "10,000+",
    ]);
  });

  test("a topic with a comma or a percent sign in it stays one topic", () => {
    const need = { ...anyNeed, topics: ["wind, waves and 50% cloud", "%2C"] };
    const address = needToParameters(need).toString();
    expect(needFromParameters(Object.fromEntries(new URLSearchParams(address)))).toEqual(need);
  });

  test("an empty need is a bare address", () => {
    expect(needToParameters(anyNeed).toString()).toBe("");
  });

  test("each blank can be emptied again", () => {
    fc.assert(
      fc.property(anyValidNeed, fc.constantFrom(...blanks), (need, blank) => {
        expect(isFilled(emptied(need, blank), blank)).toBe(false);
      }),
    );
    expect(blanks.reduce(emptied, { ...anyNeed, words: "x", minutes: 20 })).toEqual(anyNeed);
  });

  test("a blank is filled by what is chosen for it, and by nothing else", () => {
    const filled: Need = { ...anyNeed, grades: [4], minutes: 20 };
    expect(blanks.filter((blank) => isFilled(filled, blank))).toEqual(["grades", "minutes"]);
    expect(isFilled({ ...anyNeed, words: "  " }, "words")).toBe(false);
  });

  test("what stands behind the others is said in words too", () => {
    const names = { authors: { 7: "Ana" }, sets: { 3: "Birds" }, classes: { 1: "5 Kittiwake" } };
    const need: Need = {
      ...anyNeed,
      ...{ authors: [7, 8], sets: [3, 4], uncovered: [1, 2], undone: [1], reads: [4], since: ["2026-11-24T10:20"] },
    };
    const last = ["author", "set", "uncovered", "undone", "reads", "since"] as const;
    const said = (one: Need) => Object.fromEntries(last.map((blank) => [blank, formatBlank(one, blank, names)]));
    expect(said(need)).toEqual({
      ...{ author: "Ana or someone", set: "“Birds” or “a set”", uncovered: "5 Kittiwake or a class" },
      ...{ undone: "5 Kittiwake", reads: "up to grade 4", since: "24 Nov 2026" },
    });
    const none = { uncovered: "any class", undone: "any class", reads: "any grade", since: "any day" };
    expect(said(anyNeed)).toEqual({ ...none, author: "anyone", set: "any set" });
  });

  test("reads as a sentence", () => {
    const need: Need = {
      ...anyNeed,
      words: "tide tables",
      kinds: ["lesson", "quiz"],
      grades: [4, 5],
      subjects: ["mathematics"],
      minutes: 30,
      shelf: "satchel",
    };
    const inSight = ["kind", "words", "grades", "subject", "minutes", "shelf"] as const;
    expect(inSight.map((blank) => formatBlank(need, blank))).toEqual([
      "lessons or quizzes",
      "tide tables",
      "grades 4–5",
      "mathematics",
      "up to 30 minutes",
      "my satchel",
    ]);
    expect(inSight.map((blank) => formatBlank(anyNeed, blank))).toEqual([
      "anything",
      "anything",
      "any grade",
      "any subject",
      "any time",
      "every shelf",
    ]);
  });

  test.each([
    [[4, 5], "4–5"],
    [[0], "K"],
    [[0, 1, 3], "K–1, 3"],
    [[5, 4, 3], "3–5"],
  ])("grades %j are said %s", (grades, said) => {
    expect(formatGrades(grades)).toBe(said);
  });

  test("a span of one grade is that grade", () => {
    expect(formatGradeSpan({ from: 0, to: 0 })).toBe("K");
    expect(formatGradeSpan({ from: 0, to: 2 })).toBe("K–2");
  });
});

describe("facets in one integer", () => {
  test("each value can be read back from its own bits", () => {
    const packed = packFacets({
      kind: "quiz",
      minutes: 25,
      subjects: ["science", "mathematics"],
      grades: { from: 3, to: 5 },
    });
    expect(packed & 7).toBe(kinds.indexOf("quiz"));
    expect((packed >> 3) & 7).toBe(lengthClass(25));
    expect((packed >> 6) & 1023).toBe((1 << subjects.indexOf("science")) | (1 << subjects.indexOf("mathematics")));
    expect(packed >> 16).toBe(0b111000);
  });

  test("stays a positive 32-bit integer at its largest", () => {
    const packed = packFacets({
      kind: "template",
      minutes: 600,
      subjects: [...subjects].slice(0, 4),
      grades: { from: 0, to: 12 },
    });
    expect(packed).toBeGreaterThan(0);
    expect(packed).toBeLessThan(2 ** 31);
  });

  test("thirty minutes is up to thirty, thirty-one is not", () => {
    expect(lengthClass(30)).toBe(lengthLimits.indexOf(30));
    expect(lengthClass(31)).toBe(lengthLimits.indexOf(45));
    expect(lengthClass(61)).toBe(lengthLimits.indexOf(90));
    expect(lengthClass(91)).toBe(lengthLimits.length);
  });

  test("“up to” counts what is shorter too", () => {
    const { minutes } = facetCounts([
      { facet: "length", value: 0, entries: 2 },
      { facet: "length", value: 3, entries: 5 },
      { facet: "length", value: lengthLimits.length, entries: 9 },
    ]);
    expect(minutes).toEqual({ 10: 2, 15: 2, 20: 2, 30: 7, 45: 7, 60: 7, 90: 7 });
  });

  test("an open blank lets everything through", () => {
    expect(masksOf(anyNeed)).toEqual({ kinds: 0, subjects: 0, grades: 0, longest: 7, shelf: 0 });
  });
});

describe("what was typed", () => {
  test("words, phrases in quotes, and a minus for what is not wanted", () => {
    expect(typedParts('tide "high water" -moon')).toEqual([
      { text: "tide", phrase: false, wanted: true },
      { text: "high water", phrase: true, wanted: true },
      { text: "moon", phrase: false, wanted: false },
    ]);
  });

  test("a quote that was not closed yet is a phrase already; signs alone are nothing", () => {
    expect(typedParts('"high wa')).toEqual([{ text: "high wa", phrase: true, wanted: true }]);
    expect(typedParts(" & ! ( ' : * ")).toEqual([]);
  });

  test("a code keeps its stops", () => {
    expect(typedParts("MA.5.M.2").map((part) => part.text)).toEqual(["MA.5.M.2"]);
  });

  test("no typed text can break out of a query", () => {
    fc.assert(
      fc.property(fc.string(), (typed) => {
        for (const part of typedParts(typed)) {
          const inside = queryText(part).replace(/'[^'\\]*'/g, "");
          expect(inside).toMatch(/^!?\([ |<>-]*\)$/);
        }
      }),
    );
  });

  test("completions count beside the word itself", () => {
    const [part] = typedParts("tid");
    expect(queryText(part!, ["tide", "tides"])).toBe("('tid' | 'tide' | 'tides')");
    expect(queryText({ text: "high water", phrase: true, wanted: true })).toBe("('high' <-> 'water')");
  });

  test("a word in -s is also meant without it", () => {
    expect(queryText({ text: "mareas", phrase: false, wanted: true })).toBe("('mareas' | 'marea')");
    expect(queryText({ text: "gas", phrase: false, wanted: true })).toBe("('gas')");
  });

  test("words are listed without accents and capitals, short ones and numbers not at all", () => {
    expect(listedForm("Días")).toBe("dias");
    expect(wordList("The Días of 1926, the tide tide a4b ox")).toEqual(["the", "dias", "tide"]);
  });
});

test("what is new since a day is a blank like the others; the day chosen last is meant, and no day is left out", () => {
  const need = needFromParameters({ since: "2026-11-20" });
  expect(need.since).toEqual(["2026-11-20"]);
  expect(formatBlank(need, "since")).toBe("20 Nov 2026");
  expect(toggled(need, "since", "2026-10-01T08:15").since).toEqual(["2026-10-01T08:15"]);
  expect(needToParameters(need).toString()).toBe("since=2026-11-20");
  for (const wrong of ["2026-13-01", "yesterday", "2026-02-31x", "1764000000000"])
    expect(needFromParameters({ since: wrong }).since).toEqual([]);
});
