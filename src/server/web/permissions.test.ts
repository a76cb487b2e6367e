import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import type { Db } from "@/data/engine/db";
import { addAssignment, assignmentsOf } from "@/data/assign/assignments";
import { addPocket } from "@/data/satchel/pockets";
import { addTeam } from "@/data/share/teams";
import { freshDatabase } from "@/data/testing/database";
import { lesson, now, publishFor, smallWorld, type World } from "@/data/testing/world";
import type { Person } from "@/data/office/people";
import { guardedBy, permissions, permit, type About, type Act } from "./permissions";
import type { Visitor } from "./session";

const source = path.resolve(__dirname, "../..");
const files = readdirSync(source, { recursive: true, encoding: "utf8" }).map((file) => path.join(source, file));
const named = (text: string, call: string) =>
  [...text.matchAll(new RegExp(`\\b${call}\\(\\s*"([^"]+)"`, "g"))].map((found) => found[1]!);
const known: ReadonlySet<string> = new Set(Object.keys(permissions));

describe("every way in asks the table", () => {
  const pages = files.filter((file) => /\/app\/.*(page|layout)\.tsx$/.test(file) && !file.endsWith("/app/layout.tsx"));
  const routes = files.filter((file) => /\/app\/.*route\.ts$/.test(file));
  const actions = files.filter((file) => /\/server\/[a-z]+\/[a-z-]+-actions\.ts$/.test(file));
  const short = (file: string) => path.relative(source, file);

  test("there are pages, routes and actions to look at", () => {
    expect(pages.length).toBeGreaterThan(8);
    expect(routes.length).toBeGreaterThan(3);
    expect(actions.length).toBeGreaterThan(3);
  });

  test.each(pages.map((file) => [short(file), file]))("the page %s", (_name, file) => {
    const asked = named(readFileSync(file, "utf8"), "enter");
    expect(asked.length).toBeGreaterThan(0);
    for (const act of asked) expect(known).toContain(act);
  });

  test.each(routes.map((file) => [short(file), file]))("the route %s", async (_name, file) => {
    const handlers = Object.entries((await import(file)) as Record<string, unknown>);
    expect(handlers.length).toBeGreaterThan(0);
    for (const [name, handler] of handlers) {
      expect(["GET", "POST", "PUT", "PATCH", "DELETE"]).toContain(name);
      expect([name, known.has(guardedBy(handler) ?? "")]).toEqual([name, true]);
    }
  });

  test.each(actions.map((file) => [short(file), file]))("the actions of %s", async (_name, file) => {
    expect(readFileSync(file, "utf8").startsWith('"use server";')).toBe(true);
    const exported = Object.entries((await import(file)) as Record<string, unknown>);
    expect(exported.length).toBeGreaterThan(0);
    for (const [name, action] of exported) expect([name, known.has(guardedBy(action) ?? "")]).toEqual([name, true]);
  });

  test("nobody makes an action or opens the database outside its floor", () => {
    const elsewhere = files.filter(
      (file) => /\.(ts|tsx)$/.test(file) && !/\.test\./.test(file) && !/\/server\//.test(file),
    );
    for (const file of elsewhere) {
      const text = readFileSync(file, "utf8");
      expect([short(file), /["']use server["']/.test(text)]).toEqual([short(file), false]);
      expect([short(file), /\bdatabase\(\)/.test(text)]).toEqual([short(file), false]);
    }
  });

  test("no row of the table is there for nothing", () => {
    const used = new Set(
      files
        .filter((file) => /\.(ts|tsx)$/.test(file) && !/\.test\./.test(file))
        .flatMap((file) => ["enter", "act", "route"].flatMap((call) => named(readFileSync(file, "utf8"), call))),
    );
    used.add("take back a lost day"); // plan/plan-actions.ts asks permit itself, for what the undone act was about
    used.add("assign as before"); // assign/assign-actions.ts asks permit itself: without it the form is only not filled in
    used.add("look at resource"); // server/find/light-table.ts asks permit itself: nothing open is no refusal there
    expect([...known].filter((act) => !used.has(act))).toEqual([]);
  });
});

describe("who may do what", () => {
  let db: Db;
  let world: World;
  const things: Record<"mine" | "staffroom" | "elsewhere" | "assignment" | "pocket", number> = {
    mine: 0,
    staffroom: 0,
    elsewhere: 0,
    assignment: 0,
    pocket: 0,
  };

  const visitor = (id: number, more: Partial<Visitor> = {}): Visitor => ({
    ...({
      givenName: "",
      familyName: "",
      schoolName: null,
      zone: "UTC",
      locale: "en",
      country: "XS",
    } satisfies Partial<Person>),
    id,
    kind: "adult",
    district: world.district,
    school: world.here,
    roles: ["teacher"],
    joinedClass: null,
    joinedAt: null,
    ...more,
  });
  const may = (who: Visitor | null, act: Act, about: About = {}) => permit(db, who, act, about, now);

  beforeAll(async () => {
    db = await freshDatabase();
    world = await smallWorld(db);
    const mine = await publishFor(db, world.ines, lesson("Mine"));
    things.mine = mine.id;
    things.staffroom = (await publishFor(db, world.teodor, lesson("Staffroom"), ["staffroom"])).id;
    things.elsewhere = (await publishFor(db, world.judit, lesson("Elsewhere"), ["staffroom"])).id;
    things.assignment = await addAssignment(db, {
      class: world.class,
      resource: mine.id,
      revision: mine.revision,
      students: [world.students[0]!],
      madeBy: world.ines,
      made: now,
      opens: now,
      due: new Date(now.getTime() + 1000),
      tries: 1,
      keep: "best",
      checking: "at once",
    });
    things.pocket = (await addPocket(db, world.ines, "P")).id;
  }, 60_000);
  afterAll(() => db.close());

  test("nobody who is not signed in, but to sign in, to read help and to open what an address leads to", async () => {
    const anybody = [
      "sign in",
      "see that it runs",
      "read help",
      "read a calendar by its address",
      "come as a guest",
      "begin a school",
      "accept an invitation",
      "come in from another system",
      "open a link",
      "open a portfolio",
    ];
    for (const act of Object.keys(permissions) as Act[]) {
      expect([
        act,
        await may(null, act, { resource: things.staffroom, class: world.class, assignment: things.assignment }),
      ]).toEqual([act, anybody.includes(act)]);
    }
  });

  test("students do nothing of a teacher's, teachers nothing of a student's", async () => {
    const student = visitor(world.students[0]!, { kind: "student", roles: [] });
    for (const act of Object.keys(permissions) as Act[]) {
      const { who } = permissions[act];
      const about = {
        resource: things.staffroom,
        resources: [],
        class: world.class,
        assignment: things.assignment,
        pocket: things.pocket,
      };
      if (who === "teacher") expect([act, await may(student, act, about)]).toEqual([act, false]);
      if (who === "student") expect([act, await may(visitor(world.ines), act, about)]).toEqual([act, false]);
    }
  });

  test("somebody of the office is no teacher", async () => {
    expect(await may(visitor(world.ines, { roles: ["office"] }), "find resources")).toBe(false);
    const curator = visitor(world.ines, { roles: ["curator"] });
    for (const act of ["keep the desk", "see the teachers' pages", "read own messages"] as const)
      expect(await may(curator, act)).toBe(true);
    expect(await may(curator, "find resources")).toBe(false);
    expect(await may(visitor(world.ines, { roles: ["office"] }), "see the teachers' pages")).toBe(false);
  });

  test("a teacher looks at what her shelves show, and changes only her own", async () => {
    const ines = visitor(world.ines);
    expect(await may(ines, "look at resource", { resource: things.staffroom })).toBe(true);
    expect(await may(ines, "edit resource", { resource: things.staffroom })).toBe(false);
    expect(await may(ines, "edit resource", { resource: things.mine })).toBe(true);
    expect(await may(visitor(world.teodor), "edit resource", { resource: things.mine })).toBe(false);
    for (const act of ["look at resource", "pack resource", "adapt resource"] as const) {
      expect([act, await may(ines, act, { resource: things.elsewhere })]).toEqual([act, false]);
      expect([act, await may(ines, act, {})]).toEqual([act, false]);
      expect([act, await may(ines, act, { resource: 999_999 })]).toEqual([act, false]);
    }
  });

  test("one thing she may not read stops the whole heap", async () => {
    const put = (resources: number[]) =>
      may(visitor(world.ines), "put into pocket", { pocket: things.pocket, resources });
    expect(await put([things.mine, things.staffroom])).toBe(true);
    expect(await put([things.mine, things.elsewhere])).toBe(false);
    expect(
      await may(visitor(world.teodor), "put into pocket", { pocket: things.pocket, resources: [things.staffroom] }),
    ).toBe(false);
  });

  test("work is given to students of a class she teaches, and to nobody else", async () => {
    const give = (who: Visitor, students: number[]) =>
      may(who, "assign resources", {
        resources: [things.staffroom],
        to: [{ class: world.class, students }],
        versions: [],
        after: [],
      });
    expect(await give(visitor(world.ines), world.students)).toBe(true);
    expect(await give(visitor(world.ines), [...world.students, world.judit])).toBe(false);
    expect(await give(visitor(world.teodor), world.students)).toBe(false);
    const version = (resource: number) =>
      may(visitor(world.ines), "assign resources", {
        resources: [things.staffroom],
        to: [{ class: world.class, students: world.students }],
        versions: [{ student: world.students[0]!, resource }],
        after: [],
      });
    expect(await version(things.mine)).toBe(true);
    expect(await version(things.elsewhere)).toBe(false);
  });

  test("results are for the class's teachers", async () => {
    expect(await may(visitor(world.ines), "see results", { assignment: things.assignment })).toBe(true);
    expect(await may(visitor(world.teodor), "see results", { assignment: things.assignment })).toBe(false);
    expect(await may(visitor(world.ines), "see results", { assignment: 999_999 })).toBe(false);
  });

  test("a student does what was given to that student", async () => {
    const student = (at: number, more: Partial<Visitor> = {}) =>
      visitor(world.students[at]!, { kind: "student", roles: [], ...more });
    const about = { assignment: things.assignment };
    expect(await may(student(0), "do assignment", about)).toBe(true);
    expect(await may(student(1), "do assignment", about)).toBe(false);
    expect(await may(student(0, { joinedClass: world.class }), "do assignment", about)).toBe(true);
    expect(await may(student(0, { joinedClass: world.class + 1 }), "do assignment", about)).toBe(false);
  });

  test("where the table asks about something that is not said, the answer is no", async () => {
    const made = { district: world.district, name: "Grade 4", lines: ["Reading"], at: now };
    const team = await addTeam(db, { ...made, people: [world.ines] });
    const about: Required<About> = {
      resource: things.mine,
      resources: [things.mine],
      class: world.class,
      classes: [world.class],
      assignment: things.assignment,
      assignments: [things.assignment],
      pocket: things.pocket,
      team,
      author: world.teodor,
      reading: things.mine,
      date: "2026-11-26",
      students: [world.students[0]!],
      to: [{ class: world.class, students: [world.students[0]!] }],
      versions: [],
      after: [things.assignment],
    };
    const ines = visitor(world.ines, { roles: ["teacher", "curator", "office"] });
    for (const act of Object.keys(permissions) as Act[]) {
      const { who, needs } = permissions[act];
      if (who === "student" || needs.length === 0) continue;
      // Only of a class that is put away: asked in actions/class-said.test.ts.
      if (act === "bring a class back") continue;
      // Of nothing that is said: asked in office/district-actions.test.ts.
      if (act === "keep the district's schools") continue;
      expect([act, await may(ines, act, about)]).toEqual([act, true]);
      expect([act, await may(ines, act, {})]).toEqual([act, false]);
    }
  });

  describe("somebody who covers a class for two days", () => {
    const day = (days: number) => new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);
    const cover = async (from: string, to: string) => {
      await db.query("delete from class_teacher where person_id = $1", [world.teodor]);
      await db.query(
        "insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, 'cover', $3, $4)",
        [world.class, world.teodor, from, to],
      );
    };
    const give = (opens: number, due: number) =>
      addAssignment(db, {
        class: world.class,
        resource: things.staffroom,
        revision: 1,
        students: [world.students[0]!],
        madeBy: world.ines,
        made: now,
        opens: new Date(now.getTime() + opens * 86_400_000),
        due: new Date(now.getTime() + due * 86_400_000),
        tries: 1,
        keep: "best",
        checking: "at once",
      });

    test("works with what is open in them, and neither sees nor calls back what is not", async () => {
      await cover(day(0), day(1));
      const [during, before, after] = [await give(-3, 1), await give(-9, -4), await give(5, 8)];
      const teodor = visitor(world.teodor);
      for (const act of ["see results", "change assignment"] as const) {
        expect([act, await may(teodor, act, { assignment: during })]).toEqual([act, true]);
        expect([act, await may(teodor, act, { assignment: before })]).toEqual([act, false]);
        expect([act, await may(teodor, act, { assignment: after })]).toEqual([act, false]);
      }
      expect(await may(teodor, "change assignments", { assignments: [during, after] })).toBe(false);
      const listed = (await assignmentsOf(db, world.teodor, [world.class], now)).map(({ id }) => id);
      expect(listed).toContain(during);
      expect(listed).not.toContain(before);
      expect(listed).not.toContain(after);
      expect((await assignmentsOf(db, world.ines, [world.class], now)).map(({ id }) => id)).toContain(after);
    });

    test("changes neither the roster nor a child's card, and no day beyond them", async () => {
      await cover(day(0), day(1));
      const teodor = visitor(world.teodor);
      const about = { class: world.class, students: [world.students[0]!], classes: [world.class] };
      expect(await may(teodor, "see class", about)).toBe(true);
      for (const act of ["change roster", "change a student", "put back into class"] as const)
        expect([act, await may(teodor, act, about)]).toEqual([act, false]);
      expect(await may(teodor, "lose a day", { ...about, date: day(1) })).toBe(true);
      expect(await may(teodor, "lose a day", { ...about, date: day(2) })).toBe(false);
    });

    test("begins and ends with the school's own day, wherever the server stands", async () => {
      await db.query("update school set time_zone = 'Pacific/Auckland' where id = $1", [world.here]);
      const evening = new Date("2026-11-25T20:00:00Z"); // the 26th in Auckland
      await cover("2026-11-26", "2026-11-26");
      expect(await permit(db, visitor(world.teodor), "see class", { class: world.class }, evening)).toBe(true);
      await cover("2026-11-25", "2026-11-25");
      expect(await permit(db, visitor(world.teodor), "see class", { class: world.class }, evening)).toBe(false);
      await db.query("update school set time_zone = 'Europe/London' where id = $1", [world.here]);
    });
  });
});
