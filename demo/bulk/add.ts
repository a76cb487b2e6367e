import { packAlso, packDoing } from "@/core/find/also";
import { packFacets } from "@/core/find/facets";
import { patternOf } from "@/core/find/likeness";
import { titleKey, wordList } from "@/core/find/words";
import { canonical } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { factsOf, searchTexts, type Facts } from "@/core/resource/facts";
import type { Db, Queryable } from "@/data/engine/db";
import { one } from "@/data/engine/db";
import { sha256 } from "@/server/web/secrets";
import { documentOf } from "../read";
import { bulkLesson } from "./lessons";
import { SeededRandom } from "./random";
import { familyNames, givenNames } from "./world";

const BATCH = 250;
const AUTHORS = 60;
/** In a real commons several people choose the same title; hardly ever more than three. */
const MOST_ALIKE = 3;

async function addAuthors(
  tx: Queryable,
  random: SeededRandom,
): Promise<{ district: number; authors: { id: number; name: string }[] }> {
  const { id: district } = await one<{ id: number }>(
    tx,
    "insert into district (name) values ('Open commons') returning id",
  );
  const names = new Set<string>();
  while (names.size < AUTHORS) names.add(`${random.pick(givenNames)} ${random.pick(familyNames)}`);
  const authors: { id: number; name: string }[] = [];
  for (const name of names) {
    const [given, family] = name.split(" ");
    // They never sign in here: no password, not active.
    const { id } = await one<{ id: number }>(
      tx,
      "insert into person (district_id, kind, given_name, family_name, email, active) values ($1, 'adult', $2, $3, $4, false) returning id",
      [district, given, family, `${given}.${family}@commons.example`.toLowerCase()],
    );
    authors.push({ id, name });
  }
  return { district, authors };
}

interface Prepared {
  owner: number;
  author: string;
  document: Document;
  hash: string;
  facts: Facts;
  facets: number;
  also: number;
  doing: number;
  topics: string[];
  codes: string[];
  uses: number;
  title: string;
  about: string;
  body: string;
  look: { title: string; pattern: string | null };
}

// The same entry as data/find/shelves.ts makes, for many at once.
const addMany = `
  with given as materialized (
    select row_number() over () n, g.* from jsonb_to_recordset($1::jsonb) as g(owner int, author text, document jsonb, hash text, facts jsonb,
      facets int, also int, doing int, topics text[], codes text[], uses int, title text, about text, body text, look jsonb)),
  r as (insert into resource (district_id, owner_id, created) select $2, owner, $3 from given order by n returning id),
  numbered as (select id, row_number() over (order by id) n from r),
  v as (insert into revision (resource_id, number, document, document_hash, author_id, created)
        select numbered.id, 1, document, hash, owner, $3 from given join numbered using (n)),
  s as (insert into shelf_entry (resource_id, shelf, added_by, added) select numbered.id, 'commons', owner, $3 from given join numbered using (n)),
  a as (insert into alignment (resource_id, standard_id, relation) select numbered.id, s.id, 'teaches'
          from given join numbered using (n), unnest(given.codes) as u(said) join standard s on s.code = u.said),
  t as (insert into topic_entry (topic, resource_id) select distinct topic, numbered.id from given join numbered using (n), unnest(given.topics) topic),
  l as (insert into look (resource_id, title, pattern)
        select numbered.id, look ->> 'title', look ->> 'pattern'
          from given join numbered using (n)),
  u as (insert into resource_uses (resource_id, uses) select numbered.id, uses from given join numbered using (n)),
  f as (insert into resource_facts (resource_id, facts) select numbered.id, facts from given join numbered using (n))
  insert into search_entry (resource_id, district_id, owner_id, shelves, facets, also, doing, minutes, uses, fresh, reads, title_words, words)
  select numbered.id, $2, owner, 4, facets, also, doing, (facts ->> 'minutes')::int, uses, $3,
         round((facts ->> 'readingGrade')::float8 * 10), to_tsvector('satchel_en', title) || array_to_tsvector(array['~en']),
         setweight(to_tsvector('satchel_en', title), 'A') || setweight(to_tsvector('satchel_en', about), 'B')
           || setweight(to_tsvector('simple', author), 'C') || setweight(to_tsvector('satchel_en', body), 'D') || array_to_tsvector(array['~en'])
    from given join numbered using (n) order by n`;

/** Puts generated lessons on the commons, the much-used ones first (entries that lie together are read together). */
export async function addBulk(db: Db, of: { count: number; seed: number; now: Date }): Promise<void> {
  if (of.count === 0) return;
  const random = new SeededRandom(of.seed);
  const { district, authors } = await db.transaction((tx) => addAuthors(tx, random));
  const words = new Map<string, number>();
  const titles = new Map<string, number>();
  /** A lesson whose title is not there MOST_ALIKE times already. */
  const lesson = () => {
    for (;;) {
      const drawn = bulkLesson(random);
      const title = JSON.stringify(drawn.title);
      const times = titles.get(title) ?? 0;
      if (times >= MOST_ALIKE) continue;
      titles.set(title, times + 1);
      return drawn;
    }
  };
  for (let done = 0; done < of.count; done += BATCH) {
    const batch = Array.from({ length: Math.min(BATCH, of.count - done) }, (_, at): Prepared => {
      const author = random.pick(authors);
      const document = documentOf(`c${done + at}`, { ...lesson(), by: "" });
      const [facts, texts] = [factsOf(document), searchTexts(document)];
      for (const word of wordList(`${texts.title} ${texts.about}`)) words.set(word, (words.get(word) ?? 0) + 1);
      const uses = Math.floor(900 / (1 + (done + at) / 20));
      return {
        owner: author.id,
        author: author.name,
        document,
        hash: sha256(canonical(document)),
        facts,
        facets: packFacets(facts),
        also: packAlso(facts),
        doing: packDoing(facts.doing),
        topics: facts.topics,
        codes: facts.standards,
        uses,
        ...texts,
        look: {
          title: titleKey(texts.title),
          pattern: patternOf(`${texts.title} ${texts.about} ${texts.body}`),
        },
      };
    });
    await db.query(addMany, [JSON.stringify(batch), district, new Date(of.now.getTime() - 90 * 86_400_000)]);
  }
  await db.script(
    "update resource set head_revision_id = v.id from revision v where v.resource_id = resource.id and resource.head_revision_id is null",
  );
  await db.query(
    `insert into search_word as w (word, entries)
     select word, entries from jsonb_to_recordset($1::jsonb) as g(word text, entries int)
     on conflict (word) do update set entries = w.entries + excluded.entries`,
    [JSON.stringify([...words].map(([word, entries]) => ({ word, entries })))],
  );
}
