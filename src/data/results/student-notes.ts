import { one, type Queryable } from "../engine/db";

/** What a teacher noted down about a child. */
export interface StudentNote {
  id: number;
  by: string;
  byId: number;
  at: Date;
  text: string;
}

/** The newest first. */
export const studentNotes = (db: Queryable, student: number): Promise<StudentNote[]> =>
  db.query(
    `select n.id, n.by_id "byId", p.given_name || ' ' || p.family_name "by", n.at, n.text
       from student_note n join person p on p.id = n.by_id
      where n.student_id = $1 and n.removed is null order by n.at desc, n.id desc`,
    [student],
  );

export async function addStudentNote(
  db: Queryable,
  of: { student: number; by: number; at: Date; text: string },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    db,
    "insert into student_note (student_id, by_id, at, text) values ($1, $2, $3, $4) returning id",
    [of.student, of.by, of.at, of.text],
  );
  return id;
}

/** Removes a note of hers, or (`null`) brings it back. False: there is none of hers. */
export async function setNoteRemoved(
  db: Queryable,
  of: { student: number; note: number; by: number; at: Date | null },
): Promise<boolean> {
  const rows = await db.query(
    `update student_note set removed = $4 where id = $1 and student_id = $2 and by_id = $3
        and (removed is null) = ($4::timestamptz is not null) returning id`,
    [of.note, of.student, of.by, of.at],
  );
  return rows.length > 0;
}
