import { readFileSync, statSync } from "node:fs";
import path from "node:path";
import { readCaptions } from "@/core/media/captions";
import { shippedFilms } from "@/core/media/shipped";
import type { Document } from "@/core/resource/document";
import { translated } from "@/core/resource/translate";
import { unfinished } from "@/core/resource/unfinished";
import { underGoal } from "@/core/results/goal-tag";
import { progressOf, standingOf } from "@/core/results/progress";
import { resultTable } from "@/core/results/table";
import { stateOf } from "@/core/assign/form";
import { assignmentsOf } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { demoPeople } from "@/data/office/people";
import { readersIn, secondsIn } from "@/data/reading/readings";
import { readingsOn } from "@/data/reading/shelves";
import { studentGoals } from "@/data/plan/plan";
import { outcomesOfStudent, workOfStudent } from "@/data/results/student";
import { queueCounts } from "@/data/review/queue";
import { pocketsOf } from "@/data/satchel/pockets";
import { satchelOf } from "@/data/satchel/satchel";
import { workOf } from "@/data/results/work-of-class";
import type { Facts } from "@/core/resource/facts";
import { curatedSets } from "@/data/find/browse";
import { followedBy } from "@/data/find/saved-searches";
import { judge } from "@/server/results/judge";
import { storedOfChild } from "@/data/keep/delete-child";
import { rowsOf, tablesOf } from "@/data/keep/tables";
import { deleteChildOf } from "@/server/keep/children";
import { freshDatabase } from "@/data/testing/database";
import { seed } from "./seed";

let db: Db;
const now = new Date("2026-11-25T09:30:00Z");
beforeAll(async () => {
  db = await freshDatabase();
  // So that a number which stands for a person stands for nothing else: the last test looks for one everywhere.
  await db.query("alter table person alter column id restart with 9000001");
  await seed(db, { now, bulk: 40 });
}, 120_000);
afterAll(() => db.close());

describe("the demo's school", () => {
  test("has two schools, a dozen teachers, three curators, four classes of about 24", async () => {
    const [counts] = await db.query<Record<string, number>>(
      `select (select count(*) from school) schools,
              (select count(distinct person_id) from person_role where role = 'teacher') teachers,
              (select count(distinct person_id) from person_role where role = 'curator') curators,
              (select count(*) from class where archived is null) classes,
              (select min(n) from (select count(*) n from enrolment group by class_id) c) smallest`,
    );
    expect(counts).toMatchObject({ schools: 2, curators: 3, classes: 4 });
    expect(counts!.teachers).toBeGreaterThanOrEqual(12);
    expect(counts!.smallest).toBeGreaterThanOrEqual(22);
  });

  test("has a mixed-grade class with both grades in it", async () => {
    const rows = await db.query<{ grade: number }>(
      "select distinct p.grade from enrolment n join person p on p.id = n.student_id join class c on c.id = n.class_id where c.name = '4/5 Puffin' order by 1",
    );
    expect(rows.map((row) => row.grade)).toEqual([4, 5]);
  });

  test("lists who can enter, and nobody of the commons", async () => {
    const people = await demoPeople(db);
    expect(people.map((person) => person.name)).toContain("Ines Halloran");
    expect(people.some((person) => person.signIn.endsWith("@commons.example"))).toBe(false);
  });
});

const inesId = async () =>
  (await db.query<{ id: number }>("select id from person where email = 'ines.halloran@skerry.example'"))[0]!.id;

