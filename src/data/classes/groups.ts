import { one, type Queryable } from "../engine/db";

/** Replaces the groups of a class; students of other classes are left out. */
export async function setGroups(
  tx: Queryable,
  classId: number,
  groups: readonly { name: string; students: readonly number[] }[],
): Promise<void> {
  await tx.query("delete from student_group where class_id = $1", [classId]);
  for (const [position, { name, students }] of groups.entries()) {
    const { id } = await one<{ id: number }>(
      tx,
      "insert into student_group (class_id, name, position) values ($1, $2, $3) returning id",
      [classId, name, position],
    );
    await tx.query(
      `insert into group_member (group_id, student_id)
       select $1, n.student_id from enrolled n where n.class_id = $2 and n.student_id = any($3::int[])`,
      [id, classId, students],
    );
  }
}

export async function pairsApart(db: Queryable, classId: number): Promise<[number, number][]> {
  const rows = await db.query<{ one: number; other: number }>(
    "select student_id one, other_id other from keep_apart where class_id = $1 order by 1, 2",
    [classId],
  );
  return rows.map(({ one: first, other }) => [first, other]);
}

export async function setPairsApart(
  tx: Queryable,
  classId: number,
  pairs: readonly (readonly [number, number])[],
): Promise<void> {
  await tx.query("delete from keep_apart where class_id = $1", [classId]);
  await tx.query(
    `insert into keep_apart (class_id, student_id, other_id)
     select distinct $1::int, least(p.one, p.other), greatest(p.one, p.other)
       from jsonb_to_recordset($2::jsonb) as p(one int, other int)
       -- Who is not in the class is left out, whether there is such a person or not.
       join enrolled n on n.class_id = $1 and n.student_id = p.one
       join enrolled m on m.class_id = $1 and m.student_id = p.other
      where p.one <> p.other`,
    [classId, JSON.stringify(pairs.map(([first, other]) => ({ one: first, other })))],
  );
}

/** A desk: steps of one desk from the front left. */
export interface Seat {
  student: number;
  x: number;
  y: number;
}

export async function seatsOf(db: Queryable, classId: number): Promise<Seat[]> {
  return db.query<Seat>(
    `select s.student_id student, s.x, s.y from seat s join enrolled n on n.class_id = s.class_id and n.student_id = s.student_id
      where s.class_id = $1 order by s.y, s.x`,
    [classId],
  );
}

export async function setSeats(tx: Queryable, classId: number, seats: readonly Seat[]): Promise<void> {
  await tx.query("delete from seat where class_id = $1", [classId]);
  await tx.query(
    `insert into seat (class_id, student_id, x, y)
     select $1, s.student, s.x, s.y from jsonb_to_recordset($2::jsonb) as s(student int, x smallint, y smallint)
       join enrolled n on n.class_id = $1 and n.student_id = s.student`,
    [classId, JSON.stringify(seats)],
  );
}

/** Share of marks of each student of a class in the last piece of work that was due: see core/results for how it is counted. */
export async function lastWorkOf(db: Queryable, classId: number, now: Date): Promise<number | null> {
  const rows = await db.query<{ id: number }>(
    "select id from assignment where class_id = $1 and due < $2 and called_back is null order by due desc limit 1",
    [classId, now],
  );
  return rows[0]?.id ?? null;
}
