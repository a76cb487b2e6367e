import { isFilled, type AlsoBlank, type Blank, type Need } from "@/core/find/need";
import type { Names } from "@/core/find/format";
import { gradesOfSpan } from "@/core/content/grade";
import type { Sort } from "@/core/find/order";
import { translated } from "@/core/find/glossary";
import { titleKey } from "@/core/find/words";
import { fitOf, type ClassProfile, type Fit } from "@/core/fit/fit";
import { nothingNamed } from "@/data/find/also";
import { namesOf } from "@/data/find/browse";
import { countBlank, countMatching, countNeed, loosened, type Choice, type Counts } from "@/data/find/counts";
import type { ReadNeed } from "@/data/find/conditions";
import type { Queryable } from "@/data/engine/db";
import type { Reader } from "@/data/find/reach";
import { searchVersion } from "@/data/engine/search-cache";
import { CANDIDATES, hitsOf, makesFewLines, matching, titledExactly, type Hit } from "@/data/find/search";
import { coveredBy } from "@/data/find/standards";
import { assignedTo } from "@/data/find/uses";
import { correctWords, readAllWords } from "@/data/find/words";
import { isEnglishWord } from "./english-words";
import { understand, type NamedClass, type Said, type Understood } from "./understand";
import { knownGlossary, knownSynonyms } from "./word-files";

export interface Found {
  /** The need as it was read: what the words name is in blanks. */
  need: Need;
  hits: Hit[];
  counts: Counts;
  /** The words were not found as typed; these were, and are what is shown. */
  corrected: string | null;
  says: Said[];
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
  /** The leader of look-alikes that have lines of their own. */
  alike?: number;
  /** Every version on its own line. */
  unfoldAll?: boolean;
  classes?: readonly NamedClass[];
  now?: Date;
  profile?: ClassProfile | null;
  /** Broken off when the one who asks has gone on to another question. */
  signal?: AbortSignal;
}

/** Fewer than this with all the words: those with most of them are shown as well. */
const ENOUGH = 3;
/** Fewer lines than this, look-alikes folded: the same. */
const FEW_LINES = 5;
/** How many of those with all the words are ranked in any case. */
const MANY = 100;

/** A need as it was read, and how: `corrected` are the words that were found instead of those typed. */
interface Reading extends ReadNeed {
  says: Said[];
  corrected: string | null;
  /** What is called just as it was typed. */
  exact: number[];
  /** What has all the words, where not all are asked for. */
  among: number[];
}

/** Her classes and the moment: what a need can speak of besides what is found. */
export interface Asking {
  classes?: readonly NamedClass[];
  now?: Date;
}

/** The classes asked for that are hers: what all of them have met (one that has not is enough), and what they were assigned. */
async function readClasses(
  db: Queryable,
  need: Need,
  { classes = [], now = new Date() }: Asking,
): Promise<{ asked: Need; covered: string[]; done: number[] }> {
  const hers = (ids: readonly number[]) => ids.filter((id) => classes.some((group) => group.id === id));
  const [uncovered, undone] = [hers(need.uncovered), hers(need.undone)];
  const met = await Promise.all(uncovered.map((id) => coveredBy(db, id, now)));
  const [first = [], ...others] = met;
  return {
    asked: { ...need, uncovered, undone },
    done: undone.length > 0 ? await assignedTo(db, undone) : [],
    covered: first.filter((code) => others.every((codes) => codes.includes(code))),
  };
}

/**
 * A need as it is searched for. Words nobody wrote are read as the nearest listed ones; where next to nothing has all the
 * words, most of them will do. Both only when it finds something she may see: nothing here may tell of what she may not.
 */
async function readNeed(db: Queryable, reader: Reader, meant: Need, asking: Asking): Promise<Reading> {
  const { asked, covered, done } = await readClasses(db, meant, asking);
  const reading = await readWhatIsAsked(db, reader, asked, asking.classes ?? []);
  return { ...reading, named: { ...reading.named, covered, done } };
}

async function readWhatIsAsked(
  db: Queryable,
  reader: Reader,
  asked: Need,
  classes: readonly NamedClass[],
): Promise<Reading> {
  if (!isFilled(asked, "words"))
    return { need: asked, named: nothingNamed, says: [], words: null, corrected: null, exact: [], among: [] };
  // What is called just so is meant, whatever else its words could be taken for.
  const exact = await titledExactly(db, reader, titleKey(asked.words));
  if (exact.length > 0) {
    // A title is typed to its end: no word of it is still under way.
    const { strict } = await readAllWords(db, `${asked.words.trim()} `, knownSynonyms());
    return { need: asked, named: nothingNamed, says: [], words: strict, corrected: null, exact, among: [] };
  }
  const understood = await understand(db, reader, asked, classes);
  const read = await readWords(db, reader, understood);
  if (!understood.narrows || (await finds(db, reader, read))) return read;
  return readWords(db, reader, await understand(db, reader, asked, classes, true));
}

