import type { AssignForm } from "../form";
import { readLine } from "./read-line";
import { base, kittiwake, puffin, several, world } from "./testing";
import type { LineWorld } from "./world";

const read = (line: string, form = base, of: LineWorld = world) => readLine(line, of, form);
const formOf = (line: string, form = base, of: LineWorld = world) => read(line, form, of).form;
const all = (group: { id: number; students: readonly { id: number }[] }) => ({
  class: group.id,
  students: group.students.map(({ id }) => id),
});
const without = (...ids: number[]) => [
  { class: 1, students: puffin.students.map(({ id }) => id).filter((id) => !ids.includes(id)) },
];
const problems = (line: string, form = base, of: LineWorld = world) =>
  read(line, form, of).pieces.flatMap(({ problem }) => problem ?? []);

test("an empty line changes nothing", () => {
  expect(read("  ")).toEqual({ form: base, pieces: [] });
});

describe("the lines a teacher would type", () => {
  test("puffin except Bo, Mon 30 Nov to 11 Dec, 2 tries, goal equivalent fractions", () => {
    const { form, pieces } = read(
      "puffin except Bo, Mon 30 Nov to 11 Dec, 2 tries, goal equivalent fractions",
      several,
    );
    expect(form).toMatchObject({
      to: [all(puffin)],
      opens: { kind: "at", at: "2026-11-30T07:00" },
      due: { kind: "at", at: "2026-12-11T15:00" },
      tries: 2,
      goals: ["Equivalent fractions"],
    });
    expect(pieces.map(({ label, said }) => `${label}: ${said}`)).toEqual([
      "Who: 4/5 Puffin, all 6",
      "Except: Bo?",
      "Opens: Mon 30 Nov, 7 in the morning",
      "Due: Fri 11 Dec, 3 in the afternoon",
      "Tries: two",
      "Goal: Equivalent fractions",
    ]);
    expect(pieces[1]).toMatchObject({
      problem: "Nobody in 4/5 Puffin is called Bo. Bo Tideman is in 5 Kittiwake.",
      offers: [
        { text: "Benno Lasz", replace: "Benno Lasz" },
        { text: "nobody", replace: "" },
      ],
    });
  });

  test("kittiwake tue first lesson due friday 3", () => {
    const { form, pieces } = read("kittiwake tue first lesson due friday 3");
    expect(form).toMatchObject({
      to: [all(kittiwake)],
      opens: { kind: "place", date: "2026-12-01", period: 2 },
      due: { kind: "at", at: "2026-12-04T15:00" },
    });
    expect(pieces.every(({ problem }) => problem === null)).toBe(true);
  });

  test("red boats short version, rest normal", () => {
    const { form, pieces } = read("red boats short version, rest normal");
    expect(form.to).toEqual(base.to);
    expect(form.versions).toEqual([
      { student: 11, of: 7, resource: 901 },
      { student: 12, of: 7, resource: 901 },
    ]);
    expect(pieces.map(({ said }) => said)).toEqual([
      "Red boats, 2 of 4/5 Puffin: “Reading a tide table, short”",
      "the other 4: the one you chose",
    ]);
  });

  test("now", () => {
    expect(formOf("now")).toEqual({ ...base, opens: { kind: "now" } });
  });
});

