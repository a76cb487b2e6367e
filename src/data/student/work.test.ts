import { resultTable } from "@/core/results/table";
import { allQuestions } from "@/core/resource/document";
import { type NewAssignment, assignmentById, assignmentsOf, setCalledBack } from "../assign/assignments";
import { placesOf, setPlaces } from "../assign/places";
import {
  classByJoinCode,
  classesOf,
  isEnrolled,
  joinCodeOf,
  setJoinCode,
  studentsOf,
  teachesClass,
} from "../classes/classes";
import { one, type Db } from "../engine/db";
import { credentialsByEmail, endSession, personOfSession, startSession } from "../office/people";
import { addRevision } from "../adapt/resources";
import { freshDatabase } from "../testing/database";
import { giveToClass, lesson, now, publishFor, smallWorld, type World } from "../testing/world";
import { addResponses, attemptsOf, handIn, openAttempt, responsesOf, ownAssignment, ownAssignments } from "./work";
import { workOf } from "../results/work-of-class";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

const hours = (count: number) => new Date(now.getTime() + count * 3_600_000);
const document = lesson("Tides");
const [{ step, question } = { step: undefined!, question: undefined! }] = allQuestions(document);

const give = async (more: Partial<NewAssignment> = {}) =>
  giveToClass(db, world, await publishFor(db, world.ines, document), { opens: hours(-1), tries: 1, ...more });
const given = (key: string, value: unknown) => ({
  key,
  step: step.id,
  question: question.id,
  value,
  checked: false,
  late: false,
});

describe("giving work", () => {
  test("a row a student, with the revision written down", async () => {
    const assignment = await give();
    expect(await assignmentById(db, assignment)).toMatchObject({
      title: "Tides",
      recipients: 3,
      begun: 0,
      handedIn: 0,
      classSize: 3,
    });
    expect(await ownAssignments(db, world.students[0]!, null)).toHaveLength(1);
  });

  test("some of the class, and nobody who is not in it", async () => {
    const assignment = await give({ students: [world.students[1]!, world.ines, 999_999] });
    expect((await assignmentById(db, assignment))!.recipients).toBe(1);
    expect(await ownAssignment(db, world.students[1]!, assignment, null)).toBeDefined();
    expect(await ownAssignment(db, world.students[0]!, assignment, null)).toBeUndefined();
  });

  test("a later revision changes nothing for those who were given the earlier", async () => {
    const assignment = await give();
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    const { resource } = (await assignmentById(db, assignment))!;
    await addRevision(db, {
      resource,
      document: lesson("Tides, improved"),
      hash: "2",
      author: world.ines,
      created: now,
    });
    expect((await ownAssignment(db, world.students[0]!, assignment, null))!.revision).toBe(assigned.revision);
    expect((await ownAssignment(db, world.students[0]!, assignment, null))!.title).toBe("Tides");
  });

  test("called back it is gone for students and still in the teacher's list; given again it is as it was", async () => {
    const assignment = await give();
    await setCalledBack(db, assignment, now);
    expect(await ownAssignment(db, world.students[0]!, assignment, null)).toBeUndefined();
    expect(
      (await assignmentsOf(db, world.ines, [world.class], now)).find((one) => one.id === assignment)!.calledBack,
    ).toEqual(now);
    await setCalledBack(db, assignment, null);
    expect(await ownAssignment(db, world.students[0]!, assignment, null)).toBeDefined();
  });

  test("the due date may move, but not before it opens", async () => {
    const assignment = await give();
    const [place] = await placesOf(db, [assignment]);
    await setPlaces(db, [{ ...place!, due: hours(48) }]);
    expect((await assignmentById(db, assignment))!.due).toEqual(hours(48));
    await expect(setPlaces(db, [{ ...place!, due: hours(-2) }])).rejects.toThrow();
  });
});

