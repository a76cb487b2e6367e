import { momentAt } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import { teachersOfStudents, teachersToTell, type Student } from "@/data/classes/classes";
import type { Db, Queryable } from "@/data/engine/db";
import { addMessages } from "@/data/office/outbox";
import type { Visitor } from "../web/session";

/** Tells everybody else who teaches these classes that a day was lost and what came of it. Goes to the outbox: the mail stand-in. */
export async function tellOfLostDay(
  db: Db,
  visitor: Visitor,
  of: { classes: readonly number[]; date: string; name: string; moved: number },
  now: Date,
): Promise<void> {
  if (visitor.school === null) return;
  const day = formatDay(momentAt(of.date, "12:00", visitor.zone), visitor.zone, now);
  const moved =
    of.moved === 0
      ? "Nothing was planned from that day on."
      : `${of.moved} ${of.moved === 1 ? "piece" : "pieces"} of work moved on by as many lessons as were lost.`;
  const messages = (await teachersToTell(db, of.classes, now))
    .filter(({ id }) => id !== visitor.id)
    .map(({ name, email, classes }) => ({
      toName: name,
      toAddress: email,
      subject: `${day}: ${of.name}, no lessons for ${classes.join(", ")}`,
      body: `${of.name} takes ${day}. ${moved} ${visitor.givenName} ${visitor.familyName} did this, and can undo it.`,
    }));
  if (messages.length > 0) await addMessages(db, { school: visitor.school, person: visitor.id, at: now }, messages);
}

/** Tells the other teachers of these students that their old passwords are over, and who made new ones. */
export async function tellOfNewCards(
  db: Queryable,
  visitor: Visitor,
  students: readonly Pick<Student, "id" | "givenName" | "familyName">[],
  now: Date,
): Promise<void> {
  if (visitor.school === null) return;
  const names = new Map(students.map(({ id, givenName, familyName }) => [id, `${givenName} ${familyName}`]));
  const others = await teachersOfStudents(db, [...names.keys()], now);
  const messages = others
    .filter(({ id }) => id !== visitor.id)
    .map((teacher) => ({
      toName: teacher.name,
      toAddress: teacher.email,
      subject: teacher.students.length === 1 ? "A student has a new card" : "Students have new cards",
      body:
        `${visitor.givenName} ${visitor.familyName} made new sign-in cards for ` +
        `${teacher.students.map((id) => names.get(id)).join(", ")}. The old ones do not work any more.`,
    }));
  if (messages.length > 0) await addMessages(db, { school: visitor.school, person: visitor.id, at: now }, messages);
}
