import { z } from "zod";
import { LanguageTag, RichTextByLanguage, TextByLanguage } from "@/core/content/schema/language";
import { MediaReference } from "@/core/content/schema/media-reference";
import { most } from "@/core/content/vocabulary";

/** What the schemas of several types are made of. */
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

/** What every question has. */
export const asked = {
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
  /** Its numbers were changed and its answer could not be proved: the teacher looks at it before it is published. */
  toCheck: z.boolean().optional(),
  /** Codes of the resource's standards it is about; without, all of them. */
  standards: z.array(z.string().min(1).max(80)).max(6).optional(),
};

export const Option = z.object({ id: PartId, text: TextByLanguage, picture: MediaReference.optional() });
export type Option = z.infer<typeof Option>;
export const Options = z
  .array(Option)
  .min(1)
  .max(most.options, `${most.options} choices are the most a question can have.`);

export const Gap = z.object({
  id: PartId,
  accepted: z.array(z.string().min(1).max(200)).min(1).max(20),
  /** With options the gap is a list to choose from; without, it is typed. */
  options: z.array(z.string().min(1).max(200)).min(2).max(20).optional(),
  /** The same list in the other languages. */
  optionsIn: z.record(LanguageTag, z.array(z.string().min(1).max(200)).max(20)).optional(),
});
export type Gap = z.infer<typeof Gap>;

/** What belongs where: two ids. */
export const Pairs = z.array(z.tuple([PartId, PartId])).max(60);
