import { boardTurns } from "@/data/live/board-turns";
import { studentsOf } from "@/data/classes/classes";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, given, openSchool, teacher, world } from "../testing/child-at-work";
import { callToBoard } from "./board-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

test("everybody comes to the board once before anybody comes twice, by turns and by lot; who was away comes next", async () => {
  const assignment = await given();
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
  const assignment = await given();
  actAs(child());
  expect(await callToBoard({ assignment, how: "lot", instead: null })).toMatchObject({ ok: false });
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await callToBoard({ assignment, how: "lot", instead: null })).toMatchObject({ ok: false });
  const before = await boardTurns(db, world.class);
  actAs(teacher());
  value(await callToBoard({ assignment, how: "lot", instead: 999_999 }));
  expect(await boardTurns(db, world.class)).toHaveLength(before.length + 1);
});