describe("who gets it", () => {
  test.each<[string, AssignForm["to"]]>([
    ["kitti", [all(kittiwake)]],
    ["kittywake", [all(kittiwake)]],
    ["4/5 Puffin and 5 Kittiwake", [all(puffin), all(kittiwake)]],
    ["all my classes", [all(puffin), all(kittiwake)]],
    ["red boats", [{ class: 1, students: [11, 12] }]],
    ["puffin red boats", [{ class: 1, students: [11, 12] }]],
    [
      "Marek, Opal and Bo",
      [
        { class: 1, students: [12, 14] },
        { class: 2, students: [21] },
      ],
    ],
    ["grade 5 of puffin", [{ class: 1, students: [13, 14, 16] }]],
    ["fifth graders", [{ class: 1, students: [13, 14, 16] }]],
    ["Aina Berg", [{ class: 1, students: [15] }]],
    ["Aina V", [{ class: 1, students: [16] }]],
    ["everyone except Hari", without(13)],
    ["except Marek, Hari and Opal, now", without(12, 13, 14)],
    ["without the terns", without(13, 14)],
    ["except those who have it", without(13)],
    ["except Marek's", without(12)],
    ["Wren Sun", [{ class: 2, students: [23] }]],
  ])("%s", (line, to) => {
    expect(formOf(line).to).toEqual(to);
    expect(problems(line)).toEqual([]);
  });

  test("two of one name are told apart by her", () => {
    const [piece] = read("except Aina").pieces;
    expect(piece).toMatchObject({
      problem: "Two students have this name.",
      offers: [{ replace: "Aina Berg" }, { replace: "Aina Voss" }],
    });
    expect(formOf("except Aina").to).toEqual(base.to);
  });

  test("nobody is left out silently when a name is unknown, and the others still are", () => {
    expect(formOf("except Zed, Marek").to).toEqual(without(12));
    expect(formOf("except Marek and Zed, now").to).toEqual(without(12));
    expect(problems("except Zed")).toEqual(["Nobody in 4/5 Puffin is called Zed."]);
  });

  test("what is said of the next child after a comma does not leave him out", () => {
    const { to, factors } = formOf("except Marek, Opal double time");
    expect(to).toEqual(without(12));
    expect(factors).toEqual([{ student: 14, factor: 2 }]);
  });

  test("leaving out someone who would not get it is said", () => {
    expect(problems("red boats except Opal")).toEqual(["They would not get it anyway."]);
  });

  test("another class moves what opens at a lesson to its own next lesson", () => {
    expect(formOf("kittiwake").opens).toEqual({ kind: "place", date: "2026-11-30", period: 2 });
    expect(formOf("puffin and kittiwake").opens).toEqual({ kind: "meeting", n: 1 });
  });
});

describe("when it opens", () => {
  test.each<[string, AssignForm["opens"]]>([
    ["straight away", { kind: "now" }],
    ["today", { kind: "now" }],
    ["tomorrow", { kind: "at", at: "2026-11-27T07:00" }],
    ["mon", { kind: "at", at: "2026-11-30T07:00" }],
    ["on Monday at 9", { kind: "at", at: "2026-11-30T09:00" }],
    ["next friday", { kind: "at", at: "2026-12-04T07:00" }],
    ["thursday", { kind: "at", at: "2026-12-03T07:00" }],
    ["30 nov", { kind: "at", at: "2026-11-30T07:00" }],
    ["Nov 30 2026", { kind: "at", at: "2026-11-30T07:00" }],
    ["the 30th of November", { kind: "at", at: "2026-11-30T07:00" }],
    ["the 2nd", { kind: "at", at: "2026-12-02T07:00" }],
    ["3/12", { kind: "at", at: "2026-12-03T07:00" }],
    ["3.12. 8:15", { kind: "at", at: "2026-12-03T08:15" }],
    ["2026-12-03 13:00", { kind: "at", at: "2026-12-03T13:00" }],
    ["15/01", { kind: "at", at: "2027-01-15T07:00" }],
    ["tue half past 1", { kind: "at", at: "2026-12-01T13:30" }],
    ["tue quarter to 9", { kind: "at", at: "2026-12-01T08:45" }],
    ["tue 7 in the evening", { kind: "at", at: "2026-12-01T19:00" }],
    ["tue 12 am", { kind: "at", at: "2026-12-01T00:00" }],
    ["tue noon", { kind: "at", at: "2026-12-01T12:00" }],
    ["tue 7.30", { kind: "at", at: "2026-12-01T07:30" }],
    ["at 2", { kind: "at", at: "2026-11-26T14:00" }],
    ["at 8", { kind: "at", at: "2026-11-27T08:00" }],
    ["next lesson", { kind: "place", date: "2026-11-27", period: 1 }],
    ["tue second lesson", { kind: "place", date: "2026-12-01", period: 5 }],
    ["tue last lesson", { kind: "place", date: "2026-12-01", period: 5 }],
    ["tue science", { kind: "place", date: "2026-12-01", period: 5 }],
    ["the science lesson", { kind: "place", date: "2026-12-01", period: 5 }],
    ["1 Dec period 5", { kind: "place", date: "2026-12-01", period: 5 }],
    ["puffin and kittiwake next lesson", { kind: "meeting", n: 1 }],
  ])("%s", (line, opens) => {
    expect(formOf(line).opens).toEqual(opens);
    expect(problems(line)).toEqual([]);
  });

  test("where the month comes first, 3/12 is 12 March and 12/3 is 3 December", () => {
    const american = { ...world, dayFirst: false };
    expect(formOf("12/3", base, american).opens).toEqual({ kind: "at", at: "2026-12-03T07:00" });
    expect(formOf("3/12", base, american).opens).toEqual({ kind: "at", at: "2027-03-12T07:00" });
  });

  test.each([
    ["Mon 1 Dec", "1 Dec is a Tue, not a Mon.", ["Tue 1 Dec", "Mon 30 Nov"]],
    ["31 Feb", "There is no 31 Feb.", []],
    ["tue third lesson", "4/5 Puffin has only 2 lessons on Tue 1 Dec.", ["Tue 1 Dec period 1"]],
    ["wed first lesson", "4/5 Puffin has no lesson like that on Wed 2 Dec.", ["Thu 3 Dec period 1"]],
  ])("%s cannot be: it says why and what may have been meant", (line, problem, replaces) => {
    const { form, pieces } = read(line);
    expect(form.opens).toEqual(base.opens);
    expect(pieces[0]!.problem).toBe(problem);
    expect(pieces[0]!.offers.map(({ replace }) => replace)).toEqual(replaces);
  });
});

