import type { Synonyms } from "@/core/find/synonyms";
import { nearestWord } from "@/core/find/nearest";
import { queryText, typedParts, type TypedPart } from "@/core/find/words";
import { listedForm } from "@/core/content/listed-form";
import type { Queryable } from "../engine/db";
import { reached, readerParameters, type Reader } from "./reach";
import type { WordQuery } from "./conditions";
import { languageMark } from "./shelves";

interface Readings {
  wanted: { english: string; spanish: string }[];
  unwanted: string[];
}

/**
 * What was typed as queries, part by part. Text in quotes is a phrase; a minus excludes. `meant` lists, by part, words
 * that count as well (completions, synonyms, compounds).
 *
 * Each part is read once as English and once as Spanish: words too common to mean anything ("the", "cuando") are dropped
 * in the language in which they are, and only there ("sea" is such a word in Spanish).
 */
async function readingsOf(
  db: Queryable,
  parts: readonly TypedPart[],
  meant: ReadonlyMap<TypedPart, string[]>,
): Promise<Readings> {
  if (parts.length === 0) return { wanted: [], unwanted: [] };
  const texts = parts.map((part) => queryText({ ...part, wanted: true }, meant.get(part)));
  const rows = await db.query<{ english: string; spanish: string }>(
    `select case when numnode(en) = 0 then '' else (en || names)::text end english,
            case when numnode(es) = 0 then '' else (es || names)::text end spanish
       from (select n, to_tsquery('satchel_en', t) en, to_tsquery('satchel_es', t) es, to_tsquery('simple', t) names
               from unnest($1::text[]) with ordinality as u(t, n)) x order by n`,
    [texts],
  );
  return {
    wanted: rows.map(eachOnce).filter((_, at) => parts[at]!.wanted),
    unwanted: rows.flatMap((row, at) =>
      parts[at]!.wanted ? [] : [row.english, row.spanish].filter(Boolean).map((query) => `!(${query})`),
    ),
  };
}

const choicesIn = (query: string): Set<string> | null =>
  query === "" || /[&!()<]/.test(query) ? null : new Set(query.split(" | "));

/** The index is asked for each word once: a stem, the word itself and its synonyms are often the same. */
function eachOnce(row: { english: string; spanish: string }) {
  const once = (query: string) => [...(choicesIn(query) ?? [query])].join(" | ");
  return { english: once(row.english), spanish: once(row.spanish) };
}

/** Whether all that the Spanish reading would find, the English one finds anyway. */
const addsNothing = ({ english, spanish }: { english: string; spanish: string }): boolean => {
  const [wide, narrow] = [choicesIn(english), choicesIn(spanish)];
  return spanish === english || (wide !== null && narrow !== null && [...narrow].every((word) => wide.has(word)));
};

const spanishOnly = `'${languageMark("es")}'`;

/**
 * Every way to choose `k` of the clauses, each way as one clause. Only ever asked for all of them, or of MOST_PARTS_LOOSE
 * at the most: 20 ways.
 */
function chosen(clauses: readonly string[], k: number): string[] {
  if (k === 0) return [""];
  if (k === clauses.length) return [clauses.join(" & ")];
  return clauses.flatMap((clause, at) =>
    // Too few clauses are left behind this one: nothing can come of it.
    clauses.length - at < k
      ? []
      : chosen(clauses.slice(at + 1), k - 1).map((rest) => (rest ? `${clause} & ${rest}` : clause)),
  );
}

const MOST_PARTS_LOOSE = 6;
/** More than a sentence has; the words after these are not asked for, and the page says so. */
export const MOST_PARTS = 16;
/** Each unknown word is looked for among all listed words. */
const MOST_CORRECTED = 6;

/** What was typed, each part once and MOST_PARTS at the most. */
function partsOf(typed: string): { parts: TypedPart[]; ignored: TypedPart[] } {
  const once = new Map(
    typedParts(typed).map((part) => [`${part.wanted} ${part.phrase} ${listedForm(part.text)}`, part]),
  );
  const parts = [...once.values()];
  return { parts: parts.slice(0, MOST_PARTS), ignored: parts.slice(MOST_PARTS) };
}

/**
 * The query that asks for all wanted parts but `missing`; either language's reading may match, as Spanish only what is
 * written in Spanish. Null when nothing is left that can be searched for.
 */
