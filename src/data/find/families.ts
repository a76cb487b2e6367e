import { bandsOf, likeness, SAME_THING, signatureOf } from "@/core/find/likeness";
import { EIGHT } from "@/core/find/facets";
import type { Queryable } from "../engine/db";

/**
 * Says which family a resource belongs to: the source it was adapted from, one whose text is all but the same, or another
 * edition of the same work (of the same kind: a quiz about a book is no edition of it). The
 * eldest member names the family; one that was rewritten until it is like none of them any more leaves. Call after its
 * search entry and its edition are written.
 */
export async function joinFamily(tx: Queryable, resource: number, text: string): Promise<void> {
  const signature = signatureOf(text);
  const alike: number[] = [];
  if (signature) {
    const bands = bandsOf(signature);
    const candidates = await tx.query<{ id: number; signature: number[] }>(
      "select resource_id id, signature from likeness where bands && $1::int[] and resource_id <> $2",
      [bands, resource],
    );
    for (const one of candidates) if (likeness(one.signature, signature) >= SAME_THING) alike.push(one.id);
    await tx.query(
      `insert into likeness (resource_id, signature, bands) values ($1, $2, $3)
       on conflict (resource_id) do update set signature = excluded.signature, bands = excluded.bands`,
      [resource, signature, bands],
    );
  }
  const [source] = await tx.query<{ id: number }>(
    "select v.resource_id id from resource r join revision v on v.id = r.source_revision_id where r.id = $1",
    [resource],
  );
  const editions = await tx.query<{ id: number }>(
    `select d.resource_id id from edition own join edition d on d.work = own.work and d.resource_id <> own.resource_id
       join search_entry e on e.resource_id = d.resource_id join search_entry mine on mine.resource_id = own.resource_id
      where own.resource_id = $1 and (e.facets & ${EIGHT}) = (mine.facets & ${EIGHT})`,
    [resource],
  );
  const kin = [...alike, ...[...(source ? [source] : []), ...editions].map(({ id }) => id)];
  if (kin.length === 0) {
    await leaveFamily(tx, resource);
    return;
  }
  await tx.query(
    `with members as (select resource_id, family from search_entry where resource_id = any($1::int[]) or (family <> 0 and family in
         (select family from search_entry where resource_id = any($1::int[])))),
     named as (select least(min(resource_id), min(nullif(family, 0))) family from members)
     update search_entry e set family = named.family from named
      where e.resource_id in (select resource_id from members) and e.family <> named.family`,
    [[resource, ...kin]],
  );
}

/** Unless others were adapted from it: they stay versions of one thing, whatever becomes of their source. */
async function leaveFamily(tx: Queryable, resource: number): Promise<void> {
  await tx.query(
    `update search_entry set family = 0 where resource_id = $1 and family <> 0 and not exists (
       select 1 from resource r join revision v on v.id = r.source_revision_id where v.resource_id = $1)`,
    [resource],
  );
}