describe("when it is due", () => {
  test.each<[string, AssignForm["due"]]>([
    ["due fri", { kind: "at", at: "2026-12-04T15:00" }],
    ["by tomorrow 4 pm", { kind: "at", at: "2026-11-27T16:00" }],
    ["now until wednesday noon", { kind: "at", at: "2026-12-02T12:00" }],
    ["mon-fri", { kind: "at", at: "2026-12-04T15:00" }],
    ["mon – fri at 2", { kind: "at", at: "2026-12-04T14:00" }],
    ["3/12-9/12", { kind: "at", at: "2026-12-09T15:00" }],
    ["from tue to the 11th", { kind: "at", at: "2026-12-11T15:00" }],
    ["tue science, due 3", { kind: "at", at: "2026-12-01T15:00" }],
    ["due in 3 school days", { kind: "days", days: 3, time: "15:00" }],
    ["in five school days at 9", { kind: "days", days: 5, time: "09:00" }],
    ["mon, for two weeks", { kind: "at", at: "2026-12-14T15:00" }],
    ["now, 3 days later", { kind: "at", at: "2026-11-29T15:00" }],
    ["next lesson, due in that lesson", { kind: "meeting end" }],
    ["tue reading due thu reading", { kind: "at", at: "2026-12-03T08:50" }],
  ])("%s", (line, due) => {
    expect(formOf(line).due).toEqual(due);
    expect(problems(line)).toEqual([]);
  });

  test("work that opens at no lesson cannot be due at the end of one", () => {
    expect(problems("now, due in that lesson")).toEqual(["It does not open in a lesson."]);
    expect(formOf("now", { ...base, due: { kind: "meeting end" } }).due).toEqual({
      kind: "days",
      days: 2,
      time: "15:00",
    });
  });

  test("only on some days", () => {
    expect(formOf("mon 30 nov to 11 dec, only on tue and thu").openDays).toEqual([
      "2026-12-01",
      "2026-12-03",
      "2026-12-08",
      "2026-12-10",
    ]);
  });
});

