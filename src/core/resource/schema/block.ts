import { z } from "zod";
import { Drawing } from "@/core/drawing/schema";
import { Manipulative } from "@/core/manipulative/schema";
import { LanguageTag, RichTextByLanguage, TextByLanguage } from "../../content/schema/language";
import { MediaReference } from "../../content/schema/media-reference";
import { Question } from "../../question/schema";
import { PartId } from "../../question/types/asked";

const WebAddress = z.url({ protocol: /^https?$/ }).max(2000);
const Seconds = z.number().min(0).max(36_000);
const base = { id: PartId };

/** Where a step, or a single question, was taken from. */
export const Origin = z.object({ resource: z.number().int(), revision: z.number().int(), step: PartId });

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
  /** Width and height in pixels, so that there is room for it before it has come. */
  size: z.tuple([z.number().int().positive(), z.number().int().positive()]).optional(),
  /** Description, for anyone who cannot see it. Empty only when `decorative`. */
  description: TextByLanguage,
  decorative: z.boolean().default(false),
  caption: TextByLanguage.optional(),
});

/** A moment in a film at which it waits for the student. */
export const FilmStop = z.object({
  id: PartId,
  at: Seconds,
  question: Question.optional(),
  note: RichTextByLanguage.optional(),
  link: z.object({ href: WebAddress, label: TextByLanguage }).optional(),
  /** Whether the film may go on without an answer. */
  maySkip: z.boolean().default(false),
});
export type FilmStop = z.infer<typeof FilmStop>;

export const Block = z.discriminatedUnion("type", [
  z.object({ ...base, type: z.literal("text"), text: RichTextByLanguage }),
  PictureBlock,
  TableBlock,
  z.object({
    ...base,
    type: z.literal("film"),
    media: MediaReference,
    title: TextByLanguage.optional(),
    /** How long the whole film is, once it has been opened in the editor. */
    seconds: Seconds.optional(),
    from: Seconds.optional(),
    to: Seconds.optional(),
    captions: z.record(LanguageTag, MediaReference).default({}),
    stops: z.array(FilmStop).max(60).default([]),
  }),
  z.object({
    ...base,
    type: z.literal("sound"),
    media: MediaReference,
    /** Who recorded it, by a person's id; `kept`: a version keeps this voice of another's because its author chose so. */
    speaker: z.object({ by: z.number().int(), name: z.string().max(200), kept: z.boolean().default(false) }).optional(),
    transcript: TextByLanguage.optional(),
    seconds: Seconds.optional(),
  }),
  z.object({ ...base, type: z.literal("maths"), tex: z.string().max(4000), spoken: TextByLanguage }),
  z.object({
    ...base,
    type: z.literal("link"),
    href: WebAddress,
    label: TextByLanguage,
  }),
  z.object({ ...base, type: z.literal("file"), media: MediaReference, label: TextByLanguage }),
  z.object({ ...base, type: z.literal("drawing"), drawing: Drawing }),
  z.object({ ...base, type: z.literal("manipulative"), tool: Manipulative }),
  z.object({ ...base, type: z.literal("question"), question: Question, origin: Origin.optional() }),
]);
export type Block = z.infer<typeof Block>;
export type BlockOf<Type extends Block["type"]> = Extract<Block, { type: Type }>;
