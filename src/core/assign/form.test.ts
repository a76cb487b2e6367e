import { daily, isles } from "../calendar/testing/calendar";
import { plainForm } from "./plain-form";
import { AssignForm, isProblem, stateOf, whenFor, type Due, type Opens } from "./form";

const now = new Date("2026-11-25T10:00:00Z"); // a Wednesday, after that day's lesson
const when = (opens: Opens, due: Due, later = 0, closes: AssignForm["closes"] = "never") =>
  whenFor({ opens, due, closes }, isles, daily, now, later);
const at = (text: string) => ({ kind: "at" as const, at: text });
const days = (n: number, time = "15:00") => ({ kind: "days" as const, days: n, time });
const iso = (result: ReturnType<typeof when>) =>
  isProblem(result) ? result.reason : [result.opens.toISOString().slice(0, 16), result.due.toISOString().slice(0, 16)];

describe("when work opens and is due", () => {
  test("on the school's clock, by day and time", () => {
    expect(iso(when(at("2026-11-26T08:00"), at("2026-11-30T15:00")))).toEqual(["2026-11-26T08:00", "2026-11-30T15:00"]);
  });

  test("now means now, and not planned for a lesson", () => {
    expect(when({ kind: "now" }, at("2026-11-30T15:00"))).toMatchObject({ opens: now, meeting: null });
  });

  test("at the next lesson, or the third from now, leaving out the day off", () => {
    expect(iso(when({ kind: "meeting", n: 1 }, { kind: "meeting end" }))).toEqual([
      "2026-11-26T09:00",
      "2026-11-26T09:45",
    ]);
    expect(when({ kind: "meeting", n: 5 }, { kind: "meeting end" })).toMatchObject({
      meeting: { date: "2026-12-03", period: 1 },
    });
  });

  test("at a lesson that was picked; the next parts at the lessons after it", () => {
    const place: Opens = { kind: "place", date: "2026-12-01", period: 1 };
    expect(iso(when(place, { kind: "meeting end" }))).toEqual(["2026-12-01T09:00", "2026-12-01T09:45"]);
    expect(iso(when(place, { kind: "meeting end" }, 1))).toEqual(["2026-12-03T09:00", "2026-12-03T09:45"]);
    expect(iso(when(place, days(2), 2))).toEqual(["2026-12-04T09:00", "2026-12-08T15:00"]);
  });

  test("due so many school days later, over weekend and day off", () => {
    expect(iso(when(at("2026-12-01T07:00"), days(2)))).toEqual(["2026-12-01T07:00", "2026-12-04T15:00"]);
    expect(iso(when(at("2026-12-01T07:00"), days(0)))).toEqual(["2026-12-01T07:00", "2026-12-01T15:00"]);
  });

  test("closes at a time of its own, never before it is due", () => {
    const closing = (closes: AssignForm["closes"]) => when({ kind: "now" }, at("2026-11-30T15:00"), 0, closes);
    expect(closing({ at: "2026-12-04T09:00" })).toMatchObject({ closes: new Date("2026-12-04T09:00:00Z") });
    expect(closing({ at: "2026-11-30T15:00" })).toMatchObject({ closes: new Date("2026-11-30T15:00:00Z") });
    expect(closing({ at: "2026-11-30T14:59" })).toMatchObject({
      field: "closes",
      reason: expect.stringMatching(/close before it is due/) as string,
    });
    expect(closing({ at: "soon" })).toMatchObject({ field: "closes", reason: "Say when it closes." });
  });

  test("closes when it is due, where that is wanted", () => {
    expect(when({ kind: "now" }, at("2026-11-30T15:00"), 0, "due")).toMatchObject({
      closes: new Date("2026-11-30T15:00:00Z"),
    });
    expect(when({ kind: "now" }, at("2026-11-30T15:00"))).toMatchObject({ closes: null });
  });

  test.each([
    [{ kind: "now" as const }, at("2026-11-24T15:00"), "due", "Tue 24 Nov, 3 in the afternoon is already past"],
    [at("2026-12-02T08:00"), at("2026-12-01T15:00"), "due", "due before it opens"],
    [at("2026-12-02T08:00"), at("2026-12-02T08:00"), "due", "due before it opens"],
    [{ kind: "now" as const }, at(""), "due", "Say when it is due"],
    [at("soon"), at("2026-12-01T15:00"), "opens", "not a date and time"],
    [{ kind: "now" as const }, { kind: "meeting end" as const }, "due", "does not open in a lesson"],
    [{ kind: "now" as const }, at("2027-06-01T15:00"), "due", "18 weeks"],
    [{ kind: "place" as const, date: "2026-12-02", period: 1 }, days(1), "opens", "no longer meets then"],
    [{ kind: "place" as const, date: "2026-12-01", period: 7 }, days(1), "opens", "no longer meets then"],
    [at("2027-03-31T08:00"), days(3), "due", "calendar ends before that"],
  ])("%j, due %j is refused, with the field and the reason", (opens, due, field, reason) => {
    expect(when(opens, due)).toEqual({ field, reason: expect.stringContaining(reason) as string });
  });
});

describe("scheduled, open, finished, called back", () => {
  const assignment = {
    opens: new Date("2026-11-26T08:00:00Z"),
    due: new Date("2026-11-30T15:00:00Z"),
    calledBack: null,
  };
  test.each([
    ["2026-11-26T07:59:59Z", "scheduled"],
    ["2026-11-26T08:00:00Z", "open"],
    ["2026-11-30T15:00:00Z", "open"],
    ["2026-11-30T15:00:01Z", "finished"],
  ])("at %s it is %s", (moment, state) => {
    expect(stateOf(assignment, new Date(moment))).toBe(state);
  });
  test("called back is called back, whenever", () => {
    expect(stateOf({ ...assignment, calledBack: now }, new Date("2026-11-27T08:00:00Z"))).toBe("called back");
  });
});

test("the form refuses what cannot be", () => {
  const form = plainForm({ resources: [1], to: [{ class: 1, students: [1] }] });
  expect(AssignForm.safeParse(form).success).toBe(true);
  for (const odd of [
    { to: [] },
    { to: [{ class: 1, students: [] }] },
    { resources: [] },
    { resources: ["1"] },
    { tries: 0 },
    { tries: 21 },
    { tries: 1.5 },
    { keep: "worst" },
    { checking: "sometimes" },
    { opens: { kind: "meeting", n: 0 } },
    { opens: { kind: "place", date: "2026-13-01", period: 1 } },
    { due: days(1, "25:00") },
    { factors: [{ student: 1, factor: 0.5 }] },
    { openDays: ["soon"] },
    { parts: [["a"]] },
    { goals: [""] },
  ]) {
    expect([odd, AssignForm.safeParse({ ...form, ...odd }).success]).toEqual([odd, false]);
  }
});
