import { readFileSync } from "node:fs";
import path from "node:path";
import { emptied, isFilled, type AlsoBlank, type Blank, type Need } from "@/core/find/need";
import { sayGrades, type Names } from "@/core/find/say";
import { readSynonyms, type Synonyms } from "@/core/find/synonyms";
import { readTyped } from "@/core/find/typed";
import { fitOf, type ClassProfile, type Fit } from "@/core/fit/fit";
import { nothingNamed, type Named } from "@/data/also";
import { authorsCalled, namesOf } from "@/data/browse";
import { countBlank, countMatching, countNeed, loosened, type Choice, type Counts } from "@/data/counts";
import type { Queryable } from "@/data/db";
import type { Reader } from "@/data/reach";
import { searchVersion } from "@/data/remembered";
import { CANDIDATES, hitsOf, type Hit, type Sort, type WordQuery } from "@/data/search";
import { standardsByCode } from "@/data/standards";
import { correctWords, readAllWords } from "@/data/words";
import { log } from "./log";

let synonyms: Synonyms | undefined;

/** Read once; a file that cannot be read is said in the log, and searching goes on without it. */
function knownSynonyms(): Synonyms {
  if (!synonyms) {
    try {
      synonyms = readSynonyms(readFileSync(path.join(process.cwd(), "words", "synonyms.txt"), "utf8"));
    } catch (error) {
      log.error({ error: (error as Error).message }, "words/synonyms.txt could not be read");
      synonyms = readSynonyms("");
    }
  }
  return synonyms;
}

/** What the words were taken for, where they are more than words. */
export interface Understood {
  /** The need with the named things taken out of its words. */
  need: Need;
  named: Named;
  /** Said to the reader, a sentence each. */
  says: string[];
}

interface NamedClass {
  name: string;
  gradeFrom: number;
  gradeTo: number;
}

/** Codes of statements, ISBNs, "by" and a name, her own classes' names. What names nothing here stays words. */
export async function understand(
  db: Queryable,
  reader: Reader,
  need: Need,
  classes: readonly NamedClass[],
): Promise<Understood> {
  const typed = readTyped(need.words);
  const says: string[] = [];
  const named = { standards: [] as string[], authors: [] as number[], isbns: typed.isbns };
  let { words } = typed;
  if (typed.codes.length > 0) {
    const known = await standardsByCode(db, reader.district, typed.codes);
    for (const code of typed.codes) {
      const found = known.find((standard) => standard.code.toUpperCase() === code);
      const below = known.filter((standard) => standard.code.toUpperCase().startsWith(`${code}.`));
      if (found) {
        named.standards.push(found.code);
        says.push(`${found.code}: ${found.statement}`);
      } else if (below.length > 0) {
        named.standards.push(...below.map((standard) => standard.code));
        says.push(`${code}: ${below.length} statements.`);
      } else words = `${words} ${code}`.trim();
    }
  }
  if (typed.isbns.length > 0) says.push(`The edition with ISBN ${typed.isbns.join(", ")}.`);
  for (const wrong of typed.wrongIsbns)
    says.push(`${wrong} is no ISBN: a digit is wrong. Check it on the back of the book.`);
  if (typed.by) {
    const people = await authorsCalled(db, reader, typed.by);
    if (people.length > 0) {
      named.authors = people.map((person) => person.id);
      says.push(`By ${people.map((person) => person.name).join(" or ")}.`);
    } else words = `${words} by ${typed.by}`.trim();
  }
  let read = { ...need, words };
  if (typed.grades.length > 0) {
    // A grade said in the words and a grade blank filled: the blank is what she chose.
    if (!isFilled(need, "grades")) read = { ...read, grades: typed.grades };
    says.push(`For ${typed.grades.length === 1 ? "grade" : "grades"} ${sayGrades(typed.grades)}.`);
  }
  const group = classes.find((one) => words.toLowerCase().includes(one.name.toLowerCase()));
  if (group && !isFilled(read, "grades")) {
    const span = Array.from({ length: group.gradeTo - group.gradeFrom + 1 }, (_, at) => group.gradeFrom + at);
    read = {
      ...read,
      words: words
        .replace(new RegExp(`(?:\\bfor\\s+)?${group.name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}`, "i"), " ")
        .trim(),
      grades: span,
    };
    says.push(`For ${group.name}: its grades.`);
  }
  return { need: read, named, says };
}

