import { addAssignment } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { addRevision } from "@/data/adapt/resources";
import { freshDatabase } from "@/data/testing/database";
import { lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import { openAttempt, ownAssignment } from "@/data/student/work";
import { visitorOf } from "../testing/as";
import { workDetails } from "./work-details";

let db: Db;
let world: World;
let assignment: number;
const visitor = (id: number) => visitorOf({ id, district: world.district, school: world.here });

beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
  const { id, revision } = await publishFor(db, world.ines, lesson("Tides"));
  assignment = await addAssignment(db, {
    class: world.class,
    resource: id,
    revision,
    students: world.students.slice(0, 2),
    madeBy: world.ines,
    made: now,
    opens: new Date(now.getTime() - 3_600_000),
    due: new Date(now.getTime() + 3_600_000),
    tries: 1,
    keep: "best",
    checking: "at once",
  });
  const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
  await openAttempt(db, assigned, now);
  await addRevision(db, {
    resource: id,
    document: lesson("Tides, better"),
    hash: "h",
    author: world.ines,
    created: now,
  });
}, 60_000);
afterAll(() => db.close());

test("who has it, who could, and how many might still get the newer revision", async () => {
  const details = (await workDetails(db, visitor(world.ines), assignment, now))!;
  expect(details.recipients.map(({ name, begun }) => [name, begun])).toEqual([
    ["aisha Test", true],
    ["bo Test", false],
  ]);
  expect(details.others).toEqual([{ id: world.students[2], name: "cato Test" }]);
  // Anyone who has begun goes on with what she began.
  expect(details.older).toBe(1);
});

test("a due moment set for one child is told from the one that more time makes of the class's", async () => {
  const set = new Date(now.getTime() + 9_000_000);
  const twoHours = 7_200_000;
  await db.query("update recipient set time_factor = 2, own_due = $3 where assignment_id = $1 and student_id = $2", [
    assignment,
    world.students[1],
    new Date(now.getTime() - 3_600_000 + 2 * twoHours),
  ]);
  const setDue = async () =>
    (await workDetails(db, visitor(world.ines), assignment, now))!.recipients.map((one) => one.setDue);
  expect(await setDue()).toEqual([null, null]);
  await db.query("update recipient set own_due = $2 where student_id = $1", [world.students[1], set]);
  expect(await setDue()).toEqual([null, set]);
});

test("is not there for who does not teach the class, nor for a number nobody gave", async () => {
  expect(await workDetails(db, visitor(world.teodor), assignment, now)).toBeNull();
  expect(await workDetails(db, visitor(world.ines), 999_999, now)).toBeNull();
  expect(await workDetails(db, visitor(world.ines), undefined, now)).toBeNull();
});
