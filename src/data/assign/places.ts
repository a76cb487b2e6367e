import type { Queryable } from "../engine/db";

/** Of those that are due at one moment students meet the one with the lower position first. */
export interface Position {
  id: number;
  position: number;
}

export async function positionsOf(db: Queryable, ids: readonly number[]): Promise<Position[]> {
  return db.query("select id, position from assignment where id = any($1::int[]) order by id", [ids]);
}

export async function setPositions(tx: Queryable, positions: readonly Position[]): Promise<void> {
  await tx.query(
    `update assignment a set position = o.position
       from jsonb_to_recordset($1::jsonb) as o(id int, position int) where a.id = o.id`,
    [JSON.stringify(positions)],
  );
}

/** When work is given, and the meeting it is planned for. */
export interface Place {
  opens: Date;
  due: Date;
  closes: Date | null;
  meeting: { date: string; period: number } | null;
}

/** What there is to restore of an assignment's place: its own times, and those of students who have others. */
export interface PlaceWas extends Place {
  id: number;
  own: { student: number; due: Date | null; closes: Date | null }[];
}

/** Where these assignments are now, with everyone's own times. */
export async function placesOf(db: Queryable, ids: readonly number[]): Promise<PlaceWas[]> {
  const places = await db.query<Omit<PlaceWas, "own">>(
    `select a.id, a.opens, a.due, a.closes,
            case when a.meeting_date is null then null else jsonb_build_object('date', a.meeting_date, 'period', a.meeting_period) end meeting
       from assignment a where a.id = any($1::int[]) order by a.id`,
    [ids],
  );
  const own = await db.query<PlaceWas["own"][number] & { assignment: number }>(
    `select assignment_id assignment, student_id student, own_due due, own_closes closes from recipient
      where assignment_id = any($1::int[]) and (own_due is not null or own_closes is not null)
      order by student_id`,
    [ids],
  );
  return places.map((place) => ({
    ...place,
    own: own.filter((row) => row.assignment === place.id).map(({ assignment: _, ...row }) => row),
  }));
}

/** Moves assignments; students' own times are set to those given, all others go with the assignment. */
export async function setPlaces(tx: Queryable, places: readonly PlaceWas[]): Promise<void> {
  await tx.query(
    `update assignment a set opens = p.opens, due = p.due, closes = p.closes,
            meeting_date = (p.meeting ->> 'date')::date, meeting_period = (p.meeting ->> 'period')::smallint
       from jsonb_to_recordset($1::jsonb) as p(id int, opens timestamptz, due timestamptz, closes timestamptz, meeting jsonb)
      where a.id = p.id`,
    [JSON.stringify(places)],
  );
  await tx.query("update recipient set own_due = null, own_closes = null where assignment_id = any($1::int[])", [
    places.map(({ id }) => id),
  ]);
  await tx.query(
    `update recipient r set own_due = o.due, own_closes = o.closes
       from jsonb_to_recordset($1::jsonb) as o(id int, student int, due timestamptz, closes timestamptz)
      where r.assignment_id = o.id and r.student_id = o.student`,
    [JSON.stringify(places.flatMap(({ id, own }) => own.map((row) => ({ id, ...row }))))],
  );
}
