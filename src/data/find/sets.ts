import type { Queryable } from "../engine/db";
import { forgetSearchCache } from "../engine/search-cache";
import { open } from "./reach";

/** A curated set, or a unit, as its curators keep it. */
export interface SetState {
  kind: "set" | "unit";
  name: string;
  /** Why these, in a sentence. */
  note: string;
  topic: string | null;
  /** Months of the year it belongs to, 1 to 12; none: all year. */
  months: number[];
  cover: string | null;
  position: number;
  curator: number;
  /** Its things, in their order. */
  items: number[];
}

export interface KeptSet extends SetState {
  id: number;
  curatorName: string;
  titles: { id: number; title: string; minutes: number; author: string }[];
}

const columns = `s.id, s.kind, s.name, s.note, s.topic, s.months, s.cover, s.position, s.curator_id curator,
  array(select i.resource_id from curated_item i where i.set_id = s.id order by i.position) items`;

/** The sets of a district with what is in them, in their order. */
export const setsOf = (db: Queryable, district: number): Promise<KeptSet[]> =>
  db.query<KeptSet>(
    `select ${columns}, p.given_name || ' ' || p.family_name "curatorName",
            coalesce((select jsonb_agg(jsonb_build_object('id', i.resource_id, 'title', f.facts ->> 'title', 'minutes', (f.facts ->> 'minutes')::int,
                                                          'author', a.given_name || ' ' || a.family_name) order by i.position)
                        from curated_item i join resource_facts f on f.resource_id = i.resource_id
                        join resource r on r.id = i.resource_id join person a on a.id = r.owner_id where i.set_id = s.id), '[]') titles
       from curated_set s join person p on p.id = s.curator_id where s.district_id = $1 order by s.position, s.id`,
    [district],
  );

/** One set as it stands; null: there is none in this district. Locked. */
export async function setState(tx: Queryable, district: number, id: number): Promise<SetState | null> {
  const rows = await tx.query<SetState & { id: number }>(
    `select ${columns} from curated_set s where s.id = $1 and s.district_id = $2 for update`,
    [id, district],
  );
  if (!rows[0]) return null;
  const { id: _id, ...state } = rows[0];
  return state;
}

/** Writes a set just like this; `id` null: a new one, behind the others. Null as its state: it is gone. Returns its id. */
export async function writeSet(
  tx: Queryable,
  district: number,
  id: number | null,
  state: SetState | null,
): Promise<number> {
  await forgetSearchCache(tx);
  if (id !== null) await tx.query("delete from curated_item where set_id = $1", [id]);
  if (state === null) {
    await tx.query("delete from curated_set where id = $1 and district_id = $2", [id, district]);
    return id!;
  }
  const values = [district, state.kind, state.name, state.note, state.topic, state.months, state.cover, state.curator];
  const [row] = await tx.query<{ id: number }>(
    `insert into curated_set (id, district_id, kind, name, note, topic, months, cover, curator_id, position)
     values (coalesce($9, nextval(pg_get_serial_sequence('curated_set', 'id')))::int, $1, $2, $3, $4, $5, $6, $7, $8, $10)
     on conflict (id) do update set name = excluded.name, note = excluded.note, topic = excluded.topic, months = excluded.months,
       cover = excluded.cover, kind = excluded.kind, position = excluded.position
     returning id`,
    [...values, id, state.position],
  );
  await tx.query(
    "insert into curated_item (set_id, resource_id, position) select $1, item, at from unnest($2::int[]) with ordinality as u(item, at)",
    [row!.id, state.items],
  );
  return row!.id;
}

/** Which of these stand on a shelf curators of a district keep. */
export async function onKeptShelves(
  db: Queryable,
  district: number,
  resources: readonly number[],
): Promise<Set<number>> {
  const rows = await db.query<{ id: number }>(
    `select e.resource_id id from search_entry e
      where e.resource_id = any($1::int[]) and ${open("e", { school: "-1", district: "$2" })} <> 0`,
    [resources, district],
  );
  return new Set(rows.map(({ id }) => id));
}
