import type { Reasons } from "@/core/find/reasons";
import type { Queryable } from "../engine/db";
import { reached, readerParameters, type Reader } from "./reach";
import type { WordQuery } from "./conditions";

/** Undefined when this reader may not see it. */
export async function reasonsFor(
  db: Queryable,
  reader: Reader,
  resource: number,
  words: WordQuery,
): Promise<Reasons | undefined> {
  const rows = await db.query<Reasons>(
    `select coalesce(e.title_words @@ $5::tsquery, false) "inTitle",
            coalesce(ts_filter(e.words, '{b}') @@ $5::tsquery, false) "inAbout",
            coalesce(ts_filter(e.words, '{c}') @@ $5::tsquery, false) "inAuthor",
            coalesce(e.words @@ $5::tsquery, false) "inText",
            (select count(distinct a.class_id)::int from assignment a join class c on c.id = a.class_id
              where a.resource_id = e.resource_id and c.school_id = $2 and a.called_back is null) "classesHere",
            greatest(0, coalesce(u.uses, 0) - (select count(*) from assignment a join class c on c.id = a.class_id
              where a.resource_id = e.resource_id and c.school_id = $2 and a.called_back is null))::int "usedElsewhere", (r.reach & 8) <> 0 "inSatchel", e.fresh
       from search_entry e left join resource_uses u on u.resource_id = e.resource_id, ${reached} where e.resource_id = $6 and r.reach <> 0`,
    [...readerParameters(reader), words?.text ?? null, resource],
  );
  return rows[0];
}
