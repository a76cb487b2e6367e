import { z } from "zod";
import { LanguageTag, RichTextByLanguage, TextByLanguage } from "../content/schema/language";
import { Drawing } from "@/core/drawing/schema";
import { Manipulative } from "@/core/manipulative/schema";
import { MediaReference, StoredFile } from "../content/schema/media-reference";
import { inks, most, noteTemplates, usualSpelling } from "../content/vocabulary";
import { Axis } from "../content/schema/scale";

/**
 * Questions. What is asked, what is right, and how it is marked. Response values follow QTI's base types and
 * cardinalities (1EdTech QTI 2.1, "Response Processing"), so that writing QTI later is a mapping and not a guess:
 *
 *   type        response value                          QTI
 *   choice      option id                               single identifier
 *   choices     option ids                              multiple identifier
 *   shortText   string                                  single string
 *   number      part id -> { number, unit? }            record of string
 *   gaps        gap id -> string                        record of string
 *   match       [left id, right id] pairs               multiple directedPair
 *   order       item ids, first to last                 ordered identifier
 *   longText    string, or { text, done }               single string, marked by a person
 *   groups      [item id, group id] pairs               multiple directedPair (gap match)
 *   labels      [spot id, label id] pairs               multiple directedPair (graphic gap match)
 *   line        number                                  single float (slider)
 *   bars        bar id -> number                        record of float
 *   points      [x, y] pairs                            multiple point (select point)
 *   highlight   places of words, counted from 0         multiple identifier (hot text)
 *   cells       gap id -> string                        record of string
 *   sketch      strokes                                 single file (drawing), marked by a person
 *   poll        option id                               single identifier, not marked
 *   photo       files, by their SHA-256                 multiple file, marked by a person
 *   speech      { media, seconds }                      single file, marked by a person
 *   notePage    field id -> string                      record of string, marked by a person
 */
export const PartId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, "An id is 1 to 40 letters, digits, - or _");

export const CheckingTime = z.enum(["at once", "at the end", "after due", "never"]);
export type CheckingTime = z.infer<typeof CheckingTime>;

/** How typed words are compared with the accepted ones. */
export const SpellingRule = z.object({
  ignoreCase: z.boolean().default(true),
  ignoreAccents: z.boolean().default(false),
  /** One letter wrong, missing, added or swapped is forgiven in words of five letters and more. */
  forgiveOneSlip: z.boolean().default(false),
});
export type SpellingRule = z.infer<typeof SpellingRule>;

const asked = {
  id: PartId,
  prompt: RichTextByLanguage,
  marks: z.number().min(0).max(100).default(1),
  /** "by part": each right part earns its share; "all": everything right or nothing. */
  partial: z.enum(["all", "by part"]).default("by part"),
  hint: RichTextByLanguage.optional(),
  /** What is read aloud in place of what stands on the page: formulas and signs are not read as they are written. */
  aloud: TextByLanguage.optional(),
  /** Said when the answer is checked: of a right one, of one that is not, and of any. */
  feedback: z
    .object({
      right: RichTextByLanguage.optional(),
      wrong: RichTextByLanguage.optional(),
      general: RichTextByLanguage.optional(),
    })
    .optional(),
  /** When the student may see whether it is right; an assignment may overrule it. */
  checked: CheckingTime.default("at once"),
  seconds: z.number().int().min(5).max(7200).optional(),
};

export const Option = z.object({ id: PartId, text: TextByLanguage, picture: MediaReference.optional() });
export type Option = z.infer<typeof Option>;
const Options = z.array(Option).min(1).max(most.options, `${most.options} choices are the most a question can have.`);

export const AcceptedUnit = z.object({
  name: z.string().min(1).max(20),
  /** How many of the first unit one of this makes; null for a unit that can never be right (an area for a length). */
  factor: z.number().positive().nullable(),
});
export type AcceptedUnit = z.infer<typeof AcceptedUnit>;

export const NumberPart = z.object({
  id: PartId,
  right: z.number(),
  /** Still right when off by no more than this, in the part's own unit. */
  tolerance: z.number().min(0).default(0),
  /** Written behind the box; or, with `units`, chosen by the student. */
  unit: z.string().max(20).optional(),
  units: z.array(AcceptedUnit).min(2).max(8).optional(),
});
export type NumberPart = z.infer<typeof NumberPart>;

