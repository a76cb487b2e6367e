import type { ClassSaid } from "@/core/roster/class-said";
import { addAssignment } from "@/data/assign/assignments";
import { classSaid, pastClassesOf, workOfPast } from "@/data/classes/class-said";
import { classesOf, profileOf, studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { emptied, freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { permit } from "../web/permissions";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";
import { audienceFor } from "../assign/assign-actions";
import * as actions from "./class-said-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);

let db: Db;
let world: World;
const ines = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const said = (more: Partial<ClassSaid> = {}): ClassSaid => ({
  ...{ name: "Lamp group", subject: "reading", gradeFrom: 3, gradeTo: 6, periodMinutes: 30, reading: null },
  ...{ languages: ["en", "ar"], devices: ["tablet"] },
  ...more,
});

beforeEach(async () => {
  db = db ? await emptied(db) : await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  actAs(ines());
}, 60_000);
afterAll(() => db.close());

describe("what is said of a class", () => {
  test("decides what fits it, is taken back with what was said before, and is nobody else's to change", async () => {
    const before = await classSaid(db, world.class);
    const change = value(
      await actions.changeClass({ class: world.class, said: said({ reading: { from: 2.5, to: 6 } }) }),
    );
    expect(change.before).toEqual(before);
    expect(await profileOf(db, world.class)).toMatchObject({
      ...{ readingFrom: 2.5, readingTo: 6 },
      ...{ languages: ["en", "ar"], devices: ["tablet"] },
    });
    expect((await classesOf(db, world.ines, new Date()))[0]).toMatchObject({ name: "Lamp group", periodMinutes: 30 });
    value(await actions.changeClass({ class: world.class, said: change.before }));
    expect(await classSaid(db, world.class)).toEqual(before);
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    expect((await actions.changeClass({ class: world.class, said: said() })).ok).toBe(false);
    expect(await classSaid(db, world.class)).toEqual(before);
  });

  test("its reading range is its students' own where nobody set one", async () => {
    value(await actions.changeClass({ class: world.class, said: said() }));
    expect(await profileOf(db, world.class)).toMatchObject({ readingFrom: null, readingTo: null });
    const [one, two] = world.students;
    await db.query("update person set reading_grade = 2.8 where id = $1", [one]);
    await db.query("update person set reading_grade = 5.1 where id = $1", [two]);
    expect(await profileOf(db, world.class)).toMatchObject({ readingFrom: 2.8, readingTo: 5.1 });
  });

  test("what cannot be is refused with its field, and nothing is changed", async () => {
    const before = await classSaid(db, world.class);
    for (const [more, field] of [
      [{ name: " " }, "said.name"],
      [{ gradeFrom: 7 }, "said.gradeFrom"],
      [{ periodMinutes: 0 }, "said.periodMinutes"],
      [{ reading: { from: 6, to: 2 } }, "said.reading"],
      [{ languages: ["? Klingonish"] }, "said.languages.0"],
      [{ periodMinutes: Number.NaN }, "said.periodMinutes"],
    ] as const)
      expect(await actions.changeClass({ class: world.class, said: said(more as Partial<ClassSaid>) })).toMatchObject({
        ok: false,
        field,
      });
    expect(await classSaid(db, world.class)).toEqual(before);
  });
});

describe("a group made by hand", () => {
  test("is led by its maker, gets students of her classes, and no others", async () => {
    const { class: made } = value(await actions.makeClass({ said: said() }));
    expect((await classesOf(db, world.ines, new Date())).map(({ name }) => name)).toContain("Lamp group");
    const [one, two] = world.students as [number, number];
    value(await actions.takeIntoClass({ class: made, to: [{ class: world.class, students: [one, two] }] }));
    expect((await studentsOf(db, made)).map(({ id }) => id).sort()).toEqual([one, two].sort());
    // Who is left to choose from, each once; nobody of other teachers' classes.
    const [left] = value(await actions.studentsToTake({ class: made }));
    expect(left!.students.map(({ id }) => id)).toEqual(world.students.slice(2));
    const stranger = { class: made, to: [{ class: world.class, students: [world.stranger] }] };
    expect((await actions.takeIntoClass(stranger)).ok).toBe(false);
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    expect((await actions.takeIntoClass({ class: made, to: [{ class: world.class, students: [one] }] })).ok).toBe(
      false,
    );
  });

  test("two classes in use do not have one name", async () => {
    value(await actions.makeClass({ said: said() }));
    expect(await actions.makeClass({ said: said({ name: "lamp GROUP" }) })).toMatchObject({ ok: false, field: "name" });
    expect(await actions.changeClass({ class: world.class, said: said() })).toMatchObject({ ok: false, field: "name" });
  });

  test("the office makes one for a teacher of its school, not for anybody else", async () => {
    const office = visitorOf({ id: world.teodor, district: world.district, school: world.here });
    actAs({ ...office, roles: ["office"] });
    const { class: made } = value(await actions.makeClassAtOffice({ said: said(), lead: world.ines }));
    expect((await classesOf(db, world.ines, new Date())).map(({ id }) => id)).toContain(made);
    expect((await actions.makeClassAtOffice({ said: said({ name: "B" }), lead: world.judit })).ok).toBe(false);
    expect((await actions.changeClassAtOffice({ ofClass: made, said: said({ name: "C" }) })).ok).toBe(true);
    expect((await actions.changeClassAtOffice({ ofClass: 999_999, said: said() })).ok).toBe(false);
    actAs(ines());
    expect((await actions.makeClassAtOffice({ said: said({ name: "D" }), lead: world.ines })).ok).toBe(
      ines().roles.includes("office"),
    );
  });
});

describe("a class of a past year", () => {
  test("can be looked at, its work assigned again as it was, and brought back; by nobody who did not keep it", async () => {
    const { id: resource, revision } = await publishFor(db, world.ines, lesson("Old gold"), ["staffroom"]);
    const at = (days: number) => new Date(Date.now() + days * 86_400_000);
    const assignment = await addAssignment(db, {
      ...{ class: world.class, resource, revision, students: world.students, madeBy: world.ines, made: at(-9) },
      ...{ opens: at(-9), due: at(-2), meeting: null, tries: 3, keep: "first", checking: "at the end" },
    });
    value(await actions.putClassAway({ class: world.class }));
    expect(await classesOf(db, world.ines, new Date())).toEqual([]);
    const [past] = await pastClassesOf(db, world.ines);
    expect(past).toMatchObject({ id: world.class, pieces: 1 });
    expect(await workOfPast(db, world.class)).toMatchObject([{ assignment, title: "Old gold", handedIn: 0 }]);
    const like = async () => value(await audienceFor({ resources: [resource], like: assignment })).like;
    expect(await like()).toMatchObject({ tries: 3, keep: "first", checking: "at the end" });
    // What is put away is looked at, and not changed.
    expect(await permit(db, ines(), "change assignment", { assignment }, new Date())).toBe(false);
    actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
    expect(await pastClassesOf(db, world.teodor)).toEqual([]);
    expect(await like()).toBeNull();
    expect((await actions.bringClassBack({ class: world.class })).ok).toBe(false);
    actAs(ines());
    value(await actions.makeClass({ said: said({ name: past!.name }) }));
    expect(await actions.bringClassBack({ class: world.class })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("is in use") as string,
    });
    await db.query("update class set name = 'Another' where name = $1 and archived is null", [past!.name]);
    value(await actions.bringClassBack({ class: world.class }));
    expect((await classesOf(db, world.ines, new Date())).map(({ id }) => id)).toContain(world.class);
  });
});
