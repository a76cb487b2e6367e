import { plainText } from "../content/rich-text";
import type { Document, Step } from "../resource/document";
import type { Question } from "../question/question";
import { likeCase } from "./find-changes";
import type { PlaceChange } from "./place-document";
import type { Place } from "./places";
import { reckon, type Given, type Reckoned } from "./reckon";
import {
  amountOf,
  convert,
  inRoundFigures,
  mentionsIn,
  nameFor,
  unitNamed,
  written,
  counterpart,
  type Mention,
  type Unit,
} from "./units";
import { at, inSentence, questionPath, texts, type Path } from "../resource/texts";

/** A mention with where it stands, and the number it becomes; null: hers to say. */
interface Placed extends Mention {
  path: (string | number)[];
  whole: string;
  now: number | null;
}

const ONLY_NUMBER = /^\s*([-−]?(?:\d{1,3}(?:,\d{3}){1,3}|\d{1,9})(?:\.\d{1,6})?)\s*$/;
const PLAIN_NUMBER = /(?<![\p{L}\p{N}.,])[-−]?(?:\d{1,3}(?:,\d{3}){1,3}|\d{1,9})(?:\.\d{1,6})?(?![\p{N}])/gu;
const numberWords: Readonly<Record<string, number>> = {
  ...{ two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, twelve: 12 },
  ...{ half: 0.5, twice: 2, double: 2, both: 2 },
};
const NUMBER_WORD = new RegExp(`(?<!\\p{L})(?:${Object.keys(numberWords).join("|")})(?!\\p{L})`, "giu");

/** "It rose by 9 °F" is no temperature: the scales' zeros must not come into it. */
const isDifference = (text: string, { unit, start, end }: Mention): boolean =>
  unit.zero !== undefined &&
  (/\b(?:by|rose|fell|dropped|gained|lost|difference of)\s$/i.test(text.slice(0, start)) ||
    /^\s(?:warmer|colder|cooler|hotter|more|less)\b/i.test(text.slice(end)));

const inFigures = (figures: string, unit: Unit): number =>
  inRoundFigures(convert(amountOf(figures), unit), figures, unit);

/** Numbers of a text that have no unit: how many trips, how many children. */
function plainNumbers(text: string, mentions: readonly Mention[]): Given[] {
  const inMention = (index: number) => mentions.some(({ start, end }) => index >= start && index < end);
  const numbers = [...text.matchAll(PLAIN_NUMBER)].flatMap(({ 0: figures, index }) =>
    inMention(index) ? [] : [amountOf(figures)],
  );
  const words = [...text.matchAll(NUMBER_WORD)].map(({ 0: word }) => numberWords[word.toLowerCase()]!);
  return [...numbers, ...words].map((value) => ({ was: value, now: value, unit: "" }));
}

const given = (mentions: readonly Placed[]): Given[] =>
  mentions.flatMap(({ amount, now, unit }) =>
    amount === null || now === null ? [] : [{ was: amount, now, unit: unit.short }],
  );

/** The unit that is asked for by name alone, when there is only one: "How many miles …?" */
function askedUnit(mentions: readonly Mention[]): Unit | null {
  const units = new Set(mentions.filter(({ amount }) => amount === null).map(({ unit }) => unit));
  return units.size === 1 ? [...units][0]! : null;
}

/** Cells that are plain numbers of a unit named in the caption, or above their column. */
function cells(step: Step, nth: number, language: string, system: Place["units"]): Placed[] {
  return step.blocks.flatMap((block, place): Placed[] => {
    if (block.type !== "table") return [];
    const rows = block.rows[language] ?? [];
    const inCaption = askedUnit(mentionsIn(block.caption?.[language] ?? "", system));
    return rows.flatMap((row, down) =>
      row.flatMap((cell, across): Placed[] => {
        const figures = ONLY_NUMBER.exec(cell)?.[1];
        const above = block.headerRow && down > 0 ? askedUnit(mentionsIn(rows[0]?.[across] ?? "", system)) : null;
        const unit = above ?? inCaption;
        if (!figures || !unit) return [];
        const start = cell.indexOf(figures);
        return [
          {
            ...{ start, end: start + figures.length, text: figures, figures, unit, name: "", joint: "", mixed: false },
            ...{ amount: amountOf(figures), now: inFigures(figures, unit), whole: cell },
            path: ["steps", nth, "blocks", place, "rows", language, down, across],
          },
        ];
      }),
    );
  });
}

/** Questions that have no right answer to be wrong. */
const readByPeople = new Set<Question["type"]>(["longText", "poll", "photo", "speech", "clip", "sketch", "notePage"]);

