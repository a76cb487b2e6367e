import { z } from "zod";
import { TextByLanguage } from "@/core/content/schema/language";
import { MediaReference } from "@/core/content/schema/media-reference";
import { asked, PartId } from "../asked";

const share = z.number().min(0).max(1);

/** A place on a map or a picture. */
export const Question = z.object({
  ...asked,
  type: z.literal("place"),
  media: MediaReference,
  description: TextByLanguage,
  /** Squares named by a letter and a number lie over the picture, as on a map. */
  grid: z.boolean().default(true),
  /** As many places as a student may mark. */
  most: z.number().int().min(1).max(10).default(1),
  /**
   * Where it is right: ellipses. `x` and `y` of the middle and the two half axes `across` and `down` are shares of the picture's
   * width and height.
   */
  right: z
    .array(
      z.object({
        id: PartId,
        x: share,
        y: share,
        across: z.number().min(0.01).max(1),
        down: z.number().min(0.01).max(1),
      }),
    )
    .max(10),
});

/** Shares of width and height (multiple point, select point). */
export const Response = z.array(z.tuple([share, share])).max(10);
