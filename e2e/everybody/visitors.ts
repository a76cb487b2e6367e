import { randomBytes } from "node:crypto";
import { one, type Db } from "@/data/engine/db";
import { personOfSession, startSession } from "@/data/office/people";
import { addPocket } from "@/data/satchel/pockets";
import { addPerson, lesson, publishFor } from "@/data/testing/world";
import { tokenHash } from "@/server/web/secrets";
import type { Visitor } from "@/server/web/session";
import type { Things } from "./addresses";
import { known, strangers, type Name } from "./names";

const HOUR = 3_600_000;

/** A session as signing in makes one; `hours` from now, or before, it ends. @returns its cookie's value */
async function sessionOf(db: Db, person: number, now: Date, hours = 8, group: number | null = null): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  const [created, expires] = [new Date(now.getTime() - HOUR), new Date(now.getTime() + hours * HOUR)];
  await startSession(db, { tokenHash: tokenHash(token), person, class: group, created, expires });
  return token;
}

const idOf = async (db: Db, text: string, params: unknown[] = []) => (await one<{ id: number }>(db, text, params)).id;
const named = (db: Db, name: string) =>
  idOf(db, "select id from person where given_name || ' ' || family_name = $1", [name]);

export const SECRET = "The heron nobody else has seen";

/** What a teacher of the demo has that nobody else has a part in. */
export async function thingsOf(db: Db, teacher: string): Promise<Things> {
  const author = await named(db, teacher);
  const { group, assignment } = await one<{ group: number; assignment: number }>(
    db,
    `select a.class_id "group", a.id assignment from assignment a
      where a.made_by = $1 and a.called_back is null and a.opens < now()
        and (select count(*) from class_teacher t where t.class_id = a.class_id) = 2
        and exists (select 1 from recipient r where r.assignment_id = a.id)
      order by a.opens desc limit 1`,
    [author],
  );
  return {
    author,
    class: group,
    assignment,
    student: await idOf(db, "select student_id id from recipient where assignment_id = $1 order by 1 limit 1", [
      assignment,
    ]),
    resource: (await publishFor(db, author, lesson(SECRET))).id,
    reading: await idOf(db, "select resource_id id from shelf_reading order by 1 limit 1"),
    pocket: (await addPocket(db, author, SECRET)).id,
    team: await idOf(
      db,
      "insert into team (district_id, name, made) select district_id, 'Alone', now() from person where id = $1 returning id",
      [author],
    ),
  };
}

/** Makes those who are not in the demo, and a session for everybody. `fresh(name)`: one more session, for who may lose it. */
export async function visitorsTo(db: Db, things: Things, now: Date) {
  const elsewhere = await idOf(db, "insert into district (name) values ('Far Reef Schools') returning id");
  const school = await idOf(
    db,
    "insert into school (district_id, name, time_zone) values ($1, 'Far Reef Primary', 'UTC') returning id",
    [elsewhere],
  );
  const teacher = await addPerson(db, elsewhere, school, "ottoline", "adult");
  const child = await addPerson(db, elsewhere, school, "wim", "student");
  const cover = await named(db, "Linnea Strand");
  await db.query(
    "insert into class_teacher (class_id, person_id, role, from_date, to_date) values ($1, $2, 'cover', $3::date - 9, $3::date - 1)",
    [things.class, cover, now],
  );
  const people: Record<Exclude<Name, "nobody">, [person: number, hours?: number, group?: number]> = {
    "whose session has ended": [things.author, -0.5],
    "who covered until yesterday": [cover],
    "a teacher of another school": [await named(db, "Judit Varga")],
    "a teacher of another district": [teacher],
    "a child of another district": [child],
    "the teacher herself": [things.author],
    "who teaches the class too": [
      await idOf(db, "select person_id id from class_teacher where class_id = $1 and role = 'co-teacher'", [
        things.class,
      ]),
    ],
    "a colleague": [await named(db, "Teodor Brandt")],
    "a curator": [await named(db, "Odile Marsh")],
    "the office": [await named(db, "Hollis Gray")],
    "a child who was given it": [things.student],
    "a child by the class's code": [things.student, 8, things.class],
    "a child of another class": [
      await idOf(
        db,
        `select e.student_id id from enrolment e join class c on c.id = e.class_id where c.school_id <> (select school_id from class where id = $1)
          order by 1 limit 1`,
        [things.class],
      ),
    ],
  };
  const fresh = (name: Name) => {
    if (name === "nobody") return null;
    const [person, hours, group] = people[name];
    return sessionOf(db, person, now, hours, group);
  };
  const visitors: { name: Name; token: string | null; visitor: Visitor | null }[] = [];
  for (const name of [...known, ...strangers]) {
    const token = await fresh(name);
    visitors.push({ name, token, visitor: (token && (await personOfSession(db, tokenHash(token), now))) || null });
  }
  return { visitors, fresh, newcomers: { elsewhere, school, teacher, child } };
}
