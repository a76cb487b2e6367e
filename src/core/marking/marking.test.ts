import fc from "fast-check";
import { agreements, cohenKappa, saysKappa } from "./agreement";
import { seenBy, standingMarks, type MarkEntry } from "./given-mark";
import { formatLevels, marksFor, plainRubric, Rubric, skillRubric, worthOf } from "./rubric";

const letter: Rubric = {
  name: "A letter",
  criteria: [
    { id: "r", name: "Reasons", levels: [0, 1.5, 3].map((marks) => ({ name: `r${marks}`, marks, words: "" })) },
    { id: "s", name: "Spelling", levels: [0, 1].map((marks) => ({ name: `s${marks}`, marks, words: "" })) },
  ],
};

describe("a rubric", () => {
  test("gives the marks of the levels chosen, once every criterion has one", () => {
    expect(worthOf(letter)).toBe(4);
    expect(marksFor(letter, { r: 1, s: 1 })).toBe(2.5);
    expect(marksFor(letter, { r: 1 })).toBeNull();
    expect(marksFor(letter, { r: 7, s: 0 })).toBeNull();
    expect(formatLevels(letter, { r: 2, s: 0 })).toBe("Reasons: r3 · Spelling: s0");
  });

  test("judges one skill from 1 to 4", () => {
    const skill = Rubric.parse(skillRubric("Explains a choice", "x"));
    expect(worthOf(skill)).toBe(4);
    expect(skill.criteria[0]!.levels.map((_, at) => marksFor(skill, { x: at }))).toEqual([1, 2, 3, 4]);
  });

  test.each([
    ["without a name", plainRubric("a")],
    ["without a criterion", { name: "A", criteria: [] }],
    [
      "that is worth nothing",
      {
        name: "A",
        criteria: [
          { ...letter.criteria[1]!, levels: [letter.criteria[1]!.levels[0]!, letter.criteria[1]!.levels[0]!] },
        ],
      },
    ],
    ["with the same criterion twice", { name: "A", criteria: [letter.criteria[0]!, letter.criteria[0]!] }],
    [
      "with thirds of a mark",
      {
        name: "A",
        criteria: [
          {
            id: "a",
            name: "A",
            levels: [
              { name: "x", marks: 0, words: "" },
              { name: "y", marks: 1 / 3, words: "" },
            ],
          },
        ],
      },
    ],
  ])("is refused %s", (_, rubric) => {
    expect(Rubric.safeParse(rubric).success).toBe(false);
  });
});

const [ines, rona] = [
  { id: 1, name: "Ines" },
  { id: 2, name: "Rona" },
];
let ids = 0;
const entry = (by: typeof ines, more: Partial<MarkEntry> = {}): MarkEntry => ({
  ...{ id: ++ids, student: 11, number: 1, question: "q", by, at: new Date(0), kind: "marked", for: null },
  ...{ marks: 2, outOf: 4, rubric: null, levels: null, comment: "", ...more },
});

