import type { Step } from "./document";
import { parseDocument } from "./schema/document";
import { newStep } from "./edit";
import { newQuestion } from "../question/new-question";
import { factsOf, searchTexts } from "./facts";
import { minutesDisagree } from "./minutes";
import { measuredText, studentText } from "./student-text";
import { unfinished } from "./unfinished";
import { richText } from "../content/rich-text";
import { studentDocument } from "./student-view";
import { withoutAnswers } from "../question/without-answers";
import { questionTypes } from "../question/testing/question-types";
import type { Question } from "../question/question";

let n = 0;
const newId = () => `x${(n += 1)}`;
const ask = (type: Question["type"], more: object = {}) => ({
  id: newId(),
  type: "question" as const,
  question: { ...newQuestion(type, "en", newId), ...more } as Question,
});
const text = (words: string) => ({ id: newId(), type: "text" as const, text: { en: richText(words) } });

const lesson = (steps: Step[], more: object = {}) =>
  parseDocument({
    schema: 1,
    languages: ["en"],
    title: { en: "Kelp under glass" },
    summary: { en: "Looking closely." },
    kind: "lesson",
    grades: { from: 4, to: 5 },
    subjects: ["science"],
    topics: ["kelp"],
    vocabulary: [{ term: "holdfast", meaning: { en: "holds on" } }],
    licence: "CC-BY-4.0",
    steps,
    ...more,
  });

describe("facts are computed, not typed in twice", () => {
  test("minutes: as stated, else the sum of the steps, else an estimate, and says which", () => {
    const steps = [newStep("en", "a", newId), newStep("en", "b", newId)];
    expect(factsOf(lesson(steps, { minutes: 40 }))).toMatchObject({
      ...{ minutes: 40, minutesFrom: "stated" },
      minutesEstimated: 10,
    });
    expect([minutesDisagree(40, 10), minutesDisagree(13, 10), minutesDisagree(14, 10)]).toEqual([true, false, true]);
    expect(factsOf(lesson(steps))).toMatchObject({ minutes: 10, minutesFrom: "steps" });
    const unsaid = [
      { ...newStep("en", "a", newId, [text("word ".repeat(200)), ask("choice"), ask("longText")]), minutes: undefined },
    ];
    // 200 words at 100 a minute, one question of 1.5 minutes, 8 minutes to write.
    expect(factsOf(lesson(unsaid))).toMatchObject({ minutes: 12, minutesFrom: "estimate" });
  });

  test("reckons a question with no longer than its time", () => {
    const quick = { seconds: 60 };
    const unsaid = [
      {
        ...newStep("en", "a", newId, [text("word ".repeat(200)), ask("choice", quick), ask("longText", quick)]),
        minutes: undefined,
      },
    ];
    expect(factsOf(lesson(unsaid))).toMatchObject({ minutes: 4, minutesFrom: "estimate" });
  });

  test("counts words, questions and marks of what students meet, not of the teacher's steps", () => {
    const facts = factsOf(
      lesson([
        newStep("en", "a", newId, [text("Kelp holds on to the rock."), ask("choice", { marks: 3 }), ask("longText")]),
        {
          ...newStep("en", "for me", newId, [text("Only the teacher reads this."), ask("choice")]),
          audience: "teacher",
        },
      ]),
    );
    expect(facts).toMatchObject({ words: 6, questions: 2, marks: 3, steps: 1, doing: ["choose", "write"] });
  });

  test("the reading grade is measured on the text to read, not on short instructions", () => {
    const long = "Kelp forests shelter innumerable organisms beneath their undulating canopies. ".repeat(10);
    const document = lesson([
      newStep("en", "a", newId, [text(long), ask("choice", { prompt: { en: richText("Sit. Look. Go on.") } })]),
    ]);
    expect(measuredText(document)).not.toContain("Sit.");
    expect(studentText(document)).toContain("Sit.");
    expect(factsOf(document).readingGrade).toBeGreaterThan(10);
    expect(factsOf(lesson([newStep("en", "a", newId, [text("Too short.")])])).readingGrade).toBeNull();
  });

  test("prompts alone are no text to measure", () => {
    const asked = Array.from({ length: 12 }, () =>
      ask("choice", { prompt: { en: richText("Which of these is true?") } }),
    );
    expect(factsOf(lesson([newStep("en", "a", newId, asked)])).readingGrade).toBeNull();
  });

  test("every thing a step asks for is known, what it is about first", () => {
    const step = newStep("en", "a", newId, [
      text("Read this."),
      ask("choice"),
      ask("sketch"),
      ask("poll"),
      ask("speech"),
    ]);
    expect(factsOf(lesson([step])).doing).toEqual(["choose", "draw", "vote", "record"]);
    expect(factsOf(lesson([newStep("en", "a", newId, [text("Only this.")])])).doing).toEqual(["read"]);
  });

  test("the search is given the title, what it is about, and the words inside", () => {
    const texts = searchTexts(lesson([newStep("en", "Parts of kelp", newId, [text("The frond makes food.")])]));
    expect(texts.title).toBe("Kelp under glass");
    expect(texts.about).toContain("holdfast");
    expect(texts.about).toContain("science");
    expect(texts.body).toContain("Parts of kelp");
    expect(texts.body).toContain("frond");
  });
});

