import { strToU8, zipSync } from "fflate";
import { wordSecret } from "@/core/roster/secret";
import { studentsOf } from "@/data/classes";
import type { Db } from "@/data/db";
import { freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { bringInRoster, lookAtRoster, readSchoolRoster } from "../school-roster";
import { undoPlan } from "./plan";
import { actAs, answerFrom, takeSignIns, visitorOf, value } from "../testing/as";
import { keepApart, keepGroups, keepSeats } from "./groups";
import { studentGoals } from "@/data/plan";
import { audienceOf } from "../audience";
import { bringInPasted, changeStudent, leaveClass, lookAtPasted, makeCards, rejoinClass } from "./roster";
import { signInWithWords } from "./student";

jest.mock("../session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
let world: World;
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const roster = async () => (await studentsOf(db, world.class)).map(({ givenName }) => givenName);

beforeEach(async () => {
  await db?.close();
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
  actAs(teacher());
}, 60_000);
afterAll(() => db.close());

const pasted = (text: string) => ({ class: world.class, text, columns: null });

describe("a pasted roster", () => {
  test("is looked at first and changes nothing; then the good lines come in, the bad ones are counted", async () => {
    const text = "Given name\tFamily name\tGrade\nDina\tJarl\t5\nEspen\t\t5\nFreya\tLund\tfive";
    const seen = value(await lookAtPasted(pasted(text)));
    expect(seen).toMatchObject({ students: 1, fresh: 1, joining: 0, problemCount: 2, nothing: false });
    expect(await roster()).toHaveLength(3);
    expect(value(await bringInPasted(pasted(text)))).toMatchObject({ added: 1, enrolled: 1, leftOut: 2 });
    expect(await roster()).toContain("Dina");
  });

  test("a table of the whole school brings in this class, and names who is of another", async () => {
    const seen = value(
      await lookAtPasted(pasted("Name\tClass\nDina Jarl\t5 kittiwake\nEspen Kold\t4 Eider\nFreya Lund\t")),
    );
    expect(seen).toMatchObject({ students: 2, problemCount: 1 });
    expect(seen.problems[0]).toMatchObject({ line: 3, text: "This student is of 4 Eider, not of 5 Kittiwake." });
  });

  test("a second time it adds nobody", async () => {
    value(await bringInPasted(pasted("Dina Jarl\nEspen Kold")));
    expect(value(await lookAtPasted(pasted("Dina Jarl\nEspen Kold"))).nothing).toBe(true);
    const again = value(await bringInPasted(pasted("Dina Jarl\nEspen Kold")));
    expect(again).toMatchObject({ added: 0, changed: 0, enrolled: 0, leftOut: 0 });
    expect(await roster()).toHaveLength(5);
  });

  test("again with news of somebody: that is brought up to date, said before, and undone", async () => {
    const reads = async () =>
      (await studentsOf(db, world.class)).find(({ givenName }) => givenName === "Dina")!.readingGrade;
    value(await bringInPasted(pasted("Dina Jarl\nEspen Kold")));
    const news = pasted("Name\tReading level\nDina Jarl\t3.5\nEspen Kold\t");
    expect(value(await lookAtPasted(news))).toMatchObject({ fresh: 0, changed: ["Dina Jarl"], nothing: false });
    const { event, changed } = value(await bringInPasted(news));
    expect([changed, await reads()]).toEqual([1, 3.5]);
    value(await undoPlan({ event }));
    expect(await reads()).toBeNull();
  });

  test("when no line can be read nothing is changed, and it is nobody else's class", async () => {
    expect(await bringInPasted(pasted("12\n34"))).toMatchObject({ ok: false });
    actAs(visitorOf({ id: world.judit, district: world.district, school: world.there }));
    expect((await bringInPasted(pasted("Dina Jarl"))).ok).toBe(false);
    expect((await lookAtPasted(pasted("Dina Jarl"))).ok).toBe(false);
    actAs(teacher());
    expect(await roster()).toHaveLength(3);
  });
});

describe("students", () => {
  test("what is known of one is kept for her teachers; a student of another class is not there", async () => {
    const facts = {
      grade: 4,
      readingGrade: 3.5,
      factor: 1.5 as const,
      readsAloud: true,
      languages: ["en", "es"],
      familyLanguage: "es",
    };
    const [first] = world.students;
    value(await changeStudent({ class: world.class, students: [first!], facts, goal: "Reads charts" }));
    expect((await studentsOf(db, world.class)).find(({ id }) => id === first)).toMatchObject(facts);
    expect((await changeStudent({ class: world.class, students: [world.stranger], facts, goal: "" })).ok).toBe(false);
    expect(
      await changeStudent({ class: world.class, students: [first!], facts: { ...facts, languages: ["!"] }, goal: "" }),
    ).toMatchObject({ ok: false });
  });

  test("signs in by another name with the same password, unless it is taken or is none", async () => {
    const [first, second] = world.students as [number, number];
    const facts = {
      ...{ grade: 4, readingGrade: null, factor: 1 as const, readsAloud: false },
      ...{ languages: ["en"], familyLanguage: null },
    };
    const change = (signInName: string) =>
      changeStudent({ class: world.class, students: [first], facts, goal: "", signInName });
    const nameOf = async (id: number) => (await studentsOf(db, world.class)).find((one) => one.id === id)!.signInName;
    const { cards } = value(await makeCards({ class: world.class, students: [first], kind: "words" }));
    value(await change(" Otter.Girl "));
    expect(await nameOf(first)).toBe("otter.girl");
    actAs(null);
    const [card] = cards;
    await expect(signInWithWords({ name: "otter.girl", words: card!.secret.join("-") })).rejects.toThrow(
      "redirect to /student",
    );
    expect(takeSignIns()).toHaveLength(1);
    actAs(teacher());
    expect(await change(await nameOf(second))).toMatchObject({ ok: false, field: "signInName" });
    expect(await change("x")).toMatchObject({ ok: false });
    expect(await nameOf(first)).toBe("otter.girl");
  });

  test("new cards are taken back: the old ones work again, unless somebody has made newer ones", async () => {
    const [first] = world.students as [number];
    const make = async () => value(await makeCards({ class: world.class, students: [first], kind: "words" }));
    const signInName = (await studentsOf(db, world.class)).find((one) => one.id === first)!.signInName;
    const opens = async ({ cards: [card] }: Awaited<ReturnType<typeof make>>) => {
      actAs(null);
      const tried = signInWithWords({ name: signInName, words: card!.secret.join(" ") });
      await tried.catch(() => undefined);
      const works = takeSignIns().length === 1;
      actAs(teacher());
      return works;
    };
    const old = await make();
    const lost = await make();
    expect([await opens(old), await opens(lost)]).toEqual([false, true]);
    expect(value(await undoPlan({ event: lost.event })).said).toContain("old cards work again");
    expect([await opens(old), await opens(lost)]).toEqual([true, false]);
    await make();
    const refused = await undoPlan({ event: old.event });
    expect(refused).toMatchObject({ ok: false, problem: expect.stringContaining("newer cards") });
    expect(await opens(old)).toBe(false);
  });

  test("a goal is changed and closed, belongs to its student alone, and closed it is offered no more", async () => {
    const [first, second] = world.students as [number, number];
    const facts = {
      ...{ grade: 4, readingGrade: null, factor: 1 as const, readsAloud: false },
      ...{ languages: ["en"], familyLanguage: null },
    };
    const change = (student: number, goals: { id: number; goal: string; closed: boolean }[]) =>
      changeStudent({ class: world.class, students: [student], facts, goal: "", goals });
    value(await changeStudent({ class: world.class, students: [first], facts, goal: "Reads charts" }));
    const offered = async () => (await audienceOf(db, teacher(), [], new Date(), null)).individualGoals;
    const { id } = (await studentGoals(db, [first]))[0]!;
    const year = new Date().getFullYear();
    expect(await offered()).toEqual([{ student: first, text: `Reads charts (${year})` }]);
    value(await change(first, [{ id, goal: "Reads charts aloud", closed: false }]));
    expect(await offered()).toEqual([{ student: first, text: `Reads charts aloud (${year})` }]);
    expect((await change(second, [{ id, goal: "Taken", closed: true }])).ok).toBe(false);
    expect((await change(first, [{ id, goal: " ", closed: false }])).ok).toBe(false);
    value(await change(first, [{ id, goal: "Reads charts aloud", closed: true }]));
    expect(await offered()).toEqual([]);
    const [closed] = await studentGoals(db, [first]);
    expect(closed!.closed === null).toBe(false);
    value(await change(first, [{ id, goal: "Reads charts aloud", closed: false }]));
    expect(await offered()).toHaveLength(1);
  });

  test("taken out of the class and put back", async () => {
    const [first] = world.students;
    value(await leaveClass({ class: world.class, students: [first!] }));
    expect(await roster()).toHaveLength(2);
    value(await rejoinClass({ class: world.class, students: [first!] }));
    expect(await roster()).toHaveLength(3);
    expect((await rejoinClass({ class: world.class, students: [world.stranger] })).ok).toBe(false);
  });

  test("login cards carry new passwords; only their hashes are kept, and they let the child in", async () => {
    const { cards } = value(await makeCards({ class: world.class, students: world.students, kind: "words" }));
    expect(cards).toHaveLength(3);
    const stored = await db.query<{ hash: string }>("select password_hash hash from person where kind = 'student'");
    for (const { secret } of cards) for (const row of stored) expect(row.hash).not.toContain(secret[0]);
    actAs(null);
    const [card] = cards;
    await expect(
      signInWithWords({ name: card!.signInName, words: card!.secret.join("-").toUpperCase(), to: 12 }),
    ).rejects.toThrow("redirect to /student/12");
    expect(takeSignIns()).toHaveLength(1);
    expect(wordSecret(card!.secret.join("-"))).toBe(card!.secret.join(" "));
    expect(await signInWithWords({ name: card!.signInName, words: "kelp kelp" })).toMatchObject({ ok: false });
  });
});

describe("a child of another class", () => {
  /** A child of the school whom Ines does not teach, in a class of Teodor's. */
  const stranger = async () => {
    const [{ id }] = (await db.query<{ id: number }>(
      `insert into person (district_id, school_id, kind, given_name, family_name, sign_in_name, grade)
       values ($1, $2, 'student', 'Odd', 'Vik', 'odd.vik', 5) on conflict (sign_in_name) do update set grade = 5 returning id`,
      [world.district, world.here],
    )) as [{ id: number }];
    const [group] = await db.query<{ id: number }>(
      "insert into class (school_id, name, subject, year, grade_from, grade_to) values ($1, '5 Gannet', 'maths', 2026, 5, 5) returning id",
      [world.here],
    );
    await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [
      group!.id,
      world.teodor,
    ]);
    await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [group!.id, id]);
    return { id, group: group!.id };
  };

  test("is not taken over by pasting the name, nor by putting back: the office adds the child", async () => {
    const { id } = await stranger();
    const looked = value(await lookAtPasted(pasted("Odd Vik\nNew Comer")));
    expect(looked.problems).toMatchObject([{ row: "Odd Vik", text: expect.stringContaining("Ask the school office") }]);
    value(await bringInPasted(pasted("Odd Vik\nNew Comer")));
    expect(await roster()).not.toContain("Odd");
    expect(await roster()).toContain("New");
    expect((await rejoinClass({ class: world.class, students: [id] })).ok).toBe(false);
    expect((await makeCards({ class: world.class, students: [id], kind: "words" })).ok).toBe(false);
  });

  test("comes in where she teaches the child elsewhere; new cards are told to the child's other teachers", async () => {
    const { id, group } = await stranger();
    await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'co-teacher')", [
      group,
      world.ines,
    ]);
    value(await bringInPasted(pasted("Odd Vik")));
    expect(await roster()).toContain("Odd");
    value(await makeCards({ class: world.class, students: [id], kind: "words" }));
    const [told] = await db.query<{ body: string }>(
      "select body from outbox where to_address = 'teodor@skerry.example' order by id desc limit 1",
    );
    expect(told!.body).toContain("made new sign-in cards for Odd Vik");
  });
});

