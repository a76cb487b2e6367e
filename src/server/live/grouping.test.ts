import { GET as followRoute } from "@/app/student/[assignment]/live/route";
import { POST as commandRoute } from "@/app/lead/[assignment]/command/route";
import type { LiveWork } from "@/core/live/lesson";
import { setPairsApart } from "@/data/classes/groups";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, document, given, openSchool, teacher, world } from "../testing/child-at-work";
import { listen, stopListening } from "../testing/listening";
import { leadAssignment, lookAtGrouping } from "./lead-actions";
import type { FollowEvent } from "./lesson-view";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(async () => {
  stopListening();
  await new Promise((done) => setTimeout(done, 50));
  await db.close();
});

const step = document.steps[0]!.id;
async function command(assignment: number, asked: object): Promise<number> {
  actAs(teacher());
  const request = new Request("http://satchel.example/command", { method: "POST", body: JSON.stringify(asked) });
  return (await commandRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) })).status;
}
async function led(): Promise<number> {
  const assignment = await given();
  actAs(teacher());
  value(await leadAssignment({ assignment }));
  expect(await command(assignment, { do: "begin", step, nth: 0 })).toBe(200);
  return assignment;
}
const [aisha, bo] = [
  () => ({ student: world.students[0]!, name: "Aisha" }),
  () => ({ student: world.students[1]!, name: "Bo" }),
];
const pairs = (): LiveWork => ({ mode: "pairs", groups: [[aisha(), bo()]], onBoard: false });

test("what groups are made from: everybody of the class, who is kept apart, groups that were saved", async () => {
  const assignment = await led();
  await setPairsApart(db, world.class, [[world.students[0]!, world.students[1]!]]);
  actAs(teacher());
  const found = value(await lookAtGrouping({ assignment }));
  expect(found.students.map(({ id }) => id).sort()).toEqual([...world.students].sort());
  expect(found.apart.flat().sort()).toEqual([world.students[0], world.students[1]].sort());
  expect(found.saved).toEqual([]);
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await lookAtGrouping({ assignment })).toMatchObject({ ok: false, code: "notThere" });
});

test("pairs are on every screen at once, and on one that comes later; nobody is put into two", async () => {
  const assignment = await led();
  actAs(child());
  const screen = await listen<FollowEvent>(followRoute, assignment);
  expect(await command(assignment, { do: "work", step, work: pairs() })).toBe(200);
  const isPaired = (event: FollowEvent) => event.kind === "lesson" && event.lesson?.work[step]?.mode === "pairs";
  await screen.until(isPaired);
  actAs(child(1));
  await (await listen<FollowEvent>(followRoute, assignment)).until(isPaired);
  const twice = { ...pairs(), groups: [[aisha(), bo()], [bo()]] };
  expect(await command(assignment, { do: "work", step, work: twice })).toBeGreaterThanOrEqual(400);
  expect(await command(assignment, { do: "work", step, work: null })).toBe(200);
  await screen.until((event) => event.kind === "lesson" && event.lesson !== null && !event.lesson.work[step]);
});