describe("no screen is empty", () => {
  test("the teacher of the demo has a satchel with pockets, and things without one", async () => {
    const [ines] = await db.query<{ id: number; school: number; district: number }>(
      "select id, school_id school, district_id district from person where email = 'ines.halloran@skerry.example'",
    );
    const items = await satchelOf(db, ines!);
    expect(items.length).toBeGreaterThanOrEqual(9);
    expect(items.some((item) => item.pockets.length === 0)).toBe(true);
    expect(await pocketsOf(db, ines!.id)).toHaveLength(4);
  });

  test("work is scheduled, open and finished", async () => {
    const [group] = await db.query<{ id: number }>("select id from class where name = '5 Kittiwake'");
    const states = (await assignmentsOf(db, await inesId(), [group!.id], now)).map((assignment) =>
      stateOf(assignment, now),
    );
    expect(new Set(states)).toEqual(new Set(["scheduled", "open", "finished"]));
  });

  test("answers are believable: not all right, not all done, never in the future", async () => {
    const assignments = await assignmentsOf(
      db,
      await inesId(),
      (await db.query<{ id: number }>("select id from class")).map((group) => group.id),
      now,
    );
    const verdicts = new Set<string>();
    let begun = 0;
    let missing = 0;
    for (const assignment of assignments.filter((one) => one.opens <= now)) {
      const works = await workOf(db, assignment.id);
      for (const response of works.flatMap((work) => work.tries.flatMap((attempt) => attempt.responses)))
        expect(response.at.getTime()).toBeLessThanOrEqual(now.getTime());
      const { rows } = resultTable(works, "best");
      begun += rows.filter((row) => row.state !== "not begun").length;
      missing += rows.filter((row) => row.state === "not begun").length;
      for (const cell of rows.flatMap((row) => Object.values(row.cells))) verdicts.add(cell.mark.verdict);
    }
    expect(verdicts).toEqual(new Set(["right", "partly", "wrong", "blank", "to read"]));
    expect(begun).toBeGreaterThan(missing);
    expect(missing).toBeGreaterThan(0);
  });

  test("the commons are there and counted", async () => {
    const [row] = await db.query<{ n: number }>("select sum(entries)::int n from search_tally where shelves & 4 <> 0");
    expect(row!.n).toBeGreaterThanOrEqual(40);
    expect(await db.query("select 1 from resource where head_revision_id is null")).toEqual([]);
  });
});

test("in the night of a Sunday the same children have the same to do", async () => {
  const other = await freshDatabase();
  try {
    const night = new Date("2026-11-29T23:40:00Z");
    await seed(other, { now: night, bulk: 1 });
    const stateOfAll = (of: Db, at: Date) =>
      of.query<{ title: string; student: string; tries: number; handed: boolean }>(
        `select v.document -> 'title' ->> 'en' title, p.given_name || ' ' || p.family_name student, count(t.id)::int tries, coalesce(bool_or(t.handed_in is not null), false) handed
         from assignment a join recipient r on r.assignment_id = a.id join revision v on v.id = r.revision_id
           join person p on p.id = r.student_id left join attempt t on t.recipient_id = r.id
         where a.opens < $1 and v.document -> 'title' ->> 'en' in ('Speed at sea', 'Ferry fares') group by 1, 2, a.id order by a.id, 2`,
        [at],
      );
    const wednesday = await stateOfAll(db, now);
    expect(wednesday.filter((row) => row.handed).length).toBeGreaterThan(20);
    expect(await stateOfAll(other, night)).toEqual(wednesday);
    expect(wednesday.find((row) => row.title === "Speed at sea" && row.student === "Adan Rey")?.handed).toBe(false);
  } finally {
    await other.close();
  }
}, 120_000);

test("no search entry says anything but what its document says", async () => {
  const rows = await db.query<{ same: boolean }>(
    `select (e.minutes = (f.facts ->> 'minutes')::int) same from search_entry e join resource_facts f using (resource_id)`,
  );
  expect(rows.length).toBeGreaterThan(60);
  expect(rows.every((row) => row.same)).toBe(true);
});

