import { GET as followRoute } from "@/app/student/[assignment]/live/route";
import { announceWork } from "@/data/student/work";
import { actAs, value } from "../testing/as";
import { check, child, db, newAssignment, openSchool, world } from "../testing/child-at-work";
import { listen, stopListening } from "../testing/listening";
import { handIn } from "../student/student-actions";
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

const follows = async (assignment: number, at: number) => {
  actAs(child(at));
  return listen<FollowEvent>(followRoute, assignment);
};
const readAgain = ({ kind }: FollowEvent) => kind === "work";

test("what one child does makes only her own screens read again; what is changed for all, everybody's", async () => {
  const assignment = await newAssignment();
  const [own, other] = [await follows(assignment, 0), await follows(assignment, 1)];
  actAs(child(0));
  value(await check(assignment, "a"));
  value(await handIn({ assignment }));
  await own.until(readAgain);
  expect(other.events.filter(readAgain)).toEqual([]);
  await announceWork(db, assignment);
  await other.until(readAgain);
  await announceWork(db, assignment, world.students[1]);
  await new Promise((done) => setTimeout(done, 50));
  expect(other.events.filter(readAgain)).toHaveLength(2);
});
