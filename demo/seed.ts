import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { withExtraTime } from "@/core/assign/extra-time";
import { nthMeeting, type SchoolCalendar } from "@/core/calendar/school-calendar";
import { schoolDayAt } from "@/core/calendar/wall-clock";
import { withVoice } from "@/core/resource/voices";
import { titleOf, type Document, type Step } from "@/core/resource/document";
import { pictureSecret, type Picture } from "@/core/student/pictures";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { addAssignment } from "@/data/assign/assignments";
import type { Db, Queryable } from "@/data/engine/db";
import { one } from "@/data/engine/db";
import { addResource } from "@/data/adapt/resources";
import { refreshPopularity } from "@/data/find/uses";
import { importFramework } from "@/data/find/standards";
import { Sharing } from "@/core/review/sharing";
import { newLesson } from "@/core/live/lesson";
import { openLesson } from "@/data/live/lessons";
import { putOnShelf } from "@/data/find/shelves";
import { newJoinCode } from "@/server/classes/new-join-code";
import { publish } from "@/server/adapt/publish";
import { hashSecret } from "@/server/web/secrets";
import { abilityOf, addTry } from "./tries";
import { addMarking } from "./marking";
import { addPortfolios } from "./portfolio";
import { addTerm } from "./term";
import { SeededRandom } from "./bulk/random";
import { addBrowsing } from "./browse";
import { addCalendar } from "./calendar";
import { addBulk } from "./bulk/add";
import { demoFramework } from "./frameworks";
import { readWritten } from "./read";
import { addLedLesson } from "./led";
import { addPieces } from "./pieces";
import { addReading } from "./reading";
import { addSatchel } from "./satchel";
import { addSharing } from "./sharing";
import type { Lesson, Town } from "./town";

const folder = import.meta.dirname;
const HOUR = 3_600_000;

const School = z.strictObject({
  district: z.string(),
  password: z.string(),
  pictures: z.array(z.string()),
  country: z.string(),
  partners: z.array(z.strictObject({ name: z.string(), about: z.string() })),
  schools: z.array(z.strictObject({ name: z.string(), zone: z.string() })),
  people: z.array(z.strictObject({ name: z.string(), school: z.string(), roles: z.array(z.string()) })),
  classes: z.array(
    z.strictObject({
      name: z.string(),
      school: z.string(),
      subject: z.string(),
      grades: z.tuple([z.number(), z.number()]),
      period: z.number(),
      reads: z.tuple([z.number(), z.number()]),
      lead: z.string(),
      homeroom: z.boolean().default(false),
      with: z.array(z.string()).default([]),
      also: z.array(z.string()).default([]),
      students: z.array(z.string()),
    }),
  ),
});

const Assigned = z.array(
  z.strictObject({
    class: z.string(),
    resource: z.string(),
    opens: z.tuple([z.number(), z.number()]),
    due: z.tuple([z.number(), z.number()]),
    /** Planned for the first lesson of this name on that day or after it, and opened with it. */
    lesson: z.string().optional(),
    /** Done in that lesson: due when it ends. */
    inLesson: z.boolean().default(false),
    tries: z.number().nullable(),
    done: z.number(),
    begun: z.number(),
    /** Who has not handed it in yet, whatever the share says. */
    stillAt: z.array(z.string()).default([]),
    /** Led as a lesson when it opened, or its lobby is open now. */
    led: z.enum(["then", "lobby"]).optional(),
    /** A question that the best understood otherwise than it was meant, and what they chose: something for Results to find. */
    misled: z.object({ question: z.string(), chosen: z.string() }).optional(),
    /** What classmates see and what is looked at first, where it is not plain. */
    sharing: Sharing.partial().optional(),
  }),
);

const key = (name: string) => name.toLowerCase().replaceAll(" ", ".");

