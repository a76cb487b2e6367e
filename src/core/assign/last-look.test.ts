import { newQuestion } from "../question/new-question";
import { richText } from "../content/rich-text";
import { lesson, newId } from "@/data/testing/world";
import type { Question } from "../question/question";
import { newStep } from "../resource/edit";
import type { Document } from "../resource/document";
import type { LookedAt } from "./finding";
import { partsFor } from "./look-at-class";
import { changed, look, resource, texts } from "./testing/looked";

test("when nothing is wrong nothing is asked", () => {
  expect(look()).toEqual([]);
});

describe("times", () => {
  test("a due date that is past stops it, and the next school days are one press away", () => {
    const found = look({ due: { kind: "at", at: "2026-11-24T15:00" } });
    expect(found[0]).toMatchObject({ level: "stop" });
    expect(found[0]!.text).toContain("already past");
    const mended = changed(found, "when")!;
    expect(mended).toMatchObject({
      opens: { kind: "at", at: "2026-11-26T07:00" },
      due: { kind: "at", at: "2026-11-30T15:00" },
    });
    expect(look(mended)).toEqual([]);
  });

  test("evening for morning is caught, and one press makes it morning", () => {
    const found = look({ opens: { kind: "at", at: "2026-11-26T19:00" }, due: { kind: "at", at: "2026-11-30T15:00" } });
    expect(texts(found)).toEqual(["It opens 7 in the evening, not in the morning."]);
    expect(found[0]!.level).toBe("remark");
    const mended = changed(found, "hour")!;
    expect(mended).toEqual({ opens: { kind: "at", at: "2026-11-26T07:00" } });
    expect(look({ due: { kind: "at", at: "2026-11-30T15:00" }, ...mended })).toEqual([]);
  });

  test("3 at night was meant as 3 in the afternoon", () => {
    const found = look({ due: { kind: "at", at: "2026-11-27T03:00" } });
    expect(texts(found)).toEqual(["It is due 3 at night, not in the afternoon."]);
    expect(changed(found, "hour")).toEqual({ due: { kind: "at", at: "2026-11-27T15:00" } });
  });

  test.each([
    ["2026-11-28T15:00", "Sat 28 Nov", "the weekend", "2026-11-30T15:00"],
    ["2026-12-02T15:00", "Wed 2 Dec", "Boat day", "2026-12-03T15:00"],
    ["2026-12-23T15:00", "Wed 23 Dec", "between terms", "2027-01-04T15:00"],
  ])("due on %s: no school, and the next day with school is offered", (at, day, why, next) => {
    const found = look({ due: { kind: "at", at } });
    expect(texts(found)).toEqual([`It is due on ${day}, and there is no school then: ${why}.`]);
    expect(changed(found, "closed")).toEqual({ due: { kind: "at", at: next } });
  });

  test("opening in the past opens now", () => {
    const found = look({ opens: { kind: "at", at: "2026-11-25T08:00" } });
    expect(changed(found, "past")).toEqual({ opens: { kind: "now" } });
  });
});

