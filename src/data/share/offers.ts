import type { Facts } from "@/core/resource/facts";
import type { CuratedShelf } from "@/core/sharing/how-far";
import type { Document } from "@/core/resource/document";
import { parseDocument } from "@/core/resource/schema/document";
import { one, type Queryable } from "../engine/db";

/** A note at a step, for the author. */
export interface Pin {
  step: string;
  text: string;
}

export type OfferState = "waiting" | "accepted" | "returned" | "declined" | "withdrawn";

export interface Offer {
  id: number;
  resource: number;
  revision: number;
  shelf: CuratedShelf;
  grades: number;
  subjects: number;
  by: number;
  byName: string;
  bySchool: string | null;
  at: Date;
  state: OfferState;
  decidedBy: number | null;
  decidedByName: string | null;
  decided: Date | null;
  note: string;
  pins: Pin[];
  title: string;
  /** When changes to what stands there already were offered; null: it is offered as it is published. */
  proposed: Date | null;
}

/** An offer as a line of a desk's list. */
export interface OfferLine extends Pick<
  Offer,
  "id" | "shelf" | "byName" | "bySchool" | "at" | "state" | "decided" | "decidedByName" | "title"
> {
  /** Changes to what stands there already. */
  changes: boolean;
  /** Days since it was offered, by the calendar of the desk's place. */
  waited: number;
  minutes: number;
  kind: Facts["kind"];
  grades: Facts["grades"];
}

const columns = `o.id, o.resource_id resource, o.revision_id revision, o.shelf, o.grades, o.subjects, o.by_id "by",
  p.given_name || ' ' || p.family_name "byName", s.name "bySchool", o.at, o.state, o.decided_by "decidedBy",
  d.given_name || ' ' || d.family_name "decidedByName", o.decided, o.note, o.pins, o.proposed,
  f.facts ->> 'title' title`;
const joined = `offer o join person p on p.id = o.by_id left join school s on s.id = p.school_id left join person d on d.id = o.decided_by
  join resource_facts f on f.resource_id = o.resource_id join resource r on r.id = o.resource_id`;

const nameOf = (id: string) => `(select p.given_name || ' ' || p.family_name from person p where p.id = ${id})`;
const MOST = 500;

/** The desk of a district: waiting ones the longest first, decided ones the latest first. */
export const offersOn = (
  db: Queryable,
  district: number,
  states: readonly OfferState[],
  newestFirst: boolean,
  today: { now: Date; zone: string },
): Promise<OfferLine[]> =>
  db.query<OfferLine>(
    // Few of many joins pay here: a name is looked up for each of at most 500, which costs less than planning for all orders of joining.
    `select o.id, o.shelf, o.at, o.state, o.decided, o.proposed is not null changes, ${nameOf("o.by_id")} "byName", ${nameOf("o.decided_by")} "decidedByName",
            (select s.name from person p join school s on s.id = p.school_id where p.id = o.by_id) "bySchool",
            ($3::timestamptz at time zone $4)::date - (o.at at time zone $4)::date waited,
            f.facts ->> 'title' title, (f.facts ->> 'minutes')::int minutes, f.facts ->> 'kind' kind, f.facts -> 'grades' grades
       from offer o join resource r on r.id = o.resource_id join resource_facts f on f.resource_id = o.resource_id
      where o.district_id = $1 and o.state = any($2::text[]) and r.archived is null
      order by ${newestFirst ? "o.decided desc nulls last, o.id desc" : "o.at, o.id"} limit ${MOST}`,
    [district, states, today.now, today.zone],
  );

/** An offer on the desk of a district; one of another desk is not there. */
export async function offerOn(db: Queryable, district: number, id: number): Promise<Offer | undefined> {
  const rows = await db.query<Offer>(
    `select ${columns} from ${joined} where o.district_id = $1 and o.id = $2 and r.archived is null`,
    [district, id],
  );
  return rows[0];
}

