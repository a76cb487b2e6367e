import { measureFor } from "../readability/hard";
import { sentencesIn, wordsIn } from "../readability/measure";
import type { Document } from "../resource/document";
import { inSentence, questionPath, texts, type TextChange } from "../resource/texts";
import type { Simpler } from "./simpler";

/** A plainer word, or a long sentence: `to` null where nobody can cut it but she. */
export interface PlainChange extends TextChange {
  kind: "word" | "sentence";
  /** How many words a long sentence has. */
  words?: number;
}

/**
 * Words a sentence may have for a grade; common practice: ten and one and a half more each grade, 25 at most.
 * `mostWords(4)` gives `16`.
 */
export const mostWords = (grade: number): number => Math.min(25, Math.round(10 + 1.5 * grade));

/** A part that can stand alone begins with one of these. */
const starters: Readonly<Record<string, string>> = {
  en: "the|a|an|it|they|we|you|he|she|I|there|this|that|these|those|its|their|our|your|his|her|each|every|some|many|most",
  es: "el|la|los|las|un|una|unos|unas|ellos|ellas|nosotros|tú|usted|esto|este|esta|estos|estas|cada|hay|se",
};
const joints: Readonly<Record<string, string>> = { en: "and|but|so|yet", es: "y|pero|así que" };
/** "And" is left out at the beginning of a sentence; the others say something. */
const dropped = new Set(["and", "y"]);
const FEWEST = 4; // words of a part that is made a sentence

/**
 * Where a sentence can be cut into two: what goes, and what stands there then. The place nearest its middle.
 * `cutOf("The tide comes in, and the ferry waits at the pier until the water is high.", "en")` gives `{ start: 17, end: 24, to: ". T" }`.
 */
export function cutOf(sentence: string, language: string): { start: number; end: number; to: string } | null {
  const short = language.split("-")[0]!;
  const [joint, starter] = [joints[short], starters[short]];
  if (!joint || !starter) return null;
  const place = new RegExp(
    String.raw`(?:; (?<semi>\p{L})|, (?<joint>${joint}) (?=(?:${starter}) )(?<after>\p{L}))`,
    "giu",
  );
  const middle = sentence.length / 2;
  const found = [...sentence.matchAll(place)].flatMap(({ 0: whole, index, groups }) => {
    const before = wordsIn(sentence.slice(0, index)).length;
    const after = wordsIn(sentence.slice(index + whole.length - 1)).length;
    if (before < FEWEST || after < FEWEST) return [];
    const said = groups!.joint?.toLowerCase();
    const to = groups!.semi
      ? `. ${groups!.semi.toUpperCase()}`
      : dropped.has(said!)
        ? `. ${groups!.after!.toUpperCase()}`
        : `. ${said![0]!.toUpperCase()}${said!.slice(1)} ${groups!.after}`;
    return [{ start: index, end: index + whole.length, to }];
  });
  return found.sort((one, other) => Math.abs(one.start - middle) - Math.abs(other.start - middle))[0] ?? null;
}

const likeCase = (from: string, to: string): string =>
  /^\p{Lu}/u.test(from) ? to[0]!.toUpperCase() + to.slice(1) : to;

const startsWithVowel = (word: string): boolean => /^[aeiou]/i.test(word);

/** "An enormous wave" becomes "a very big wave". */
function withArticle(
  text: string,
  start: number,
  from: string,
  to: string,
): { start: number; from: string; to: string } {
  const article = /(?<![\p{L}])(an?) $/iu.exec(text.slice(Math.max(0, start - 4), start))?.[1];
  if (!article || startsWithVowel(from) === startsWithVowel(to)) return { start, from, to };
  const other = likeCase(article, startsWithVowel(to) ? "an" : "a");
  return { start: start - article.length - 1, from: `${article} ${from}`, to: `${other} ${to}` };
}

const WORD = /(?<![\p{L}\p{N}-])\p{L}+(?![\p{L}\p{N}-])/gu;

/** For whom, and by which lists. */
export interface PlainFor {
  language: string;
  /** 0: K. */
  grade: number;
  simpler: Simpler;
  commonSpanish?: readonly string[];
}

