import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import { pack } from "../plan/pack";
import { stepMinutes } from "../plan/parts";
import type { Block } from "../resource/block";
import { titleOf, type Document, type Step } from "../resource/document";
import { factsOf } from "../resource/facts";
import type { RunSheet, SheetDay, SheetLine, SheetPart } from "./schema";
import { sourceOf } from "./source";
import { mostInRunSheet, type LineKind, type SheetPhase } from "./vocabulary";

/** Minutes of what a lesson begins and ends with, and of talking in pairs: common practice. */
const OPENER = 5;
const EXIT = 5;
export const PAIR_TALK = 3;

/** How many sentences of a text are worth saying word for word. */
const SENTENCES = 3;

const sentencesOf = (text: string): string[] =>
  text.match(/[^.!?…]+[.!?…]*["”’)]*\s*/gu)?.map((one) => one.trim()) ?? [];
const spoken = (text: string) => sentencesOf(text).filter(Boolean).slice(0, SENTENCES).join(" ");

type NewId = () => string;

/** A run sheet worth keeping, made of a resource: its steps, questions, notes and words. */
export class Proposal {
  private readonly languages: readonly string[];

  constructor(
    private readonly document: Document,
    private readonly newId: NewId,
  ) {
    this.languages = document.languages;
  }

  private line(kind: LineKind, text: string, more: Partial<SheetLine> = {}): SheetLine {
    return { id: this.newId(), kind, text: text.slice(0, 2000), ifNobody: false, ...more };
  }

  private part(phase: SheetPhase, minutes: number, lines: SheetLine[], step?: Step): SheetPart {
    const most = lines.slice(0, mostInRunSheet.lines);
    return { id: this.newId(), phase, minutes, lines: most, ...(step && { step: step.id }) };
  }

  private linked(kind: LineKind, step: Step, block: Block | null, text: string): SheetLine {
    const from = sourceOf(this.document, { step: step.id, ...(block && { block: block.id }) });
    return this.line(kind, text, { from });
  }

  private question(step: Step, block: Block & { type: "question" }, kind: LineKind): SheetLine {
    return this.linked(kind, step, block, plainText(inLanguage(block.question.prompt, this.languages)));
  }

  /** What is done with a block: shown by the teacher, asked of the class, or done by the children. */
  private linesFor(step: Step, block: Block): SheetLine[] {
    const asks = step.phase === "teach" || step.phase === "open";
    switch (block.type) {
      case "question":
        return asks
          ? [
              this.question(step, block, "I say"),
              ...this.ifNobody(step, block),
              this.line("they show", "One child answers and says why.", { who: "turns" }),
            ]
          : [this.question(step, block, "they do")];
      case "picture":
        return block.decorative
          ? []
          : [this.linked("I do", step, block, `Show the picture: ${this.say(block.description)}`)];
      case "film":
        return [this.linked("I do", step, block, "Show the film.")];
      case "sound":
        return [this.linked("I do", step, block, "Play the recording.")];
      case "table":
        return [this.linked("I do", step, block, `Show the table${this.after(this.say(block.caption))}.`)];
      case "manipulative":
        return [this.linked("I do", step, block, "Show it with the tool.")];
      case "link":
        return [this.linked("I do", step, block, `Open the page${this.after(this.say(block.label))}.`)];
      case "file":
        return [this.linked("I do", step, block, `Hand out${this.after(this.say(block.label))}.`)];
      default:
        return [];
    }
  }

  private say(text: Record<string, string> | undefined): string {
    return inLanguage(text, this.languages) ?? "";
  }
  private readonly after = (text: string) => (text ? `: ${text}` : "");

  /** A hint is what to ask when nobody answers. */
  private ifNobody(step: Step, block: Block & { type: "question" }): SheetLine[] {
    const hint = plainText(inLanguage(block.question.hint, this.languages));
    return hint ? [{ ...this.linked("I say", step, block, hint), ifNobody: true }] : [];
  }

  private notes(step: Step): SheetLine[] {
    const notes = plainText(inLanguage(step.teacherNotes, this.languages));
    return notes ? [this.line("I do", spoken(notes))] : [];
  }

  private stepPart(step: Step, minutes: number): SheetPart[] {
    const said = spoken(plainText(inLanguage(step.instructions, this.languages)?.text));
    const title = this.say(step.title);
    const phase: SheetPhase = step.phase;
    const begins = said || title;
    const lines = [
      ...(begins ? [this.linked(step.audience === "teacher" ? "I do" : "I say", step, null, begins)] : []),
      ...step.blocks.flatMap((block) => this.linesFor(step, block)),
      ...this.notes(step),
    ];
    const inPairs = step.work === "pairs" && minutes > PAIR_TALK;
    return [
      this.part(phase, inPairs ? minutes - PAIR_TALK : minutes, lines, step),
      ...(inPairs
        ? [
            this.part(
              "pairs",
              PAIR_TALK,
              [this.line("they do", "Tell your partner how you got there."), this.line("I do", "Listen to two pairs.")],
              step,
            ),
          ]
        : []),
    ];
  }

  /** What children should know already, else what they know. */
  private opener(first: boolean, before: readonly SheetPart[] = []): SheetPart {
    const known = this.document.standards.filter(({ relation }) => relation === "requires").map(({ code }) => code);
    const lastAsked = before.flatMap(({ lines }) => lines).findLast(({ from }) => from?.block !== undefined);
    const lines = first
      ? [
          this.line("I say", `What do you know already about “${titleOf(this.document)}”?`),
          ...(known.length > 0 ? [this.line("I do", `They should know already: ${known.join(", ")}.`)] : []),
        ]
      : [
          this.line("I say", lastAsked ? `Last time: ${lastAsked.text}` : "What did we find out last time?", {
            ...(lastAsked?.from && { from: lastAsked.from }),
          }),
        ];
    return this.part("open", OPENER, [
      ...lines,
      this.line("they show", "One child says it in their own words.", { who: "lot" }),
    ]);
  }

  /** The last question of the day, for everybody at the end: of a checking step where there is one. */
  private exit(parts: readonly SheetPart[]): SheetPart {
    const asked = parts.flatMap(({ step: id }) => {
      const step = this.document.steps.find((one) => one.id === id);
      return step ? step.blocks.flatMap((block) => (block.type === "question" ? [{ step, block }] : [])) : [];
    });
    const found = asked.findLast(({ step }) => step.phase === "check") ?? asked.at(-1);
    return this.part("close", EXIT, [
      found
        ? this.question(found.step, found.block, "they do")
        : this.line("they do", "Write down one thing you know now and did not know before."),
      this.line("they show", "On every screen; only I see the answers."),
    ]);
  }

  /** What is longer than a lesson goes on in the next: its lines are shared out. */
  private splitPart(part: SheetPart, room: number): SheetPart[] {
    const count = Math.ceil(part.minutes / room);
    if (count <= 1) return [part];
    const minutes = stretched(
      Array.from({ length: count }, () => 1),
      part.minutes,
    );
    const each = Math.ceil(part.lines.length / count);
    return minutes.map((some, at) => ({
      ...part,
      ...{ id: at === 0 ? part.id : this.newId(), minutes: some, lines: part.lines.slice(at * each, (at + 1) * each) },
    }));
  }

  private withWords(parts: SheetPart[]): SheetPart[] {
    const terms = this.document.vocabulary.map(({ term }) => term);
    const at = parts.findIndex(({ phase }) => phase === "teach");
    if (terms.length === 0 || at < 0) return parts;
    const { step } = parts[at]!;
    const words = this.line("I say", `Words first: ${terms.slice(0, 6).join(", ")}.`, {
      from: sourceOf(this.document, { step: step ?? "", word: terms[0]! }),
    });
    return parts.with(at, { ...parts[at]!, lines: [words, ...parts[at]!.lines].slice(0, mostInRunSheet.lines) });
  }

  make(period: number, lessons: number | null): RunSheet {
    const room = Math.max(10, period - OPENER - EXIT);
    const stated = stepMinutes(this.document, factsOf(this.document));
    const minutes = lessons === null ? stated : stretched(stated, lessons * room);
    const taught = this.document.steps.flatMap((step, at) => this.stepPart(step, minutes[at]!));
    const all = this.withWords(taught);
    // What opens or closes the resource itself opens or closes the lesson.
    const opens = all[0]?.phase === "open";
    const closes = all.at(-1)?.phase === "close";
    const laid =
      lessons === null
        ? spread(
            all.flatMap((part) => this.splitPart(part, room)),
            room,
          )
        : fill(all, lessons, room, this.newId);
    const days = laid.map((parts, at, { length }) => {
      const begins = at === 0 && opens ? [] : [this.opener(at === 0, laid[at - 1])];
      const ends = at === length - 1 && closes ? [] : [this.exit(parts)];
      const middle = withoutAsked(parts, ends[0]?.lines[0]?.from?.block);
      return { id: this.newId(), parts: [...begins, ...middle, ...ends].slice(0, mostInRunSheet.parts) };
    });
    return {
      ...{ period, days, words: this.document.vocabulary.map(({ term }) => term).slice(0, 60) },
      materials: materialsOf(this.document),
      short: shortOrder(days),
    };
  }
}

/** What is asked at the end is not asked before as well. */
const withoutAsked = (parts: readonly SheetPart[], block: string | undefined): SheetPart[] =>
  parts.map((part) =>
    block === undefined || (part.phase !== "check" && part.phase !== "practise")
      ? part
      : { ...part, lines: part.lines.filter(({ from, kind }) => from?.block !== block || kind !== "they do") },
  );

/**
 * Parts over lessons, in their order, as the plan packs lessons: as few as possible, none fuller than it has to be.
 * `spread([{ minutes: 30 }, { minutes: 30 }], 45).length` gives `2`.
 */
export function spread(parts: readonly SheetPart[], room: number): SheetPart[][] {
  if (parts.length === 0) return [[]];
  const meetings = Array.from({ length: mostInRunSheet.days }, () => ({ minutes: room, used: 0 }));
  const { laid } = pack([{ id: 0, steps: parts.map(({ minutes }) => minutes) }], meetings);
  const days = laid.map(({ from, to }) => parts.slice(from, to));
  const left = parts.slice(days.reduce((sum, day) => sum + day.length, 0));
  // More than a run sheet can have: the rest is in the last lesson, which says that it is too full.
  return days.length === 0 ? [[...parts]] : [...days.slice(0, -1), [...days.at(-1)!, ...left]];
}

/** Whole minutes in the proportions of others, adding up to `total`. */
function stretched(minutes: readonly number[], total: number): number[] {
  const sum = minutes.reduce((all, one) => all + one, 0);
  let [upTo, allotted] = [0, 0];
  return minutes.map((one) => {
    upTo += one;
    const next = sum === 0 ? 0 : Math.round((total * upTo) / sum);
    const some = next - allotted;
    allotted = next;
    return some;
  });
}

/** Less than this of a part is not worth beginning, or going on with in the next lesson. */
const SCRAP = 5;

/** A part cut after this many minutes: its lines are shared out. */
function cut(part: SheetPart, after: number, newId: NewId): [SheetPart, SheetPart] {
  const at = Math.round((part.lines.length * after) / part.minutes);
  const [lines, rest] = [part.lines.slice(0, at), part.lines.slice(at)];
  return [
    { ...part, minutes: after, lines },
    { ...part, id: newId(), minutes: part.minutes - after, lines: rest },
  ];
}

/**
 * Parts filling this many lessons of `room` minutes, in their order. A part goes on in the next lesson where the time is over, unless only
 * a scrap would: then it, or what is before it, is a little longer or shorter instead.
 * `fill(sheet.days[0].parts, 2, 10, () => "new").map((parts) => parts.map(({ id }) => id))` gives `[["a"], ["b"]]`.
 */
export function fill(parts: readonly SheetPart[], lessons: number, room: number, newId: NewId): SheetPart[][] {
  const days: SheetPart[][] = [[]];
  let left = room;
  let carried = 0;
  const queue = parts.slice();
  while (queue.length > 0) {
    let part = queue.shift()!;
    part = { ...part, minutes: part.minutes + carried };
    carried = 0;
    const day = days.at(-1)!;
    // At the very end a scrap is no lesson of its own.
    const ends = queue.length === 0 && part.minutes - left < SCRAP && left >= SCRAP;
    if (part.minutes <= left || days.length >= lessons || ends) {
      day.push(part);
      left -= part.minutes;
      continue;
    }
    const last = day.at(-1);
    if (left < SCRAP && last) {
      day[day.length - 1] = { ...last, minutes: last.minutes + left };
      queue.unshift({ ...part, minutes: part.minutes - left });
    } else if (part.minutes - left < SCRAP) {
      carried = part.minutes - left;
      day.push({ ...part, minutes: left });
    } else {
      const [now, next] = cut(part, left, newId);
      day.push(now);
      queue.unshift(next);
    }
    days.push([]);
    left = room;
  }
  return days;
}

/**
 * What may be left out, the first first: talk, then the opener, then practice from the end. Teaching and checking stay.
 * `shortOrder([{ parts: [{ id: "a", phase: "open" }, { id: "b", phase: "pairs" }] }])` gives `["b", "a"]`.
 */
export function shortOrder(days: readonly SheetDay[]): string[] {
  const parts = days.flatMap((day) => day.parts);
  const of = (phase: SheetPhase) => parts.filter((part) => part.phase === phase).map(({ id }) => id);
  return [...of("pairs"), ...of("open"), ...of("practise").toReversed()].slice(0, 200);
}

const deviceMaterials: Readonly<Record<string, string>> = {
  printer: "printed sheets",
  camera: "something to take pictures with",
  microphone: "something to record with",
  tablet: "tablets",
  computer: "computers",
};

/** What has to be there: what the steps hand out, and devices they cannot do without. */
function materialsOf(document: Document): RunSheet["materials"] {
  const files = document.steps.flatMap(({ blocks }) =>
    blocks.flatMap((block) => (block.type === "file" ? [inLanguage(block.label, document.languages) ?? "a file"] : [])),
  );
  const devices = document.devices.flatMap((device) => deviceMaterials[device] ?? []);
  return [...new Set([...files, ...devices])].slice(0, 40).map((text) => ({ text: text.slice(0, 200), ready: false }));
}

/**
 * A run sheet made of a resource, for lessons of this many minutes. `lessons`: how many it is to fill, the minutes of the steps stretched
 * or cut to that; null: as many as the steps take.
 * `proposeRunSheet(lesson, { period: 45, newId: () => "new" }).days.length` gives `1`.
 */
export const proposeRunSheet = (
  document: Document,
  of: { period: number; lessons?: number | null; newId: NewId },
): RunSheet => new Proposal(document, of.newId).make(of.period, of.lessons ?? null);
