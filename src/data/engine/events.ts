import { one, type Queryable } from "./db";

/** Something a person did that can be undone: what it was before, and what it became. */
export interface PlanEvent<State> {
  id: number;
  person: number;
  what: string;
  before: State;
  after: State;
  undone: Date | null;
}

export async function addEvent<State>(
  tx: Queryable,
  event: { person: number; at: Date; what: string; before: State; after: State },
): Promise<number> {
  const { id } = await one<{ id: number }>(
    tx,
    "insert into event (person_id, at, what, before, after) values ($1, $2, $3, $4::jsonb, $5::jsonb) returning id",
    [event.person, event.at, event.what, JSON.stringify(event.before), JSON.stringify(event.after)],
  );
  return id;
}

/** One's own event; somebody else's is not there. `before` and `after` are JSON: dates in them are text. */
export async function eventOf<State>(db: Queryable, person: number, id: number): Promise<PlanEvent<State> | undefined> {
  const rows = await db.query<PlanEvent<State>>(
    "select id, person_id person, what, before, after, undone from event where id = $1 and person_id = $2",
    [id, person],
  );
  return rows[0];
}

export async function setUndone(db: Queryable, id: number, at: Date | null): Promise<void> {
  await db.query("update event set undone = $2 where id = $1", [id, at]);
}
