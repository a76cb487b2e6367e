import { importFramework } from "@/data/find/standards";
import { classesOf } from "@/data/classes/classes";
import { lesson } from "@/data/testing/world";
import { setCalledBack } from "@/data/assign/assignments";
import { staleAmong } from "@/data/results/outcomes";
import { addResponses, countLate, handIn, openAttempt, ownAssignment } from "@/data/student/work";
import { actAs } from "../testing/as";
import { db, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { allQuestions } from "@/core/resource/document";
import { coverageData, placeOfStandard } from "./coverage";
import { judge, judgeAll } from "./judge";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(async () => {
  await openSchool();
  const statement = (uri: string, code: string, parent: string | null) => ({
    ...{ uri, code, parent, statement: `Statement ${code}`, grades: { from: 4, to: 5 } },
  });
  await db.transaction((tx) =>
    importFramework(
      tx,
      {
        ...{ uri: "urn:f", name: "F", publisher: "", source: "", associations: [], leftOut: [] },
        statements: [statement("urn:t", "T", null), statement("urn:t1", "T.1", "urn:t")],
      },
      { district: world.district, now: new Date() },
    ),
  );
}, 60_000);
afterAll(() => db.close());

const standards = [{ framework: "urn:f", code: "T.1", relation: "assesses" as const }];
const now = () => new Date(Date.now() + 60_000);

/** Hands in an answer, right or wrong, as the n-th child. */
async function does(assignment: number, document: ReturnType<typeof lesson>, at: number, value: string) {
  const assigned = (await ownAssignment(db, world.students[at]!, assignment, null))!;
  const attempt = (await openAttempt(db, assigned, new Date()))!;
  const [{ step, question }] = allQuestions(document) as [ReturnType<typeof allQuestions>[number]];
  const response = { key: `k${at}`, step: step.id, question: question.id, value, checked: false, late: false };
  await addResponses(db, attempt.id, [response], new Date());
  await handIn(db, attempt.id, new Date());
  return { attempt: attempt.id, question: question.id };
}
async function coverage(open = false) {
  const classes = await classesOf(db, world.ines, now());
  const asked = { framework: undefined, stretch: undefined };
  const first = await coverageData(db, teacher(), classes, { ...asked, open: null }, now());
  const standard = first.statements.find(({ code }) => code === "T.1")!.id;
  const of = open ? { class: world.class, standard } : null;
  const data = await coverageData(db, teacher(), classes, { ...asked, open: of }, now());
  return { ...data, cell: data.coverage[world.class]?.[standard] };
}

test("planned, taught and assessed work is counted for its statement; what was called back is not", async () => {
  const document = lesson("Tides", { standards });
  const planned = await newAssignment({ opens: { kind: "at", at: tomorrow() } }, document);
  expect((await coverage()).cell).toMatchObject({ planned: 1, taught: 0, level: "planned" });
  const taught = await newAssignment({}, document);
  expect((await coverage()).cell).toMatchObject({ planned: 1, taught: 1, assessed: 0, level: "taught" });
  await does(taught, document, 0, "a");
  await does(taught, document, 1, "b");
  const { cell, standings } = await coverage(true);
  expect(cell).toMatchObject({ assessed: 1, students: 2, level: "too few", share: null });
  expect(cell!.evidence.find(({ assignment }) => assignment === taught)!.result).toEqual({
    ...{ gained: 1, outOf: 2, students: 2 },
  });
  expect(standings.map(({ gained, outOf }) => [gained, outOf])).toEqual([
    [1, 1],
    [0, 1],
  ]);
  for (const id of [planned, taught]) await setCalledBack(db, id, new Date());
  expect((await coverage()).cell).toBeUndefined();
});

test("whatever marks depend on makes them be worked out anew, and nothing else does", async () => {
  const document = lesson("Ebb", { standards });
  const assignment = await newAssignment({}, document);
  const stale = async () => (await staleAmong(db, [assignment])).length > 0;
  const fresh = () => judge(db, [assignment]);
  expect(await stale()).toBe(false);
  const { attempt, question } = await does(assignment, document, 0, "b");
  expect(await stale()).toBe(true);
  await fresh();
  expect(await stale()).toBe(false);
  // Somebody else is still at work: nothing of it counts yet.
  const assigned = (await ownAssignment(db, world.students[1]!, assignment, null))!;
  const open = (await openAttempt(db, assigned, new Date()))!;
  const item = { key: "x", step: document.steps[0]!.id, question, value: "a", checked: false, late: true };
  await addResponses(db, open.id, [item], new Date());
  expect(await stale()).toBe(false);
  const changes: [string, () => Promise<unknown>][] = [
    [
      "an answer corrected after it was handed in",
      () => addResponses(db, attempt, [{ ...item, key: "y" }], new Date(), true),
    ],
    ["a late answer counted", () => countLate(db, { attempt, question, by: world.ines, at: new Date(), counts: true })],
    [
      "and not counted any more",
      () => countLate(db, { attempt, question, by: world.ines, at: new Date(), counts: false }),
    ],
    [
      "a question corrected",
      () =>
        db.query(
          "insert into question_correction (assignment_id, question_id, correction, made_by, at) values ($1, $2, $3, $4, now())",
          [assignment, question, JSON.stringify({ kind: "void" }), world.ines],
        ),
    ],
    [
      "and taken back",
      () => db.query("update question_correction set taken_back = now() where assignment_id = $1", [assignment]),
    ],
    ["another try counts", () => db.query("update assignment set keep = 'first' where id = $1", [assignment])],
    ["somebody else handed in", () => handIn(db, open.id, new Date())],
    [
      "a student gone",
      () =>
        db.query("delete from recipient where assignment_id = $1 and student_id = $2", [assignment, world.students[1]]),
    ],
  ];
  for (const [what, change] of changes) {
    await change();
    expect([what, await stale()]).toEqual([what, true]);
    await fresh();
    expect([what, await stale()]).toEqual([what, false]);
  }
  // When it is due is nothing marks depend on.
  await db.query("update assignment set due = due + interval '1 day' where id = $1", [assignment]);
  expect(await stale()).toBe(false);
  await db.query("delete from assignment where id = $1", [assignment]);
  expect(await db.query("select 1 from outcome where assignment_id = $1", [assignment])).toEqual([]);
});

test("once a day everything that is out of date is worked out, no matter who asks", async () => {
  const document = lesson("Once a day", { standards });
  const assignment = await newAssignment({}, document);
  await does(assignment, document, 0, "a");
  expect(await judgeAll(db)).toBeGreaterThan(0);
  expect(await db.query("select code from outcome where assignment_id = $1 order by code", [assignment])).toEqual([
    { code: "" },
    { code: "T.1" },
  ]);
  expect(await judgeAll(db)).toBe(0);
});

test("coverage is of her own classes", async () => {
  actAs(teacher());
  const others = await classesOf(db, world.teodor, now());
  expect(others).toEqual([]);
  const { classes } = await coverage();
  expect(classes.map(({ id }) => id)).toEqual([world.class]);
});

const tomorrow = () => new Date(Date.now() + 26 * 3_600_000).toISOString().slice(0, 16);

test("a statement is opened by its code, under its area, whatever grade it is for; an unknown one has no place", async () => {
  const place = await placeOfStandard(db, teacher(), world.class, "t.1");
  const { searchParams } = new URL(place!, "http://here");
  expect(searchParams.get("area")).toBe("T");
  expect(searchParams.get("grade")).toBe("all");
  expect(searchParams.get("cell")).toMatch(new RegExp(`^${world.class}\\.\\d+$`));
  expect(await placeOfStandard(db, teacher(), world.class, "T.9")).toBeNull();
});
