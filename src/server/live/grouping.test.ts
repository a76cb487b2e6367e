import { GET as followRoute } from "@/app/student/[assignment]/live/route";
import type { LiveWork } from "@/core/live/lesson";
import { setPairsApart } from "@/data/classes/groups";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, document, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { lead } from "../testing/leading";
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
async function led(): Promise<number> {
  const assignment = await newAssignment();
  actAs(teacher());
  value(await leadAssignment({ assignment }));
  value(await lead(assignment, { do: "begin", step, nth: 0 }));
  return assignment;
}
const [aisha, bo] = [
  () => ({ student: world.students[0]!, name: "Aisha" }),
  () => ({ student: world.students[1]!, name: "Bo" }),
];
const pairs = (): LiveWork => ({
  ...{ mode: "pairs", groups: [[aisha(), bo()]], onBoard: false, shared: false, frozen: false },
});

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
  value(await lead(assignment, { do: "work", step, work: pairs() }));
  const isPaired = (event: FollowEvent) => event.kind === "lesson" && event.lesson?.work[step]?.mode === "pairs";
  await screen.until(isPaired);
  actAs(child(1));
  await (await listen<FollowEvent>(followRoute, assignment)).until(isPaired);
  const twice = { ...pairs(), groups: [[aisha(), bo()], [bo()]] };
  expect(await lead(assignment, { do: "work", step, work: twice })).toMatchObject({
    code: "inTwoGroups",
  });
  value(await lead(assignment, { do: "work", step, work: null }));
  await screen.until((event) => event.kind === "lesson" && event.lesson !== null && !event.lesson.work[step]);
});
