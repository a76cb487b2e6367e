import { AssignmentForm, readWhen, remarks, sayAssignment, stateOf } from "./assignment";

const zone = "Europe/London";
const now = new Date("2026-11-25T10:00:00Z"); // a Wednesday
const good = readWhen({ opens: "2026-11-26T08:00", due: "2026-11-30T15:00" }, zone, now);

describe("when work opens and is due", () => {
  test("is read on the school's clock", () => {
    expect(good).toEqual({ opens: new Date("2026-11-26T08:00:00Z"), due: new Date("2026-11-30T15:00:00Z") });
    expect(readWhen({ opens: "2026-06-01T08:00", due: "2027-06-02T08:00" }, zone, now)).toMatchObject({
      opens: new Date("2026-06-01T07:00:00Z"),
    });
  });

  test("no opening time means now", () => {
    expect(readWhen({ opens: "", due: "2026-11-30T15:00" }, zone, now)).toMatchObject({ opens: now });
  });

  test.each([
    [{ opens: "", due: "2026-11-24T15:00" }, "due", "Tue 24 Nov, 3 in the afternoon is already past"],
    [{ opens: "2026-12-02T08:00", due: "2026-12-01T15:00" }, "due", "due before it opens"],
    [{ opens: "2026-12-02T08:00", due: "2026-12-02T08:00" }, "due", "due before it opens"],
    [{ opens: "", due: "" }, "due", "Say when it is due"],
    [{ opens: "soon", due: "2026-12-01T15:00" }, "opens", "not a date and time"],
  ])("%j is refused, with the field and the reason", (form, field, reason) => {
    expect(readWhen(form, zone, now)).toEqual({ field, reason: expect.stringContaining(reason) as string });
  });
});

describe("what is worth a second look", () => {
  const when = (opens: string, due: string) => ({ opens: new Date(opens), due: new Date(due) });
  test("nothing, when nothing is odd", () => {
    expect(remarks(when("2026-11-26T08:00:00Z", "2026-11-30T15:00:00Z"), zone)).toEqual([]);
  });
  test("evening instead of morning, and the weekend", () => {
    expect(remarks(when("2026-11-26T19:00:00Z", "2026-11-28T15:00:00Z"), zone)).toEqual([
      "It opens in the evening, not in the morning.",
      "It is due at the weekend.",
    ]);
    expect(remarks(when("2026-11-26T08:00:00Z", "2026-11-27T03:00:00Z"), zone)).toEqual([
      "It is due at night, not in the morning.",
    ]);
  });
});

describe("said back in one sentence", () => {
  const of = {
    students: 22,
    all: true,
    className: "5 Kittiwake",
    title: "Reading a tide table",
    when: good as { opens: Date; due: Date },
    opensNow: false,
    tries: 1,
    zone,
    now,
  };
  test("a whole class", () => {
    expect(sayAssignment(of)).toBe(
      "All 22 students of 5 Kittiwake get “Reading a tide table” on Thu 26 Nov, 8 in the morning, due Mon 30 Nov, 3 in the afternoon, with one try.",
    );
  });
  test("one student, now, as often as wanted", () => {
    expect(sayAssignment({ ...of, students: 1, all: false, opensNow: true, tries: null })).toContain(
      "1 student of 5 Kittiwake gets “Reading a tide table” now, due",
    );
    expect(sayAssignment({ ...of, tries: 3 })).toContain("with 3 tries");
    expect(sayAssignment({ ...of, tries: null })).toContain("as many tries as they want");
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
  const form = {
    resource: 1,
    class: 1,
    students: [1],
    opens: "",
    due: "2026-12-01T15:00",
    tries: 1,
    keep: "best",
    checking: "at once",
  };
  expect(AssignmentForm.safeParse(form).success).toBe(true);
  for (const odd of [
    { students: [] },
    { tries: 0 },
    { tries: 21 },
    { tries: 1.5 },
    { keep: "worst" },
    { checking: "sometimes" },
    { resource: "1" },
  ]) {
    expect(AssignmentForm.safeParse({ ...form, ...odd }).success).toBe(false);
  }
});
