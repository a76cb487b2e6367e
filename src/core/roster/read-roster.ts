import { factors } from "../assign/extra-time";

/** A student as a roster says. Everything but the names may be missing. */
export interface RosterStudent {
  /** Line of the table it came from, 1 the first: for what is said about it. */
  line: number;
  givenName: string;
  familyName: string;
  grade: number | null;
  /** The identifier of the system the roster came from. */
  rosterId: string | null;
  className: string | null;
  homeLanguage: string | null;
  /** Null: the roster does not say, here and in what follows. */
  factor: number | null;
  /** What she reads at, in school grades, 0 to 15. */
  readingGrade: number | null;
  /** Languages she reads, as tags. */
  languages: string[] | null;
}

export interface RosterProblem {
  line: number;
  text: string;
  /** What the line said, to find it again. */
  row: string;
}

/** What a column is taken for. */
export const rosterFields = [
  "given name",
  "family name",
  "name",
  "grade",
  "id",
  "class",
  "home language",
  "more time",
  "reading grade",
  "languages",
] as const;
export type RosterField = (typeof rosterFields)[number];

export interface ReadRoster {
  /** What each column was taken for; null: not used. */
  columns: (RosterField | null)[];
  /** The heading of each column, where there were headings. */
  headings: string[] | null;
  students: RosterStudent[];
  problems: RosterProblem[];
}

const headingOf: [RosterField, RegExp][] = [
  ["id", /^(sourced ?id|student ?(id|number|no\.?)|id|number|no\.?|upn)$/],
  ["given name", /^(given|first|fore)[ -]?names?$|^given$|^first$|^nombres?$|^prénom$/],
  ["family name", /^(family|last|sur)[ -]?names?$|^family$|^last$|^surname$|^apellidos?$|^nom$/],
  ["name", /^(full |student )?name$|^student$|^pupil$|^nombre completo$/],
  ["grade", /^(grade|year|year group|grado|curso|class year)$/],
  ["class", /^(class|group|form|homeroom|clase)$/],
  ["home language", /^(home |family )?language$|^idioma$/],
  ["more time", /^(extra|more) time$|^time$|^time factor$/],
  ["reading grade", /^reads? at$|^reading( grade| level)?$/],
  ["languages", /^languages$|^(speaks|reads)$|^languages (spoken|read)$/],
];

const plain = (text: string) => text.trim().toLowerCase().replaceAll("_", " ").replace(/\s+/g, " ");

function fieldOf(heading: string): RosterField | null {
  return headingOf.find(([, pattern]) => pattern.test(plain(heading)))?.[0] ?? null;
}