/** What became of offers of these resources, the newest first. */
export const offersFor = (db: Queryable, resources: readonly number[]): Promise<Offer[]> =>
  db.query<Offer>(`select ${columns} from ${joined} where o.resource_id = any($1::int[]) order by o.id desc`, [
    resources,
  ]);

export async function addOffers(
  tx: Queryable,
  offers: readonly { resource: number; revision: number; shelf: CuratedShelf; grades: number; subjects: number }[],
  from: { by: number; district: number; at: Date },
): Promise<number[]> {
  const rows = await tx.query<{ id: number }>(
    `insert into offer (resource_id, revision_id, shelf, grades, subjects, by_id, district_id, at)
     select resource, revision, shelf, grades, subjects, $2, $3, $4
       from jsonb_to_recordset($1::jsonb) as o(resource int, revision int, shelf text, grades int, subjects int)
     on conflict do nothing returning id`,
    [JSON.stringify(offers), from.by, from.district, from.at],
  );
  return rows.map(({ id }) => id);
}

/** Changes offered for a shelf a resource stands on. Where some wait already, they are these now, and wait on. */
export async function proposeChanges(
  tx: Queryable,
  of: {
    resource: number;
    revision: number;
    document: Document;
    shelf: CuratedShelf;
    grades: number;
    subjects: number;
    by: number;
    district: number;
    at: Date;
  },
): Promise<void> {
  await tx.query(
    `insert into offer (resource_id, revision_id, shelf, grades, subjects, by_id, district_id, at, proposal, proposed)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, $8)
     on conflict (resource_id, shelf) where state = 'waiting'
       do update set proposal = excluded.proposal, proposed = excluded.proposed, revision_id = excluded.revision_id`,
    [
      ...[of.resource, of.revision, of.shelf, of.grades, of.subjects, of.by, of.district, of.at],
      JSON.stringify(of.document),
    ],
  );
}

/** Takes back changes that wait; returns how many there were. */
export async function withdrawProposals(tx: Queryable, resource: number): Promise<number> {
  const rows = await tx.query(
    "update offer set state = 'withdrawn' where resource_id = $1 and state = 'waiting' and proposal is not null returning id",
    [resource],
  );
  return rows.length;
}

/** For which shelf changes to a resource wait, and since when; undefined: none do. */
export async function waitingProposal(
  db: Queryable,
  resource: number,
): Promise<{ shelf: CuratedShelf; at: Date } | undefined> {
  const [row] = await db.query<{ shelf: CuratedShelf; at: Date }>(
    "select shelf, proposed as at from offer where resource_id = $1 and state = 'waiting' and proposal is not null",
    [resource],
  );
  return row;
}

/** What changes are offered; undefined: it is offered as it is published. */
export async function proposalOf(db: Queryable, offer: number): Promise<Document | undefined> {
  const [row] = await db.query<{ proposal: Document | null }>("select proposal from offer where id = $1", [offer]);
  return row?.proposal ? parseDocument(row.proposal) : undefined;
}

/** Takes offers back that nobody has decided about; returns those it could. */
export async function withdrawOffers(tx: Queryable, ids: readonly number[]): Promise<number[]> {
  const rows = await tx.query<{ id: number }>(
    "update offer set state = 'withdrawn' where id = any($1::int[]) and state = 'waiting' returning id",
    [ids],
  );
  return rows.map(({ id }) => id);
}

/** An offer that waits is of what its author has published last: that is what would stand on the shelf. */
export async function followHead(tx: Queryable, resource: number, revision: number): Promise<void> {
  await tx.query("update offer set revision_id = $2 where resource_id = $1 and state = 'waiting'", [
    resource,
    revision,
  ]);
}

/** Offers that were taken back wait again. False: one of them was decided, or the thing is offered anew. */
export async function offerAgain(tx: Queryable, ids: readonly number[]): Promise<boolean> {
  const rows = await tx.query(
    `update offer o set state = 'waiting' where id = any($1::int[]) and state = 'withdrawn' and not exists (
       select 1 from offer n where n.resource_id = o.resource_id and n.shelf = o.shelf and n.id > o.id) returning id`,
    [ids],
  );
  return rows.length === ids.length;
}