export const Gap = z.object({
  id: PartId,
  accepted: z.array(z.string().min(1).max(200)).min(1).max(20),
  /** With options the gap is a list to choose from; without, it is typed. */
  options: z.array(z.string().min(1).max(200)).min(2).max(20).optional(),
  /** The same list in the other languages. */
  optionsIn: z.record(LanguageTag, z.array(z.string().min(1).max(200)).max(20)).optional(),
});
export type Gap = z.infer<typeof Gap>;

export const ChoiceQuestion = z.object({
  ...asked,
  type: z.literal("choice"),
  options: Options,
  right: PartId.nullable(),
});
export const ChoicesQuestion = z.object({
  ...asked,
  type: z.literal("choices"),
  options: Options,
  right: z.array(PartId),
});
export const ShortTextQuestion = z.object({
  ...asked,
  type: z.literal("shortText"),
  /** `share` is the part of the marks this answer earns, 1 for a full one. */
  accepted: z.array(z.object({ text: z.string().max(200), share: z.number().min(0).max(1).default(1) })).max(30),
  spelling: SpellingRule.default(usualSpelling),
});
export const NumberQuestion = z.object({
  ...asked,
  type: z.literal("number"),
  parts: z.array(NumberPart).min(1).max(6),
  /** Something to find the number with; what it shows goes into the first part. */
  tool: Manipulative.optional(),
});
export const GapsQuestion = z.object({
  ...asked,
  type: z.literal("gaps"),
  /** The passage, a gap written as [[id]]. */
  passage: TextByLanguage,
  gaps: z.array(Gap).max(30),
  spelling: SpellingRule.default(usualSpelling),
});
export const MatchQuestion = z.object({
  ...asked,
  type: z.literal("match"),
  left: Options,
  /** May hold more than there are on the left: the rest lead astray. */
  right: Options,
  pairs: z.array(z.tuple([PartId, PartId])),
});
export const OrderQuestion = z.object({
  ...asked,
  type: z.literal("order"),
  /** In the order students first see them. */
  items: Options,
  right: z.array(PartId),
});
export const LongTextQuestion = z.object({
  ...asked,
  type: z.literal("longText"),
  lines: z.number().int().min(1).max(60).default(6),
  /** What a writer looks through before handing it in, and ticks. */
  checklist: z
    .array(z.object({ id: PartId, text: TextByLanguage }))
    .max(12)
    .optional(),
});

const Pairs = z.array(z.tuple([PartId, PartId])).max(60);
export const GroupsQuestion = z.object({
  ...asked,
  type: z.literal("groups"),
  groups: Options,
  items: Options,
  /** Which item belongs to which group. */
  right: Pairs,
});
export const LabelsQuestion = z.object({
  ...asked,
  type: z.literal("labels"),
  media: MediaReference,
  description: TextByLanguage,
  /** Where something is to be named: shares of the picture's width and height. */
  spots: z.array(z.object({ id: PartId, x: z.number().min(0).max(1), y: z.number().min(0).max(1) })).max(20),
  /** May hold more than there are spots: the rest lead astray. */
  labels: Options,
  right: Pairs,
});

