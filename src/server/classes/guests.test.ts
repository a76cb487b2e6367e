import { ownAssignments } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { guestDoor, guestsAt, notBegun } from "@/data/classes/guests";
import { actAs, takeSignIns, value, visitorOf } from "../testing/as";
import { check, child, db, newAssignment, openSchool, teacher, world } from "../testing/child-at-work";
import { changeRules } from "../assign/afterwards-actions";
import { keepGuestsRule } from "../office/office-actions";
import { undoPlan } from "../plan/plan-actions";
import { handIn } from "../student/student-actions";
import { tokenHash } from "../web/secrets";
import { comeAsGuest, endGuestLink, lookAtGuests, makeGuestLink, moveGuestWork } from "./guest-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("../web/base-address", () => ({ baseAddress: () => Promise.resolve("http://satchel.example") }));
jest.mock("../web/client-address", () => ({ callerAddress: () => Promise.resolve("192.0.2.1") }));

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

const office = () =>
  visitorOf({ id: world.judit, district: world.district, school: world.here }, { roles: ["office"] });
const allow = async (allowed: boolean) => {
  actAs(office());
  value(await keepGuestsRule({ allowed }));
  actAs(teacher());
};
const tokenIn = (address: string) => address.split("/").at(-1)!;
async function invited(more: object = {}): Promise<{ assignment: number; token: string }> {
  const assignment = await newAssignment(more);
  await allow(true);
  return { assignment, token: tokenIn(value(await makeGuestLink({ assignment })).address) };
}
/** Comes in by the link; returns the guest. */
async function comes(token: string, name: string): Promise<number> {
  actAs(null);
  takeSignIns();
  await expect(comeAsGuest({ token, name })).rejects.toThrow(/^redirect to \/student\//);
  return takeSignIns()[0]!.person;
}
const asGuest = (id: number) =>
  actAs(visitorOf({ id, district: world.district, school: world.here }, { kind: "student", roles: [] }));

test("where the school does not allow guests there is no link, and one that is out leads nowhere", async () => {
  const assignment = await newAssignment();
  actAs(teacher());
  expect(await makeGuestLink({ assignment })).toMatchObject({ ok: false });
  const { token } = await invited();
  await allow(false);
  actAs(null);
  expect(await comeAsGuest({ token, name: "Ada" })).toMatchObject({ ok: false, code: "notThere" });
});

test("a guest types a name, has this work and no other, and stands in the results once it is begun", async () => {
  const { assignment, token } = await invited();
  const guest = await comes(token, "  Ada ");
  expect((await ownAssignments(db, guest, null)).map((assigned) => assigned.assignment)).toEqual([assignment]);
  expect(await guestsAt(db, assignment)).toEqual([]);
  asGuest(guest);
  const [{ id: recipient }] = (await db.query<{ id: number }>("select id from recipient where student_id = $1", [
    guest,
  ])) as [{ id: number }];
  expect(recipient).toBeGreaterThan(0);
  value(await handIn({ assignment }));
  expect((await workOf(db, assignment)).map(({ student }) => student.name)).toContain("Ada (guest)");
  const other = await newAssignment();
  asGuest(guest);
  expect(await handIn({ assignment: other })).toMatchObject({ ok: false, code: "notThere" });
});

test("a link made anew, or ended, or to work that is over, leads nowhere", async () => {
  const { assignment, token } = await invited();
  actAs(teacher());
  const second = tokenIn(value(await makeGuestLink({ assignment })).address);
  expect(await guestDoor(db, tokenHash(token), new Date())).toBeUndefined();
  expect(await guestDoor(db, tokenHash(second), new Date())).toMatchObject({ assignment, title: "Tides" });
  expect(await guestDoor(db, tokenHash(second), new Date(Date.now() + 49 * 3_600_000))).toBeUndefined();
  expect(value(await lookAtGuests({ assignment }))).toEqual({ allowed: true, link: true });
  value(await endGuestLink({ assignment }));
  expect(await guestDoor(db, tokenHash(second), new Date())).toBeUndefined();
});

test("what a guest did becomes a student's, and goes back; not where the student has begun", async () => {
  const { assignment, token } = await invited();
  const guest = await comes(token, "Bo");
  asGuest(guest);
  value(await handIn({ assignment }));
  actAs(child(0));
  value(await check(assignment, "a"));
  actAs(teacher());
  const [begun, free] = [world.students[0]!, world.students[1]!];
  expect(await moveGuestWork({ assignment, guest, student: begun })).toMatchObject({ ok: false, field: "student" });
  value(await moveGuestWork({ assignment, guest, student: free }));
  const row = async (id: number) => (await workOf(db, assignment)).find(({ student }) => student.id === id);
  expect((await row(free))!.tries).toHaveLength(1);
  expect(await row(guest)).toBeUndefined();
  value(await moveGuestWork({ assignment, guest, student: free, back: true }));
  expect((await row(guest))!.tries).toHaveLength(1);
  expect((await row(free))!.tries).toHaveLength(0);
});

test("a guest who came meanwhile does not block undoing a change, and keeps the work", async () => {
  const { assignment, token } = await invited({ tries: 1 });
  const { event } = value(await changeRules({ assignments: [assignment], rules: { tries: 3 } }));
  const guest = await comes(token, "Dot");
  asGuest(guest);
  value(await handIn({ assignment }));
  actAs(teacher());
  value(await undoPlan({ event }));
  expect((await ownAssignments(db, guest, null)).map(({ tries }) => tries)).toEqual([1]);
  expect((await notBegun(db, assignment)).map(({ id }) => id).sort()).toEqual([...world.students].sort());
});

test("only between a guest of this work and a student; only by who works with it", async () => {
  const { assignment, token } = await invited();
  const guest = await comes(token, "Cy");
  actAs(teacher());
  const [one, other] = [world.students[0]!, world.students[1]!];
  expect(await moveGuestWork({ assignment, guest: one, student: other })).toMatchObject({ ok: false });
  const elsewhere = await newAssignment();
  actAs(teacher());
  expect(await moveGuestWork({ assignment: elsewhere, guest, student: one })).toMatchObject({ ok: false });
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await makeGuestLink({ assignment })).toMatchObject({ ok: false, code: "notThere" });
});
