import type { Edition } from "@/core/find/edition";
import { listedForm } from "@/core/content/listed-form";
import type { Document } from "@/core/resource/document";
import type { Queryable } from "../engine/db";
import { reached, readerParameters, type Reader } from "./reach";

export async function recordEdition(tx: Queryable, resource: number, document: Document): Promise<void> {
  await tx.query("delete from edition where resource_id = $1", [resource]);
  if (!document.edition) return;
  await tx.query("insert into edition (resource_id, work, isbn13) values ($1, $2, $3)", [
    resource,
    listedForm(document.edition.work),
    document.edition.isbn13 ?? null,
  ]);
}

/** The years of the editions in each of these families that this reader may see, the oldest first; one year only is not said. */
export async function editionYears(
  db: Queryable,
  reader: Reader,
  families: readonly number[],
): Promise<Map<number, number[]>> {
  if (families.length === 0) return new Map();
  const rows = await db.query<{ family: number; years: number[] }>(
    `select e.family, array_agg(distinct (v.document -> 'edition' ->> 'year')::int) years
       from search_entry e join edition d on d.resource_id = e.resource_id join resource w on w.id = e.resource_id
       join revision v on v.id = w.head_revision_id, ${reached}
      where e.family = any($5::int[]) and r.reach <> 0 and v.document -> 'edition' ->> 'year' is not null
      group by 1 having count(distinct v.document -> 'edition' ->> 'year') > 1`,
    [...readerParameters(reader), families],
  );
  return new Map(rows.map(({ family, years }) => [family, years]));
}

export interface OtherEdition {
  id: number;
  title: string;
  edition: Edition;
}

/** All editions of the work a resource belongs to that this reader may see, the newest first; itself included. */
export async function editionsOf(db: Queryable, reader: Reader, resource: number): Promise<OtherEdition[]> {
  return db.query<OtherEdition>(
    `select e.resource_id id, f.facts ->> 'title' title, v.document -> 'edition' edition
       from edition own join edition d on d.work = own.work join search_entry e on e.resource_id = d.resource_id
       join resource_facts f on f.resource_id = d.resource_id join resource w on w.id = d.resource_id
       join revision v on v.id = w.head_revision_id, ${reached}
      where own.resource_id = $5 and r.reach <> 0
      order by (v.document -> 'edition' ->> 'year')::int desc nulls last, e.resource_id`,
    [...readerParameters(reader), resource],
  );
}