describe("there is something to find and to vet", () => {
  const reader = async () => {
    const [ines] = await db.query<{ id: number; school: number; district: number }>(
      "select id, school_id school, district_id district from person where email = 'ines.halloran@skerry.example'",
    );
    return { ...ines!, satchel: [] };
  };

  test("versions fold where one was adapted from the other, and nothing hand-written folds that is another thing", async () => {
    const rows = await db.query<{ family: number; titles: string[] }>(
      `select e.family, array_agg(f.facts ->> 'title' order by e.resource_id) titles from search_entry e
         join resource_facts f on f.resource_id = e.resource_id join person p on p.id = e.owner_id
        where e.family <> 0 and p.email not like '%@commons.example' group by 1`,
    );
    expect(rows.map((row) => row.titles)).toEqual([
      [
        "Reading a tide table",
        "Leer la tabla de mareas",
        "Reading a tide table for the harbour master",
        "Reading a tide table, the short one",
        "Reading a tide table in pairs",
      ],
      // Editions of one book.
      ["Pocket guide to the seabirds of the isles", "Pocket guide to the seabirds of the isles, second edition"],
      ["The Otter of Long Skerry", "The Otter of Long Skerry (new edition)"],
    ]);
  });

  test("sixty are written by hand, some in Spanish, some in two editions, some of another country, one far too hard", async () => {
    const facts = await db.query<{ facts: Facts; work: string | null }>(
      `select f.facts, d.work from resource_facts f join resource r on r.id = f.resource_id join person p on p.id = r.owner_id
         left join edition d on d.resource_id = f.resource_id where p.email not like '%@commons.example'`,
    );
    expect(facts.length).toBeGreaterThanOrEqual(60);
    expect(facts.filter((one) => one.facts.languages[0] === "es").length).toBeGreaterThanOrEqual(5);
    expect(facts.filter((one) => one.work !== null)).toHaveLength(4);
    expect(new Set(facts.map((one) => one.facts.country))).toEqual(new Set(["any", "XS", "US", "GB"]));
    expect(facts.filter((one) => (one.facts.readingGrade ?? 0) > one.facts.grades.to + 5)).toHaveLength(1);
  });

  test("each unit and set has something in it, and what Ines keeps and follows says what is new", async () => {
    const sets = await curatedSets(db, await reader());
    expect(sets.map((set) => set.kind).sort()).toEqual(["set", "set", "set", "unit", "unit", "unit"]);
    for (const set of sets) expect(set.resources).toBeGreaterThanOrEqual(2);
    expect(await followedBy(db, await reader())).toMatchObject([{ name: "Piers Oakenshaw" }]);
  });

  test("every code a lesson names is in the framework, where there is a framework for its subject", async () => {
    const rows = await db.query<{ code: string }>(
      `select distinct a ->> 'code' code from revision v, jsonb_array_elements(v.document -> 'standards') a
        where left(a ->> 'code', 2) in ('MA', 'RE', 'SC') and not exists (select 1 from standard s where s.code = a ->> 'code')`,
    );
    expect(rows).toEqual([]);
  });
});

describe("a lesson in two languages, with a film and a voice", () => {
  const harbour = async () => {
    const [row] = await db.query<{ owner: number; document: Document }>(
      `select r.owner_id owner, v.document from resource r join revision v on v.id = r.head_revision_id
        where v.document -> 'title' ->> 'en' = 'The harbour in twelve hours'`,
    );
    return row!;
  };

  test("says everything in both", async () => {
    const { document } = await harbour();
    expect(document.languages).toEqual(["en", "es"]);
    const { written, all } = translated(document, "es");
    expect([written, all > 20]).toEqual([all, true]);
  });

  test("is spoken by its author, in both", async () => {
    const { owner, document } = await harbour();
    const voices = Object.entries(document.steps[0]!.instructions).map(([language, { recording }]) => [
      language,
      recording?.by,
      recording?.name,
    ]);
    expect(voices.sort()).toEqual([
      ["en", owner, "Ines Halloran"],
      ["es", owner, "Ines Halloran"],
    ]);
    expect(unfinished(document, owner)).toEqual([]);
  });

  test("has a film whose stops lie inside it and whose captions are there", async () => {
    const { document } = await harbour();
    const [film] = document.steps[0]!.blocks.filter((block) => block.type === "film");
    const shipped = shippedFilms.find(({ media }) => media === film!.media)!;
    expect(film!.stops.length).toBe(3);
    expect(film!.stops.every(({ at }) => at > 0 && at < shipped.seconds)).toBe(true);
    for (const language of document.languages) {
      const file = path.join("public", "films", `${film!.captions[language]!.split(":")[1]}.vtt`);
      const cues = readCaptions(readFileSync(file, "utf8"));
      expect(cues.at(-1)!.to).toBeLessThanOrEqual(shipped.seconds);
    }
  });

  test("every film that comes along is small, and has its captions in two languages, as long as each other", () => {
    for (const { media, captions } of shippedFilms) {
      expect(statSync(path.join("public", "films", `${media.split(":")[1]}.webm`)).size).toBeLessThan(1_000_000);
      const lengths = Object.values(captions).map(
        (one) => readCaptions(readFileSync(path.join("public", "films", `${one.split(":")[1]}.vtt`), "utf8")).length,
      );
      expect(new Set(lengths).size).toBe(1);
    }
  });
});

test("work is held back: some waits for Ines, some came back, some classmates can see", async () => {
  const counts = await queueCounts(db, await inesId(), now);
  expect(counts.waiting).toBeGreaterThanOrEqual(5);
  expect(counts["sent back"]).toBeGreaterThanOrEqual(1);
  expect(counts.shown).toBeGreaterThanOrEqual(2);
});

