import { strToU8, zipSync } from "fflate";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { emptied, freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { bringInRoster, lookAtRoster, readSchoolRoster } from "./school-roster";
import { undoPlan } from "../plan/plan-actions";
import { actAs, answerFrom, visitorOf, value } from "../testing/as";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
let world: World;
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here });

beforeEach(async () => {
  db = db ? await emptied(db) : await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  actAs(teacher());
}, 60_000);
afterAll(() => db.close());

describe("the roster of a school", () => {
  const to = () => ({ district: world.district, school: world.here, year: 2026 });
  const made = () => ({ by: world.ines, at: new Date() });
  const zip = async (users: string[], enrolments: string[], mode = "bulk") =>
    readSchoolRoster(
      zipSync({
        "manifest.csv": strToU8(`propertyName,value\noneroster.version,1.1\nfile.enrollments,${mode}\n`),
        "users.csv": strToU8(["sourcedId,status,role,givenName,familyName,grades,email", ...users].join("\n")),
        "classes.csv": strToU8("sourcedId,status,title,grades,subjects,classType\nc1,,6 Tern,06,science,homeroom"),
        "enrollments.csv": strToU8(
          ["sourcedId,status,classSourcedId,userSourcedId,role,beginDate,endDate", ...enrolments].join("\n"),
        ),
      }),
    );
  const users = [
    "u1,,student,Aina,Berg,06,",
    "u2,,student,Bjorn,Dahl,06,",
    "t1,,teacher,Ines,Test,,ines@skerry.example",
  ];
  const enrolments = ["e1,,c1,u1,student,,", "e2,,c1,u2,student,,", "e3,,c1,t1,teacher,,"];

  test("from OneRoster: classes, students, their teacher; a second time nothing changes", async () => {
    const read = await zip(users, enrolments);
    expect(await lookAtRoster(db, world.here, read)).toMatchObject({ added: 2, classes: 1, nothing: false });
    expect(await db.query("select 1 from class where name = '6 Tern'")).toEqual([]);
    expect(await bringInRoster(db, to(), read, made())).toMatchObject({ added: 2, classes: 1, enrolled: 2 });
    const [group] = await db.query<{ id: number; homeroom: boolean }>(
      "select id, homeroom from class where name = '6 Tern'",
    );
    expect(group!.homeroom).toBe(true);
    expect(await studentsOf(db, group!.id)).toHaveLength(2);
    expect(await db.query("select person_id from class_teacher where class_id = $1", [group!.id])).toEqual([
      { person_id: world.ines },
    ]);
    expect(await bringInRoster(db, to(), await zip(users, enrolments), made())).toMatchObject({ nothing: true });
  });

  test("a class made by hand gets the teachers of the class of its name in the roster", async () => {
    await db.query("update class set name = '6 tern' where id = $1", [world.class]);
    await db.query("delete from class_teacher where class_id = $1", [world.class]);
    expect(await lookAtRoster(db, world.here, await zip(users, enrolments))).toMatchObject({
      joined: 1,
      nothing: false,
    });
    await bringInRoster(db, to(), await zip(users, enrolments), made());
    const teachers = await db.query("select person_id person from class_teacher where class_id = $1", [world.class]);
    expect(teachers).toEqual([{ person: world.ines }]);
    expect(await lookAtRoster(db, world.here, await zip(users, enrolments))).toMatchObject({
      joined: 0,
      nothing: true,
    });
  });

  test("brought in by mistake: everybody and everything is as before, but not once somebody has a card", async () => {
    const everything = async () => [
      await db.query("select id, given_name, family_name, grade, reading_grade, languages from person order by id"),
      await db.query("select id, name from class order by id"),
      await db.query("select * from enrolment order by 1, 2"),
      await db.query("select * from class_teacher order by 1, 2"),
      await db.query("select * from left_class order by 1, 2"),
    ];
    const before = await everything();
    const table = "Name,Grade,Class,Reading level\nUna Newcomer,3,3 Auk,2.5\n";
    const first = await bringInRoster(db, to(), await readSchoolRoster(strToU8(table)), made());
    expect(await everything()).not.toEqual(before);
    actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }, { roles: ["office"] }));
    expect(value(await undoPlan({ event: first.event! })).said).toBe("Everything is as it was.");
    expect(await everything()).toEqual(before);
    const again = await bringInRoster(db, to(), await readSchoolRoster(strToU8(table)), made());
    await db.query("update person set password_hash = 'x' where family_name = 'Newcomer'");
    expect(await undoPlan({ event: again.event! })).toMatchObject({
      ok: false,
      problem: expect.stringContaining("have cards, work, groups"),
    });
    expect(await db.query("select 1 from person where family_name = 'Newcomer'")).toHaveLength(1);
    // The one who brought it in, no longer of the office, does not undo it.
    actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }));
    expect(await undoPlan({ event: again.event! })).toMatchObject({ ok: false });
    await db.query("delete from class where name = '3 Auk'");
    await db.query("delete from person where family_name = 'Newcomer'");
  });

  test("what was added since is not lost with what a roster brought in: then that stays", async () => {
    const table = "Name,Grade,Class\nUna Newcomer,3,3 Auk\n";
    const { event } = await bringInRoster(db, to(), await readSchoolRoster(strToU8(table)), made());
    actAs(visitorOf({ id: world.ines, district: world.district, school: world.here }, { roles: ["office"] }));
    const refused = { ok: false, problem: expect.stringContaining("so it stays as it is") };
    // Somebody put another child into the new class.
    const [group] = await db.query<{ id: number }>("select id from class where name = '3 Auk'");
    await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [group!.id, world.students[0]]);
    expect(await undoPlan({ event: event! })).toMatchObject(refused);
    await db.query("delete from enrolment where class_id = $1 and student_id = $2", [group!.id, world.students[0]]);
    // Or the new child into another class.
    const [una] = await db.query<{ id: number }>("select id from person where family_name = 'Newcomer'");
    await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [world.class, una!.id]);
    expect(await undoPlan({ event: event! })).toMatchObject(refused);
    expect(await studentsOf(db, group!.id)).toHaveLength(1);
    await db.query("delete from enrolment where class_id = $1 and student_id = $2", [world.class, una!.id]);
    expect((await undoPlan({ event: event! })).ok).toBe(true);
  });

  test("anyone who is missing from a whole roster has left; in a delta anyone who is said to be over", async () => {
    await bringInRoster(db, to(), await zip(users, enrolments), made());
    const [group] = await db.query<{ id: number }>("select id from class where name = '6 Tern'");
    await bringInRoster(db, to(), await zip(users, enrolments.slice(1)), made());
    expect((await studentsOf(db, group!.id)).map(({ givenName }) => givenName)).toEqual(["Bjorn"]);
    await bringInRoster(db, to(), await zip([], ["e2,tobedeleted,c1,u2,student,,"], "delta"), made());
    expect(await studentsOf(db, group!.id)).toEqual([]);
  });

  test("a delta enrols new children at once, without naming the class again, and needs no classes at all", async () => {
    await bringInRoster(db, to(), await zip(users, enrolments), made());
    const [group] = await db.query<{ id: number }>("select id from class where name = '6 Tern'");
    const delta = await readSchoolRoster(
      zipSync({
        "manifest.csv": strToU8("propertyName,value\noneroster.version,1.1\nfile.enrollments,delta\n"),
        "users.csv": strToU8("sourcedId,status,role,givenName,familyName,grades,email\nu7,,student,J\u00f6rg,Lund,06,"),
        "enrollments.csv": strToU8("sourcedId,status,classSourcedId,userSourcedId,role\ne7,,c1,u7,student"),
      }),
    );
    expect(await bringInRoster(db, to(), delta, made())).toMatchObject({ added: 1, enrolled: 1, classes: 0 });
    expect((await studentsOf(db, group!.id)).map(({ givenName }) => givenName)).toContain("J\u00f6rg");
  });

  test("a text file called .zip is refused, and one of Windows keeps its letters", async () => {
    await expect(readSchoolRoster(strToU8("Name,Grade"), "roster.zip")).rejects.toThrow("it is not a zip file");
    const windows = Uint8Array.from(
      [..."Name,Grade,Class\nJ\u00f6rg Lund,5,5 Skua\n"].map((sign) => sign.charCodeAt(0)),
    );
    expect((await readSchoolRoster(windows, "roster.csv")).roster.students[0]!.givenName).toBe("J\u00f6rg");
  });

  test("a student who is gone leaves her classes; a teacher nobody knows here is named", async () => {
    await bringInRoster(db, to(), await zip(users, enrolments), made());
    const [group] = await db.query<{ id: number }>("select id from class where name = '6 Tern'");
    const gone = await zip(["u1,tobedeleted,student,Aina,Berg,06,"], [], "delta");
    expect(await bringInRoster(db, to(), gone, made())).toMatchObject({ left: 1, added: 0 });
    expect((await studentsOf(db, group!.id)).map(({ givenName }) => givenName)).toEqual(["Bjorn"]);
    const strange = await zip(
      [...users.slice(0, 2), "t9,,teacher,Nova,Comer,,nova@else.example", "t8,,teacher,No,Mail,,"],
      [...enrolments.slice(0, 2), "e9,,c1,t9,teacher,,"],
    );
    expect((await lookAtRoster(db, world.here, strange)).problems).toEqual([
      "No teacher of the school has the address nova@else.example: add her to the class by hand.",
      "No Mail teaches and has no e-mail address: add her to the class by hand.",
    ]);
  });

  test("600 lines of a table, 12 of them bad: 588 come in with names to sign in, none of them twice", async () => {
    const lines = Array.from({ length: 600 }, (_, at) =>
      at % 50 === 7 ? `Child${at},,5,Big class` : `Kim,Family${at % 40},${at % 6},Class ${at % 20},id${at}`,
    );
    const text = `First name,Last name,Grade,Class,Student ID\n${lines.join("\n")}`;
    const effect = await bringInRoster(db, to(), await readSchoolRoster(strToU8(text)), made());
    expect(effect).toMatchObject({ students: 588, added: 588, classes: 20, enrolled: 588 });
    expect(effect.problems).toHaveLength(12);
    const [counts] = await db.query<{ all: number; names: number }>(
      `select count(*)::int "all", count(distinct sign_in_name)::int names from person where roster_id like 'id%'`,
    );
    expect(counts).toEqual({ all: 588, names: 588 });
  });
});
