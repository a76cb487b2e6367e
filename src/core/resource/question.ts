import { z } from "zod";
import { RichTextByLanguage, TextByLanguage } from "./language";

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
 *   longText    string                                  single string, marked by a person
 */
export const PartId = z.string().regex(/^[A-Za-z0-9_-]{1,40}$/, "An id is 1 to 40 letters, digits, - or _");

export const CheckingTime = z.enum(["at once", "at the end", "never"]);
export type CheckingTime = z.infer<typeof CheckingTime>;

/** How typed words are compared with the accepted ones. */
export const SpellingRule = z.object({
  ignoreCase: z.boolean().default(true),
  ignoreAccents: z.boolean().default(false),
  /** One letter wrong, missing, added or swapped is forgiven in words of five letters and more. */
  forgiveOneSlip: z.boolean().default(false),
});
export type SpellingRule = z.infer<typeof SpellingRule>;
export const usualSpelling: SpellingRule = { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false };

const asked = {
  id: PartId,
  prompt: RichTextByLanguage,
  marks: z.number().min(0).max(100).default(1),
  /** "by part": each right part earns its share; "all": everything right or nothing. */
  partial: z.enum(["all", "by part"]).default("by part"),
  hint: RichTextByLanguage.optional(),
  feedback: z.object({ right: RichTextByLanguage.optional(), wrong: RichTextByLanguage.optional() }).optional(),
  /** When the student may see whether it is right; an assignment may overrule it. */
  checked: CheckingTime.default("at once"),
  seconds: z.number().int().min(5).max(7200).optional(),
};

export const Option = z.object({ id: PartId, text: TextByLanguage, picture: z.string().max(200).optional() });
export type Option = z.infer<typeof Option>;
const Options = z.array(Option).min(1).max(30);

export const AcceptedUnit = z.object({
  name: z.string().min(1).max(20),
  /** How many of the first unit one of this makes; null for a unit that can never be right (an area for a length). */
  factor: z.number().positive().nullable(),
});

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
]);
export type Question = z.infer<typeof Question>;
export type QuestionType = Question["type"];
export type QuestionOf<Type extends QuestionType> = Extract<Question, { type: Type }>;

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
  longText: Typed,
} satisfies Record<QuestionType, z.ZodType>;
export type ResponseOf<Type extends QuestionType> = z.infer<(typeof responseSchemas)[Type]>;
export type ResponseValue = ResponseOf<QuestionType>;

/** The gaps of a passage in order: text and gap ids in turn. */
export function passageParts(passage: string): ({ text: string } | { gap: string })[] {
  return passage
    .split(/(\[\[[A-Za-z0-9_-]+\]\])/)
    .filter((part) => part !== "")
    .map((part) => (/^\[\[.*\]\]$/.test(part) ? { gap: part.slice(2, -2) } : { text: part }));
}
