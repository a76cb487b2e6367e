import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { noteTemplates } from "@/core/content/vocabulary";
import { asked, PartId } from "../asked";

export const Question = z.object({
  ...asked,
  type: z.literal("notePage"),
  template: z.enum(noteTemplates),
  /** Over the columns, the circles or the boxes, in the order of the page; the template's own where there is none. */
  headings: z.array(TextByLanguage).max(8).default([]),
  /** Boxes of a sequence, bubbles of a map, rows of a table. */
  count: z.number().int().min(1).max(12).default(4),
});

/** By field: what was written (a record of strings); a person reads it. */
export const Response = z.record(PartId, z.string().max(4000));
