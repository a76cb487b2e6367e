import type { Queryable } from "../engine/db";

/** The reading grade of a child: measured, else the middle of what her classes read, null: nobody knows; and what languages she speaks. */
export async function readsAt(db: Queryable, student: number): Promise<{ grade: number | null; languages: string[] }> {
  const [row] = await db.query<{ grade: number | null; languages: string[] }>(
    `select coalesce(p.reading_grade::float8,
              (select avg((c.reading_from + c.reading_to) / 2)::float8 from enrolled n join class c on c.id = n.class_id
                where n.student_id = p.id)) grade, p.languages
       from person p where p.id = $1`,
    [student],
  );
  return row ?? { grade: null, languages: [] };
}