describe("answers", () => {
  test("an acknowledged answer is never replaced: a later one is added, and nobody can write over it", async () => {
    const assignment = await give();
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    const attempt = (await db.transaction((tx) => openAttempt(tx, assigned, now)))!;
    expect(await addResponses(db, attempt.id, [given("first-key", "b")], now)).toBe(true);
    expect(await addResponses(db, attempt.id, [given("second-key", "a")], hours(1))).toBe(true);
    expect((await responsesOf(db, [attempt.id])).map((response) => response.value)).toEqual(["b", "a"]);
    await expect(db.query("update response set value = '\"x\"'")).rejects.toThrow(/never replaced/);
  });

  test("the same answer sent twice, by a network that stutters, is kept once", async () => {
    const assignment = await give();
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    const attempt = (await openAttempt(db, assigned, now))!;
    await Promise.all([1, 2, 3].map(() => addResponses(db, attempt.id, [given("same-key", "a")], now)));
    expect(await responsesOf(db, [attempt.id])).toHaveLength(1);
  });

  test("two devices work on one try, not on two", async () => {
    const assignment = await give({ tries: 3 });
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    const attempts = await Promise.all([1, 2].map(() => db.transaction((tx) => openAttempt(tx, assigned, now))));
    expect(attempts[0]!.id).toBe(attempts[1]!.id);
  });

  test("after handing in nothing is added; another try only while one is left", async () => {
    const assignment = await give({ tries: 2 });
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    for (const number of [1, 2]) {
      const attempt = (await openAttempt(db, assigned, now))!;
      expect(attempt.number).toBe(number);
      await handIn(db, attempt.id, hours(number));
      expect(await addResponses(db, attempt.id, [given("too-late-key", "a")], now)).toBe(false);
    }
    expect(await openAttempt(db, assigned, now)).toBeUndefined();
    expect(await attemptsOf(db, assigned.recipient)).toHaveLength(2);
  });

  test("handing in twice keeps the first moment", async () => {
    const assignment = await give();
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    const attempt = (await openAttempt(db, assigned, now))!;
    await handIn(db, attempt.id, hours(1));
    await handIn(db, attempt.id, hours(2));
    expect((await attemptsOf(db, assigned.recipient))[0]!.handedIn).toEqual(hours(1));
  });

  test("as often as wanted is as often as wanted", async () => {
    const assignment = await give({ tries: null });
    const assigned = (await ownAssignment(db, world.students[0]!, assignment, null))!;
    for (let round = 1; round <= 12; round += 1) await handIn(db, (await openAttempt(db, assigned, now))!.id, now);
    expect(await attemptsOf(db, assigned.recipient)).toHaveLength(12);
  });

  test("everything that came back makes the table, no matter who answered what", async () => {
    const assignment = await give();
    const answers = ["a", "b"];
    for (const [at, student] of world.students.slice(0, 2).entries()) {
      const assigned = (await ownAssignment(db, student, assignment, null))!;
      const attempt = (await openAttempt(db, assigned, now))!;
      await addResponses(db, attempt.id, [given(`key-of-${at}xx`, answers[at])], now);
    }
    const { rows } = resultTable(await workOf(db, assignment), "best");
    expect(rows.map((row) => [row.student.name, row.state, row.marks])).toEqual([
      ["aisha Test", "working", 1],
      ["bo Test", "working", 0],
      ["cato Test", "not begun", 0],
    ]);
  });
});

describe("classes", () => {
  test("a cover teacher has the class between her dates and on no other day", async () => {
    await db.query(
      "insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, 'cover', '2026-11-25', '2026-11-27')",
      [world.class, world.teodor],
    );
    expect(await teachesClass(db, world.teodor, world.class, now)).toBe(true);
    expect(await teachesClass(db, world.teodor, world.class, hours(-24))).toBe(false);
    expect(await teachesClass(db, world.teodor, world.class, hours(24 * 3))).toBe(false);
    expect(await classesOf(db, world.teodor, hours(24 * 3))).toEqual([]);
  });

  test("a child is in a class from the first to the last day of the enrolment, by the school's day", async () => {
    const days = (from: string, to: string) =>
      db.query(
        `update enrolment set from_date = (now() at time zone 'Europe/London')::date + $3::int,
                to_date = (now() at time zone 'Europe/London')::date + $4::int where class_id = $1 and student_id = $2`,
        [world.class, world.students[0], from, to],
      );
    const here = async () => (await studentsOf(db, world.class)).some(({ id }) => id === world.students[0]);
    for (const [from, to, is] of [
      ["0", "0", true],
      ["1", "9", false],
      ["-9", "-1", false],
      ["-9", "9", true],
    ] as const) {
      await days(from, to);
      expect([from, to, await here()]).toEqual([from, to, is]);
      expect(await isEnrolled(db, world.students[0]!, world.class)).toBe(is);
    }
    await db.query("update enrolment set from_date = null, to_date = null");
  });

  test("the roster is by name", async () => {
    expect((await studentsOf(db, world.class)).map((student) => student.givenName)).toEqual(["aisha", "bo", "cato"]);
  });

  test("a join code opens its class until it runs out or is ended", async () => {
    await setJoinCode(db, world.class, { code: "KELP 42", expires: hours(1) });
    expect(await classByJoinCode(db, "KELP 42", now)).toEqual({ id: world.class, name: "5 Kittiwake" });
    expect(await classByJoinCode(db, "KELP 42", hours(2))).toBeUndefined();
    expect(await joinCodeOf(db, world.class, hours(2))).toBeNull();
    await setJoinCode(db, world.class, null);
    expect(await classByJoinCode(db, "KELP 42", now)).toBeUndefined();
  });
});

