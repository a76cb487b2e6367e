import { createHash } from "node:crypto";
import { addDays } from "@/core/calendar/school-calendar";
import { newStep } from "@/core/resource/edit";
import type { Document } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { richText } from "@/core/content/rich-text";
import type { Question } from "@/core/question/question";
import { canonical } from "@/core/resource/changes";
import { setBells, setMeetingRules, setTerms } from "../plan/calendar";
import { addResource, addRevision } from "../adapt/resources";
import type { Meeting } from "@/core/calendar/school-calendar";
import { addAssignment, type NewAssignment } from "../assign/assignments";
import type { SharedShelf } from "@/core/sharing/how-far";
import { indexResource, putOnShelf } from "../find/shelves";
import { one, type Queryable } from "../engine/db";

export const now = new Date("2026-11-25T10:00:00Z");

let made = 0;
export const newId = () => `t${(made += 1)}`;

/** A lesson with one step and one choice (right answer "a"), changed by `more`. */
export function lesson(title: string, more: Partial<Document> & { text?: string } = {}): Document {
  const { text, ...rest } = more;
  const question: Question = {
    id: newId(),
    type: "choice",
    prompt: { en: richText("Which?") },
    marks: 1,
    partial: "by part",
    checked: "at once",
    options: ["a", "b"].map((id) => ({ id, text: { en: id } })),
    right: "a",
  };
  const blocks = [
    { id: newId(), type: "text" as const, text: { en: richText(text ?? "Some words to read.") } },
    { id: newId(), type: "question" as const, question },
  ];
  return parseDocument({
    schema: 1,
    languages: ["en"],
    title: { en: title },
    kind: "lesson",
    grades: { from: 4, to: 5 },
    subjects: ["science"],
    licence: "CC-BY-4.0",
    minutes: 25,
    steps: [newStep("en", "A step", newId, blocks)],
    ...rest,
  });
}

export interface World {
  district: number;
  /** Two schools of one district. */
  here: number;
  there: number;
  ines: number;
  teodor: number;
  judit: number;
  /** A teacher of another district. */
  stranger: number;
  otherDistrict: number;
  class: number;
  students: number[];
}

/** Somebody of a school; an adult teaches. */
export async function addPerson(
  db: Queryable,
  district: number,
  school: number | null,
  name: string,
  kind: "adult" | "student",
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    `insert into person (district_id, school_id, kind, given_name, family_name, email, sign_in_name, grade)
     values ($1, $2, $3, $4, 'Test', $5, $6, $7) returning id`,
    [
      district,
      school,
      kind,
      name,
      kind === "adult" ? `${name}@skerry.example` : null,
      kind === "student" ? `${name}.test` : null,
      kind === "student" ? 5 : null,
    ],
  );
  if (kind === "adult") await db.query("insert into person_role values ($1, 'teacher', 'school')", [id]);
  return id;
}

/** Two schools in one district, a stranger's district, one class of three taught by Ines. */
export async function smallWorld(db: Queryable): Promise<World> {
  const id = async (text: string, params: unknown[]) => (await one<{ id: number }>(db, text, params)).id;
  const district = await id("insert into district (name) values ($1) returning id", ["Skerry"]);
  const otherDistrict = await id("insert into district (name) values ($1) returning id", ["Elsewhere"]);
  const school = (of: number, name: string) =>
    id("insert into school (district_id, name, time_zone) values ($1, $2, 'Europe/London') returning id", [of, name]);
  const [here, there, elsewhere] = [
    await school(district, "Here"),
    await school(district, "There"),
    await school(otherDistrict, "Elsewhere"),
  ];
  const ines = await addPerson(db, district, here, "ines", "adult");
  const teodor = await addPerson(db, district, here, "teodor", "adult");
  const judit = await addPerson(db, district, there, "judit", "adult");
  const stranger = await addPerson(db, otherDistrict, elsewhere, "stranger", "adult");
  const group = await id(
    "insert into class (school_id, name, subject, year, grade_from, grade_to) values ($1, '5 Kittiwake', 'science', 2026, 5, 5) returning id",
    [here],
  );
  await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [group, ines]);
  const students: number[] = [];
  for (const name of ["aisha", "bo", "cato"]) {
    const student = await addPerson(db, district, here, name, "student");
    students.push(student);
    await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [group, student]);
  }
  return { district, here, there, ines, teodor, judit, stranger, otherDistrict, class: group, students };
}

/** Publishes a document for an owner, on the shelves given. */
export async function publishFor(
  db: Queryable,
  owner: number,
  document: Document,
  shelves: SharedShelf[] = [],
): Promise<{ id: number; revision: number }> {
  const { district, school } = await one<{ district: number; school: number }>(
    db,
    "select district_id district, school_id school from person where id = $1",
    [owner],
  );
  const id = await addResource(db, { district, owner, source: null, created: now });
  for (const shelf of shelves) await putOnShelf(db, { resource: id, shelf, school, by: owner, at: now });
  const revision = await addRevision(db, {
    resource: id,
    document,
    hash: createHash("sha256").update(canonical(document)).digest("hex"),
    author: owner,
    created: now,
  });
  await indexResource(db, id, document, true);
  return { id, revision: revision.id };
}

/** Bells at 9 and at 1 on every weekday, a term around the Monday given, and what the class does in each lesson. */
export async function smallCalendar(
  db: Queryable,
  world: Pick<World, "here" | "class">,
  monday: string,
  labels: readonly string[] = ["Maths", "Reading"],
): Promise<void> {
  await setTerms(db, world.here, [{ name: "Tides term", from: addDays(monday, -60), to: addDays(monday, 120) }]);
  await setBells(
    db,
    world.here,
    [1, 2, 3, 4, 5].flatMap((weekday) => [
      { weekday, period: 1, starts: "09:00", ends: "09:45" },
      { weekday, period: 2, starts: "13:00", ends: "14:00" },
    ]),
  );
  await setMeetingRules(
    db,
    world.class,
    labels.map((label, at) => ({ label, period: at + 1, weekday: null, cycleDay: null })),
  );
}

/** Gives something to all students of the small world's class, for a day from now on. */
export const giveToClass = (
  db: Queryable,
  world: World,
  { id, revision }: { id: number; revision: number },
  more: Partial<NewAssignment> = {},
): Promise<number> =>
  addAssignment(db, {
    class: world.class,
    resource: id,
    revision,
    students: world.students,
    madeBy: world.ines,
    made: now,
    opens: now,
    due: new Date(now.getTime() + 86_400_000),
    tries: null,
    keep: "best",
    checking: "at once",
    ...more,
  });

/** The same in one of its lessons: opens and is due with it. */
export const giveInLesson = (
  db: Queryable,
  world: World,
  published: { id: number; revision: number },
  lesson: Pick<Meeting, "date" | "period" | "starts" | "ends">,
  more: Partial<NewAssignment> = {},
): Promise<number> =>
  giveToClass(db, world, published, {
    opens: lesson.starts,
    due: lesson.ends,
    meeting: { date: lesson.date, period: lesson.period },
    tries: 1,
    ...more,
  });
