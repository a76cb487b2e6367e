import { proposeRunSheet } from "@/core/run-sheet/propose";
import { parse } from "yaml";
import { z } from "zod";
import { Drawing } from "@/core/drawing/schema";
import type { Block } from "@/core/resource/block";
import type { Document, Step } from "@/core/resource/document";
import { phases } from "@/core/content/vocabulary";
import { Kind, Licence, parseDocument, Subject } from "@/core/resource/schema/document";
import { mixed } from "@/core/question/types/order/order";
import type { Question } from "@/core/question/question";
import { plainText, richText } from "@/core/content/rich-text";
import { Manipulative } from "@/core/manipulative/schema";
import { shippedFilms } from "@/core/media/shipped";
import { translatables, withTranslation } from "@/core/resource/translate";
import { handQuestion, handQuestions } from "./written-questions";

/**
 * The demo's lessons are written by hand in a short YAML form (see demo/README.md), so that they read like lessons.
 * This turns one into a document; everything is checked on the way.
 */
const Text = z.coerce.string();
const Device = z.enum(["any", "computer", "tablet", "phone", "camera", "microphone", "printer", "none"]);
const asked = {
  hint: Text.optional(),
  right: Text.optional(),
  wrong: Text.optional(),
  marks: z.number().optional(),
  partial: z.enum(["all", "by part"]).optional(),
  checked: z.enum(["at once", "at the end", "never"]).optional(),
  time: z.number().int().optional(),
  about: z.array(z.string()).optional(),
};

const WrittenQuestion = z.union([
  z.strictObject({ choice: Text, options: z.array(Text), ...asked }),
  z.strictObject({ choices: Text, options: z.array(Text), ...asked }),
  z.strictObject({ short: Text, answer: z.union([z.array(Text), Text]), slip: z.boolean().optional(), ...asked }),
  z.strictObject({
    number: Text,
    answer: z.union([z.array(Text), Text]),
    units: z.record(z.string(), z.number().nullable()).optional(),
    with: Manipulative.optional(),
    ...asked,
  }),
  z.strictObject({ gaps: Text, ask: Text.optional(), bank: z.array(Text).optional(), ...asked }),
  z.strictObject({ match: Text, pairs: z.record(z.string(), Text), extra: z.array(Text).optional(), ...asked }),
  z.strictObject({ order: Text, items: z.array(Text), ...asked }),
  z.strictObject({ write: Text, lines: z.number().optional(), look: z.array(Text).optional(), ...asked }),
  ...handQuestions(asked),
]);
type WrittenQuestion = z.infer<typeof WrittenQuestion>;

const WrittenBlock = z.union([
  z.strictObject({ text: Text }),
  z.strictObject({ picture: z.string(), shows: Text, caption: Text.optional() }),
  z.strictObject({
    table: z.array(z.array(Text)),
    headers: z.enum(["row", "column", "both", "none"]).default("row"),
    caption: Text.optional(),
  }),
  /** A drawing as the document says it. */
  z.strictObject({ drawing: Drawing }),
  z.strictObject({ link: z.string(), label: Text }),
  z.strictObject({ maths: Text, said: Text }),
  /** One of the things to find out with, set up as the document says it. */
  z.strictObject({ with: Manipulative }),
  z.strictObject({
    film: z.string(),
    stops: z
      .array(
        z.strictObject({
          at: z.number(),
          skip: z.boolean().default(false),
          note: Text.optional(),
          ask: WrittenQuestion.optional(),
        }),
      )
      .default([]),
  }),
  WrittenQuestion,
]);
type WrittenBlock = z.infer<typeof WrittenBlock>;

