import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { MediaReference } from "@/core/content/schema/media-reference";
import { asked, Options, Pairs, PartId } from "../asked";

export const Question = z.object({
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

/** Pairs of spot and label (multiple directedPair, graphic gap match). */
export const Response = Pairs;
