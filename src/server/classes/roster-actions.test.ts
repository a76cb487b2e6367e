import { wordSecret } from "@/core/roster/secret";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { emptied, freshDatabase } from "@/data/testing/database";
import { smallWorld, type World } from "@/data/testing/world";
import { undoPlan } from "../plan/plan-actions";
import { actAs, answerFrom, takeSignIns, visitorOf, value } from "../testing/as";
import { keepApart, keepGroups, keepSeats } from "./groups-actions";
import { studentGoals } from "@/data/plan/plan";
import { audienceOf } from "../assign/audience";
import { bringInPasted, changeStudent, leaveClass, lookAtPasted, makeCards, rejoinClass } from "./roster-actions";
import { signInWithWords } from "../student/student-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);
jest.mock("next/headers", () => ({ headers: async () => new Headers({ host: "satchel.example" }) }));

let db: Db;
let world: World;
const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
const roster = async () => (await studentsOf(db, world.class)).map(({ givenName }) => givenName);

beforeEach(async () => {
  db = db ? await emptied(db) : await freshDatabase();
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