export const Written = z.strictObject({
  title: Text,
  by: z.string(),
  shelf: z.enum(["private", "staffroom", "district", "commons"]),
  licence: Licence.default("CC-BY-4.0"),
  language: z.string().default("en"),
  kind: Kind,
  grades: z.union([z.number(), z.string()]),
  subjects: z.array(Subject),
  topics: z.array(z.string()).default([]),
  summary: Text,
  minutes: z.number().optional(),
  standards: z.array(z.string()).default([]),
  /** ISO 3166 code, where it is stated and not only to be seen in the text. */
  region: z.string().optional(),
  devices: z.array(Device).optional(),
  months: z.array(z.number()).optional(),
  edition: z
    .strictObject({
      work: Text,
      isbn: Text.optional(),
      year: z.number().optional(),
      pages: z.number().optional(),
      format: Text.optional(),
      readBy: Text.optional(),
    })
    .optional(),
  /** It has a run sheet, for so many lessons. */
  script: z.number().optional(),
  /** The file this is a version of, without its ending; its author is credited. */
  adapts: z.string().optional(),
  vocabulary: z.record(z.string(), Text).default({}),
  /** The same in other languages: what is written above, and what it says in that language. */
  in: z.record(z.string(), z.record(z.string(), Text)).optional(),
  notes: Text.optional(),
  steps: z.array(
    z.strictObject({
      title: Text,
      minutes: z.number().optional(),
      phase: z.enum(phases).default("practise"),
      for: z.enum(["student", "teacher", "both"]).default("student"),
      work: z.enum(["alone", "pairs", "groups", "class"]).default("alone"),
      say: Text.optional(),
      /** Who wrote it speaks it too: a file of public/sounds by language, and how long it lasts. */
      voice: z.record(z.string(), z.strictObject({ file: z.string(), seconds: z.number() })).optional(),
      notes: Text.optional(),
      blocks: z.array(WrittenBlock).default([]),
    }),
  ),
});
export type Written = z.infer<typeof Written>;

function gradeSpan(grades: number | string) {
  const [from, to = from] = String(grades)
    .split("-")
    .map((grade) => (grade === "K" ? 0 : Number(grade)));
  return { from: from!, to: to! };
}

/** "25 min ±1" is 25, give or take 1, with "min" behind the box. */
function numberPart(id: string, written: string, units?: Record<string, number | null>) {
  const found = /^(-?[\d.]+)\s*([^±\d]*?)\s*(?:±\s*([\d.]+))?$/.exec(written.trim());
  if (!found) throw new Error(`"${written}" is not a number with an optional unit and tolerance`);
  const [, right, unit, tolerance] = found;
  return {
    id,
    right: Number(right),
    tolerance: Number(tolerance ?? 0),
    ...(unit && !units && { unit }),
    ...(units && { units: Object.entries(units).map(([name, factor]) => ({ name, factor })) }),
  };
}

