import { packAlso, packDoing } from "@/core/find/also";
import { packFacets } from "@/core/find/facets";
import { patternOf } from "@/core/find/likeness";
import { titleKey, wordList } from "@/core/find/words";
import type { Document } from "@/core/resource/document";
import { factsOf, searchTexts, searchTextsIn } from "@/core/resource/facts";
import { studentText } from "@/core/resource/student-text";
import type { SharedShelf } from "@/core/sharing/how-far";
import type { Queryable } from "../engine/db";
import { recordEdition } from "./editions";
import { joinFamily } from "./families";
import { reshelve, standsForOthers } from "../share/sharing";
import { alignResource } from "./standards";

const MOST_LETTERS = 200_000;

export async function putOnShelf(
  db: Queryable,
  entry: { resource: number; shelf: SharedShelf; school: number | null; by: number; at: Date },
): Promise<void> {
  await db.query(
    `insert into shelf_entry (resource_id, shelf, school_id, added_by, added) values ($1, $2, $3, $4, $5) on conflict do nothing`,
    [entry.resource, entry.shelf, entry.shelf === "staffroom" ? entry.school : null, entry.by, entry.at],
  );
}

const configurations: Record<string, string> = { en: "satchel_en", es: "satchel_es" };

/** The text search configuration of a language; English rules do least harm to languages without one of their own. */
export function configurationOf(language: string): string {
  return configurations[language.split("-")[0]!] ?? "satchel_en";
}

/** A lexeme no text has, in every vector: a question read as Spanish finds only what is written in Spanish. */
export function languageMark(language: string): string {
  return configurationOf(language) === "satchel_es" ? "~es" : "~en";
}

/**
 * What the search is given of a document, each language cut into stems of its own: two expressions of SQL and their
 * parameters, the first of which is number `from`. A vector holds at most a megabyte: what is read goes in up to 200,000
 * letters a language.
 */
function vectorsOf(document: Document, from: number): { title: string; words: string; parameters: string[] } {
  const parameters: string[] = [];
  const vector = (language: string, text: string): string => {
    parameters.push(configurationOf(language), text.slice(0, MOST_LETTERS));
    const at = from + parameters.length - 2;
    return `to_tsvector($${at}::text::regconfig, $${at + 1}::text)`;
  };
  const each = document.languages.map((language) => {
    const { title, about, body } = searchTextsIn(document, language);
    const named = vector(language, title);
    const said = [
      `setweight(${named}, 'A')`,
      `setweight(${vector(language, about)}, 'B')`,
      `setweight(${vector(language, body)}, 'D')`,
    ];
    return { named, said: said.join(" || ") };
  });
  return {
    title: each.map(({ named }) => named).join(" || "),
    words: each.map(({ said }) => said).join(" || "),
    parameters,
  };
}

/**
 * Brings the search entry and the facts of a resource up to date: after publishing, shelving, archiving. `document` is
 * the head, or the draft while nothing is published (facts only: a draft is found by nobody).
 */
export async function indexResource(
  tx: Queryable,
  resource: number,
  document: Document,
  published: boolean,
): Promise<void> {
  const facts = factsOf(document);
  await tx.query(
    "insert into resource_facts (resource_id, facts) values ($1, $2::jsonb) on conflict (resource_id) do update set facts = excluded.facts",
    [resource, JSON.stringify(facts)],
  );
  if (!published) return;
  const texts = searchTexts(document);
  const { title, words, parameters } = vectorsOf(document, 8);
  await tx.query(
    `insert into search_entry as e (resource_id, district_id, school_id, owner_id, shelves, facets, also, doing, minutes, uses, fresh, reads, title_words, words)
     select r.id, r.district_id, coalesce(max(s.school_id), 0), r.owner_id,
            coalesce(sum(case s.shelf when 'staffroom' then 1 when 'district' then 2 when 'commons' then 4 end), 0),
            $2, $5, $6, $3, coalesce((select u.uses from resource_uses u where u.resource_id = r.id), 0), greatest(max(h.created), max(s.added)), $7::smallint, ${title} || array_to_tsvector($4::text[]),
            ${words} || setweight(to_tsvector('simple', p.given_name || ' ' || p.family_name), 'C') || array_to_tsvector($4::text[])
       from resource r join person p on p.id = coalesce(r.made_by_id, r.owner_id) join revision h on h.id = r.head_revision_id left join shelf_entry s on s.resource_id = r.id
      where r.id = $1 and r.archived is null group by r.id, p.id
     on conflict (resource_id) do update set
       school_id = excluded.school_id, shelves = excluded.shelves, facets = excluded.facets, also = excluded.also,
       doing = excluded.doing, minutes = excluded.minutes, fresh = greatest(e.fresh, excluded.fresh), reads = excluded.reads,
       title_words = excluded.title_words, words = excluded.words`,
    [
      resource,
      packFacets(facts),
      facts.minutes,
      [...new Set(document.languages.map(languageMark))],
      packAlso(facts),
      packDoing(facts.doing),
      facts.readingGrade === null ? null : Math.round(facts.readingGrade * 10),
      ...parameters,
    ],
  );
  if (await standsForOthers(tx, resource)) await reshelve(tx, [resource]);
  await tx.query("delete from topic_entry where resource_id = $1 and topic <> all($2::text[])", [
    resource,
    facts.topics,
  ]);
  await tx.query(
    "insert into topic_entry (topic, resource_id) select distinct topic, $1::int from unnest($2::text[]) topic on conflict do nothing",
    [resource, facts.topics],
  );
  await alignResource(tx, resource, document);
  await recordEdition(tx, resource, document);
  await joinFamily(tx, resource, studentText(document));
  await tx.query(
    `insert into look (resource_id, title, pattern) values ($1, $2, $3)
     on conflict (resource_id) do update set title = excluded.title, pattern = excluded.pattern`,
    [resource, titleKey(Object.values(document.title)[0]!), patternOf(`${texts.title} ${texts.about} ${texts.body}`)],
  );
  await tx.query(
    `insert into search_word as w (word, entries) select word, 1 from unnest($1::text[]) word order by word
     on conflict (word) do update set entries = w.entries + 1`,
    [wordList(`${texts.title} ${texts.about}`)],
  );
}

/** Takes a resource out of everyone's search; its owner's satchel and running assignments keep it. */
export async function removeFromSearch(db: Queryable, resource: number): Promise<void> {
  await db.query("delete from search_entry where resource_id = $1", [resource]);
}