describe("what is listened to and watched", () => {
  const step = (blocks: object[]) =>
    lesson([{ ...newStep("en", "a", newId, blocks as Step["blocks"]), minutes: undefined }]);
  const sound = { id: "s", type: "sound", media: "a".repeat(64), seconds: 95 };
  const film = { id: "f", type: "film", media: "b".repeat(64), from: 30, to: 330, captions: {}, stops: [] };

  test("sounds count as audio, and with parts of films into the minutes", () => {
    expect(factsOf(step([sound])).audioSeconds).toBe(95);
    expect(factsOf(step([film])).audioSeconds).toBe(0);
    // Of a film the length counts from where it begins to where it ends, or to the film's own end.
    expect(factsOf(step([film])).filmSeconds).toBe(Math.max(0, (film.to ?? 0) - (film.from ?? 0)));
    expect(factsOf(step([{ ...film, to: undefined, from: 10, seconds: 70 }])).filmSeconds).toBe(60);
    expect(factsOf(step([{ ...film, to: undefined, seconds: undefined }])).filmSeconds).toBe(0);
    // 95 s and 300 s.
    expect(factsOf(step([sound, film])).minutes).toBe(7);
  });

  test("what only the teacher hears does not", () => {
    const notes = { ...newStep("en", "a", newId, [sound] as Step["blocks"]), audience: "teacher" as const };
    expect(factsOf(lesson([notes])).audioSeconds).toBe(0);
  });
});

