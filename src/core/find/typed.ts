import { readIsbn } from "./edition";

/** What in the words of the need line is not words: codes, numbers of books, people, classes. */
export interface Typed {
  /** The words that are left, as typed. */
  words: string;
  /** May be codes of statements, upper case; the database knows which are. */
  codes: string[];
  /** Thirteen digits. */
  isbns: string[];
  /** Looked like ISBNs, but their check digit is wrong. */
  wrongIsbns: string[];
  /** School grades that are named ("grade 4", "K-2", "kindergarten"), K as 0. */
  grades: number[];
  /** The name after "by", as typed, to the end of the words or the next "for", "about", "in". */
  by: string | null;
}

const CODE = /^(?:[A-Z]{1,4}[0-9]?|\d{1,2})(?:[.-](?:[A-Z]{1,3}|K|\d{1,2}))+[a-z]?$/i;
const BY = /(?:^|\s)by\s+([\p{L}][\p{L}.'’-]*(?:\s+[\p{L}][\p{L}.'’-]*){0,2}?)(?=\s+(?:for|about|in|on)\b|\s*$)/iu;

/** "grade 4", "grades 3-5", "4th grade", "kindergarten". */
const GRADES =
  /\b(?:for\s+)?(?:grades?\s+(k|\d{1,2})(?:\s*(?:-|–|to)\s*(\d{1,2}))?|(\d{1,2})(?:st|nd|rd|th)[\s-]graders?|(\d{1,2})(?:st|nd|rd|th)\s+grade|(kindergarten))\b/i;
const gradeIn = (text: string): number => (/^k/i.test(text) ? 0 : Math.min(12, Number(text)));

/**
 * Takes apart what was typed. Nothing is decided here: a code is one only if a framework has it, a name only if somebody
 * is called that. Text in quotes is always just words.
 */
export function readTyped(typed: string): Typed {
  const found: Typed = { words: typed, codes: [], isbns: [], wrongIsbns: [], grades: [], by: null };
  if (/["“]/.test(typed)) return found;
  const by = BY.exec(typed);
  if (by) {
    found.by = by[1]!;
    found.words = (typed.slice(0, by.index) + typed.slice(by.index + by[0].length)).trim();
  }
  // An ISBN may be typed with spaces: look for it in the whole first.
  for (const [candidate] of found.words.matchAll(
    /(?:isbn[-:\s]*)?\b97[89](?:[\s-]?\d){10}\b|\b\d(?:-?\d){8}-?[\dXx]\b/gi,
  )) {
    const read = readIsbn(candidate);
    if (!read) continue;
    // A mistyped one stays among the words: it finds nothing, and is said to be wrong.
    if ("wrong" in read) {
      found.wrongIsbns.push(read.wrong);
      continue;
    }
    found.isbns.push(read.isbn13);
    found.words = found.words.replace(candidate, " ");
  }
  const grades = GRADES.exec(found.words);
  if (grades) {
    const [from, to = from] = grades.slice(1).filter(Boolean).map(gradeIn);
    found.grades = from! <= to! ? Array.from({ length: to! - from! + 1 }, (_, at) => from! + at) : [];
    if (found.grades.length > 0)
      found.words =
        `${found.words.slice(0, grades.index)} ${found.words.slice(grades.index + grades[0].length)}`.trim();
  }
  const rest: string[] = [];
  for (const word of found.words.split(/\s+/)) {
    if (CODE.test(word)) found.codes.push(word.toUpperCase());
    else rest.push(word);
  }
  found.words = found.isbns.length + found.codes.length > 0 ? rest.join(" ").trim() : found.words;
  return found;
}