describe("the lesson it is planned for", () => {
  const long = lesson("Long", { minutes: 60 });
  const [step] = long.steps as [Document["steps"][number]];
  const three: Document = {
    ...long,
    steps: [
      { ...step, id: "a", minutes: 25 },
      { ...step, id: "b", minutes: 15, blocks: [] },
      { ...step, id: "c", minutes: 20, blocks: [] },
    ],
  };

  test("longer than a lesson: one press splits it between its steps", () => {
    const found = look({}, { resources: [resource(three)] });
    expect(texts(found)[0]).toBe("60 minutes is more than the 45 of one lesson of 5 Kittiwake.");
    const mended = changed(found, "long")!;
    expect(mended).toMatchObject({ parts: [["a", "b"], ["c"]], spread: "one a meeting", due: { kind: "meeting end" } });
    expect(look(mended, { resources: [resource(three)] })).toEqual([]);
  });

  test("with two weeks to do it in no lesson has to hold it; in one day it has to fit", () => {
    const resources = [resource(lesson("Long", { minutes: 74 }))];
    const opens = { kind: "at" as const, at: "2026-11-30T09:00" };
    expect(look({ opens, due: { kind: "at", at: "2026-12-11T15:00" } }, { resources })).toEqual([]);
    expect(texts(look({ opens, due: { kind: "at", at: "2026-11-30T15:00" } }, { resources }))).toEqual([
      "74 minutes is more than the 45 of one lesson of 5 Kittiwake.",
    ]);
  });

  test("of single steps only their minutes are counted; with versions beside it is said, and steps of another lesson stop it", () => {
    const resources = [resource(three)];
    const one = { steps: ["c"] };
    expect(look(one, { resources })).toEqual([]);
    expect(texts(look({ steps: ["a", "b", "c"] }, { resources }))[0]).toContain("60 minutes is more than the 45");
    const beside = look({ ...one, versions: [{ student: 11, of: 1, resource: 2 }] }, { resources });
    expect(texts(beside)).toContain("Of single steps everyone gets the first version: another one has other steps.");
    expect(changed(beside, "steps")).toEqual({ steps: null });
    const [stop] = look({ steps: ["c", "gone"] }, { resources });
    expect(stop).toMatchObject({ level: "stop", text: "Some of these steps are not in this lesson any more." });
    expect(look({ steps: ["c", "gone"], ...changed([stop!], "steps") }, { resources })[0]!.key).toMatch(/^long/);
  });

  test("in parts everyone gets the first version, and that is said; parts of another lesson stop it", () => {
    const parts = { parts: [["a", "b"], ["c"]], spread: "one a meeting" as const };
    const found = look(
      { ...parts, versions: [{ student: 11, of: 1, resource: 2 }] },
      {
        resources: [resource(three)],
        at: { versions: [{ id: 2, of: 1, title: "", readingGrade: null, minutes: 9 }] },
      },
    );
    expect(texts(found)).toEqual(["In parts everyone gets the first version: another one has other steps."]);
    for (const wrong of [
      [["a"], ["c"]],
      [["c"], ["a", "b"]],
      [["x"], ["y"]],
    ])
      expect(look({ ...parts, parts: wrong }, { resources: [resource(three)] })[0]).toMatchObject({ level: "stop" });
  });

  test("a single step longer than the lesson cannot be split", () => {
    expect(partsFor(resource(lesson("One step", { minutes: 80 })), 45)).toBeNull();
  });

  test("full already: the next lesson with room is offered", () => {
    const nextRoom = { date: "2026-11-27", period: 1, starts: new Date("2026-11-27T09:00:00Z") };
    const found = look({ due: { kind: "meeting end" } }, { group: { planned: 30, nextRoom } });
    expect(texts(found)).toEqual(["5 Kittiwake has 30 minutes planned in that lesson already: 55 of 45."]);
    expect(changed(found, "full")).toEqual({ opens: { kind: "place", date: "2026-11-27", period: 1 } });
  });
});

describe("the days it is open on", () => {
  const window = {
    opens: { kind: "at" as const, at: "2026-11-30T09:00" },
    due: { kind: "at" as const, at: "2026-12-04T15:00" },
  };

  test("a chosen day after it is due, or after it closes, is said; one press keeps the others", () => {
    const days = { ...window, openDays: ["2026-12-01", "2026-12-08"] };
    const found = look(days);
    expect(texts(found)).toEqual(["You chose Tue 8 Dec, but it is due before that."]);
    expect(texts(look({ ...days, closes: "due" }))).toEqual(["You chose Tue 8 Dec, but it closes before that."]);
    expect(changed(found, "days")).toEqual({ openDays: ["2026-12-01"] });
    expect(look({ ...days, ...changed(found, "days") })).toEqual([]);
  });

  test("where none of the days is left it opens on every day", () => {
    const found = look({ ...window, openDays: ["2026-11-27"] });
    expect(texts(found)).toEqual(["You chose Fri 27 Nov, but it only opens after that."]);
    expect(changed(found, "days")).toEqual({ openDays: null });
  });
});

