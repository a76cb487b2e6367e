import { assignmentById, assignmentsOf } from "@/data/assign/assignments";
import { lesson as lessonOf, publishFor } from "@/data/testing/world";
import { assignResources } from "../assign/assign-actions";
import { actAs, value, visitorOf } from "../testing/as";
import { db, formFor, openSchool, teacher, world } from "../testing/child-at-work";
import { lead } from "../testing/leading";
import { leadResource } from "./lead-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

describe("leading from the light table", () => {
  test("one press: the class gets it now and the lobby is open; pressed again it is the same work", async () => {
    actAs(teacher());
    const { id } = await publishFor(db, world.ines, lessonOf("Led at once"));
    const { assignment } = value(await leadResource({ resource: id, class: world.class }));
    const made = (await assignmentsOf(db, world.ines, [world.class], new Date())).find((one) => one.id === assignment)!;
    expect(made).toMatchObject({ resource: id, recipients: world.students.length, tries: null });
    expect(value(await leadResource({ resource: id, class: world.class }))).toEqual({ assignment });
  });

  test("where somebody has handed it in, a lesson begins anew", async () => {
    actAs(teacher());
    const { id } = await publishFor(db, world.ines, lessonOf("Led twice"));
    const before = value(await leadResource({ resource: id, class: world.class })).assignment;
    value(await lead(before, { do: "end" }));
    await db.query(
      `insert into attempt (recipient_id, number, started, handed_in)
       select id, 1, now(), now() from recipient where assignment_id = $1 limit 1`,
      [before],
    );
    actAs(teacher());
    expect(value(await leadResource({ resource: id, class: world.class })).assignment).not.toBe(before);
  });

  test("work that only some of the class have is not led for the whole class", async () => {
    actAs(teacher());
    const { id } = await publishFor(db, world.ines, lessonOf("For one child"));
    const form = formFor(id, [world.students[0]!]);
    const own = value(await assignResources(form)).assignments[0]!;
    const { assignment } = value(await leadResource({ resource: id, class: world.class }));
    expect(assignment).not.toBe(own);
    expect((await assignmentById(db, assignment))!.recipients).toBe(world.students.length);
  });

  test("not with a class that is not hers, and not with what she may not copy", async () => {
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    const { id } = await publishFor(db, world.ines, lessonOf("Not hers"));
    expect(await leadResource({ resource: id, class: world.class })).toMatchObject({ ok: false });
  });
});