describe("marks that stand", () => {
  test("each marker's last stands, and the one who marked first counts until another is settled on", () => {
    const entries = [entry(ines, { marks: 1 }), entry(rona, { marks: 3 }), entry(ines, { marks: 2 })];
    const [one] = standingMarks(entries);
    expect(one!.all.map(({ by, marks }) => [by.name, marks])).toEqual([
      ["Ines", 2],
      ["Rona", 3],
    ]);
    expect(one!.counts!.marks).toBe(2);
    const settled = standingMarks([...entries, entry(ines, { kind: "settled", for: rona.id, marks: null })]);
    expect(settled[0]!.counts!.marks).toBe(3);
  });

  test("a mark taken back counts no longer, and the other's does", () => {
    const entries = [entry(ines), entry(rona, { marks: 4 }), entry(ines, { kind: "withdrawn", marks: null })];
    expect(standingMarks(entries)[0]).toMatchObject({ counts: { marks: 4 }, all: [{ by: rona }] });
    expect(standingMarks(entries.slice(0, 1).concat(entries.slice(2)))[0]!.counts).toBeNull();
  });

  test("words without a mark stand too, and count for nothing", () => {
    const [one] = standingMarks([entry(ines, { marks: null, comment: "Look again." }), entry(rona, { marks: 3 })]);
    expect(one).toMatchObject({ counts: { marks: 3 }, all: [{ comment: "Look again." }, { marks: 3 }] });
    expect(seenBy([one!], ines.id)[0]!.all).toHaveLength(1);
  });

  test("whatever order they are read in", () => {
    const entries = [
      entry(ines, { marks: 1 }),
      entry(rona),
      entry(ines, { kind: "withdrawn", marks: null }),
      entry(ines),
    ];
    fc.assert(
      fc.property(fc.shuffledSubarray(entries, { minLength: entries.length }), (shuffled) => {
        expect(standingMarks(shuffled)).toEqual(standingMarks(entries));
      }),
    );
  });

  test("of an answer a marker has not marked herself she sees no mark of another's", () => {
    const entries = [entry(ines), entry(rona), entry(ines, { student: 12 })];
    const seen = seenBy(standingMarks(entries), rona.id);
    expect(seen.map(({ student, all, hidden }) => [student, all.length, hidden])).toEqual([
      [11, 2, []],
      [12, 0, ["Ines"]],
    ]);
  });
});

describe("two markers", () => {
  test("Cohen's own kind of table: kappa is .4000 (CHECKS: Cohen 1960)", () => {
    expect(
      cohenKappa([
        [20, 5],
        [10, 15],
      ]),
    ).toBeCloseTo(0.4, 10);
  });

  test("who agree in everything have 1; who always chose the same level have none", () => {
    expect(
      cohenKappa([
        [3, 0],
        [0, 4],
      ]),
    ).toBe(1);
    expect(
      cohenKappa([
        [7, 0],
        [0, 0],
      ]),
    ).toBeNull();
    expect(cohenKappa([])).toBeNull();
  });

  test("with two categories weights change nothing; with more, a step apart is better than two", () => {
    expect(
      cohenKappa(
        [
          [20, 5],
          [10, 15],
        ],
        true,
      ),
    ).toBeCloseTo(0.4, 10);
    const near = cohenKappa(
      [
        [4, 2, 0],
        [0, 4, 2],
        [0, 0, 4],
      ],
      true,
    )!;
    const far = cohenKappa(
      [
        [4, 0, 2],
        [0, 4, 0],
        [2, 0, 4],
      ],
      true,
    )!;
    expect(near).toBeGreaterThan(far);
  });

  test.each([
    [0.81, "very good"],
    [0.8, "good"],
    [0.41, "moderate"],
    [0.4, "fair"],
    [0.2, "hardly better than chance"],
    [-0.3, "hardly better than chance"],
  ])("kappa %d is said to be %s", (kappa, said) => expect(saysKappa(kappa)).toBe(said));

  test("are compared by answers both have marked, criterion by criterion, and not below five", () => {
    const levels = [
      [0, 0],
      [1, 1],
      [2, 2],
      [0, 1],
      [2, 2],
    ];
    const rubric = { id: 7, content: letter };
    const standing = standingMarks(
      levels.flatMap(([one, other], student) =>
        [ines, rona].map((by, at) =>
          entry(by, {
            student,
            rubric: 7,
            levels: { r: [one!, other!][at]!, s: 1 },
            marks: [one!, other!][at]! * 1.5 + 1,
          }),
        ),
      ),
    );
    const [pair] = agreements(standing, rubric);
    expect(pair!.whole).toMatchObject({ both: 5, same: 4 });
    expect(pair!.criteria.map(({ criterion, same }) => [criterion, same])).toEqual([
      ["Reasons", 4],
      ["Spelling", 5],
    ]);
    // Python, scikit-learn 1.9.1: cohen_kappa_score([0, 1, 2, 0, 2], [0, 1, 2, 1, 2], weights="linear").
    expect(pair!.criteria[0]!.kappa).toBeCloseTo(0.7826086956521738, 12);
    expect(pair!.criteria[1]!.kappa).toBeNull();
    expect(agreements(standing.slice(1), rubric)[0]!.whole.kappa).toBeNull();
  });
});