describe("the students", () => {
  test("who is chosen in two classes gets it once, and that is said; one press chooses her once", () => {
    const to = [
      { class: 1, students: [11, 12, 13] },
      { class: 2, students: [12, 13, 21] },
      { class: 3, students: [13] },
    ];
    const found = look({ to });
    expect(found.find(({ key }) => key === "twice")!.text).toMatch(
      /^2 students are in 5 Kittiwake.*, and get it once\.$/,
    );
    expect(changed(found, "twice")).toEqual({
      to: [
        { class: 1, students: [11, 12, 13] },
        { class: 2, students: [21] },
      ],
    });
    expect(look({ to, ...changed(found, "twice") })).toEqual([]);
  });

  test("who has it already is said, and left out with one press", () => {
    const found = look({}, { group: { did: [{ id: 12, name: "Bo Tideman", did: false }] } });
    expect(texts(found)).toEqual(["Bo Tideman has it already."]);
    expect(changed(found, "did")).toEqual({ to: [{ class: 1, students: [11] }] });
  });

  test("what comes after a result is for children who did it: nothing is asked", () => {
    const did = { group: { did: [{ id: 12, name: "Bo Tideman", did: true }] } };
    expect(texts(look({}, did))).toEqual(["Bo Tideman did it already."]);
    expect(look({ follows: 31 }, did)).toEqual([]);
  });

  test("who did it and who only has it are told apart", () => {
    const [bo, aisha] = [
      { id: 12, name: "Bo Tideman" },
      { id: 11, name: "Aisha Bello" },
    ];
    const said = (did: boolean[]) =>
      texts(look({}, { group: { did: [bo, aisha].map((one, at) => ({ ...one, did: did[at]! })) } }))[0];
    expect(said([true, false])).toBe("Bo Tideman did it already. Aisha Bello has it already.");
    expect(said([true, true])).toMatch(/^Everyone you chose in .* did it already\.$/);
    expect(said([false, false])).toMatch(/^Everyone you chose in .* has it already\.$/);
  });

  test("two other things due on that day are too much: a day later is offered", () => {
    const found = look({}, { group: { alsoDue: [{ student: 11, count: 2 }] } });
    expect(texts(found)).toEqual(["One student has 2 other things or more due on that day."]);
    expect(changed(found, "load")).toEqual({ due: { kind: "at", at: "2026-12-01T15:00" } });
    expect(look({}, { group: { alsoDue: [{ student: 11, count: 1 }] } })).toEqual([]);
  });
});

describe("work that waits for earlier work", () => {
  const tides = { class: 1, title: "Tides", due: new Date("2026-11-26T15:00:00Z"), students: [11, 12] };
  const waits = (waitsFor: LookedAt["waitsFor"]) => look({ after: 5 }, { at: { waitsFor } });

  test("is said where some do not have that, where it is due first, and not where all is well", () => {
    expect(texts(waits(tides))).toEqual([]);
    expect(texts(waits({ ...tides, students: [12] }))).toEqual([
      "One student does not have “Tides”: for them it opens without waiting.",
    ]);
    const late = waits({ ...tides, due: new Date("2026-12-24T15:00:00Z") });
    expect(texts(late)).toEqual(["It is due no later than “Tides”, which it waits for."]);
    expect(changed(late, "after due")).toEqual({ after: null });
  });

  test("stops where that is gone, or another class's", () => {
    expect(waits(null)).toMatchObject([{ level: "stop", text: "The work it waits for is not there any more." }]);
    const other = waits({ ...tides, class: 2 });
    expect(other[0]).toMatchObject({ level: "stop" });
    expect(changed(other, "after")).toEqual({ after: null });
  });
});

test("what stops it stands before what is only worth a look", () => {
  const found = look(
    { due: { kind: "at", at: "2026-11-24T15:00" } },
    { at: { barClass: { id: 2, name: "4/5 Puffin" } } },
  );
  expect(found.map(({ level }) => level)).toEqual(["stop", "remark"]);
});

test("a film needs a yes for the voice and for the picture", () => {
  const question = { ...newQuestion("clip", "en", newId), prompt: { en: richText("Show it.") } };
  const filmed = lesson("Show it", {
    steps: [newStep("en", "A step", newId, [{ id: "b1", type: "question", question }])],
  });
  const [aisha, bo] = [
    { id: 11, name: "Aisha Bello" },
    { id: 12, name: "Bo Lind" },
  ];
  const at = { withoutConsent: { voice: [aisha], picture: [bo] } };
  expect(texts(look({}, { resources: [resource(filmed)], at }))).toEqual([
    "It asks for a film with sound. There is no consent from home yet for Aisha Bello.",
    "It asks for a film. There is no consent from home yet for Bo Lind.",
  ]);
});

test("work that asks for a voice says which children may not record one yet, and leaves them out with one press", () => {
  const spoken = lesson("Say it", {
    steps: [
      newStep("en", "A step", newId, [
        {
          id: "b1",
          type: "question",
          question: {
            ...{ id: "q1", type: "speech", prompt: { en: richText("Say it.") }, marks: 1, longest: 30 },
            ...{ partial: "by part", checked: "at once" },
          } as Question,
        },
      ]),
    ],
  });
  const aisha = { id: 11, name: "Aisha Bello" };
  const at = { withoutConsent: { voice: [aisha], picture: [] } };
  const found = look({}, { resources: [resource(spoken)], at });
  expect(texts(found)).toEqual(["It asks for a recording. There is no consent from home yet for Aisha Bello."]);
  expect(changed(found, "consent")).toEqual({ to: [{ class: 1, students: [12] }] });
  expect(look({}, { at })).toEqual([]);
});