/** Decides about an offer that waits. False: somebody else has decided in the meantime. */
export async function decide(
  tx: Queryable,
  id: number,
  decision: {
    state: "accepted" | "returned" | "declined";
    by: number;
    at: Date;
    grades: number;
    subjects: number;
    note: string;
    pins: readonly Pin[];
  },
): Promise<boolean> {
  const rows = await tx.query(
    `update offer set state = $2, decided_by = $3, decided = $4, grades = $5, subjects = $6, note = $7, pins = $8::jsonb
      where id = $1 and state = 'waiting' returning id`,
    [
      ...[id, decision.state, decision.by, decision.at, decision.grades, decision.subjects, decision.note],
      JSON.stringify(decision.pins),
    ],
  );
  return rows.length > 0;
}

/** An offer waits again, as it did before this person decided. False: it does not stand as that decision left it. */
export async function undecide(
  tx: Queryable,
  id: number,
  was: { by: number; grades: number; subjects: number },
): Promise<boolean> {
  const rows = await tx.query(
    `update offer o set state = 'waiting', decided_by = null, decided = null, note = '', pins = '[]', grades = $3, subjects = $4
      where o.id = $1 and o.decided_by = $2
        and not exists (select 1 from offer n where n.resource_id = o.resource_id and n.shelf = o.shelf and n.id > o.id)
     returning o.id`,
    [id, was.by, was.grades, was.subjects],
  );
  return rows.length > 0;
}

/** What somebody has offered before, by what became of it. */
export async function offeredBefore(
  db: Queryable,
  person: number,
  without: number,
): Promise<Partial<Record<OfferState, number>>> {
  const rows = await db.query<{ state: OfferState; count: number }>(
    "select state, count(*)::int count from offer where by_id = $1 and id <> $2 group by 1",
    [person, without],
  );
  return Object.fromEntries(rows.map(({ state, count }) => [state, count]));
}

/** What stands on a shelf already and is of one family with a resource, called the same, or reads much the same; the most used first. */
export const likeOnShelf = (
  db: Queryable,
  resource: number,
  shelf: CuratedShelf,
  district: number,
): Promise<{ id: number; author: string; facts: Facts; usedBy: number }[]> =>
  db.query(
    `select e.resource_id id, p.given_name || ' ' || p.family_name author, f.facts,
            (select count(distinct a.class_id)::int from assignment a where a.resource_id = e.resource_id and a.called_back is null) "usedBy"
       from search_entry e join shelf_entry s on s.resource_id = e.resource_id and s.shelf = $2
       join resource_facts f on f.resource_id = e.resource_id join person p on p.id = e.owner_id
      where e.resource_id <> $1 and (s.shelf = 'commons' or e.district_id = $3) and (
        e.resource_id in (select o.resource_id from search_entry own join search_entry o on o.family = own.family
                           where own.resource_id = $1 and own.family <> 0)
        or e.resource_id in (select o.resource_id from look own join look o on o.title = own.title
                              where own.resource_id = $1)
        or e.resource_id in (select v.resource_id from resource r join revision v on v.id = r.source_revision_id where r.id = $1)
        or e.resource_id in (select l.resource_id from likeness own join likeness l on l.bands && own.bands where own.resource_id = $1))
      order by "usedBy" desc, e.resource_id limit 3`,
    [resource, shelf, district],
  );

/** How many offers of a district wait for a curator: her own wait for others. */
export async function waitingOn(db: Queryable, district: number, curator: number): Promise<number> {
  const { count } = await one<{ count: number }>(
    db,
    `select count(*)::int count from offer o join resource r on r.id = o.resource_id
      where o.district_id = $1 and o.state = 'waiting' and o.by_id <> $2 and r.archived is null`,
    [district, curator],
  );
  return count;
}
