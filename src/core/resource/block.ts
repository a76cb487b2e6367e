import { z } from "zod";
import { LanguageTag, RichTextByLanguage, TextByLanguage } from "./language";
import { MediaReference } from "./media-reference";
import { PartId, Question } from "./question";

const Seconds = z.number().min(0).max(36_000);
const base = { id: PartId };

const TableCell = z.string().max(400);
export const TableBlock = z.object({
  ...base,
  type: z.literal("table"),
  caption: TextByLanguage.optional(),
  /** Rows by language, all of one length. */
  rows: z.record(LanguageTag, z.array(z.array(TableCell).min(1).max(20)).min(1).max(60)),
  headerRow: z.boolean().default(true),
  headerColumn: z.boolean().default(false),
});

export const PictureBlock = z.object({
  ...base,
  type: z.literal("picture"),
  media: MediaReference,
  /** What it shows, for those who do not see it. Empty only when `decorative`. */
  description: TextByLanguage,
  decorative: z.boolean().default(false),
  caption: TextByLanguage.optional(),
});

/** A moment in a film at which it waits for the student. */
const FilmStop = z.object({
  id: PartId,
  at: Seconds,
  question: Question.optional(),
  note: RichTextByLanguage.optional(),
  maySkip: z.boolean().default(false),
});

export const Block = z.discriminatedUnion("type", [
  z.object({ ...base, type: z.literal("text"), text: RichTextByLanguage }),
  PictureBlock,
  TableBlock,
  z.object({
    ...base,
    type: z.literal("film"),
    media: MediaReference,
    from: Seconds.optional(),
    to: Seconds.optional(),
    captions: z.record(LanguageTag, MediaReference).default({}),
    stops: z.array(FilmStop).default([]),
  }),
  z.object({
    ...base,
    type: z.literal("sound"),
    media: MediaReference,
    transcript: TextByLanguage.optional(),
    seconds: Seconds.optional(),
  }),
  z.object({ ...base, type: z.literal("maths"), tex: z.string().max(4000), spoken: TextByLanguage }),
  z.object({
    ...base,
    type: z.literal("link"),
    href: z.url({ protocol: /^https?$/ }).max(2000),
    label: TextByLanguage,
  }),
  z.object({ ...base, type: z.literal("file"), media: MediaReference, label: TextByLanguage }),
  z.object({
    ...base,
    type: z.literal("notePage"),
    template: z.enum(["blank", "two columns", "compare", "sequence", "word map", "data table"]),
    headings: TextByLanguage.optional(),
  }),
  z.object({
    ...base,
    type: z.literal("manipulative"),
    tool: z.enum(["number line", "bars", "base ten", "clock", "balance", "graph reader", "coins", "ruler"]),
    settings: z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])).default({}),
  }),
  z.object({ ...base, type: z.literal("question"), question: Question }),
  z.object({ ...base, type: z.literal("drawing"), over: MediaReference.optional(), prompt: RichTextByLanguage }),
  z.object({ ...base, type: z.literal("photo"), prompt: RichTextByLanguage }),
  z.object({ ...base, type: z.literal("speech"), prompt: RichTextByLanguage, longest: Seconds.default(120) }),
  z.object({
    ...base,
    type: z.literal("poll"),
    prompt: RichTextByLanguage,
    options: z.array(TextByLanguage).min(2).max(12),
  }),
]);
export type Block = z.infer<typeof Block>;
export type BlockOf<Type extends Block["type"]> = Extract<Block, { type: Type }>;
