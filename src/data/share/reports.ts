import type { ReportKind, ReportOutcome } from "@/core/sharing/report";
import { one, type Queryable } from "../engine/db";

export interface Report {
  id: number;
  resource: number;
  title: string;
  author: number;
  authorName: string;
  step: string | null;
  kind: ReportKind;
  note: string;
  by: number;
  byName: string;
  at: Date;
  outcome: ReportOutcome | null;
  decidedByName: string | null;
  decided: Date | null;
  answer: string;
}

const columns = `x.id, x.resource_id resource, f.facts ->> 'title' title, r.owner_id author, a.given_name || ' ' || a.family_name "authorName",
  x.step, x.kind, x.note, x.by_id "by", p.given_name || ' ' || p.family_name "byName", x.at as at, x.outcome,
  d.given_name || ' ' || d.family_name "decidedByName", x.decided, x.answer`;
const joined = `report x join resource r on r.id = x.resource_id join resource_facts f on f.resource_id = r.id
  join person a on a.id = r.owner_id join person p on p.id = x.by_id left join person d on d.id = x.decided_by`;

/** Of a row `x` of report: its thing stands where curators decide, or they have decided. The rest is between reader and author. */
const onDesk = `(x.outcome is not null or exists (
  select 1 from shelf_entry s where s.resource_id = x.resource_id and s.shelf <> 'staffroom'))`;

/** Reports on a district's desk: open ones the longest first, then decided ones, the latest first. */
export const reportsOn = (db: Queryable, district: number): Promise<Report[]> =>
  db.query<Report>(
    `select ${columns} from ${joined} where x.district_id = $1 and ${onDesk}
      order by x.outcome is not null, case when x.outcome is null then x.at end, x.decided desc, x.id limit 200`,
    [district],
  );

export async function reportOn(db: Queryable, district: number, id: number): Promise<Report | undefined> {
  const rows = await db.query<Report>(
    `select ${columns} from ${joined} where x.district_id = $1 and x.id = $2 and ${onDesk} for update of x`,
    [district, id],
  );
  return rows[0];
}

/** How many reports of a district nobody has decided about. */
export async function openReports(db: Queryable, district: number): Promise<number> {
  const { count } = await one<{ count: number }>(
    db,
    `select count(*)::int count from report x where x.district_id = $1 and x.outcome is null and ${onDesk}`,
    [district],
  );
  return count;
}

/** Adds a report. Undefined: she has one of the same thing that is not decided. */
export async function addReport(
  tx: Queryable,
  report: { resource: number; step: string | null; kind: ReportKind; note: string; by: number; at: Date },
): Promise<{ id: number; district: number } | undefined> {
  const rows = await tx.query<{ id: number; district: number }>(
    `insert into report (resource_id, district_id, step, kind, note, by_id, at)
     select r.id, r.district_id, $2, $3, $4, $5, $6 from resource r where r.id = $1
     on conflict do nothing returning id, district_id district`,
    [report.resource, report.step, report.kind, report.note, report.by, report.at],
  );
  return rows[0];
}

/** Decides about a report that is open, or (`null`) opens a decided one again. False: it is not so any more. */
export async function setOutcome(
  tx: Queryable,
  id: number,
  decided: { outcome: ReportOutcome; by: number; at: Date; answer: string } | null,
): Promise<boolean> {
  const rows = decided
    ? await tx.query(
        "update report set outcome = $2, decided_by = $3, decided = $4, answer = $5 where id = $1 and outcome is null returning id",
        [id, decided.outcome, decided.by, decided.at, decided.answer],
      )
    : await tx.query(
        `update report x set outcome = null, decided_by = null, decided = null, answer = '' where id = $1 and outcome is not null
           and not exists (select 1 from report o where o.resource_id = x.resource_id and o.by_id = x.by_id and o.outcome is null)
         returning id`,
        [id],
      );
  return rows.length > 0;
}
