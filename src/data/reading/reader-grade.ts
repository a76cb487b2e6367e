import type { Queryable } from "../engine/db";

/** The reading grade of a child: measured, else the middle of what her classes read; null: nobody knows. */
export async function readerGrade(db: Queryable, student: number): Promise<number | null> {
  const [row] = await db.query<{ grade: number | null }>(
    `select coalesce(p.reading_grade::float8,
              (select avg((c.reading_from + c.reading_to) / 2)::float8 from enrolled n join class c on c.id = n.class_id
                where n.student_id = p.id)) grade
       from person p where p.id = $1`,
    [student],
  );
  return row?.grade ?? null;
}