interface Judged {
  /** Mentions in it, those of its answers reckoned anew. */
  mentions: Placed[];
  answers: PlaceChange[];
  /** Why she has to look at its answer; null: it is proved. */
  check: string | null;
}

/** What a question says and takes as right; its ids have numbers in them too, which say nothing. */
const numbersIn = (question: Question): string =>
  JSON.stringify(question, (key, value: unknown) =>
    ["id", "right", "marks", "seconds"].includes(key) && question.type !== "number" ? undefined : value,
  );

const isPrompt = (path: Path, asked: Path): boolean => path[asked.length] === "prompt";

/** One question after the numbers it gives have changed: what follows for its answer, its choices and its hints. */
function judge(
  question: Question,
  asked: Path,
  own: readonly Placed[],
  around: readonly Given[],
  about: { step: string; language: string; place: Place; system: Place["units"] },
): Judged {
  const { language, place, system } = about;
  const prompt = plainText(question.prompt[language]);
  const inPrompt = own.filter(({ path }) => isPrompt(path, asked));
  const known = [...given(inPrompt), ...plainNumbers(prompt, mentionsIn(prompt, system))];
  const solve = (target: number, unit: string): Reckoned | null =>
    reckon(target, unit, known) ?? reckon(target, unit, [...known, ...around]);
  const mentions = own.map((one): Placed => {
    if (one.amount === null || one.mixed || isPrompt(one.path, asked)) return one;
    const told = [...known, ...around].find(({ was, unit }) => was === one.amount && unit === one.unit.short);
    // Choices are worked out as the answer is. In a hint only what is given and the answer itself are: "12 inches make a foot" is neither.
    const isAnswer =
      one.path.includes("options") ||
      (question.type === "number" && question.parts.some(({ right }) => right === one.amount));
    return { ...one, now: told?.now ?? (isAnswer ? solve(one.amount, one.unit.short)?.now : undefined) ?? one.now };
  });
  const sole = askedUnit(inPrompt);
  const answers: PlaceChange[] = [];
  const change = (id: string, from: string, to: string, after: string, rest: Partial<PlaceChange>) =>
    answers.push({
      ...{ id: `${asked.join(".")}@${id}`, path: [...asked], step: about.step, kind: "units", sure: true },
      ...{ start: 0, end: 0, from, to, before: prompt, after, ...rest },
    });
  let check: string | null = null;
  if (own.some(({ mixed }) => mixed)) check = "One of its numbers cannot be converted automatically.";
  if (Object.keys(question.prompt).length > 1) check = "It is asked in another language too, with the old numbers.";
  if (question.type === "number") {
    question.parts.forEach((part, nth) => {
      if (part.units?.some(({ name }) => unitNamed(name, system))) {
        check ??= "Students choose its unit from a list.";
        return;
      }
      const named = part.unit ? unitNamed(part.unit, system) : undefined;
      const unit = named ?? (part.unit ? null : sole);
      const found = solve(part.right, unit?.short ?? "");
      if (!found) {
        check ??= "We cannot tell what its answer is now.";
        return;
      }
      const name = named ? nameFor(named, part.unit!, found.now === 1, place) : part.unit;
      if (found.now === part.right && name === part.unit) return;
      const scale = unit ? unit.size / counterpart(unit).size : 1;
      const tolerance = Number((part.tolerance * scale).toPrecision(2));
      change(
        `answer-${nth}`,
        [part.right, part.unit].filter(Boolean).join(" "),
        [found.now, name].filter(Boolean).join(" "),
        found.how === String(found.now) ? prompt : `${found.how} = ${found.now}`,
        { answer: { part: nth, right: found.now, tolerance, ...(name && { unit: name }) } },
      );
    });
  } else if (question.type === "choice" || question.type === "choices") {
    const right = new Set([question.right].flat());
    question.options.forEach((option, nth) => {
      const path = [...asked, "options", nth, "text", language];
      const text = option.text[language] ?? "";
      const bareNumber = sole ? ONLY_NUMBER.exec(text)?.[1] : undefined;
      const there = mentions.find((one) => one.path.join() === path.join() && one.text === text.trim());
      const figures = bareNumber ?? there?.figures;
      const unit = there?.unit ?? sole;
      const found = figures && unit ? solve(amountOf(figures), unit.short) : null;
      if (bareNumber && unit) {
        const start = text.indexOf(bareNumber);
        mentions.push({
          ...{ path, whole: text, unit, figures: bareNumber, text: bareNumber, name: "", joint: "", mixed: false },
          ...{ start, end: start + bareNumber.length, amount: amountOf(bareNumber) },
          now: found?.now ?? inFigures(bareNumber, unit),
        });
      }
      if (right.has(option.id) && !found) check ??= "We cannot work out its answer from its numbers.";
    });
  } else if (!readByPeople.has(question.type)) check ??= "Only you can say whether its answer is still right.";
  return { mentions, answers, check };
}

