import { readFileSync } from "node:fs";
import path from "node:path";
import { isFilled, type AlsoBlank, type Blank, type Need } from "@/core/find/need";
import { sayGrades, type Names } from "@/core/find/say";
import type { Sort } from "@/core/find/order";
import { readSynonyms, type Synonyms } from "@/core/find/synonyms";
import { readTyped } from "@/core/find/typed";
import { fitOf, type ClassProfile, type Fit } from "@/core/fit/fit";
import { nothingNamed } from "@/data/also";
import { authorsCalled, namesOf } from "@/data/browse";
import { countBlank, countMatching, countNeed, loosened, type Choice, type Counts } from "@/data/counts";
import type { ReadNeed } from "@/data/conditions";
import type { Queryable } from "@/data/db";
import type { Reader } from "@/data/reach";
import { searchVersion } from "@/data/remembered";
import { CANDIDATES, hitsOf, type Hit } from "@/data/search";
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

/** What the words were taken for, where they are more than words; said to the reader, a sentence each. */
interface Understood extends Omit<ReadNeed, "words"> {
  says: string[];
}

interface NamedClass {
  name: string;
  gradeFrom: number;
  gradeTo: number;
}

/** Codes of statements, ISBNs, "by" and a name, her own classes' names. What names nothing here stays words. */
async function understand(
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
    says.push(`${wrong} is not an ISBN: a digit is wrong. Check it on the back of the book.`);
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
  /** By resource: what would spoil the lesson for the class chosen, where something would. */
  inTheWay: Record<number, string>;
}

export interface FindOptions {
  sort: Sort;
  limit: number;
  unfolded?: number;
  /** Every version on its own line. */
  unfoldAll?: boolean;
  classes?: readonly NamedClass[];
  profile?: ClassProfile | null;
  /** Broken off when whoever asks has gone on to another question. */
  signal?: AbortSignal;
}

/** Fewer than this with all the words: those with most of them are shown as well. */
const ENOUGH = 3;

/** A need as it was read, and how: `corrected` are the words that were found instead of those typed. */
interface Reading extends ReadNeed {
  says: string[];
  corrected: string | null;
}

/**
 * A need as it is searched for. Words nobody wrote are read as the nearest listed ones; where next to nothing has all the
 * words, most of them will do. Both only when it finds something she may see: nothing here may tell of what she may not.
 */
async function readNeed(db: Queryable, reader: Reader, asked: Need, classes: readonly NamedClass[]): Promise<Reading> {
  if (!isFilled(asked, "words")) return { need: asked, named: nothingNamed, says: [], words: null, corrected: null };
  const { need, named, says } = await understand(db, reader, asked, classes);
  if (!isFilled(need, "words")) return { need, named, says, words: null, corrected: null };
  let read = await readAllWords(db, need.words, knownSynonyms());
  let corrected: string | null = null;
  let have = read.strict === null ? ENOUGH : await countMatching(db, reader, read.strict, ENOUGH);
  if (have === 0) {
    const correction = await correctWords(db, need.words);
    const again = correction === null ? null : await readAllWords(db, `${correction} `, knownSynonyms());
    const found = again?.strict ? await countMatching(db, reader, again.strict, ENOUGH) : 0;
    const nearly = again && found === 0 && again.slack > 0 ? again.loosely(1) : null;
    if (found > 0 || (nearly && (await countMatching(db, reader, nearly, 1)) > 0)) {
      [read, corrected, have] = [again!, correction, found];
    }
  }
  if (read.ignored.length > 0)
    says.push(`That is more than we can look for at once. These words were ignored: ${read.ignored.join(" ")}.`);
  let words = read.strict;
  if (have < ENOUGH) {
    for (let missing = 1; missing <= read.slack; missing += 1) {
      const loose = read.loosely(missing);
      const enough = missing === read.slack ? 1 : ENOUGH;
      if (loose === null || (await countMatching(db, reader, loose, enough)) < enough) continue;
      words = loose;
      says.push("Almost nothing has all of these words. These have most of them.");
      break;
    }
  }
  return { need, named, says, words, corrected };
}

/** One whole find page: the ranked hits, the counts of every blank in sight, and a correction where the words found nothing. */
export async function find(db: Queryable, whose: Reader, asked: Need, options: FindOptions): Promise<Found> {
  const reader = { ...whose, version: await searchVersion(db) };
  const { says, corrected, ...read } = await readNeed(db, reader, asked, options.classes ?? []);
  options.signal?.throwIfAborted();
  const byFit = options.sort === "fit" && options.profile;
  const [counts, ranked, names] = await Promise.all([
    countNeed(db, reader, read),
    hitsOf(db, reader, read, { ...options, limit: byFit ? CANDIDATES : options.limit }),
    namesOf(db, reader, read.need),
  ]);
  let hits = ranked;
  const fits = new Map<number, Fit>();
  if (options.profile) for (const hit of hits) fits.set(hit.id, fitOf(hit.facts, options.profile));
  if (byFit) {
    hits = hits
      .map((hit, at) => ({ hit, at }))
      .sort((one, other) => fits.get(other.hit.id)!.order - fits.get(one.hit.id)!.order || one.at - other.at)
      .slice(0, options.limit)
      .map(({ hit }) => hit);
  }
  return {
    need: read.need,
    hits,
    counts,
    corrected,
    says,
    names,
    loosen: counts.total === 0 ? await loosened(db, reader, read) : [],
    inTheWay: Object.fromEntries(
      hits.flatMap(({ id }) => {
        const worst = fits.get(id)?.reasons[0];
        return worst?.level === 0 ? [[id, worst.text]] : [];
      }),
    ),
  };
}

/** What each choice of one blank would leave, read the same way as the page. */
export async function leavesOf(
  db: Queryable,
  whose: Reader,
  asked: Need,
  blank: AlsoBlank,
  classes: readonly NamedClass[],
): Promise<Choice[]> {
  const reader = { ...whose, version: await searchVersion(db) };
  const { need, named, words } = await readNeed(db, reader, asked, classes);
  return countBlank(db, reader, { need, named, words }, blank);
}

/** A need as the page reads it, for "why is this here" and for what is new. */
export async function readAs(
  db: Queryable,
  whose: Reader,
  asked: Need,
  classes: readonly NamedClass[],
): Promise<ReadNeed> {
  const reader = { ...whose, version: await searchVersion(db) };
  const { need, words, named } = await readNeed(db, reader, asked, classes);
  return { need, words, named };
}