const finds = async (db: Queryable, reader: Reader, read: ReadNeed): Promise<boolean> =>
  (await hitsOf(db, reader, read, { sort: "used", limit: 1 })).length > 0;

const plainly = (text: string): Said => ({ text, asWords: null });

async function readWords(db: Queryable, reader: Reader, { need, named, says: before }: Understood): Promise<Reading> {
  const says = [...before];
  if (!isFilled(need, "words")) return { need, named, says, words: null, corrected: null, exact: [], among: [] };
  let read = await readAllWords(db, need.words, knownSynonyms());
  let corrected: string | null = null;
  let have = read.strict === null ? ENOUGH : await countMatching(db, reader, read.strict, ENOUGH);
  if (have === 0) {
    for (const correction of [
      await correctWords(db, reader, need.words, { isGood: isEnglishWord, also: knownSynonyms() }),
      translated(need.words, knownGlossary()),
    ]) {
      const again = correction === null ? null : await readAllWords(db, `${correction} `, knownSynonyms());
      const found = again?.strict ? await countMatching(db, reader, again.strict, ENOUGH) : 0;
      const nearly = again && found === 0 && again.slack > 0 ? again.loosely(1) : null;
      if (found > 0 || (nearly && (await countMatching(db, reader, nearly, 1)) > 0)) {
        [read, corrected, have] = [again!, correction, found];
        break;
      }
    }
  }
  if (read.ignored.length > 0)
    says.push(
      plainly(`That is more than we can look for at once. These words were ignored: ${read.ignored.join(" ")}.`),
    );
  let words = read.strict;
  const { strict } = read;
  let among: number[] = [];
  // Many of one pattern are one answer only.
  const fewLines = (these: NonNullable<ReadNeed["words"]>) => makesFewLines(db, reader, these, FEW_LINES);
  if (strict && read.slack > 0 && (have < ENOUGH || (await fewLines(strict)))) {
    among = await matching(db, reader, strict, MANY);
    for (let missing = 1; missing <= read.slack; missing += 1) {
      const loose = read.loosely(missing);
      if (loose === null || (await countMatching(db, reader, loose, 1)) === 0) continue;
      words = loose;
      if (missing < read.slack && (await fewLines(loose))) continue;
      break;
    }
    if (words !== strict) says.push(plainly("Few results have all of these words. These have most of them."));
  }
  return { need, named, says, words, corrected, exact: [], among };
}

/** One whole find page: the ranked hits, the counts of every blank in sight, and a correction where the words found nothing. */
export async function find(db: Queryable, whose: Reader, asked: Need, options: FindOptions): Promise<Found> {
  const reader = { ...whose, version: await searchVersion(db) };
  const { says, corrected, exact, among, ...read } = await readNeed(db, reader, asked, options);
  options.signal?.throwIfAborted();
  const byFit = options.sort === "fit" && options.profile;
  const [counts, ranked, names] = await Promise.all([
    countNeed(db, reader, read),
    hitsOf(db, reader, read, {
      ...options,
      exact,
      among,
      typed: titleKey(corrected ?? read.need.words),
      grades: options.profile ? gradesOfSpan(options.profile.grades) : [],
      limit: byFit ? CANDIDATES : options.limit,
    }),
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
    names: { ...names, classes: Object.fromEntries((options.classes ?? []).map(({ id, name }) => [id, name])) },
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
  asking: Asking,
): Promise<Choice[]> {
  const reader = { ...whose, version: await searchVersion(db) };
  if (blank === "uncovered" || blank === "undone") {
    const one = async ({ id, name }: NamedClass): Promise<Choice> => {
      const read = await readNeed(db, reader, { ...asked, [blank]: [id] }, asking);
      return { value: String(id), text: name, leaves: (await countNeed(db, reader, read)).total };
    };
    return Promise.all((asking.classes ?? []).map(one));
  }
  const { need, named, words } = await readNeed(db, reader, asked, asking);
  return countBlank(db, reader, { need, named, words }, blank);
}

/** A need as the page reads it, for "why is this here" and for what is new. */
export async function readAs(db: Queryable, whose: Reader, asked: Need, asking: Asking = {}): Promise<ReadNeed> {
  const reader = { ...whose, version: await searchVersion(db) };
  const { need, words, named } = await readNeed(db, reader, asked, asking);
  return { need, words, named };
}