function queryWith({ wanted, unwanted }: Readings, missing: number): WordQuery {
  // "the", "how": a small word of English and none of Spanish says in which language the others are.
  const inEnglish = wanted.some(({ english, spanish }) => english === "" && spanish !== "");
  const languages = inEnglish || wanted.every(addsNothing) ? (["english"] as const) : (["english", "spanish"] as const);
  const readings = languages.map((language) => {
    const clauses = wanted.flatMap((row) => (row[language] ? [`(${row[language]})`] : []));
    if (clauses.length === 0) return "";
    const needed = Math.max(1, clauses.length - missing);
    const ways = chosen(clauses, needed).map((way) => `(${way})`);
    return `(${ways.join(" | ")})${language === "spanish" ? ` & ${spanishOnly}` : ""}`;
  });
  const either = readings.filter(Boolean).map((query) => `(${query})`);
  const clauses = either.length > 0 ? [`(${either.join(" | ")})`, ...unwanted] : unwanted;
  if (clauses.length === 0) return null;
  const parts = wanted.flatMap(({ english, spanish }) => {
    const asSpanish = spanish && !addsNothing({ english, spanish });
    const one = [english && `(${english})`, asSpanish && `((${spanish}) & ${spanishOnly})`].filter(Boolean);
    return one.length > 0 ? [one.join(" | ")] : [];
  });
  return { text: clauses.join(" & "), parts, loose: missing > 0 };
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

/** A listed word that stands only where she does not see it is no help, and must not be told: this many are passed over. */
const MOST_PASSED_OVER = 5;

/** The listed word that she sees and a misspelt one is most likely to be, or null when none is near enough. */
async function closestTo(db: Queryable, reader: Reader, word: string, also: Synonyms): Promise<string | null> {
  const typed = listedForm(word);
  const rows = await db.query<{ word: string; entries: number }>(
    `select word, entries from search_word where length(word) between $2 and $3 and similarity(word, $1) > 0.15
      order by similarity(word, $1) desc, entries desc limit 60`,
    [typed, typed.length - 2, typed.length + 2],
  );
  const near = [...also.keys()].filter((one) => one[0] === typed[0] && Math.abs(one.length - typed.length) <= 2);
  let choice = [...rows, ...near.map((one) => ({ word: one, entries: 0 }))];
  for (let passed = 0; passed < MOST_PASSED_OVER; passed += 1) {
    const nearest = nearestWord(typed, choice);
    if (nearest === null || also.has(nearest) || (await seenAmong(db, reader, [nearest])).length > 0) return nearest;
    choice = choice.filter((one) => one.word !== nearest);
  }
  return null;
}

/** Those of these words that stand in something this reader may see, in the same order. */
async function seenAmong(db: Queryable, reader: Reader, words: readonly string[]): Promise<string[]> {
  const rows = await db.query<{ word: string }>(
    `select w.word from unnest($5::text[]) with ordinality as w(word, at)
      where exists (select 1 from search_entry e, ${reached}
        where e.words @@ (to_tsquery('satchel_en', quote_literal(w.word)) || to_tsquery('satchel_es', quote_literal(w.word))) and r.reach <> 0)
      order by w.at`,
    [...readerParameters(reader), words],
  );
  return rows.map((row) => row.word);
}

const SHORTEST_BEGINNING = 2;

const noSynonyms: Synonyms = new Map();

/**
 * Listed words that parts of what was typed also mean: neighbours written apart that are listed as one word ("time
 * table"), and for the last word, which may still be being typed, its likely endings.
 */
async function alsoListed(
  db: Queryable,
  parts: readonly TypedPart[],
  unfinished: TypedPart | null,
): Promise<Map<TypedPart, string[]>> {
  const joined = parts.flatMap((part, at) => {
    const next = parts[at + 1];
    const plain = next && !part.phrase && !next.phrase && part.wanted && next.wanted;
    return plain ? [{ part, next, word: listedForm(part.text + next.text) }] : [];
  });
  const meant = new Map<TypedPart, string[]>();
  if (joined.length === 0 && !unfinished) return meant;
  const start = unfinished && listedForm(unfinished.text);
  const rows = await db.query<{ word: string; whole: boolean }>(
    `select word, true whole from search_word where word = any($1::text[])
     union all (select word, false from search_word where word like $2 and word <> $3 order by entries desc limit 8)`,
    [joined.map(({ word }) => word), start === null ? "" : `${start.replace(/[%_\\]/g, "\\$&")}%`, start ?? ""],
  );
  const add = (part: TypedPart, word: string) => meant.set(part, [...(meant.get(part) ?? []), word]);
  for (const { part, next, word } of joined) {
    if (!rows.some((row) => row.whole && row.word === word)) continue;
    add(part, word);
    add(next, word);
  }
  if (unfinished) for (const row of rows) if (!row.whole) add(unfinished, row.word);
  return meant;
}

/** Those of the word, or of it without its plural. */
function synonymsOf(word: string, synonyms: Synonyms): readonly string[] {
  const listed = listedForm(word);
  return synonyms.get(listed) ?? (listed.endsWith("s") ? synonyms.get(listed.slice(0, -1)) : undefined) ?? [];
}

/** The words as they were understood: `strict` asks for all of them, `loosely(n)` for all but n. */
export interface ReadWords {
  strict: WordQuery;
  /** How many words may be missing before only one is left. */
  slack: number;
  loosely(missing: number): WordQuery;
  /** Words that were not looked for, because there were too many. */
  ignored: string[];
}

/** The last word may still be being typed: its likely endings count too. Synonyms count for every word outside quotes. */
export async function readAllWords(db: Queryable, typed: string, synonyms: Synonyms = noSynonyms): Promise<ReadWords> {
  const { parts, ignored } = partsOf(typed);
  // In "step by step" the word she is typing is the second "step", which counts once, and not "by".
  const under = typedParts(typed).at(-1);
  const last = ignored.length === 0 && parts.at(-1)?.text === under?.text ? parts.at(-1) : undefined;
  const typing = last && !last.phrase && last.wanted && last.text.length >= SHORTEST_BEGINNING && !/\s$/.test(typed);
  const meant = await alsoListed(db, parts, typing ? last : null);
  for (const part of parts) {
    if (part.phrase || !part.wanted) continue;
    meant.set(part, [...(meant.get(part) ?? []), ...synonymsOf(part.text, synonyms)]);
  }
  const readings = await readingsOf(db, parts, meant);
  const searched = readings.wanted.filter((row) => row.english || row.spanish).length;
  const loose = searched <= MOST_PARTS_LOOSE && !parts.some((part) => part.phrase);
  return {
    strict: queryWith(readings, 0),
    slack: loose ? Math.max(0, searched - 1) : 0,
    loosely: (missing) => queryWith(readings, Math.min(missing, loose ? searched : 0)),
    ignored: ignored.map(({ text }) => text),
  };
}

const MOST_SUGGESTIONS = 6;
const NEARLY_EVERYWHERE = 1000;

/**
 * Words that go on from one being typed, the most frequent first. Only such as stand in something this reader may see:
 * a suggestion must not tell of what she may not.
 */
export async function suggestSeen(db: Queryable, reader: Reader, start: string): Promise<string[]> {
  if (start.trim().length < SHORTEST_BEGINNING) return [];
  const words = await beginningWith(db, start.trim());
  return words.length === 0 ? [] : (await seenAmong(db, reader, words)).slice(0, MOST_SUGGESTIONS);
}

/**
 * For words that found nothing: the same with each unknown word replaced by the listed one most like it, or by one whose synonyms
 * are listed (`also`). A word that `isGood` English is no slip of another. Null when every word is known, or nothing is like it. The caller shows it only when it finds something this reader may see.
 */
export async function correctWords(
  db: Queryable,
  reader: Reader,
  typed: string,
  { isGood, also }: { isGood: (word: string) => boolean; also: Synonyms } = { isGood: () => false, also: noSynonyms },
): Promise<string | null> {
  const { parts } = partsOf(typed);
  const plain = parts.filter((part) => !part.phrase && part.wanted);
  const { wanted } = await readingsOf(db, plain, new Map());
  // Known is what stands in something she may see: whether a word is corrected must not tell of what she may not. What stands nearly
  // everywhere is no secret, and would take longest to look for.
  const known = await db.query<{ known: boolean }>(
    `select q = '' or exists (select 1 from search_word where word = typed and entries >= ${NEARLY_EVERYWHERE})
                   or exists (select 1 from search_entry e, ${reached} where e.words @@ q::tsquery and r.reach <> 0) known
       from unnest($5::text[], $6::text[]) with ordinality as u(q, typed, n) order by n`,
    [
      ...readerParameters(reader),
      wanted.map((row) => queryWith({ wanted: [row], unwanted: [] }, 0)?.text ?? ""),
      plain.map((part) => listedForm(part.text)),
    ],
  );
  let changed = false;
  let looked = 0;
  const corrected: TypedPart[] = [];
  for (const part of parts) {
    const at = plain.indexOf(part);
    const unknown = at >= 0 && !known[at]!.known && !isGood(part.text) && (looked += 1) <= MOST_CORRECTED;
    const closest = unknown ? await closestTo(db, reader, part.text, also) : null;
    if (closest && closest !== listedForm(part.text)) changed = true;
    corrected.push(closest ? { ...part, text: closest } : part);
  }
  if (!changed) return null;
  return corrected.map((part) => `${part.wanted ? "" : "-"}${part.phrase ? `"${part.text}"` : part.text}`).join(" ");
}
