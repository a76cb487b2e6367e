import { z } from "zod";
import { kinds, licences, most, phases, subjects, works } from "../../content/vocabulary";
import { Block, Origin } from "./block";
import { MediaReference } from "../../content/schema/media-reference";
import { LanguageTag, RichTextByLanguage, TextByLanguage } from "../../content/schema/language";
import { PartId } from "../../question/types/asked";
import { RichText } from "../../content/schema/rich-text";
import { RunSheet } from "../../run-sheet/schema";

/** The document of one revision: everything there is to a resource but who owns it and which shelf it stands on. */

export const SCHEMA_VERSION = 1;

export const Kind = z.enum(kinds);
export type Kind = z.infer<typeof Kind>;

export const Subject = z.enum(subjects);
export type Subject = z.infer<typeof Subject>;

/** School grades, kindergarten as 0. */
export const Grade = z.number().int().min(0).max(12);
export const GradeSpan = z
  .object({ from: Grade, to: Grade })
  .refine((span) => span.from <= span.to, "The lower grade comes first");
export type GradeSpan = z.infer<typeof GradeSpan>;

export const Licence = z.enum(licences);
export type Licence = z.infer<typeof Licence>;

/** Where a part came from; grows with each adaptation and is never cut. */
export const Credit = z.object({
  title: z.string().max(300),
  author: z.string().max(200),
  source: z.string().max(500),
  licence: Licence,
  changed: z.string().max(1000),
  /** Only where single steps were taken and not the whole: the resource they came from. */
  resource: z.number().int().optional(),
});
export type Credit = z.infer<typeof Credit>;

/** Somebody's voice. `by` is a person's id; a version keeps another's voice only when `kept` says that she chose so. */
export const Recording = z.object({
  media: MediaReference,
  by: z.number().int(),
  name: z.string().max(200),
  seconds: z.number().min(0).max(600),
  kept: z.boolean().default(false),
});
export type Recording = z.infer<typeof Recording>;
const Instructions = z.record(LanguageTag, z.object({ text: RichText, recording: Recording.optional() }));

export const Audience = z.enum(["student", "teacher", "both"]);

export const Step = z.object({
  /** Survives copying and reordering: differences, merges and results hang on it. */
  id: PartId,
  origin: Origin.optional(),
  title: TextByLanguage,
  audience: Audience.default("student"),
  minutes: z.number().int().min(0).max(600).optional(),
  phase: z.enum(phases).default("practise"),
  work: z.enum(works).default("alone"),
  locked: z.boolean().default(false),
  instructions: Instructions.default({}),
  /** What the teacher says, watches for, and answers; never sent to students. */
  teacherNotes: RichTextByLanguage.optional(),
  blocks: z.array(Block).max(most.blocks, `${most.blocks} things are the most a step can have.`),
});
export type Step = z.infer<typeof Step>;

export const Alignment = z.object({
  framework: z.string().max(80),
  code: z.string().max(80),
  /** LRMI alignment types. */
  relation: z.enum(["teaches", "assesses", "requires"]),
});

const questionIds = ({ blocks }: Step): string[] =>
  blocks
    .flatMap((block) =>
      block.type === "question"
        ? [block.question]
        : block.type === "film"
          ? block.stops.map((stop) => stop.question)
          : [],
    )
    .flatMap((question) => question?.id ?? []);

export const Document = z
  .object({
    schema: z.literal(SCHEMA_VERSION),
    /** First is the main one. */
    languages: z.array(LanguageTag).min(1).max(12),
    title: TextByLanguage,
    summary: TextByLanguage.default({}),
    kind: Kind,
    grades: GradeSpan,
    subjects: z.array(Subject).min(1).max(4),
    topics: z.array(z.string().max(60)).max(12).default([]),
    /** Months 1-12 it belongs to, when it belongs to a part of the year. */
    months: z.array(z.number().int().min(1).max(12)).max(12).optional(),
    minutes: z.number().int().min(1).max(600).optional(),
    /** ISO 3166 country or ISO 3166-2 region it is made for. */
    region: z
      .string()
      .regex(/^[A-Z]{2}(-[A-Z0-9]{1,3})?$/)
      .optional(),
    devices: z
      .array(z.enum(["any", "computer", "tablet", "phone", "camera", "microphone", "printer", "none"]))
      .max(8)
      .default(["any"]),
    standards: z.array(Alignment).max(40).default([]),
    edition: z
      .object({
        work: z.string().max(200),
        isbn13: z
          .string()
          .regex(/^97[89]\d{10}$/)
          .optional(),
        year: z.number().int().optional(),
        pages: z.number().int().positive().optional(),
        format: z.string().max(60).optional(),
        readBy: z.string().max(120).optional(),
      })
      .optional(),
    vocabulary: z
      .array(z.object({ term: z.string().max(80), meaning: TextByLanguage, picture: MediaReference.optional() }))
      .max(60)
      .default([]),
    licence: Licence,
    credits: z.array(Credit).max(60).default([]),
    teacherNotes: RichTextByLanguage.optional(),
    familyNote: RichTextByLanguage.optional(),
    /** How it is led with the whole class; never sent to students. */
    runSheet: RunSheet.optional(),
    steps: z.array(Step).max(most.steps, `${most.steps} steps are the most a resource can have.`),
  })
  .superRefine((document, context) => {
    const seen = new Set<string>();
    document.steps.forEach((step, at) => {
      const ids = [step.id, ...questionIds(step)];
      for (const id of ids) {
        if (seen.has(id))
          context.addIssue({ code: "custom", path: ["steps", at, "id"], message: `The id ${id} is used twice` });
        seen.add(id);
      }
    });
  });
export type Document = z.infer<typeof Document>;

/** A document that is not what it should be: where, and why. */
export class DocumentError extends Error {
  constructor(readonly problems: string[]) {
    super(`This is not a resource we can read: ${problems.slice(0, 3).join("; ")}`);
    this.name = "DocumentError";
  }
}

/**
 * Steps from an older schema version to the next, applied in turn; `upgrades[1]` makes version 2 of version 1.
 * Stored revisions stay as they are, they are upgraded when read.
 */
const upgrades: Record<number, (document: Record<string, unknown>) => Record<string, unknown>> = {};

/** `parseDocument(lesson)` gives `lesson`. @throws DocumentError naming the first places that are wrong */
export function parseDocument(value: unknown): Document {
  let candidate = value as Record<string, unknown>;
  if (typeof candidate === "object" && candidate !== null) {
    const version = Number(candidate.schema);
    if (version > SCHEMA_VERSION)
      throw new DocumentError([`it was made by a newer version of Golden Satchel (schema ${version})`]);
    for (let at = version; upgrades[at]; at += 1) candidate = upgrades[at]!(candidate);
  }
  const parsed = Document.safeParse(candidate);
  if (parsed.success) return parsed.data;
  throw new DocumentError(
    parsed.error.issues.map((issue) => `${issue.path.join(".") || "document"}: ${issue.message}`),
  );
}
