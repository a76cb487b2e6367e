// Fills another district beside the demo's, with lessons, a class and work of the same names, and walls the demo's in. Run by
// one-district.spec.ts with tsx, on a PostgreSQL server.
import { writeFileSync } from "node:fs";
import { addAssignment } from "@/data/assign/assignments";
import { one, type Db } from "@/data/engine/db";
import { openDatabase } from "@/data/engine/open";
import { addPocket } from "@/data/satchel/pockets";
import { lesson, publishFor } from "@/data/testing/world";
import { permit } from "@/server/web/permissions";
import { addressesOf } from "../everybody/addresses";
import { strangers, type Name } from "../everybody/names";
import { thingsOf, visitorsTo } from "../everybody/visitors";
import { wallIn } from "./walls";

export const ROLE = "one_district";

export interface Look {
  visitor: Name;
  token: string;
  path: string;
}

const elsewhere: ReadonlySet<string> = new Set(strangers);

/** What would be found, counted or shown if a statement forgot whose it is: the same words, subjects and grades, and work handed in. */
async function fill(db: Db, { teacher, child, school }: { teacher: number; child: number; school: number }, now: Date) {
  for (const title of [
    "Tides at the bar",
    "The ferry and the tide",
    "Fractions at the market",
    "A letter to the keeper",
  ]) {
    const { id: resource, revision } = await publishFor(db, teacher, lesson(title), ["staffroom", "district"]);
    const { id } = await one<{ id: number }>(
      db,
      `insert into class (school_id, name, subject, year, grade_from, grade_to)
       values ($1, '5 Kittiwake', 'science', 2026, 4, 5) returning id`,
      [school],
    );
    await db.query("insert into class_teacher (class_id, person_id, role) values ($1, $2, 'lead')", [id, teacher]);
    await db.query("insert into enrolment (class_id, student_id) values ($1, $2)", [id, child]);
    await addAssignment(db, {
      ...{ class: id, resource, revision, students: [child], madeBy: teacher, made: now, tries: 1 },
      ...{ opens: new Date(now.getTime() - 3_600_000), due: new Date(now.getTime() + 3_600_000) },
      ...{ keep: "best", checking: "at once" },
    });
    await addPocket(db, teacher, title);
  }
}

const db = await openDatabase();
const now = new Date();
const things = await thingsOf(db, "Ines Halloran");
const { visitors, newcomers } = await visitorsTo(db, things, now);
await fill(db, newcomers, now);
const { district } = await one<{ district: number }>(db, "select district_id district from person where id = $1", [
  things.author,
]);
await wallIn(db, ROLE, district);

const looks: Look[] = [];
for (const { method, path, act, about } of addressesOf(things))
  for (const { name, token, visitor } of visitors)
    if (method === "GET" && token && !elsewhere.has(name) && (await permit(db, visitor, act, about, now)))
      looks.push({ visitor: name, token, path });
for (const words of ["tide", "ferry", "market fractions", "Ottoline", ""])
  looks.push({
    ...{ visitor: "the teacher herself", token: visitors.find(({ name }) => name === "the teacher herself")!.token! },
    path: `/find?words=${encodeURIComponent(words)}`,
  });
await db.close();
writeFileSync(process.argv[2]!, JSON.stringify(looks));
process.exit(0);