/** The same, made ready: measuring begins with lists of thousands of words. */
export interface Plainly extends PlainFor {
  isHard: (word: string) => boolean;
  /** Words that are taught: they stay. */
  taught: ReadonlySet<string>;
}

/**
 * For whom words are to be plain, and which words are hard for them.
 * `plainly({ language: "en", grade: 3, simpler: new Map() }).isHard("commence")` gives `true`.
 */
export const plainly = (about: PlainFor, taught: ReadonlySet<string> = new Set()): Plainly => ({
  ...{ ...about, taught },
  isHard: measureFor(about.language, about.grade, about.commonSpanish).isHard,
});

type Found = Omit<PlainChange, "id" | "path" | "step" | "before" | "after">;

/**
 * Hard words of a text that have a plainer one, and its long sentences with a cut where one lies at hand.
 * `plainIn("We commence now.", plainly({ language: "en", grade: 3, simpler: new Map([["commence", "begin"]]) }))[0].to` gives `"begin"`.
 */
export function plainIn(text: string, { language, grade, simpler, taught, isHard }: Plainly): Found[] {
  const quoted = (at: number) => text.slice(0, at).split("“").length > text.slice(0, at).split("”").length;
  const words = [...text.matchAll(WORD)].flatMap(({ 0: word, index }): Found[] => {
    const low = word.toLowerCase();
    const plainer = simpler.get(low);
    // A capital inside a sentence is a name.
    const named = word !== low && !/(?:^|[.!?]["”’)]*\s+)$/u.test(text.slice(0, index));
    if (!plainer || taught.has(low) || named || quoted(index) || !isHard(word)) return [];
    const changed = withArticle(text, index, word, likeCase(word, plainer));
    return [{ kind: "word", ...changed, end: index + word.length }];
  });
  const most = mostWords(grade);
  let at = 0;
  const sentences = sentencesIn(text).flatMap((sentence): Found[] => {
    const begins = text.indexOf(sentence, at);
    if (begins < 0) return [];
    at = begins + sentence.length;
    const count = wordsIn(sentence).length;
    if (count <= most || quoted(begins)) return [];
    const cut = cutOf(sentence, language);
    const [start, end] = cut ? [begins + cut.start, begins + cut.end] : [begins, begins + sentence.length];
    return [{ kind: "sentence", words: count, start, end, from: text.slice(start, end), to: cut?.to ?? null }];
  });
  return [...words, ...sentences].sort((one, other) => one.start - other.start);
}

/** In a question only what is asked, its hint and what is said afterwards: choices and answers belong together. */
const isHers = (path: readonly (string | number)[]): boolean => {
  const asked = questionPath(path);
  return asked === null || ["prompt", "hint", "feedback"].includes(String(path[asked.length]));
};

/** What of a document its readers read: not titles, notes for teachers, the run sheet, tables or what a word means. */
const isRead = (path: readonly (string | number)[]): boolean =>
  !path.includes("teacherNotes") &&
  !path.includes("rows") &&
  ["steps", "familyNote"].includes(String(path[0])) &&
  (path[0] === "familyNote" || ["instructions", "blocks"].includes(String(path[2])));

/**
 * Plainer words and cuts for all that is read in a document, in one of its languages.
 * `plainChanges(lesson, { language: "en", grade: 3, simpler: new Map([["tide", "sea"]]) }).length` gives `2`.
 */
export function plainChanges(document: Document, about: PlainFor): PlainChange[] {
  const taught = new Set(document.vocabulary.map(({ term }) => term.trim().toLowerCase()));
  const how = plainly(about, taught);
  const found: PlainChange[] = [];
  texts(document, about.language, document.languages, [], (text, path) => {
    const nth = path[0] === "steps" ? Number(path[1]) : -1;
    if (!isRead(path) || !isHers(path) || document.steps[nth]?.audience === "teacher") return;
    for (const change of plainIn(text, how))
      found.push({
        ...change,
        ...{ path, id: `${path.join(".")}@${change.start}${change.kind}`, step: document.steps[nth]?.id ?? null },
        before: inSentence(text, change, change.from),
        after: inSentence(text, change, change.to ?? change.from),
      });
  });
  return found;
}
