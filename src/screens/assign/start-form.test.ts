import { plainSharing } from "@/core/review/sharing";
import type { Audience, AudienceClass } from "@/server/assign/audience";
import { openingFor } from "@/core/assign/opening";
import { startForm } from "./start-form";

const meeting = (group: number, date: string, period: number) => ({
  class: group,
  label: "Maths",
  date,
  period,
  cycleDay: null,
  starts: new Date(`${date}T09:00:00Z`),
  ends: new Date(`${date}T09:45:00Z`),
  minutes: 45,
  planned: 0,
});
const student = (id: number) => ({
  id,
  givenName: "A",
  familyName: "B",
  signInName: `a${id}`,
  grade: 5,
  readingGrade: null,
  factor: 1,
  readsAloud: false,
  languages: [],
  familyLanguage: null,
  badge: null,
  has: false,
});
const group = (id: number, more: Partial<AudienceClass> = {}): AudienceClass => ({
  id,
  name: `Class ${id}`,
  subject: "",
  periodMinutes: 45,
  students: [student(id * 10), student(id * 10 + 1)],
  groups: [],
  meetings: [meeting(id, "2026-12-01", 1), meeting(id, "2026-12-03", 1)],
  ...more,
});
const audience: Audience = {
  classes: [group(1), group(2, { meetings: [meeting(2, "2026-12-02", 5)] }), group(3, { meetings: [] })],
  versions: [],
  mains: [],
  dayFirst: true,
  steps: [],
  goalTags: [],
  individualGoals: [],
  zone: "Europe/London",
  schoolDays: [],
  earlier: [],
  like: null,
};
const to = (...classes: number[]) => classes.map((id) => ({ class: id, students: [id * 10] }));

describe("what is meant most often, before anything is chosen", () => {
  test("the whole class on top, at its next lesson, due two school days later at 3", () => {
    expect(startForm([7], audience, 2, null)).toMatchObject({
      resources: [7],
      to: [{ class: 2, students: [20, 21] }],
      opens: { kind: "place", date: "2026-12-02", period: 5 },
      due: { kind: "days", days: 2, time: "15:00" },
      tries: 1,
    });
  });

  test("the first class when none is on top; now when a class has no lessons", () => {
    expect(startForm([7], audience, null, null).to).toEqual([{ class: 1, students: [10, 11] }]);
    expect(startForm([7], audience, 3, null).opens).toEqual({ kind: "now" });
  });

  test("the class and the lesson it was dropped on, whatever is on top", () => {
    expect(startForm([7], audience, 2, { class: 1, date: "2026-12-03", period: 1 })).toMatchObject({
      to: [{ class: 1 }],
      opens: { kind: "place", date: "2026-12-03", period: 1 },
    });
  });

  test("the settings of earlier work, given again", () => {
    const like = {
      tries: null,
      keep: "last" as const,
      checking: "never" as const,
      sharing: plainSharing,
      goals: ["tables"],
      closes: "due" as const,
      stepWork: [{ step: "s", work: "pairs" as const }],
      versions: [{ student: 10, of: 7, resource: 9 }],
      parts: [["s"], ["t"]],
      steps: null,
      spread: "one a meeting" as const,
      due: { kind: "meeting end" as const },
    };
    expect(startForm([7], { ...audience, like }, 1, null)).toMatchObject(like);
    // Where no lesson is known, it cannot be due in one.
    expect(startForm([7], { ...audience, like }, 3, null)).toMatchObject({ ...like, due: { kind: "days", days: 2 } });
  });

  test("children a result was about: them alone, the steps they are to do again, and what it follows", () => {
    const [first] = audience.classes[0]!.students;
    const these = { class: 1, students: [first!.id, 999], follows: 31, steps: ["s"] };
    expect(startForm([7], audience, 2, null, these)).toMatchObject({
      ...{ to: [{ class: 1, students: [first!.id] }], steps: ["s"], follows: 31, parts: null, versions: [] },
    });
    // Nobody of them is in her class any more.
    expect(startForm([7], audience, 2, null, { ...these, students: [999] }).to).toEqual([]);
  });

  test("nobody, where she has no class", () => {
    expect(startForm([7], { ...audience, classes: [] }, null, null)).toMatchObject({ to: [], opens: { kind: "now" } });
  });
});

describe("when it opens after other classes were chosen", () => {
  const place = { kind: "place" as const, date: "2026-12-01", period: 1 };
  test("a lesson stays with the class that has it", () => {
    expect(openingFor(audience.classes, to(1), place)).toBe(place);
  });
  test("another class gets its own next lesson, not one it does not have", () => {
    expect(openingFor(audience.classes, to(2), place)).toEqual({ kind: "place", date: "2026-12-02", period: 5 });
  });
  test("several classes have it at the next lesson of each", () => {
    expect(openingFor(audience.classes, to(1, 2), place)).toEqual({ kind: "meeting", n: 1 });
    expect(openingFor(audience.classes, to(1, 2), { kind: "meeting", n: 3 })).toEqual({ kind: "meeting", n: 3 });
  });
  test("a day and time, and now, stay what they are", () => {
    for (const opens of [{ kind: "now" as const }, { kind: "at" as const, at: "2026-12-01T07:00" }])
      expect(openingFor(audience.classes, to(2), opens)).toBe(opens);
  });
  test("while nobody is chosen nothing changes", () => {
    expect(openingFor(audience.classes, [], place)).toBe(place);
  });
});