describe("sessions", () => {
  const session = (person: number, more: object = {}) => ({
    tokenHash: `hash-${person}`,
    person,
    class: null,
    created: now,
    expires: hours(12),
    ...more,
  });

  test("say who is there until they run out or are ended", async () => {
    await startSession(db, session(world.ines));
    expect(await personOfSession(db, `hash-${world.ines}`, now)).toMatchObject({
      id: world.ines,
      kind: "adult",
      roles: ["teacher"],
      zone: "Europe/London",
      joinedClass: null,
    });
    expect(await personOfSession(db, `hash-${world.ines}`, hours(13))).toBeUndefined();
    await endSession(db, `hash-${world.ines}`);
    expect(await personOfSession(db, `hash-${world.ines}`, now)).toBeUndefined();
  });

  test("end at once when somebody is no longer active", async () => {
    await startSession(db, session(world.judit));
    await db.query("update person set active = false where id = $1", [world.judit]);
    expect(await personOfSession(db, `hash-${world.judit}`, now)).toBeUndefined();
    expect(await credentialsByEmail(db, "judit@skerry.example")).toBeUndefined();
  });

  test("a student who came in by a code sees that class's work only", async () => {
    const assignment = await give();
    const [student] = world.students;
    await startSession(db, session(student!, { class: world.class }));
    expect((await personOfSession(db, `hash-${student}`, now))!.joinedClass).toBe(world.class);
    expect(await ownAssignment(db, student!, assignment, world.class)).toBeDefined();
    expect(await ownAssignment(db, student!, assignment, world.class + 1)).toBeUndefined();
  });
});

describe("a recipient's row", () => {
  const insert = (assignment: number, student: number, revision: number) =>
    db.query("insert into recipient (assignment_id, student_id, revision_id) values ($1, $2, $3)", [
      assignment,
      student,
      revision,
    ]);
  const rowsOf = async (assignment: number) =>
    (await db.query("select 1 from recipient where assignment_id = $1", [assignment])).length;

  test("points to a piece of work, a person and a revision that are there, or is not written", async () => {
    const { revision } = await publishFor(db, world.ines, document);
    const assignment = await give({ students: [world.students[0]!] });
    const gone = 999_999;
    for (const [work, student, version] of [
      [gone, world.students[1]!, revision],
      [assignment, gone, revision],
      [assignment, world.students[1]!, gone],
    ] as const)
      await expect(insert(work, student, version)).rejects.toMatchObject({ code: "23503" });
    await expect(
      db.query("update recipient set revision_id = $2 where assignment_id = $1", [assignment, gone]),
    ).rejects.toMatchObject({ code: "23503" });
    expect(await rowsOf(assignment)).toBe(1);
    await insert(assignment, world.students[1]!, revision);
    expect(await rowsOf(assignment)).toBe(2);
  });

  test("goes with its piece of work, and its tries with it", async () => {
    const [one, other] = [await give(), await give()];
    const assigned = (await ownAssignment(db, world.students[0]!, one, null))!;
    const attempt = (await openAttempt(db, assigned, now))!;
    await db.query("delete from assignment where id = $1", [one]);
    expect([await rowsOf(one), await rowsOf(other)]).toEqual([0, 3]);
    expect(await db.query("select 1 from attempt where id = $1", [attempt.id])).toEqual([]);
  });

  test("goes with the person, while a revision that was given to somebody stays", async () => {
    const { id: child } = await one<{ id: number }>(
      db,
      `insert into person (district_id, kind, given_name, family_name, sign_in_name)
       values ($1, 'student', 'Only', 'Today', 'only.today') returning id`,
      [world.district],
    );
    const assignment = await give({ students: [world.students[0]!] });
    const { id, revision } = await publishFor(db, world.ines, document);
    await addRevision(db, { resource: id, document, hash: "3", author: world.ines, created: now });
    await insert(assignment, child, revision);
    const forget = () => db.query("delete from revision where id = $1", [revision]);
    await expect(forget()).rejects.toMatchObject({
      code: "23503",
      message: expect.stringMatching(/given to somebody/),
    });
    await db.query("delete from person where id = $1", [child]);
    expect(await rowsOf(assignment)).toBe(1);
    await forget();
  });
});
