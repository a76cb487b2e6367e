import { plainText } from "../content/rich-text";
import type { Question } from "../question/question";
import type { Document } from "../resource/document";
import { followDocument } from "../run-sheet/source";
import { checkOf, unitChanges } from "./convert-units";
import { changesIn, type Found } from "./find-changes";
import type { Place } from "./places";
import { at, inSentence, questionPath, texts, withTexts, withValue, type TextChange } from "../resource/texts";

/** A change as it would be made in a document. */
export interface PlaceChange extends TextChange, Found {
  /** The answer of a number question that changes with its numbers: which part, and what is right then. */
  answer?: { part: number; right: number; tolerance: number; unit?: string };
  /** It marks a question whose answer could not be proved: she looks at it before it is published. */
  check?: boolean;
}

/** In a passage words are marked by their number: one that became two would move the answer. */
const movesWords = (document: Document, { path, from, to }: PlaceChange): boolean => {
  const asked = questionPath(path);
  if (!asked || (at(document, asked) as { type: string }).type !== "highlight" || !path.includes("passage"))
    return false;
  return !/^\p{L}+$/u.test(from) || !/^\p{L}+$/u.test(to ?? "");
};

/** Lists to choose from, in a question: no two of a list may say the same. */
function listsIn(question: unknown, language: string): string[][] {
  if (Array.isArray(question)) {
    const texts = question.flatMap((one: { text?: Record<string, string> }) => one?.text?.[language] ?? []);
    const inner = question.flatMap((one) => listsIn(one, language));
    return texts.length > 1 ? [texts, ...inner] : inner;
  }
  if (typeof question !== "object" || question === null) return [];
  return Object.entries(question).flatMap(([key, value]: [string, unknown]) =>
    key === "options" && Array.isArray(value) && typeof value[0] === "string"
      ? [value as string[]]
      : listsIn(value, language),
  );
}

const repeats = (lists: readonly string[][]): number =>
  lists.reduce((sum, list) => sum + list.length - new Set(list.map((text) => text.trim().toLowerCase())).size, 0);

/**
 * Units where there are questions, and those of one question that change the same word: one without the others would leave an answer nobody can give.
 * `tiedTo([{ kind: "spelling", path: ["title", "en"], from: "Colour" }], { kind: "spelling", path: ["title", "en"], from: "Colour" })` gives `[{ kind: "spelling", path: ["title", "en"], from: "Colour" }]`.
 */
export const tiedTo = (changes: readonly PlaceChange[], one: PlaceChange): PlaceChange[] => {
  // Numbers lead to answers, those of later steps too: they change together.
  const units = one.kind === "units" ? changes.filter(({ kind }) => kind === "units") : [];
  if (units.some(({ answer, check, path }) => answer || check || questionPath(path))) return units;
  const asked = questionPath(one.path)?.join(".");
  if (asked === undefined) return [one];
  return changes.filter(
    (other) => other.from.toLowerCase() === one.from.toLowerCase() && questionPath(other.path)?.join(".") === asked,
  );
};

/** What is done with lengths, weights, volumes and temperatures: listed and left to her, or converted. */
export type UnitChoice = "list" | "convert";

/**
 * Everything in a document that belongs to one place and not to another, in the language that is its first.
 * `placeChanges({ ...lesson, title: { en: "Colour" } }, britain, america).map(({ to }) => to)` gives `["Color"]`.
 */
export function placeChanges(document: Document, from: Place, to: Place, units: UnitChoice = "list"): PlaceChange[] {
  const found: PlaceChange[] = [];
  const language = document.languages[0]!;
  texts(document, language, document.languages, [], (text, path) => {
    for (const change of changesIn(text, from, to)) {
      if (units === "convert" && change.kind === "units") continue;
      const nth = path[0] === "steps" ? Number(path[1]) : -1;
      found.push({
        ...change,
        ...{ path, id: `${path.join(".")}@${change.start}`, step: document.steps[nth]?.id ?? null },
        before: inSentence(text, change, change.from),
        after: inSentence(text, change, change.to ?? change.from),
      });
    }
  });
  if (units === "convert") found.push(...unitChanges(document, from, to));
  const byHand = (one: PlaceChange): PlaceChange => ({ ...one, to: null, sure: false, after: one.before });
  const kept = found.map((one) => (movesWords(document, one) ? byHand(one) : one));
  // Of a list that asks for a spelling, both spellings would become one: such a question is hers.
  const changed = applyPlace(document, kept);
  const asked = new Map(
    kept.flatMap(({ path }) => {
      const place = questionPath(path);
      return place ? [[place.join("."), place] as const] : [];
    }),
  );
  const colliding = [...asked].filter(([, place]) => {
    const [before, after] = [document, changed].map((one) => repeats(listsIn(at(one, place), language)));
    return after! > before!;
  });
  const names = new Set(colliding.map(([name]) => name));
  // Numbers that fall together stay with their step, which would be half converted else: she looks at them.
  const checks = colliding.flatMap(([name, place]) => {
    const ofIt = kept.filter(({ path }) => questionPath(path)?.join(".") === name);
    if (!ofIt.some(({ kind, to }) => kind === "units" && to !== null) || ofIt.some(({ check }) => check)) return [];
    const { prompt } = at(document, place) as Question;
    return [checkOf(place, ofIt[0]!.step, plainText(prompt[language]), "Two of its choices would say the same.")];
  });
  return [
    ...kept.map((one) =>
      one.kind !== "units" && names.has(questionPath(one.path)?.join(".") ?? "") ? byHand(one) : one,
    ),
    ...checks,
  ];
}

/** A question with its answer changed, or marked to be looked at. */
function withAnswer(question: Question, { answer, check }: PlaceChange): Question {
  if (check) return { ...question, toCheck: true };
  if (!answer || question.type !== "number") return question;
  const { part: nth, right, tolerance, unit } = answer;
  const parts = question.parts.map((part, place) => (place === nth ? { ...part, right, tolerance, unit } : part));
  return { ...question, parts };
}

/**
 * The document with these changes made. What she cannot be told an answer to stays. Lines of a run sheet stay linked to what they were
 * taken from.
 * `applyPlace(lesson, placeChanges({ ...lesson, title: { en: "Colour" } }, britain, america)).title` gives `{ en: "Color" }`.
 */
export function applyPlace(document: Document, changes: readonly PlaceChange[]): Document {
  const inTexts = withTexts(
    document,
    changes.filter(({ answer, check }) => !answer && !check),
  );
  const changed = changes.reduce<Document>(
    (now, one) =>
      one.answer || one.check
        ? (withValue(now, one.path, (question) => withAnswer(question as Question, one)) as Document)
        : now,
    inTexts,
  );
  return changed.runSheet ? { ...changed, runSheet: followDocument(changed.runSheet, document, changed) } : changed;
}
