import type { Queryable } from "./db";
import { reached, readerParameters, type Reader } from "./reach";
import type { WordQuery } from "./conditions";

/** Why one resource stands where it stands among the results. */
export interface Reasons {
  inTitle: boolean;
  inAbout: boolean;
  inAuthor: boolean;
  inText: boolean;
  classesHere: number;
  usedOverall: number;
  inSatchel: boolean;
  fresh: Date;
}

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
            e.uses "usedOverall", (r.reach & 8) <> 0 "inSatchel", e.fresh
       from search_entry e, ${reached} where e.resource_id = $6 and r.reach <> 0`,
    [...readerParameters(reader), words?.text ?? null, resource],
  );
  return rows[0];
}

/** The reasons as sentences, the weightiest first. */
export function sayReasons(reasons: Reasons, words: string): string[] {
  const said: string[] = [];
  if (words.trim()) {
    if (reasons.inTitle) said.push(`“${words.trim()}” is in its title.`);
    else if (reasons.inAbout) said.push("The words are in its summary, topics or codes.");
    else if (reasons.inAuthor) said.push("The words name its author.");
    else if (reasons.inText) said.push("The words are in what students read.");
  }
  if (reasons.classesHere > 0)
    said.push(`${reasons.classesHere === 1 ? "A class" : `${reasons.classesHere} classes`} at your school used it.`);
  if (reasons.inSatchel) said.push("It is in your satchel.");
  if (reasons.usedOverall > 0) said.push(`Used ${reasons.usedOverall} times elsewhere.`);
  if (said.length === 0) said.push("It fits every blank you filled; nothing else speaks for it.");
  return said;
}
