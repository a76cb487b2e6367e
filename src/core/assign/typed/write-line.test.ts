import type { AssignForm } from "../form";
import { readLine } from "./read-line";
import { base, kittiwake, puffin, several, world } from "./testing";
import { beneathLine, writeLine } from "./write-line";

const ids = (group: { students: readonly { id: number }[] }) => group.students.map(({ id }) => id);

test("a form nobody touched is an empty line", () => {
  expect(writeLine(base, base, world)).toBe("");
});

test("what was changed by hand is said as she could have typed it", () => {
  const form: AssignForm = {
    ...several,
    to: [{ class: 1, students: ids(puffin).filter((id) => id !== 11) }],
    opens: { kind: "at", at: "2026-11-30T07:00" },
    due: { kind: "at", at: "2026-12-11T15:00" },
    tries: 2,
    goals: ["Equivalent fractions"],
  };
  expect(writeLine(form, several, world)).toBe(
    "4/5 Puffin except Benno Lasz, from Mon 30 Nov 07:00, due Fri 11 Dec 15:00, 2 tries, goal Equivalent fractions",
  );
});

/** Forms as hands would make them, drawn by chance. */
function* forms(count: number): Generator<AssignForm> {
  let state = 3;
  const draw = (below: number) => ((state = (Math.imul(state, 1664525) + 1013904223) >>> 0) >>> 8) % below;
  const one = <Value>(list: readonly Value[]) => list[draw(list.length)]!;
  const some = (list: readonly number[]) => list.filter(() => draw(3) > 0);
  for (let n = 0; n < count; n += 1) {
    const single = draw(2) === 0;
    const to = [
      { class: 1, students: one([ids(puffin), [11, 12], some(ids(puffin))]) },
      { class: 2, students: one([[], ids(kittiwake), some(ids(kittiwake))]) },
    ].filter(({ students }) => students.length > 0);
    const students = to.flatMap((each) => each.students);
    if (students.length === 0) continue;
    const alone = to.length === 1 ? (to[0]!.class === 1 ? puffin : kittiwake) : null;
    const opens: AssignForm["opens"] = one([
      { kind: "now" },
      { kind: "at", at: "2026-12-02T08:15" },
      alone
        ? { kind: "place", date: alone.meetings[1]!.date, period: alone.meetings[1]!.period }
        : { kind: "meeting", n: 1 + draw(3) },
    ]);
    const lesson = opens.kind === "place" || opens.kind === "meeting";
    yield {
      ...(single ? base : several),
      to,
      opens,
      due: one<AssignForm["due"]>([
        { kind: "at", at: "2026-12-11T18:30" },
        { kind: "days", days: draw(9), time: "09:00" },
        ...(lesson ? [{ kind: "meeting end" } as const] : []),
      ]),
      versions: single
        ? [901, 902].flatMap((resource) =>
            students.slice(0, 1 + draw(2)).length > 1
              ? []
              : resource === 901
                ? [{ student: students[0]!, of: 7, resource }]
                : [],
          )
        : [],
      factors: draw(2) ? [{ student: students.at(-1)!, factor: one([1, 1.25, 1.5, 2]) }] : [],
      closes: one<AssignForm["closes"]>(["never", "due", { at: "2026-12-18T17:30" }]),
      spread: single ? "together" : one(["together", "one a meeting"]),
      inOrder: !single && draw(2) === 1,
      openDays: one([null, ["2026-12-03", "2026-12-08"]]),
      tries: one([1, 2, 7, null]),
      keep: one(["best", "last", "first"]),
      checking: one(["at once", "at the end", "after due", "never"]),
      goals: one([[], ["Equivalent fractions"], ["Range; and median", "Reads charts and tables"]]).map((goal) =>
        goal.replace(";", ""),
      ),
    };
  }
}

test("whatever hands change, the line says the same: it reads back as the form", () => {
  let count = 0;
  for (const form of forms(600)) {
    const start = form.resources.length === 1 ? base : several;
    const line = writeLine(form, start, world);
    const read = readLine(line, world, start);
    expect([line, read.form]).toEqual([line, form]);
    expect([line, read.pieces.filter(({ problem }) => problem)]).toEqual([line, []]);
    count += 1;
  }
  expect(count).toBeGreaterThan(500);
});

test("what it could only say wrongly it does not say: children of one name, a goal with a comma or with words of another sort", () => {
  const twins = {
    ...world,
    classes: world.classes.map((group) => ({
      ...group,
      students: group.students.map((one) => (one.id === 16 ? { ...one, familyName: "Berg" } : one)),
    })),
  };
  const some: AssignForm = { ...base, to: [{ class: 1, students: ids(puffin).filter((id) => id !== 16) }], tries: 2 };
  expect(writeLine(some, base, twins)).toBe("2 tries");
  expect(readLine("2 tries, now", twins, beneathLine(some, base, "2 tries", twins)).form.to).toEqual(some.to);
  for (const goal of ["Range, and median", "Counts in order"]) {
    const form: AssignForm = { ...base, goals: [goal], tries: 3 };
    const line = writeLine(form, base, world);
    expect(line).toBe("3 tries");
    expect(readLine(`${line}, now`, world, beneathLine(form, base, line, world)).form.goals).toEqual([goal]);
  }
});

test("what a line cannot say stays beneath it, and typing on does not lose it", () => {
  const form: AssignForm = { ...base, tries: 2, stepWork: [{ step: "s1", work: "pairs" }] };
  const line = writeLine(form, base, world);
  expect(line).toBe("2 tries");
  const beneath = beneathLine(form, base, line, world);
  expect(beneath).toEqual({ ...base, stepWork: form.stepWork });
  expect(readLine(`${line}, now`, world, beneath).form).toEqual({ ...form, opens: { kind: "now" } });
});