test("a shelf of readings has been read from for a fortnight: minutes, ends, and what each child likes", async () => {
  const [group] = await db.query<{ id: number }>("select id from class where name = '5 Kittiwake'");
  expect((await readingsOn(db, [group!.id])).length).toBeGreaterThanOrEqual(8);
  const seconds = await secondsIn(db, group!.id, "2026-11-11", "2026-11-25");
  expect(new Set(seconds.map(({ date }) => date)).size).toBeGreaterThanOrEqual(9);
  expect(seconds.every((row) => row.seconds < 45 * 60 && row.date <= "2026-11-25")).toBe(true);
  const readers = await readersIn(db, group!.id);
  expect(readers.filter(({ finished }) => finished > 0).length).toBeGreaterThanOrEqual(8);
  expect(readers.filter(({ likes }) => likes.length > 0).length).toBeGreaterThanOrEqual(15);
});

test("a term of results has something to find: a goal met last week, and a child who falls back", async () => {
  const ines = (await demoPeople(db)).find(({ name }) => name === "Ines Halloran")!.id;
  const pointsOf = async (name: string) => {
    const [row] = await db.query<{ id: number }>(
      "select id from person where given_name || ' ' || family_name = $1 and kind = 'student'",
      [name],
    );
    await judge(db, await workOfStudent(db, ines, row!.id, now));
    const outcomes = await outcomesOfStudent(db, ines, row!.id, now);
    return { points: outcomes.filter(({ code }) => code === ""), goals: await studentGoals(db, [row!.id]) };
  };
  const marek = await pointsOf("Marek Zielin");
  const [goal] = marek.goals;
  const standing = standingOf(underGoal(marek.points, goal!), goal!.criterion!);
  expect(now.getTime() - standing.met!.getTime()).toBeLessThan(8 * 86_400_000);
  const mei = progressOf((await pointsOf("Mei Lindqvist")).points);
  expect(mei.points[0]!.share).toBeGreaterThan(mei.level! + 0.3);
});

test("a child who has done everything there is to do is deleted, and no row of any table has her name or her number", async () => {
  const [child] = await db.query<{ id: number; school: number }>(
    "select id, school_id school from person where given_name = 'Sunniva' and family_name = 'Dale'",
  );
  const { id: student, school } = child!;
  const everywhere = () =>
    db.transaction(async (tx) => {
      const found: string[] = [];
      for (const table of await tablesOf(tx))
        for await (const rows of rowsOf(tx, table))
          for (const row of rows)
            if (/Sunniva/.test(row) || new RegExp(`\\b${student}\\b`).test(row)) found.push(`${table.name}: ${row}`);
      return found;
    });
  const letter = ["Sunniva's family", "dale@skerry.example", "Progress", "Sunniva Dale reads every day.", now];
  await db.query(
    `insert into outbox (school_id, by_id, to_name, to_address, subject, body, at)
     select school_id, id, $1, $2, $3, $4, $5 from person where family_name = 'Halloran'`,
    letter,
  );
  await db.query(
    `insert into event (person_id, at, what, before, after)
     select id, $1, 'moved a child', '{}', jsonb_build_object('students', jsonb_build_array($2::int)) from person where family_name = 'Halloran'`,
    [now, student],
  );
  const grouped = { mode: "pairs", onBoard: false, shared: false, frozen: false };
  const pair = [
    { student, name: "Sunniva Dale" },
    { student: 1, name: "Somebody else" },
  ];
  await db.query("update lesson set state = state || $1::jsonb where id = (select min(id) from lesson)", [
    JSON.stringify({ work: { "step-1": { ...grouped, groups: [pair, [pair[0]]] } } }),
  ]);
  const stored = await storedOfChild(db, student);
  expect([stored.works > 5, stored.answers > 20, stored.classes > 1]).toEqual([true, true, true]);
  expect((await everywhere()).length).toBeGreaterThan(50);
  const [before] = await db.query<{ rows: number }>("select count(*)::int rows from response");
  const gone = await deleteChildOf(db, { school, student, by: null, now });
  expect(gone!.rows).toBeGreaterThan(50);
  expect(await everywhere()).toEqual([]);
  const [after] = await db.query<{ rows: number }>("select count(*)::int rows from response");
  expect(before!.rows - after!.rows).toBe(stored.answers);
  const [lesson] = await db.query<{ groups: unknown }>(
    "select state -> 'work' -> 'step-1' -> 'groups' groups from lesson order by id limit 1",
  );
  expect(lesson!.groups).toEqual([[{ student: 1, name: "Somebody else" }]]);
});
