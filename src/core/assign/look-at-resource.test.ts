import { lesson } from "@/data/testing/world";
import type { Document } from "../resource/document";
import { richText } from "../content/rich-text";
import { changed, look, remedyOf, resource, texts } from "./testing/looked";

describe("whether it suits the class", () => {
  test("text far above the class: an easier version is offered", () => {
    const hard = resource(lesson("Tides"));
    const found = look(
      {},
      {
        resources: [{ ...hard, facts: { ...hard.facts, readingGrade: 9 } }],
        at: { versions: [{ id: 2, of: 1, title: "Tides, plainly", readingGrade: 4.5, minutes: 20 }] },
      },
    );
    expect(texts(found)[0]).toContain("far above everyone");
    expect(changed(found, "reading")).toEqual({ resources: [2], versions: [] });
  });

  test("made for another grade: her class of that grade is offered", () => {
    const found = look(
      {},
      {
        resources: [resource(lesson("For seven", { grades: { from: 7, to: 8 } }))],
        at: {
          others: [{ id: 3, name: "7 Cormorant", students: [31], grades: { from: 7, to: 7 } }],
        },
      },
    );
    expect(texts(found)).toEqual(["“For seven” made for grades 7 to 8."]);
    expect(changed(found, "grade")).toMatchObject({ to: [{ class: 3, students: [31] }] });
  });

  test("another class than the bar says: the one in the bar is offered", () => {
    const found = look(
      {},
      {
        at: {
          barClass: { id: 2, name: "4/5 Puffin" },
          others: [{ id: 2, name: "4/5 Puffin", students: [21], grades: { from: 4, to: 5 } }],
        },
      },
    );
    expect(texts(found)).toEqual(["You are assigning it to 5 Kittiwake; the bar above says 4/5 Puffin."]);
    expect(changed(found, "bar")).toMatchObject({ to: [{ class: 2, students: [21] }] });
  });
});

describe("the thing itself", () => {
  const base = lesson("Tides");
  const [step] = base.steps as [Document["steps"][number]];
  const withStep = (more: Partial<Document["steps"][number]>) => resource({ ...base, steps: [{ ...step, ...more }] });

  test("a missing answer and an absent description, with the way to the place", () => {
    const found = look(
      {},
      {
        resources: [
          withStep({
            blocks: [
              ...step.blocks.map((block) =>
                block.type === "question" ? { ...block, question: { ...block.question, right: null } as never } : block,
              ),
              { id: "p", type: "picture", media: "shipped:x", description: {}, decorative: false } as never,
            ],
          }),
        ],
      },
    );
    expect(texts(found)).toEqual(["A picture has no description.", "A choice has no right answer."]);
    expect(remedyOf(found, "unfinished")).toEqual({ text: "Go there", href: `/adapt/1?step=${step.id}` });
  });

  test("somebody else's voice is said, also where its author's own lesson is given", () => {
    const recording = { media: "shipped:v", by: 9, name: "Rona Sundin", seconds: 4, kept: true };
    const found = look(
      {},
      { resources: [withStep({ instructions: { en: { text: richText("Look."), recording: recording as never } } })] },
    );
    expect(texts(found)).toEqual(["Rona Sundin speaks the instructions, not you."]);
    expect(remedyOf(found, "voice")).toEqual({ text: "Assign a copy without any voice", copyWithoutVoices: 1 });
  });

  test("her own voice is nothing to say, and of several voices all are named", () => {
    const spoken = (...voices: [by: number, name: string][]) => {
      const instructions = voices.map(([by, name], at) => [
        `x${at}`,
        { text: richText("Look."), recording: { media: "shipped:v", by, name, seconds: 4, kept: true } },
      ]);
      const found = look({}, { resources: [withStep({ instructions: Object.fromEntries(instructions) as never })] });
      return texts(found).filter((text) => text.includes("the instructions"));
    };
    expect(spoken([7, "Ines Halloran"])).toEqual([]);
    expect(spoken([7, "Ines Halloran"], [9, "Rona Sundin"], [8, "Odd Berg"])).toEqual([
      "Rona Sundin and Odd Berg speak the instructions, not you.",
    ]);
  });

  test("a version that some get instead is looked at as well, and named", () => {
    const link = { id: "l", type: "link", href: "https://tides.example/today", label: { en: "Tides today" } };
    const version = { ...withStep({ blocks: [...step.blocks, link as never] }), id: 2, title: "Short tides" };
    expect(texts(look({}, { at: { versionsToAssign: [version] } }))).toEqual([
      "“Short tides”: Links go outside the school: tides.example.",
    ]);
  });

  test("a link that leaves the school is named by its host; one in the teacher's notes is not", () => {
    const link = { id: "l", type: "link", href: "https://tides.example/today", label: { en: "Tides today" } };
    expect(texts(look({}, { resources: [withStep({ blocks: [...step.blocks, link as never] })] }))).toEqual([
      "Links go outside the school: tides.example.",
    ]);
  });

  test("a file that is stored no more", () => {
    const file = "a".repeat(64);
    const picture = { id: "p", type: "picture", media: file, decorative: true, description: {} };
    const document = withStep({ blocks: [...step.blocks, picture as never] });
    expect(texts(look({}, { resources: [{ ...document, gone: [file] }] }))).toEqual([
      "A file is missing. Add it again.",
    ]);
    expect(look({}, { resources: [document] })).toEqual([]);
  });

  test("all rights kept by somebody of another school", () => {
    const document = { ...base, licence: "all-rights-reserved" as const };
    const theirs = { mine: false, owner: 9, ownerName: "Judit Varga", sameSchool: false };
    expect(texts(look({}, { resources: [resource(document, theirs)] }))[0]).toContain("Judit Varga keeps all rights");
    expect(look({}, { resources: [resource(document, { ...theirs, sameSchool: true })] })).toEqual([]);
  });

  test("of several things, what leads out, what is kept and what is far too hard is left out in one press; the rest stays", () => {
    const link = { id: "l", type: "link", href: "https://tides.example/today", label: { en: "Tides today" } };
    const kept = { ...base, licence: "all-rights-reserved" as const };
    const theirs = { mine: false, owner: 9, ownerName: "Judit Varga", sameSchool: false };
    const [out, kept2, hard] = [
      withStep({ blocks: [...step.blocks, link as never] }),
      { ...resource(kept, theirs), id: 2, title: "Kept" },
      { ...resource(base), id: 3, title: "Hard", facts: { ...resource(base).facts, readingGrade: 11 } },
    ];
    const versions = [
      { student: 11, of: 2, resource: 8 },
      { student: 12, of: 1, resource: 9 },
    ];
    const found = look({ resources: [1, 2, 3], versions }, { resources: [out, kept2, hard] });
    expect(changed(found, "link 1")).toEqual({ resources: [2, 3], versions: [versions[0]] });
    expect(changed(found, "licence 2")).toEqual({ resources: [1, 3], versions: [versions[1]] });
    expect(changed(found, "reading 3")).toEqual({ resources: [1, 2], versions });
  });

  test("the only thing is not left out: the way to the link is shown", () => {
    const link = { id: "l", type: "link", href: "https://tides.example/today", label: { en: "Tides today" } };
    const found = look({}, { resources: [withStep({ blocks: [...step.blocks, link as never] })] });
    expect(remedyOf(found, "link")).toEqual({ text: "Go there", href: `/adapt/1?step=${step.id}` });
  });
});
