import { schoolClock } from "@/core/calendar/school-calendar";
import { idFrom } from "@/core/ids";
import { markTableRows } from "@/core/results/mark-table";
import { classesOf } from "@/data/classes/classes";
import { rosterIdsOf } from "@/data/office/rosters";
import type { Db } from "@/data/engine/db";
import type { RosterResults } from "@/formats/one-roster-results";
import type { SheetCell } from "@/formats/xlsx";
import type { Visitor } from "../web/session";
import { markTableData } from "./mark-table";

const askedIn = (said: URLSearchParams) => ({
  stretch: said.get("in") ?? undefined,
  goal: said.get("goal") ?? undefined,
});

/** The marks of a class as rows of a file, as its address asks; days as the school's calendar has them. Null: no such class. */
export async function markTableFile(
  db: Db,
  visitor: Visitor,
  classId: string | undefined,
  said: URLSearchParams,
  now: Date,
): Promise<{ name: string; stretch: string; rows: SheetCell[][] } | null> {
  const group = (await classesOf(db, visitor.id, now)).find(({ id }) => id === idFrom(classId));
  if (!group) return null;
  const { table, zone, stretch } = await markTableData(db, visitor, group, askedIn(said), now);
  const day = (at: Date) => new Date(`${schoolClock(at, zone).date}T00:00:00Z`);
  const rows = markTableRows(table, said.get("names") !== "none");
  return {
    name: group.name,
    stretch: stretch.name,
    rows: rows.map((row) => row.map((cell) => (typeof cell === "object" && cell ? day(cell) : cell))),
  };
}

/** The marks of a class for a school's register. Null: no such class. */
export async function rosterResultsOf(
  db: Db,
  visitor: Visitor,
  classId: string | undefined,
  said: URLSearchParams,
  now: Date,
): Promise<RosterResults | null> {
  const group = (await classesOf(db, visitor.id, now)).find(({ id }) => id === idFrom(classId));
  if (!group) return null;
  const { table } = await markTableData(db, visitor, group, askedIn(said), now);
  const ids = await rosterIdsOf(db, group.id);
  return {
    classId: ids.class ?? `golden-satchel-class-${group.id}`,
    schoolId: `golden-satchel-school-${group.school}`,
    ...{ works: table.columns.map(({ work }) => work), rows: table.rows },
    studentIds: new Map(
      table.rows.map(({ student }) => [
        student.id,
        ids.students.get(student.id) ?? `golden-satchel-person-${student.id}`,
      ]),
    ),
    at: now.toISOString(),
  };
}