async function addPeople(tx: Queryable, now: Date): Promise<Town> {
  const plan = School.parse(parse(readFileSync(path.join(folder, "school.yaml"), "utf8")));
  const { id: district } = await one<{ id: number }>(
    tx,
    "insert into district (name, country) values ($1, $2) returning id",
    [plan.district, plan.country],
  );
  const town: Town = {
    district,
    schools: new Map(),
    zone: plan.schools[0]!.zone,
    people: new Map(),
    classes: new Map(),
  };
  for (const school of plan.schools) {
    const { id } = await one<{ id: number }>(
      tx,
      "insert into school (district_id, name, time_zone) values ($1, $2, $3) returning id",
      [district, school.name, school.zone],
    );
    town.schools.set(school.name, id);
  }
  const [password, pictures] = await Promise.all([
    hashSecret(plan.password),
    hashSecret(pictureSecret(plan.pictures as Picture[])),
  ]);
  for (const { name, school, roles } of plan.people) {
    const [given, ...family] = name.split(" ");
    const { id } = await one<{ id: number }>(
      tx,
      `insert into person (district_id, school_id, kind, given_name, family_name, email, password_hash)
       values ($1, $2, 'adult', $3, $4, $5, $6) returning id`,
      [district, town.schools.get(school), given, family.join(" "), `${key(name)}@skerry.example`, password],
    );
    town.people.set(key(name), id);
    for (const role of roles)
      await tx.query("insert into person_role values ($1, $2, $3)", [
        ...[id, role],
        role === "office" ? "district" : "school",
      ]);
  }
  for (const { name, about } of plan.partners) {
    const [given, ...family] = name.split(" ");
    const { id } = await one<{ id: number }>(
      tx,
      `insert into person (district_id, kind, given_name, family_name, email, active, partner, about)
       values ($1, 'adult', $2, $3, $4, false, true, $5) returning id`,
      [district, given, family.join(" "), `${key(name)}@partners.example`, about],
    );
    town.people.set(key(name), id);
  }
  const year = now.getFullYear();
  for (const group of plan.classes) {
    const school = town.schools.get(group.school)!;
    const lead = town.people.get(key(group.lead))!;
    const { id } = await one<{ id: number }>(
      tx,
      `insert into class (school_id, name, subject, year, grade_from, grade_to, period_minutes, reading_from, reading_to, homeroom)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id`,
      [school, group.name, group.subject, year, ...group.grades, group.period, ...group.reads, group.homeroom],
    );
    await tx.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [id, lead]);
    for (const name of group.with) {
      await tx.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'co-teacher')", [
        id,
        town.people.get(key(name)),
      ]);
    }
    const students: number[] = [];
    for (const [at, name] of [...group.also, ...group.students].entries()) {
      let student = town.people.get(`${key(name)}@${school}`);
      if (student === undefined) {
        const [given, ...family] = name.split(" ");
        // Older half of a mixed class first, so that both grades are there.
        const grade =
          group.grades[0] === group.grades[1] ? group.grades[0] : at < 6 ? group.grades[1] : group.grades[0];
        const row = await one<{ id: number }>(
          tx,
          `insert into person (district_id, school_id, kind, given_name, family_name, sign_in_name, password_hash, grade)
           values ($1, $2, 'student', $3, $4, $5, $6, $7) returning id`,
          [district, school, given, family.join(" "), key(name), pictures, grade],
        );
        student = row.id;
        town.people.set(`${key(name)}@${school}`, student);
      }
      students.push(student);
      await tx.query("insert into enrolment (class_id, student_id) values ($1, $2)", [id, student]);
    }
    town.classes.set(group.name, { id, school, lead, students });
  }
  return town;
}

const nameOf = (handle: string) =>
  handle
    .split(".")
    .map((part) => part[0]!.toUpperCase() + part.slice(1))
    .join(" ");

/** A version names its source, as adapting does. */
function creditSource(document: Document, source: Lesson): Document {
  const credit = {
    title: titleOf(source.document),
    author: source.author,
    source: `resource ${source.id}, revision 1`,
    licence: source.document.licence,
    changed: "adapted",
  };
  return { ...document, credits: [...source.document.credits, credit] };
}

/** The hand-written lessons, what is adapted after what it was adapted from. */
export function readAll() {
  return readdirSync(path.join(folder, "resources"))
    .filter((file) => file.endsWith(".yaml"))
    .sort()
    .map((file) => {
      const name = file.replace(/\.yaml$/, "");
      return { file, name, ...readWritten(name, readFileSync(path.join(folder, "resources", file), "utf8")) };
    })
    .sort((one, other) => Number(Boolean(one.written.adapts)) - Number(Boolean(other.written.adapts)));
}

/** The voice in a lesson is its author's. */
const spokenBy = (step: Step, by: number, name: string): Step =>
  Object.entries(step.instructions).reduce(
    (now, [language, { recording }]) => (recording ? withVoice(now, language, { ...recording, by, name }) : now),
    step,
  );

async function addLessons(tx: Queryable, town: Town, now: Date): Promise<Map<string, Lesson>> {
  const lessons = new Map<string, Lesson>();
  const all = readAll();
  for (const [at, { file, name, written, document: made }] of all.entries()) {
    const source = written.adapts === undefined ? undefined : lessons.get(written.adapts);
    if (written.adapts !== undefined && !source)
      throw new Error(`demo/resources/${file}: there is no ${written.adapts}`);
    const owner = town.people.get(written.by);
    if (owner === undefined) throw new Error(`demo/resources/${file}: nobody is called ${written.by}`);
    const spoken = { ...made, steps: made.steps.map((step) => spokenBy(step, owner, nameOf(written.by))) };
    const document = source ? creditSource(spoken, source) : spoken;
    const created = new Date(now.getTime() - (20 + ((at * 37) % 200)) * 24 * HOUR);
    const id = await addResource(tx, {
      district: town.district,
      owner,
      source: source?.revision ?? null,
      created,
    });
    if (written.shelf !== "private") {
      const { school } = await one<{ school: number }>(tx, "select school_id school from person where id = $1", [
        owner,
      ]);
      await putOnShelf(tx, { resource: id, shelf: written.shelf, school, by: owner, at: created });
    }
    const revision = await publish(tx, { resource: id, document, author: owner, now: created });
    lessons.set(name, { id, revision: revision.id, document, author: nameOf(written.by) });
  }
  return lessons;
}