describe("what must be fixed before publishing", () => {
  const problems = (step: Step) => unfinished(lesson([step]), 1).map(({ problem }) => problem);

  test("an empty resource says so", () => {
    expect(unfinished(lesson([], { title: {} }), 1).map(({ problem }) => problem)).toEqual([
      "The resource has no title.",
      "There are no steps yet.",
    ]);
  });

  test.each([
    ["choice", /asks nothing|no right answer/],
    ["choices", /no right answer/],
    ["shortText", /no accepted answer/],
    ["labels", /Nothing in the picture/],
    ["points", /No point is asked for/],
    ["highlight", /Nothing in the passage/],
  ] as const)("a new %s is not finished", (type, why) => {
    expect(problems(newStep("en", "a", newId, [ask(type)])).join(" ")).toMatch(why);
  });

  const asked = { prompt: { en: richText("Which?") } };
  const words = (...texts: string[]) => texts.map((text) => ({ id: text, text: { en: text } }));
  test.each<[what: string, type: Question["type"], more: object, says: string]>([
    [
      "one group only",
      "groups",
      { groups: [{ id: "g", text: { en: "All" } }] },
      "There is only one group to sort into.",
    ],
    ["a thing without a group", "groups", { right: [] }, "Something to sort belongs to no group."],
    ["a right number off the line", "line", { right: 11 }, "The right number is not on the line."],
    [
      "a bar off the scale",
      "bars",
      { bars: [{ id: "b", text: { en: "May" }, right: 12, tolerance: 0 }] },
      "A bar is higher than the scale.",
    ],
    ["a table with nothing to fill", "cells", { gaps: [] }, "No cell of the table is to be filled."],
    [
      "a place without a name",
      "labels",
      { spots: [{ id: "s", x: 0.5, y: 0.5 }], description: { en: "A kelp." } },
      "A place in the picture has no label.",
    ],
    [
      "a drawing over a picture nobody described",
      "sketch",
      { over: "drawing:kelp-plain" },
      "A picture in a question has no description.",
    ],
  ])("%s must be fixed", (_, type, more, says) => {
    expect(problems(newStep("en", "a", newId, [ask(type, { ...asked, ...more })]))).toEqual([says]);
  });

  test.each([
    [
      "groups",
      {
        groups: words("sea", "shore"),
        items: words("cod", "gull"),
        right: [
          ["cod", "sea"],
          ["gull", "shore"],
        ],
      },
    ],
    ["line", {}],
    ["bars", {}],
    ["cells", {}],
    ["sketch", {}],
  ] as const)("a %s with its question asked may go out", (type, more) => {
    expect(problems(newStep("en", "a", newId, [ask(type, { ...asked, ...more })]))).toEqual([]);
  });

  test("a picture needs a description unless it only decorates", () => {
    const picture = (decorative: boolean) => ({
      id: newId(),
      type: "picture" as const,
      media: "drawing:kelp-parts",
      description: {},
      decorative,
    });
    expect(problems(newStep("en", "a", newId, [picture(false)]))).toEqual(["A picture has no description."]);
    expect(problems(newStep("en", "a", newId, [picture(true)]))).toEqual([]);
  });

  test("each problem knows its step", () => {
    const good = newStep("en", "a", newId, [text("x")]);
    const bad = newStep("en", "b", newId, [ask("choice")]);
    expect(new Set(unfinished(lesson([good, bad]), 1).map(({ step }) => step))).toEqual(new Set([bad.id]));
  });

  test("a finished lesson has none", () => {
    const right = ask("choice", {
      prompt: { en: richText("Where is it?") },
      options: words("shed", "pier"),
      right: "shed",
    });
    expect(problems(newStep("en", "a", newId, [right]))).toEqual([]);
  });
});

describe("what leaves the server for a student", () => {
  test.each(questionTypes)("%s without its answers is still a question of its shape", (type) => {
    const question = newQuestion(type, "en", newId);
    const bare = withoutAnswers(question);
    expect(() =>
      lesson([newStep("en", "a", newId, [{ id: newId(), type: "question", question: bare }])]),
    ).not.toThrow();
    expect(bare.type).toBe(type);
  });

  test("no answer, feedback, note or teacher's step is in it", () => {
    const secret = "SECRET";
    const steps: Step[] = [
      {
        ...newStep("en", "a", newId, [
          ask("shortText", { accepted: [{ text: secret, share: 1 }], feedback: { right: { en: richText(secret) } } }),
          ask("number", { parts: [{ id: "p", right: 424242, tolerance: 424242 }] }),
          ask("gaps", { passage: { en: "[[g]]" }, gaps: [{ id: "g", accepted: [secret] }] }),
        ]),
        teacherNotes: { en: richText(secret) },
      },
      { ...newStep("en", secret, newId), audience: "teacher" },
    ];
    const sent = JSON.stringify(studentDocument(lesson(steps, { teacherNotes: { en: richText(secret) } })));
    expect(sent).not.toContain(secret);
    expect(sent).not.toContain("424242");
  });
});