/**
 * Every amount in units of another place, converted exactly and rounded as a textbook would; and the answers of questions reckoned
 * anew from the rounded numbers. Where an answer does not follow in one way only there is a change without a number, which marks the
 * question to be looked at. Texts of the first language.
 * `unitChanges({ ...lesson, title: { en: "Run 5 km" } }, britain, america)[0].to` gives `"3.1 mi"`.
 */
export function unitChanges(document: Document, from: Place, to: Place): PlaceChange[] {
  if (from.units === to.units) return [];
  const language = document.languages[0]!;
  const all: Placed[] = [];
  texts(document, language, document.languages, [], (whole, path) => {
    if (["unit", "name"].includes(String(path.at(-1)))) return;
    for (const mention of mentionsIn(whole, from.units)) {
      const alone = mention.amount === null;
      // A unit by itself has no zero to go wrong: "How many degrees Fahrenheit warmer …?"
      const byHand = mention.mixed || (!alone && isDifference(whole, mention));
      const now = alone || byHand ? null : inFigures(mention.figures, mention.unit);
      all.push({ ...mention, mixed: byHand, path, whole, now });
    }
  });
  const said = (one: Placed, step: string | null): PlaceChange => {
    const stands = one.joint === "-" || one.now === 1;
    const alone = one.amount === null && one.name.toLowerCase() === one.unit.one.toLowerCase();
    const name = one.name && nameFor(one.unit, one.name, stands || alone, to);
    const becomes =
      one.mixed || (one.amount !== null && one.now === null)
        ? null
        : one.now === null
          ? likeCase(one.text, name)
          : `${written(one.now, one.figures)}${one.joint}${name}`;
    return {
      ...{ id: `${one.path.join(".")}@${one.start}`, path: one.path, step, kind: "units" },
      ...{ start: one.start, end: one.end, from: one.text, to: becomes, sure: becomes !== null },
      ...{ before: inSentence(one.whole, one, one.text), after: inSentence(one.whole, one, becomes ?? one.text) },
    };
  };
  const outside = all.filter(({ path }) => path[0] !== "steps").map((one) => said(one, null));
  const earlier: Placed[] = [];
  const inSteps = document.steps.flatMap((step, nth) => {
    const here = all.filter(({ path }) => path[0] === "steps" && path[1] === nth);
    const table = cells(step, nth, language, from.units);
    const read = [...here.filter(({ path }) => !questionPath(path)), ...table];
    const places = step.blocks.flatMap((block, at): Path[] =>
      block.type === "question"
        ? [["steps", nth, "blocks", at, "question"]]
        : block.type === "film"
          ? block.stops.flatMap(({ question }, stop) =>
              question ? [["steps", nth, "blocks", at, "stops", stop, "question"]] : [],
            )
          : [],
    );
    const judged = places.flatMap((asked): PlaceChange[] => {
      const own = here.filter(({ path }) => questionPath(path)?.join() === asked.join());
      const question = at(document, asked) as Question;
      const inUnits =
        question.type === "number" && question.parts.some(({ unit }) => unit && unitNamed(unit, from.units));
      const affected = own.length > 0 || read.length > 0 || inUnits;
      // What was read in an earlier step may be asked about here.
      if (!affected && (earlier.length === 0 || !/\d/.test(numbersIn(question)))) return [];
      const around = given([...read, ...earlier]);
      const about = { step: step.id, language, place: to, system: from.units };
      const { mentions, answers, check } = judge(question, asked, own, around, about);
      return [
        ...mentions.map((one) => said(one, step.id)),
        ...answers,
        ...(check ? [checkOf(asked, step.id, plainText(question.prompt[language]), check)] : []),
      ];
    });
    earlier.push(...read.filter(({ now }) => now !== null));
    return [...read.map((one) => said(one, step.id)), ...judged];
  });
  return [...outside, ...inSteps];
}

/**
 * A question whose answer is marked to be looked at: `why` in a sentence.
 * `checkOf(["steps", 1], "ask", "How far?", "It has no unit.").check` gives `true`.
 */
export const checkOf = (asked: Path, step: string | null, prompt: string, why: string): PlaceChange => ({
  ...{ id: `${asked.join(".")}@check`, path: [...asked], step, kind: "units", sure: true, start: 0, end: 0 },
  ...{ from: "The answer", to: "marked for you to check", before: prompt, after: why, check: true },
});