async function addFortnight(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const assigned = Assigned.parse(parse(readFileSync(path.join(folder, "fortnight.yaml"), "utf8")));
  const calendars = new Map<number, SchoolCalendar>();
  for (const { id, school } of town.classes.values()) calendars.set(id, await calendarOf(tx, school));
  const moment = ([days, hour]: [number, number]) => schoolDayAt(now, town.zone, days, hour);
  for (const [nth, plan] of assigned.entries()) {
    const group = town.classes.get(plan.class)!;
    const lesson = lessons.get(plan.resource);
    if (!lesson) throw new Error(`demo/fortnight.yaml: there is no lesson ${plan.resource}`);
    const calendar = calendars.get(group.id)!;
    const rules = (await meetingRulesOf(tx, [group.id])).filter((rule) => rule.label === plan.lesson);
    const morning = new Date(moment([plan.opens[0], 0]).getTime() - 1);
    const meeting = plan.lesson === undefined ? null : nthMeeting(calendar, rules, morning, 1)!;
    const opens = meeting?.starts ?? moment(plan.opens);
    const due = plan.inLesson ? meeting!.ends : moment(plan.due);
    const slower = await tx.query<{ id: number; factor: number }>(
      "select id, time_factor::float8 factor from person where id = any($1::int[]) and time_factor <> 1",
      [group.students],
    );
    const times = { opens, due, closes: null };
    const assignment = await addAssignment(tx, {
      class: group.id,
      resource: lesson.id,
      revision: lesson.revision,
      students: group.students,
      madeBy: group.lead,
      made: new Date(Math.min(now.getTime(), opens.getTime()) - 30 * HOUR),
      opens,
      due,
      meeting: meeting && { date: meeting.date, period: meeting.period },
      tries: plan.tries,
      keep: "best",
      checking: "at once",
      own: slower.map(({ id, factor }) => ({
        student: id,
        factor,
        due: withExtraTime(calendar, times, factor).due,
      })),
    });
    if (plan.led === "then")
      await addLedLesson(tx, { assignment, lesson, by: group.lead, opens, students: group.students });
    if (plan.led === "lobby") {
      await openLesson(tx, { assignment, by: group.lead, state: newLesson(), at: now });
      await newJoinCode(tx, group.id, 120, now);
    }
    if (opens > now) continue;
    const recipients = await tx.query<{ id: number; student: number; name: string }>(
      "select r.id, r.student_id student, p.given_name || ' ' || p.family_name as name from recipient r join person p on p.id = r.student_id where assignment_id = $1 order by r.id",
      [assignment],
    );
    for (const [place, recipient] of recipients.entries()) {
      // Drawn anew for each child and piece of work: what one did must not hang on what else has opened by now, or
      // the demo is another town in the evening.
      const random = new SeededRandom((nth + 1) * 10_007 + place * 101);
      const lot = random.next();
      const still = plan.stillAt.includes(recipient.name);
      const all = !still && lot < plan.done;
      if (!all && lot > plan.done + (1 - plan.done) * plan.begun * 2) continue;
      await addTry(tx, {
        recipient: recipient.id,
        lesson,
        opens,
        due,
        all,
        tries: plan.tries,
        random,
        now,
        ability: abilityOf(recipient.student),
        misled: plan.misled,
      });
    }
    if (plan.sharing) await addPieces(tx, { assignment, lesson, by: group.lead, sharing: plan.sharing, now });
  }
}

/** Fills an empty database with Skerry Isles Schools. All or nothing. `bulk`: how many generated lessons on the commons. */
export async function seed(db: Db, options: { now: Date; bulk: number }): Promise<void> {
  const { now } = options;
  await db.transaction(async (tx) => {
    const town = await addPeople(tx, now);
    await importFramework(tx, demoFramework("skerry-isles"), { district: town.district, now });
    await importFramework(tx, demoFramework("england-small"), { district: null, now });
    const lessons = await addLessons(tx, town, now);
    await addCalendar(tx, town, now);
    await addBrowsing(tx, town, lessons, now);
    await addTerm(tx, town, lessons, now);
    await addFortnight(tx, town, lessons, now);
    await addMarking(tx, town, lessons, now);
    await addPortfolios(tx, town, lessons, now);
    await addReading(tx, town, lessons, now);
    await addSatchel(tx, town, lessons, now);
    await addSharing(tx, town, lessons, now);
  });
  await addBulk(db, { count: options.bulk, seed: 1, now });
  await refreshPopularity(db);
  await db.script("vacuum analyze");
}