const looksLikeGrade = (cell: string) => readGrade(cell) !== null;
const looksLikeName = (cell: string) => /^\p{L}[\p{L}\p{M}'’. -]*$/u.test(cell.trim());

const LINES_TO_GUESS_FROM = 200;
const MOST_COLUMNS = 60;

/** Columns without headings: names first, then whatever looks like a grade. The first lines are enough to tell. */
function guess(table: readonly string[][]): (RosterField | null)[] {
  const rows = table.slice(0, LINES_TO_GUESS_FROM);
  const width = Math.min(MOST_COLUMNS, Math.max(0, ...rows.map((row) => row.length)));
  const all = (at: number, test: (cell: string) => boolean) =>
    rows.filter((row) => (row[at] ?? "").trim() && test(row[at]!)).length > rows.length / 2;
  const columns: (RosterField | null)[] = Array.from({ length: width }, () => null);
  const names: number[] = [];
  for (let at = 0; at < width; at += 1) {
    if (!columns.includes("grade") && all(at, looksLikeGrade)) columns[at] = "grade";
    else if (names.length < 2 && all(at, looksLikeName)) names.push(at);
  }
  if (names.length === 1) columns[names[0]!] = "name";
  if (names.length === 2) {
    columns[names[0]!] = "given name";
    columns[names[1]!] = "family name";
  }
  return columns;
}

/** "K", "5", "Grade 5", "05", "kindergarten" as 0 to 12; null when it is none. `readGrade("Grade 5")` gives `5`. */
export function readGrade(text: string): number | null {
  const bare = plain(text).replace(/^(grade|year|gr\.?|yr\.?) /, "");
  if (/^(k|kg|kindergarten)$/.test(bare)) return 0;
  const found = /^0?(\d|1[0-2])(st|nd|rd|th)?( grade)?$/.exec(bare);
  return found ? Number(found[1]) : null;
}

/** "Bello, Aisha" and "Aisha Bello", the last word being the family name. */
function splitName(text: string): { givenName: string; familyName: string } {
  const bare = text.trim().replace(/\s+/g, " ");
  const comma = bare.indexOf(",");
  if (comma > 0) return { givenName: bare.slice(comma + 1).trim(), familyName: bare.slice(0, comma).trim() };
  const last = bare.lastIndexOf(" ");
  return last < 0
    ? { givenName: bare, familyName: "" }
    : { givenName: bare.slice(0, last), familyName: bare.slice(last + 1) };
}

/** "1.5", "150 %", "time and a half"; null for nothing, undefined for what is none. */
function readFactor(text: string): number | null | undefined {
  const bare = plain(text).replace(",", ".");
  if (bare === "") return null;
  const number = /^([\d.]+)\s*(x|×)?$/.exec(bare)?.[1] ?? null;
  const percent = /^(\d+)\s*%$/.exec(bare)?.[1] ?? null;
  const value =
    percent !== null
      ? Number(percent) / 100
      : number !== null
        ? Number(number)
        : ({ "time and a half": 1.5, double: 2, "double time": 2, none: 1, no: 1 }[bare] ?? NaN);
  return (factors as readonly number[]).includes(value) ? value : undefined;
}

const HIGHEST_READING_GRADE = 15;
/** "4", "4.5", "4,5"; null for nothing, undefined for what is none. */
function readReadingGrade(text: string): number | null | undefined {
  if (text === "") return null;
  const value = /^\d{1,2}(?:[.,]\d)?$/.test(text) ? Number(text.replace(",", ".")) : NaN;
  return value <= HIGHEST_READING_GRADE ? value : undefined;
}

/** ISO 639 codes of the languages most spoken at home, to know them by their English names too. */
const spoken =
  "ar bg bn cs da de el en es et fa fi fo fr ga gd gu hi hr hu is it ja ko ku lt lv nb nl no pa pl ps pt ro ru sk so sq sr sv sw ta ti tl tr uk ur vi yo zh";
const englishNames = new Intl.DisplayNames("en", { type: "language" });
const byName = new Map(spoken.split(" ").map((code) => [englishNames.of(code)!.toLowerCase(), code]));

/** "es", "es-MX", "Spanish" as a language tag; null for nothing, undefined for what is none. */
function readLanguage(text: string): string | null | undefined {
  if (text === "") return null;
  return byName.get(plain(text)) ?? (/^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(text) ? text : undefined);
}

const MOST_ROWS = 5_000;
const LONGEST_NAME = 80;

/**
 * Reads a table of students: a list of names, or columns with headings in any order. Every line becomes a student or a
 * problem, so that nothing is left out silently. `columns` says otherwise than what was recognised.
 * `readRoster([["Odd Moen"]]).students.length` gives `1`.
 */
export function readRoster(rows: readonly string[][], columns?: readonly (RosterField | null)[]): ReadRoster {
  const filled = rows.map((row, at) => ({ row, line: at + 1 })).filter(({ row }) => row.some((cell) => cell.trim()));
  const [first] = filled;
  const headed =
    first !== undefined &&
    first.row.filter((cell) => fieldOf(cell) !== null).length >=
      Math.min(2, first.row.filter((cell) => cell.trim()).length);
  const headings = headed ? first.row : null;
  const body = headed ? filled.slice(1) : filled;
  const taken = columns ? [...columns] : headings ? headings.map(fieldOf) : guess(body.map(({ row }) => row));
  const students: RosterStudent[] = [];
  const problems: RosterProblem[] = [];
  const seen = new Map<string, number>();
  for (const { row, line } of body) {
    const cell = (field: RosterField) => {
      const at = taken.indexOf(field);
      return at < 0 ? "" : (row[at] ?? "").trim();
    };
    const wrong = (text: string) => problems.push({ line, text, row: row.join(", ").slice(0, 120) });
    if (students.length >= MOST_ROWS) {
      wrong(`More than ${MOST_ROWS} lines at once are not read.`);
      break;
    }
    const split = taken.includes("name") ? splitName(cell("name")) : null;
    const givenName = split?.givenName ?? cell("given name");
    const familyName = split?.familyName ?? cell("family name");
    if (!givenName || !familyName) {
      wrong(!givenName && !familyName ? "There is no name." : `There is no ${givenName ? "family" : "given"} name.`);
      continue;
    }
    if (givenName.length > LONGEST_NAME || familyName.length > LONGEST_NAME) {
      wrong(`A name is longer than ${LONGEST_NAME} letters.`);
      continue;
    }
    if (!/\p{L}/u.test(givenName) || !/\p{L}/u.test(familyName)) {
      wrong("A name has no letters.");
      continue;
    }
    const gradeText = cell("grade");
    const grade = gradeText === "" ? null : readGrade(gradeText);
    if (gradeText !== "" && grade === null) {
      wrong(`“${gradeText}” is not a grade from K to 12.`);
      continue;
    }
    const factor = readFactor(cell("more time"));
    if (factor === undefined) {
      wrong(`“${cell("more time")}” is not 1, 1.25, 1.5 or 2 times.`);
      continue;
    }
    const language = readLanguage(cell("home language"));
    if (language === undefined) {
      wrong(`“${cell("home language")}” is not a language we know: write es, or Spanish.`);
      continue;
    }
    const readingGrade = readReadingGrade(cell("reading grade"));
    if (readingGrade === undefined) {
      wrong(`“${cell("reading grade")}” is not a reading grade from 0 to ${HIGHEST_READING_GRADE}.`);
      continue;
    }
    const spokenHere = cell("languages")
      .split(/[,;/]/)
      .map((one) => one.trim())
      .filter(Boolean);
    const strange = spokenHere.find((one) => !readLanguage(one));
    if (strange !== undefined) {
      wrong(`“${strange}” is not a language we know: write es, or Spanish.`);
      continue;
    }
    const rosterId = cell("id") || null;
    const key = rosterId ? `id ${rosterId}` : `${plain(givenName)} ${plain(familyName)} ${plain(cell("class"))}`;
    const before = seen.get(key);
    if (before !== undefined) {
      wrong(`The same ${rosterId ? "number" : "name"} is on line ${before} already.`);
      continue;
    }
    seen.set(key, line);
    students.push({
      line,
      givenName,
      familyName,
      grade,
      rosterId,
      className: cell("class") || null,
      homeLanguage: language,
      factor,
      readingGrade,
      languages: spokenHere.length > 0 ? spokenHere.slice(0, 6).map((one) => readLanguage(one)!) : null,
    });
  }
  return { columns: taken, headings, students, problems };
}