describe("groups, pairs apart, desks", () => {
  test("are kept for students of the class only", async () => {
    const [one, two] = world.students as [number, number, number];
    value(await keepGroups({ class: world.class, groups: [{ name: "Red boats", students: [one, world.stranger] }] }));
    const members = await db.query<{ student: number }>("select student_id student from group_member");
    expect(members).toEqual([{ student: one }]);
    value(
      await keepApart({
        class: world.class,
        pairs: [
          [two, one],
          [one, two],
          [one, one],
          [one, world.stranger],
        ],
      }),
    );
    expect(await db.query("select 1 from keep_apart")).toHaveLength(1);
    // Whether there is such a person makes no difference to what is said.
    const outcome = async (other: number) => keepApart({ class: world.class, pairs: [[one, other]] });
    expect(await outcome(world.stranger)).toEqual(await outcome(999_999));
    value(await keepSeats({ class: world.class, seats: [{ student: one, x: 0, y: 0 }] }));
    expect(
      await keepSeats({
        class: world.class,
        seats: [
          { student: one, x: 1, y: 1 },
          { student: two, x: 1, y: 1 },
        ],
      }),
    ).toMatchObject({ ok: false });
    expect(await db.query("select x, y from seat")).toEqual([{ x: 0, y: 0 }]);
  });
});

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
    // Whoever brought it in and is of the office no more does not undo it.
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

  test("whoever is missing from a whole roster has left; in a delta whoever is said to be over", async () => {
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
