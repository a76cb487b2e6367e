import type { Synonyms } from "@/core/find/synonyms";
import { listedForm, queryText, typedParts, type TypedPart } from "@/core/find/words";
import type { Queryable } from "./db";
import { reached, readerParameters, type Reader } from "./reach";
import type { WordQuery } from "./search";
import { languageMark } from "./shelves";

/**
 * The query for what was typed, or null when nothing in it can be searched for. Text in quotes is a phrase; a minus
 * excludes. `meant` lists, by part, words that count as well (completions).
 *
 * The whole is read once as English and once as Spanish, and either may match: words too common to mean anything ("the",
 * "cuando") are dropped in the language in which they are, and only there ("sea" is such a word in Spanish). As Spanish it finds only what is written in Spanish.
 */
async function queryOf(
  db: Queryable,
  parts: readonly TypedPart[],
  meant: ReadonlyMap<TypedPart, string[]>,
): Promise<WordQuery> {
  if (parts.length === 0) return null;
  const texts = parts.map((part) => queryText({ ...part, wanted: true }, meant.get(part)));
  const rows = await db.query<{ english: string; spanish: string }>(
    `select case when numnode(en) = 0 then '' else (en || names)::text end english,
            case when numnode(es) = 0 then '' else (es || names)::text end spanish
       from (select n, to_tsquery('satchel_en', t) en, to_tsquery('satchel_es', t) es, to_tsquery('simple', t) names
               from unnest($1::text[]) with ordinality as u(t, n)) x order by n`,
    [texts],
  );
  const readings = (["english", "spanish"] as const).map((language) => {
    const clauses = rows.flatMap((row, at) => (row[language] && parts[at]!.wanted ? [`(${row[language]})`] : []));
    if (clauses.length === 0) return "";
    return [...clauses, ...(language === "spanish" ? [`'${languageMark("es")}'`] : [])].join(" & ");
  });
  const wanted = readings.filter(Boolean).map((query) => `(${query})`);
  const unwanted = rows.flatMap((row, at) =>
    parts[at]!.wanted ? [] : [row.english, row.spanish].filter(Boolean).map((query) => `!(${query})`),
  );
  const clauses = wanted.length > 0 ? [`(${wanted.join(" | ")})`, ...unwanted] : unwanted;
  return clauses.join(" & ") || null;
}

/** Words as listed that begin with what is being typed, the most frequent first. */
async function beginningWith(db: Queryable, start: string): Promise<string[]> {
  const from = listedForm(start);
  const rows = await db.query<{ word: string }>(
    "select word from search_word where word like $1 and word <> $2 order by entries desc limit 8",
    [`${from.replace(/[%_\\]/g, "\\$&")}%`, from],
  );
  return rows.map((row) => row.word);
}

/** The listed word most like a misspelt one, or null when none is like enough. */
async function closestTo(db: Queryable, word: string): Promise<string | null> {
  const rows = await db.query<{ word: string }>(
    `select word from search_word where word % $1 and length(word) between $2 and $3
      order by similarity(word, $1) desc, entries desc limit 1`,
    [listedForm(word), word.length - 2, word.length + 2],
  );
  return rows[0]?.word ?? null;
}

const SHORTEST_BEGINNING = 2;

const noSynonyms: Synonyms = new Map();

/** The last word may still be being typed: its likely endings count too. Synonyms count for every word outside quotes. */
export async function readWords(db: Queryable, typed: string, synonyms: Synonyms = noSynonyms): Promise<WordQuery> {
  const parts = typedParts(typed);
  const last = parts.at(-1);
  const meant = new Map<TypedPart, string[]>();
  for (const part of parts) {
    if (part.phrase || !part.wanted) continue;
    meant.set(part, [...(synonyms.get(listedForm(part.text)) ?? [])]);
  }
  if (last && !last.phrase && last.wanted && last.text.length >= SHORTEST_BEGINNING && !/\s$/.test(typed)) {
    meant.set(last, [...(meant.get(last) ?? []), ...(await beginningWith(db, last.text))]);
  }
  return queryOf(db, parts, meant);
}

const MOST_SUGGESTIONS = 6;

/**
 * Words that go on from one being typed, the most frequent first. Only such as stand in something this reader may see:
 * a suggestion must not tell of what she may not.
 */
export async function suggestSeen(db: Queryable, reader: Reader, start: string): Promise<string[]> {
  if (start.trim().length < SHORTEST_BEGINNING) return [];
  const words = await beginningWith(db, start.trim());
  if (words.length === 0) return [];
  const rows = await db.query<{ word: string }>(
    `select w.word from unnest($5::text[]) with ordinality as w(word, at)
      where exists (select 1 from search_entry e, ${reached}
        where e.words @@ (to_tsquery('satchel_en', quote_literal(w.word)) || to_tsquery('satchel_es', quote_literal(w.word))) and r.reach <> 0)
      order by w.at limit ${MOST_SUGGESTIONS}`,
    [...readerParameters(reader), words],
  );
  return rows.map((row) => row.word);
}

/**
 * For words that found nothing: the same with each unknown word replaced by the listed one most like it. Null when every
 * word is known, or nothing is like it. The caller shows it only when it finds something this reader may see.
 */
export async function correctWords(db: Queryable, typed: string): Promise<{ words: string; query: WordQuery } | null> {
  const parts = typedParts(typed);
  let changed = false;
  const corrected: TypedPart[] = [];
  for (const part of parts) {
    if (part.phrase || !part.wanted) {
      corrected.push(part);
      continue;
    }
    const known = await db.query("select 1 from search_entry where words @@ $1::tsquery limit 1", [
      (await queryOf(db, [part], new Map())) ?? "",
    ]);
    const closest = known.length > 0 ? null : await closestTo(db, part.text);
    if (closest && closest !== listedForm(part.text)) changed = true;
    corrected.push(closest ? { ...part, text: closest } : part);
  }
  if (!changed) return null;
  const words = corrected
    .map((part) => `${part.wanted ? "" : "-"}${part.phrase ? `"${part.text}"` : part.text}`)
    .join(" ");
  return { words, query: await queryOf(db, corrected, new Map()) };
}
