import { z } from "zod";
import { asked, Options, PartId } from "../asked";

/** What a class thinks: nothing is right or wrong. */
export const Question = z.object({ ...asked, type: z.literal("poll"), options: Options });

/** A single identifier, not marked. */
export const Response = PartId;