describe("how it is done", () => {
  test.each<[string, Partial<AssignForm>]>([
    ["two tries", { tries: 2 }],
    ["3 times", { tries: 3 }],
    ["once", { tries: 1 }],
    ["as many tries as they want, the last counts", { tries: null, keep: "last" }],
    ["checked at the end", { checking: "at the end" }],
    ["due fri, closes then", { closes: "due" }],
    ["due fri 4 dec, closes mon 7 dec 5 pm", { closes: { at: "2026-12-07T17:00" } }],
    ["due fri 4 dec, closed on 8 dec 09:30, 2 tries", { closes: { at: "2026-12-08T09:30" }, tries: 2 }],
    ["due fri 4 dec 3pm, closes a week later", { closes: { at: "2026-12-11T15:00" } }],
    ["goals range and median", { goals: ["range", "median"] }],
    ["goal reads charts and tables due fri", { goals: ["Reads charts and tables"] }],
    ["one in each lesson, in order", { spread: "one a meeting", inOrder: true }],
  ])("%s", (line, form) => {
    expect(formOf(line, several)).toMatchObject(form);
    expect(problems(line, several)).toEqual([]);
  });

  test("an order of one thing makes no sense, and is said", () => {
    expect(problems("in order")).toEqual(["It is only one thing."]);
  });

  test.each<[string, AssignForm["factors"]]>([
    ["Marek 1.5x", [{ student: 12, factor: 1.5 }]],
    ["Marek and Opal double time", [12, 14].map((student) => ({ student, factor: 2 }))],
    ["extra time for Marek", [{ student: 12, factor: 1.5 }]],
    ["terns 25% more time", [13, 14].map((student) => ({ student, factor: 1.25 }))],
    ["Hari the usual time", [{ student: 13, factor: 1 }]],
  ])("%s", (line, factors) => {
    expect(formOf(line).factors).toEqual(factors);
    expect(problems(line)).toEqual([]);
  });

  test.each<[string, AssignForm["versions"]]>([
    ["Marek easier version", [{ student: 12, of: 7, resource: 902 }]],
    ["Opal gets the Spanish version", [{ student: 14, of: 7, resource: 903 }]],
    ["Marek version harbour master", [{ student: 12, of: 7, resource: 902 }]],
    ["Marek harbour version", [{ student: 12, of: 7, resource: 902 }]],
  ])("%s", (line, versions) => {
    expect(formOf(line).versions).toEqual(versions);
    expect(problems(line)).toEqual([]);
  });

  test("of several easier versions the easiest is meant, of several shorter ones the shortest", () => {
    const easier = (id: number, readingGrade: number, minutes: number) => ({
      ...{ id, of: 7, title: `Version ${id}`, minutes, readingGrade, languages: ["en"] },
    });
    const versions = [easier(911, 3.1, 35), easier(912, 2.2, 30), easier(913, 2.6, 15)];
    for (const all of [versions, versions.toReversed()]) {
      const of = { ...world, versions: all };
      expect(formOf("Marek easier version", base, of).versions).toEqual([{ student: 12, of: 7, resource: 912 }]);
      expect(formOf("Marek shorter version", base, of).versions).toEqual([{ student: 12, of: 7, resource: 913 }]);
    }
  });

  test("several classes get it at a lesson of their own, which is said", () => {
    const said = (line: string) => read(line).pieces.find(({ label }) => label === "Opens")?.said;
    expect(said("puffin and kittiwake, next lesson")).toBe("the next lesson of each class");
    expect(formOf("puffin and kittiwake, next lesson").opens).toEqual({ kind: "meeting", n: 1 });
    expect(said("puffin and kittiwake, second lesson")).toBe("2 lessons from now, each class its own");
  });

  test("an hour there is not is no hour", () => {
    expect(formOf("tue at half past 9").opens).toEqual({ kind: "at", at: "2026-12-01T09:30" });
    expect(formOf("tue at quarter to 1").opens).toEqual({ kind: "at", at: "2026-12-01T12:45" });
    for (const hour of ["0", "13"]) expect(problems(`tue at half past ${hour}`)).not.toEqual([]);
  });

  test("versions there are not are said; of several things, each that has such a one is meant", () => {
    expect(problems("Marek the French version")).toEqual(["There is no French version of it."]);
    const more = {
      ...world,
      mains: [...world.mains, { id: 8, minutes: 30, readingGrade: 5, languages: ["en"] }],
      versions: [...world.versions, { ...world.versions[0]!, id: 904, of: 8, title: "Ferries, short" }],
    };
    const { form, pieces } = read("Marek short version", several, more);
    expect(form.versions).toEqual([
      { student: 12, of: 7, resource: 901 },
      { student: 12, of: 8, resource: 904 },
    ]);
    expect(pieces.map(({ said }) => said).join()).toContain("“Reading a tide table, short” and “Ferries, short”");
    // What one of them alone has leaves the other as it was.
    const spanish = read("Marek short version, Marek Spanish version", several, more).form.versions;
    expect(spanish).toContainEqual({ student: 12, of: 7, resource: 903 });
    expect(problems("Marek the French version", several, more)).toEqual(["There is no French version of them."]);
    expect(problems("Bo short version")[0]).toContain("Nobody in 4/5 Puffin is called Bo");
  });
});

describe("what is not understood", () => {
  test("stays where it stands, is marked and changes nothing; what is around it counts", () => {
    const line = "puffin whenever possible, 2 tries";
    const { form, pieces } = read(line);
    expect(form.tries).toBe(2);
    const [, unknown] = pieces;
    expect(unknown).toMatchObject({ label: "Not understood", problem: "“whenever possible” is not understood." });
    expect(line.slice(unknown!.from, unknown!.to)).toBe("whenever possible");
  });

  test("any text at all is read without an error, and every piece lies within the line, in order", () => {
    const words =
      "puffin bo except to due , ; fri 3 30 nov lesson goal 2 tries x 1.5x rest normal the version – 99/99 only in half past “ é".split(
        " ",
      );
    let state = 5;
    const draw = (below: number) => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) % below;
    for (let n = 0; n < 2000; n += 1) {
      const line = Array.from({ length: draw(12) }, () => words[draw(words.length)]).join(" ");
      const { pieces } = read(line, several);
      let last = 0;
      for (const { from, to } of pieces) {
        expect([line, from >= last && to > from && to <= line.length]).toEqual([line, true]);
        last = to;
      }
    }
  });
});