function questionOf(written: WrittenQuestion, id: string, language: string): Question {
  const rich = (text: string) => ({ [language]: richText(text) });
  const plain = (text: string) => ({ [language]: text });
  const options = (texts: string[], from = "o") =>
    texts.map((text, at) => ({ id: `${from}${at + 1}`, text: plain(text.replace(/^\*/, "")) }));
  const starred = (texts: string[]) => texts.flatMap((text, at) => (text.startsWith("*") ? [`o${at + 1}`] : []));
  const common = (prompt: string, of: z.infer<z.ZodObject<typeof asked>>) => ({
    id,
    prompt: rich(prompt),
    marks: of.marks ?? 1,
    partial: of.partial ?? ("by part" as const),
    checked: of.checked ?? ("at once" as const),
    ...(of.time !== undefined && { seconds: of.time }),
    ...(of.about && { standards: of.about }),
    ...(of.hint && { hint: rich(of.hint) }),
    ...((of.right || of.wrong) && {
      feedback: { ...(of.right && { right: rich(of.right) }), ...(of.wrong && { wrong: rich(of.wrong) }) },
    }),
  });
  const spelling = { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false };
  if ("choice" in written) {
    const [right, ...more] = starred(written.options);
    if (!right || more.length > 0) throw new Error(`"${written.choice}": mark exactly one option with *`);
    return { ...common(written.choice, written), type: "choice", options: options(written.options), right };
  }
  if ("choices" in written) {
    return {
      ...common(written.choices, written),
      type: "choices",
      options: options(written.options),
      right: starred(written.options),
    };
  }
  if ("short" in written) {
    const accepted = [written.answer].flat().map((text) => ({ text, share: 1 }));
    return {
      ...common(written.short, written),
      type: "shortText",
      accepted,
      spelling: { ...spelling, forgiveOneSlip: written.slip ?? false },
    };
  }
  if ("number" in written) {
    const parts = [written.answer].flat().map((part, at) => numberPart(`p${at + 1}`, part, written.units));
    return { ...common(written.number, written), type: "number", parts, ...(written.with && { tool: written.with }) };
  }
  if ("gaps" in written) {
    const gaps: { id: string; accepted: string[]; options?: string[] }[] = [];
    const passage = written.gaps.trim().replace(/\[([^\]]+)\]/g, (_, words: string) => {
      const gap = {
        id: `g${gaps.length + 1}`,
        accepted: words.split("|"),
        ...(written.bank && { options: written.bank }),
      };
      gaps.push(gap);
      return `[[${gap.id}]]`;
    });
    return {
      ...common(written.ask ?? "Fill the gaps.", written),
      type: "gaps",
      passage: plain(passage),
      gaps,
      spelling,
    };
  }
  if ("match" in written) {
    const left = options(Object.keys(written.pairs), "l");
    const partners = options(Object.values(written.pairs), "r");
    const astray = options(written.extra ?? [], "x");
    const pairs = left.map((item, at): [string, string] => [item.id, partners[at]!.id]);
    return { ...common(written.match, written), type: "match", left, right: mixed([...partners, ...astray]), pairs };
  }
  if ("order" in written) {
    const items = options(written.items, "i");
    return {
      ...common(written.order, written),
      type: "order",
      items: mixed(items),
      right: items.map((item) => item.id),
    };
  }
  if ("write" in written) {
    return {
      ...common(written.write, { ...written, checked: "never" }),
      type: "longText",
      lines: written.lines ?? 6,
      ...(written.look && { checklist: options(written.look, "c") }),
    };
  }
  return handQuestion(written, common("", written), language);
}

function blockOf(written: WrittenBlock, id: string, language: string): Block {
  if ("text" in written) return { id, type: "text", text: { [language]: richText(written.text) } };
  if ("picture" in written) {
    const caption = written.caption && { caption: { [language]: written.caption } };
    return {
      id,
      type: "picture",
      media: `drawing:${written.picture}`,
      description: { [language]: written.shows },
      decorative: false,
      ...caption,
    };
  }
  if ("table" in written) {
    return {
      id,
      type: "table",
      rows: { [language]: written.table },
      headerRow: written.headers === "row" || written.headers === "both",
      headerColumn: written.headers === "column" || written.headers === "both",
      ...(written.caption && { caption: { [language]: written.caption } }),
    };
  }
  if ("drawing" in written) return { id, type: "drawing", drawing: written.drawing };
  if ("link" in written) return { id, type: "link", href: written.link, label: { [language]: written.label } };
  if ("maths" in written) return { id, type: "maths", tex: written.maths, spoken: { [language]: written.said } };
  if ("film" in written) {
    const film = shippedFilms.find(({ media }) => media === `film:${written.film}`);
    if (!film) throw new Error(`there is no film “${written.film}”`);
    const stops = written.stops.map(({ at, skip, note, ask }, nth) => ({
      id: `${id}s${nth + 1}`,
      at,
      maySkip: skip || !ask,
      ...(note && { note: { [language]: richText(note) } }),
      ...(ask && { question: questionOf(ask, `${id}q${nth + 1}`, language) }),
    }));
    return { id, type: "film", media: film.media, title: film.title, captions: film.captions, stops };
  }
  if ("with" in written && !("number" in written)) return { id, type: "manipulative", tool: written.with };
  return { id, type: "question", question: questionOf(written as WrittenQuestion, `${id}q`, language) };
}