export const LineQuestion = z.object({
  ...asked,
  type: z.literal("line"),
  axis: Axis,
  right: z.number(),
  tolerance: z.number().min(0).default(0),
});
export const BarsQuestion = z.object({
  ...asked,
  type: z.literal("bars"),
  axis: Axis,
  bars: z
    .array(z.object({ id: PartId, text: TextByLanguage, right: z.number(), tolerance: z.number().min(0).default(0) }))
    .min(1)
    .max(12),
});
export const PointsQuestion = z.object({
  ...asked,
  type: z.literal("points"),
  x: Axis,
  y: Axis,
  right: z.array(z.tuple([z.number(), z.number()])).max(30),
  tolerance: z.number().min(0).default(0),
});
export const HighlightQuestion = z.object({
  ...asked,
  type: z.literal("highlight"),
  passage: TextByLanguage,
  unit: z.enum(["word", "sentence"]).default("word"),
  /** Places of what is to be marked, by language: each passage has its own words. */
  right: z.record(LanguageTag, z.array(z.number().int().min(0).max(2000)).max(400)),
});
export const CellsQuestion = z.object({
  ...asked,
  type: z.literal("cells"),
  /** Rows by language, all of one length; a cell to fill is written as [[id]]. */
  rows: z.record(
    LanguageTag,
    z
      .array(z.array(z.string().max(400)).min(1).max(12))
      .min(1)
      .max(30),
  ),
  gaps: z.array(Gap).max(60),
  spelling: SpellingRule.default(usualSpelling),
});
export const SketchQuestion = z.object({
  ...asked,
  type: z.literal("sketch"),
  /** What lies under the student's own lines: a picture, or a drawing of the teacher's. */
  over: MediaReference.optional(),
  on: Drawing.optional(),
  description: TextByLanguage.optional(),
});
/** What a class thinks: nothing is right or wrong. */
export const PollQuestion = z.object({ ...asked, type: z.literal("poll"), options: Options });
export const PhotoQuestion = z.object({
  ...asked,
  type: z.literal("photo"),
  most: z.number().int().min(1).max(6).default(1),
});
export const SpeechQuestion = z.object({
  ...asked,
  type: z.literal("speech"),
  /** Seconds a recording may last. */
  longest: z.number().int().min(5).max(600).default(120),
});
export const NotePageQuestion = z.object({
  ...asked,
  type: z.literal("notePage"),
  template: z.enum(noteTemplates),
  /** Over the columns, the circles or the boxes, in the order of the page; the template's own where there is none. */
  headings: z.array(TextByLanguage).max(8).default([]),
  /** Boxes of a sequence, bubbles of a map, rows of a table. */
  count: z.number().int().min(1).max(12).default(4),
});

export const Question = z.discriminatedUnion("type", [
  ChoiceQuestion,
  ChoicesQuestion,
  ShortTextQuestion,
  NumberQuestion,
  GapsQuestion,
  MatchQuestion,
  OrderQuestion,
  LongTextQuestion,
  GroupsQuestion,
  LabelsQuestion,
  LineQuestion,
  BarsQuestion,
  PointsQuestion,
  HighlightQuestion,
  CellsQuestion,
  SketchQuestion,
  PollQuestion,
  PhotoQuestion,
  SpeechQuestion,
  NotePageQuestion,
]);
export type Question = z.infer<typeof Question>;
export type QuestionType = Question["type"];
export type QuestionOf<Type extends QuestionType> = Extract<Question, { type: Type }>;

/** One line of a drawing: x and y in turn, shares of width and height. */
export const Stroke = z.object({
  ink: z.enum(inks),
  width: z.number().min(1).max(20),
  points: z.array(z.number().min(0).max(1)).min(2).max(4000),
});
export type Stroke = z.infer<typeof Stroke>;

const Typed = z.string().max(20_000);
const short = z.string().max(500);

/** What a student gave, by type of question. */
export const responseSchemas = {
  choice: PartId,
  choices: z.array(PartId).max(30),
  shortText: short,
  number: z.record(PartId, z.object({ number: z.string().max(60), unit: z.string().max(20).optional() })),
  gaps: z.record(PartId, short),
  match: z.array(z.tuple([PartId, PartId])).max(60),
  order: z.array(PartId).max(30),
  longText: z.union([Typed, z.object({ text: Typed, done: z.array(PartId).max(12) })]),
  groups: Pairs,
  labels: Pairs,
  line: z.number(),
  bars: z.record(PartId, z.number()),
  points: z.array(z.tuple([z.number(), z.number()])).max(40),
  highlight: z.array(z.number().int().min(0).max(2000)).max(400),
  cells: z.record(PartId, short),
  sketch: z.array(Stroke).max(300),
  poll: PartId,
  photo: z.array(StoredFile).max(6),
  /** No file: what was recorded was deleted again. */
  speech: z.object({ media: z.union([StoredFile, z.literal("")]), seconds: z.number().min(0).max(600) }),
  notePage: z.record(PartId, z.string().max(4000)),
} satisfies Record<QuestionType, z.ZodType>;
export type ResponseOf<Type extends QuestionType> = z.infer<(typeof responseSchemas)[Type]>;
export type ResponseValue = ResponseOf<QuestionType>;