export interface Found {
  /** The need as it was read: what the words name is in blanks. */
  need: Need;
  hits: Hit[];
  counts: Counts;
  /** The words were not found as typed; these were, and are what is shown. */
  corrected: string | null;
  says: string[];
  names: Names;
  /** Only when nothing is left: how many each blank would bring back if it were left open. */
  loosen: { blank: Blank; left: number }[];
  /** By resource, for the class chosen. */
  fits: Record<number, Fit>;
}

export interface FindOptions {
  sort: Sort;
  limit: number;
  unfolded?: number;
  /** Every version on its own line. */
  unfoldAll?: boolean;
  classes?: readonly NamedClass[];
  profile?: ClassProfile | null;
}

/** Fewer than this with all the words: those with most of them are shown as well. */
const ENOUGH = 3;

interface ReadNeed {
  need: Need;
  named: Named;
  says: string[];
  words: WordQuery;
  corrected: string | null;
}

/**
 * A need as it is searched for. Words nobody wrote are read as the nearest listed ones; where next to nothing has all the
 * words, most of them will do. Both only when it finds something she may see: nothing here may tell of what she may not.
 */
async function readNeed(db: Queryable, reader: Reader, asked: Need, classes: readonly NamedClass[]): Promise<ReadNeed> {
  if (!isFilled(asked, "words")) return { need: asked, named: nothingNamed, says: [], words: null, corrected: null };
  const { need, named, says } = await understand(db, reader, asked, classes);
  if (!isFilled(need, "words")) return { need, named, says, words: null, corrected: null };
  let read = await readAllWords(db, need.words, knownSynonyms());
  let corrected: string | null = null;
  let have = read.strict === null ? ENOUGH : await countMatching(db, reader, read.strict, ENOUGH);
  if (have === 0) {
    const correction = await correctWords(db, need.words);
    const again = correction && (await readAllWords(db, `${correction.words} `, knownSynonyms()));
    const found = again?.strict ? await countMatching(db, reader, again.strict, ENOUGH) : 0;
    const nearly = again && found === 0 && again.slack > 0 ? again.loosely(1) : null;
    if (found > 0 || (nearly && (await countMatching(db, reader, nearly, 1)) > 0)) {
      [read, corrected, have] = [again!, correction!.words, found];
    }
  }
  let words = read.strict;
  if (have < ENOUGH) {
    for (let missing = 1; missing <= read.slack; missing += 1) {
      const loose = read.loosely(missing);
      const enough = missing === read.slack ? 1 : ENOUGH;
      if (loose === null || (await countMatching(db, reader, loose, enough)) < enough) continue;
      words = loose;
      says.push("Next to nothing has all of these words; these have most of them.");
      break;
    }
  }
  return { need, named, says, words, corrected };
}

/** One whole find page: the ranked hits, the counts of every blank in sight, and a correction where the words found nothing. */
export async function find(db: Queryable, whose: Reader, asked: Need, options: FindOptions): Promise<Found> {
  const reader = { ...whose, version: await searchVersion(db) };
  const { need, named, says, words: query, corrected } = await readNeed(db, reader, asked, options.classes ?? []);
  const counts = await countNeed(db, reader, need, query, named);
  const byFit = options.sort === "fit" && options.profile;
  let hits =
    counts.total === 0
      ? []
      : await hitsOf(db, reader, need, query, { ...options, limit: byFit ? CANDIDATES : options.limit, named });
  const fits: Record<number, Fit> = {};
  if (options.profile) for (const hit of hits) fits[hit.id] = fitOf(hit.facts, options.profile);
  if (byFit) {
    hits = hits
      .map((hit, at) => ({ hit, at }))
      .sort((one, other) => fits[other.hit.id]!.order - fits[one.hit.id]!.order || one.at - other.at)
      .slice(0, options.limit)
      .map(({ hit }) => hit);
  }
  return {
    need,
    hits,
    counts,
    corrected,
    says,
    names: await namesOf(db, reader, need),
    loosen: counts.total === 0 ? await loosened(db, reader, need, query, named, emptied) : [],
    fits,
  };
}

/** What each choice of one blank would leave, read the same way as the page. */
export async function leavesOf(
  db: Queryable,
  reader: Reader,
  asked: Need,
  blank: AlsoBlank,
  classes: readonly NamedClass[],
): Promise<Choice[]> {
  const { need, named, words } = await readNeed(db, reader, asked, classes);
  return countBlank(db, reader, need, blank, words, named);
}

/** The query of a need's words as the page reads it, for "why is this here". */
export async function queryOfNeed(
  db: Queryable,
  reader: Reader,
  asked: Need,
  classes: readonly NamedClass[],
): Promise<{ words: WordQuery; named: Named }> {
  const { words, named } = await readNeed(db, reader, asked, classes);
  return { words, named };
}
