import { factorAt, settingAt, versionAt, type Setting, type VersionWords } from "./how";
import { peopleAt, peopleIndex, personAt, type PeopleIndex, type PeopleRef } from "./people";
import { plainWord, tokensOf, wordsIn, type Token } from "./token";
import { dayAt, whenAt, type DayWords, type WhenWords } from "./when";
import type { LineWorld } from "./world";

export type Subject = readonly PeopleRef[] | "the rest" | "everyone";

/** A name nobody has, with where it stands. */
export interface UnknownName {
  text: string;
  from: number;
  to: number;
}

/** One part of a line, with where it stands. What it comes to is not worked out yet. */
export type Part = { from: number; to: number } & PartMeaning;
type PartMeaning =
  | { kind: "who"; people: readonly PeopleRef[] }
  | { kind: "except"; people: readonly PeopleRef[]; unknown: readonly UnknownName[] }
  | { kind: "version"; subject: Subject; version: VersionWords }
  | { kind: "factor"; subject: Subject; factor: number }
  | { kind: "opens" | "due" | "closes"; when: WhenWords }
  | { kind: "only days"; days: readonly DayWords[] }
  | { kind: "goals"; goals: readonly string[] }
  | { kind: "setting"; setting: Setting }
  | { kind: "unknown"; text: string };

/** Words that say nothing by themselves. */
const noise = new Set([
  "and",
  "with",
  "for",
  "the",
  "a",
  "an",
  "please",
  "assign",
  "to",
  "of",
  "students",
  "student",
  "class",
  "on",
  "in",
  "at",
  "then",
  "also",
  "get",
  "gets",
  "is",
  "it",
  "who",
  "everyone's",
  "&",
]);
const exceptWords = new Set(["except", "without", "not", "minus", "excluding", "excl"]);
const restWords = [
  ["the", "rest"],
  ["rest"],
  ["the", "others"],
  ["others"],
  ["everyone", "else"],
  ["everybody", "else"],
];

interface Scanned {
  n: number;
  part: PartMeaning;
}

class Scanner {
  private readonly titles: readonly string[];
  private readonly labels: readonly string[];
  /** The last part said when it opens: "to …" then says when it is due. */
  private opened = false;

  constructor(
    private readonly tokens: readonly Token[],
    private readonly line: string,
    private readonly world: LineWorld,
    private readonly index: PeopleIndex,
  ) {
    this.titles = world.versions.map(({ title }) => wordsIn(title));
    this.labels = [
      ...new Set(world.classes.flatMap(({ meetings }) => meetings.map(({ label }) => label)).filter(Boolean)),
    ];
  }

  parts(): Part[] {
    const parts: Part[] = [];
    let at = 0;
    while (at < this.tokens.length) {
      const read = this.readAt(at);
      const token = this.tokens[at]!;
      if (read) {
        if (read.part.kind === "opens") this.opened = true;
        parts.push({ from: token.from, to: this.tokens[at + read.n - 1]!.to, ...read.part });
        at += read.n;
      } else {
        if (!noise.has(token.word)) this.unknown(parts, token);
        at += 1;
      }
    }
    return parts;
  }

  /** Words in a row that are not understood are one part. */
  private unknown(parts: Part[], token: Token) {
    const last = parts.at(-1);
    const gap = last ? this.line.slice(last.to, token.from) : "";
    if (last?.kind === "unknown" && !/[,;]/.test(gap)) {
      last.to = token.to;
      last.text = this.line.slice(last.from, token.to);
    } else parts.push({ from: token.from, to: token.to, kind: "unknown", text: token.text });
  }

  private readAt(at: number): Scanned | null {
    return (
      this.except(at) ??
      this.goals(at) ??
      this.onlyDays(at) ??
      this.setting(at) ??
      this.closing(at) ??
      this.fullName(at) ??
      this.factor(at) ??
      this.when(at) ??
      this.people(at) ??
      this.rest(at) ??
      this.version(at, "everyone", 0)
    );
  }

  private except(at: number): Scanned | null {
    const { word } = this.tokens[at]!;
    const start = exceptWords.has(word)
      ? at + 1
      : word === "but" && this.tokens[at + 1]?.word === "not"
        ? at + 2
        : word === "all" && this.tokens[at + 1]?.word === "but"
          ? at + 2
          : null;
    if (start === null || !this.tokens[start]) return null;
    const people: PeopleRef[] = [];
    const unknown: UnknownName[] = [];
    let end = start;
    while (this.tokens[end]) {
      const ended = this.tokens[end - 1]!.ends && end > start;
      const joined = end > start && /^(?:and|&|\+|or)$/.test(this.tokens[end]!.word) ? 1 : 0;
      if (end > start && !joined && !ended) break;
      const the = this.tokens[end + joined]?.word === "the" ? 1 : 0;
      const next = end + joined + the;
      const person = personAt(this.tokens, next, this.index);
      // After a comma it may be somebody else's turn: "except Bo, Hari double time".
      if (person && !(ended && this.about(next + person.n, [person.ref]))) {
        people.push(person.ref);
        end = next + person.n;
      } else if (!person && this.tokens[next] && (end === start || joined) && word !== "not") {
        const { text, from, to } = this.tokens[next]!;
        unknown.push({ text, from, to });
        end = next + 1;
      } else break;
    }
    // "not" begins many a sentence; the other words can only leave somebody out.
    return end > start ? { n: end - at, part: { kind: "except", people, unknown } } : null;
  }