/** @throws with the name of the file and what is wrong in it */
export function documentOf(name: string, written: Written): Document {
  const { language } = written;
  const rich = (text: string) => ({ [language]: richText(text) });
  const steps = written.steps.map((step, at): Step => {
    const id = `${name.slice(0, 30)}-${at + 1}`;
    return {
      id,
      title: { [language]: step.title },
      audience: step.for,
      phase: step.phase,
      work: step.work,
      locked: false,
      ...(step.minutes !== undefined && { minutes: step.minutes }),
      instructions: instructionsOf(step, language),
      ...(step.notes && { teacherNotes: rich(step.notes) }),
      blocks: step.blocks.map((block, nth) => blockOf(block, `${id}-${nth + 1}`, language)),
    };
  });
  const translations = written.in ?? {};
  const others = Object.keys(translations);
  const also = (text: string) =>
    Object.fromEntries(
      others.flatMap((other) => (translations[other]![text] ? [[other, translations[other]![text]]] : [])),
    );
  const document = parseDocument({
    schema: 1,
    languages: [language, ...others],
    title: { [language]: written.title, ...also(written.title) },
    summary: { [language]: written.summary, ...also(written.summary) },
    kind: written.kind,
    grades: gradeSpan(written.grades),
    subjects: written.subjects,
    topics: written.topics,
    minutes: written.minutes,
    standards: written.standards.map((code) => ({ framework: "framework-skerry-isles", code, relation: "teaches" })),
    vocabulary: Object.entries(written.vocabulary).map(([term, meaning]) => ({
      term,
      meaning: { [language]: meaning },
    })),
    licence: written.licence,
    ...(written.region && { region: written.region }),
    ...(written.devices && { devices: written.devices }),
    ...(written.months && { months: written.months }),
    ...(written.edition && {
      edition: { ...written.edition, isbn: undefined, isbn13: written.edition.isbn?.replaceAll("-", "") },
    }),
    ...(written.notes && { teacherNotes: rich(written.notes) }),
    steps: steps.map((step) =>
      others.reduce((now, other) => inOther(now, translations[other]!, language, other), step),
    ),
  });
  if (written.script === undefined) return document;
  let count = 0;
  const newId = () => `rs-${(count += 1)}`;
  return { ...document, runSheet: proposeRunSheet(document, { period: 45, lessons: written.script, newId }) };
}

type WrittenStep = Written["steps"][number];

/** The speaker is the lesson's author; who that is in the database is filled in when it is put there. */
function instructionsOf(step: WrittenStep, language: string): Step["instructions"] {
  const voices = Object.entries(step.voice ?? {}).map(([spoken, { file, seconds }]) => [
    spoken,
    {
      text: richText(spoken === language ? (step.say ?? "") : ""),
      recording: { media: `sound:${file}`, by: 0, name: "", seconds, kept: false },
    },
  ]);
  return { ...(step.say && { [language]: { text: richText(step.say) } }), ...Object.fromEntries(voices) };
}

/** A step with every text that is among `words` written in another language too. */
function inOther(step: Step, words: Record<string, string>, from: string, to: string): Step {
  const find = (text: string) => words[text.replace(/\s+/g, " ").trim()];
  const said = step.instructions[from]?.text;
  const spoken = said && find(plainText(said));
  const start: Step = spoken
    ? { ...step, instructions: { ...step.instructions, [to]: { ...step.instructions[to], text: richText(spoken) } } }
    : step;
  return translatables(start, [from, to], to).reduce((now, text) => {
    const found = find(typeof text.original === "string" ? text.original : plainText(text.original));
    return found ? withTranslation(now, text, to, text.kind === "rich" ? richText(found) : found, from) : now;
  }, start);
}

/** Reads the YAML of one lesson. @throws with what is wrong and where */
export function readWritten(name: string, yaml: string): { written: Written; document: Document } {
  try {
    const written = Written.parse(parse(yaml));
    return { written, document: documentOf(name, written) };
  } catch (error) {
    throw new Error(`demo/resources/${name}.yaml: ${(error as Error).message}`);
  }
}
