import { carryOver } from "@/core/run-sheet/lesson-time";
import { proposeRunSheet } from "@/core/run-sheet/propose";
import { boardTurns } from "@/data/live/board-turns";
import { studentsOf } from "@/data/classes/classes";
import { lesson, newId } from "@/data/testing/world";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { leadPage } from "./lead-page";
import { callToBoard, keepScriptInUse } from "./board-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

test("everybody comes to the board once before anybody comes twice, by turns and by lot; who was away comes next", async () => {
  const assignment = await newAssignment();
  actAs(teacher());
  const students = await studentsOf(db, world.class);
  const called: string[] = [];
  for (let at = 0; at < students.length; at += 1)
    called.push(value(await callToBoard({ assignment, how: at % 2 === 0 ? "lot" : "turns", instead: null })).name);
  expect(new Set(called).size).toBe(students.length);
  expect(await boardTurns(db, world.class)).toHaveLength(students.length);

  // The one who was called is away: the turn is taken back, and somebody else comes.
  const { turn, name } = value(await callToBoard({ assignment, how: "turns", instead: null }));
  const other = value(await callToBoard({ assignment, how: "turns", instead: turn }));
  expect(other.name).not.toBe(name);
  expect(await boardTurns(db, world.class)).toHaveLength(students.length + 1);
  expect(value(await callToBoard({ assignment, how: "turns", instead: null })).name).toBe(name);
});

test("only who leads the class calls somebody, and no turn of another class is taken back", async () => {
  const assignment = await newAssignment();
  actAs(child());
  expect(await callToBoard({ assignment, how: "lot", instead: null })).toMatchObject({ ok: false });
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await callToBoard({ assignment, how: "lot", instead: null })).toMatchObject({ ok: false });
  const before = await boardTurns(db, world.class);
  actAs(teacher());
  value(await callToBoard({ assignment, how: "lot", instead: 999_999 }));
  expect(await boardTurns(db, world.class)).toHaveLength(before.length + 1);
});

test("a child who is named comes, and nobody who is not in the class", async () => {
  const assignment = await newAssignment();
  actAs(teacher());
  const [first, second] = await studentsOf(db, world.class);
  const named = (student: number, instead: number | null = null) =>
    callToBoard({ assignment, how: "named", student, instead });
  const { name, turn } = value(await named(first!.id));
  expect(name).toBe(first!.givenName);
  expect(value(await named(second!.id, turn)).name).toBe(second!.givenName);
  expect(await named(world.teodor)).toMatchObject({ code: "chooseChild" });
});

test("what was not reached is first in the next lesson of this class; the resource keeps its own script", async () => {
  const document = lesson("Scripted");
  const own = proposeRunSheet(document, { period: 45, newId });
  const assignment = await newAssignment({}, { ...document, runSheet: own });
  actAs(teacher());
  const [day] = own.days;
  const moved = carryOver(own, day!.id, [day!.parts.at(-1)!.id], "next");
  value(await keepScriptInUse({ assignment, sheet: moved }));
  const scriptOf = async () => (await leadPage(db, teacher(), assignment, new Date()))!.document.runSheet!;
  expect((await scriptOf()).days).toHaveLength(own.days.length + 1);
  // Back again, as undo does.
  value(await keepScriptInUse({ assignment, sheet: own }));
  expect((await scriptOf()).days).toEqual(own.days);
  // A script of other parts is another one: it is not kept here.
  const other = proposeRunSheet(document, { period: 45, newId });
  expect(await keepScriptInUse({ assignment, sheet: other })).toMatchObject({ ok: false });
  actAs(child());
  expect(await keepScriptInUse({ assignment, sheet: moved })).toMatchObject({ ok: false });
});