  private goals(at: number): Scanned | null {
    if (!/^goals?$/.test(this.tokens[at]!.word) || this.tokens[at]!.ends || !this.tokens[at + 1]) return null;
    let n = 1;
    // A goal goes on to the comma, or to words that can only be something else.
    do n += 1;
    while (this.tokens[at + n] && !this.tokens[at + n - 1]!.ends && !this.endsGoal(at + n));
    const text = this.line.slice(this.tokens[at + 1]!.from, this.tokens[at + n - 1]!.to);
    const known = this.world.goals.some((goal) => plainWord(goal) === plainWord(text));
    const several = this.tokens[at]!.word === "goals" && !known;
    const goals = several ? text.split(/ (?:and|&|\+) /i) : [text];
    return { n, part: { kind: "goals", goals: goals.map((goal) => goal.slice(0, 60)) } };
  }

  private endsGoal(at: number): boolean {
    const { word } = this.tokens[at]!;
    if (exceptWords.has(word) || word === "goal" || settingAt(this.tokens, at)) return true;
    return /^(?:due|until|from|opens|closes)$/.test(word) && (this.closing(at) ?? this.when(at)) !== null;
  }

  private onlyDays(at: number): Scanned | null {
    if (this.tokens[at]!.word !== "only") return null;
    let n = this.tokens[at + 1]?.word === "on" ? 2 : 1;
    const days: DayWords[] = [];
    for (;;) {
      const day = dayAt(this.tokens, at + n, this.world.dayFirst);
      if (!day) break;
      days.push(day.day);
      n += day.n;
      const next = this.tokens[at + n]?.word ?? "";
      if (/^(?:and|&|\+)$/.test(next) && dayAt(this.tokens, at + n + 1, this.world.dayFirst)) n += 1;
      else if (!dayAt(this.tokens, at + n, this.world.dayFirst)) break;
    }
    return days.length > 0 ? { n, part: { kind: "only days", days } } : null;
  }

  private setting(at: number): Scanned | null {
    const read = settingAt(this.tokens, at);
    return read && { n: read.n, part: { kind: "setting", setting: read.setting } };
  }

  /** "closes fri 4 dec 5 pm"; "closes then" is a setting. */
  private closing(at: number): Scanned | null {
    if (!/^(?:closes?|closed|closing)$/.test(this.tokens[at]!.word) || this.tokens[at]!.ends) return null;
    const skip = /^(?:on|at)$/.test(this.tokens[at + 1]?.word ?? "") ? 2 : 1;
    if (!this.tokens[at + skip]) return null;
    const read = whenAt(this.tokens, at + skip, this.world.dayFirst, this.labels);
    return read && { n: skip + read.n, part: { kind: "closes", when: read.when } };
  }

  /** A name of several words goes before anything else: "5 Kittiwake" is no hour, and "Sun Berg" no day. */
  private fullName(at: number): Scanned | null {
    const read = personAt(this.tokens, at, this.index, false);
    return read && read.n > 1 ? this.people(at) : null;
  }

  private factor(at: number): Scanned | null {
    const read = factorAt(this.tokens, at);
    if (!read) return null;
    const after = at + read.n;
    if (!this.tokens[after - 1]!.ends && this.tokens[after]?.word === "for") {
      const { n, refs } = peopleAt(this.tokens, after + 1, this.index, false);
      if (n > 0) return { n: read.n + 1 + n, part: { kind: "factor", subject: refs, factor: read.factor } };
    }
    return { n: read.n, part: { kind: "factor", subject: "everyone", factor: read.factor } };
  }

  private when(at: number): Scanned | null {
    const read = whenAt(this.tokens, at, this.world.dayFirst, this.labels);
    if (!read) return null;
    const role = read.role === "to" ? "due" : (read.role ?? (this.opened ? "due" : "opens"));
    return { n: read.n, part: { kind: role, when: read.when } };
  }

  /** People; with a version or a time behind them it is theirs: "red boats short version", "Hari double time". */
  private people(at: number): Scanned | null {
    let { n, refs } = peopleAt(this.tokens, at, this.index, false);
    // "red boats, Bo double time": people after a comma belong together only when nothing is said of the first.
    if (n === 0) return null;
    const about = this.about(at + n, refs);
    if (about) return { n: n + about.n, part: about.part };
    const more = peopleAt(this.tokens, at, this.index, true);
    const last = this.about(at + more.n, more.refs);
    if (more.n > n && last === null) ({ n, refs } = more);
    return { n, part: { kind: "who", people: refs } };
  }

  private about(at: number, subject: Subject): Scanned | null {
    if (at === 0 || this.tokens[at - 1]!.ends || !this.tokens[at]) return null;
    let skip = 0;
    while (
      ["get", "gets", "the", "a", "with", "has", "have", "have:", "the:"].includes(this.tokens[at + skip]?.word ?? "")
    )
      skip += 1;
    if (!this.tokens[at + skip]) return null;
    const factor = factorAt(this.tokens, at + skip);
    if (factor) return { n: skip + factor.n, part: { kind: "factor", subject, factor: factor.factor } };
    return this.version(at + skip, subject, skip);
  }

  private version(at: number, subject: Subject, skipped: number): Scanned | null {
    const read = versionAt(this.tokens, at, this.titles);
    return read && { n: skipped + read.n, part: { kind: "version", subject, version: read.version } };
  }

  private rest(at: number): Scanned | null {
    const words = restWords.find((each) => each.every((word, n) => this.tokens[at + n]?.word === word));
    if (!words) return null;
    const about = this.about(at + words.length, "the rest");
    return about && { n: words.length + about.n, part: about.part };
  }
}

/**
 * The parts of a line in the order typed; what is not understood is a part too.
 * `partsOf("Puffin, now", world).map(({ kind }) => kind)` gives `["who", "opens"]`.
 */
export function partsOf(line: string, world: LineWorld): Part[] {
  return new Scanner(tokensOf(line), line, world, peopleIndex(world)).parts();
}
