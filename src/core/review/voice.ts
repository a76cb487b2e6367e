import { z } from "zod";
import { StoredFile } from "../content/schema/media-reference";

/** Something said: a stored recording, and how long it lasts (seconds). */
export const Voice = z.object({ media: StoredFile, seconds: z.number().positive().max(600) });
export type Voice = z.infer<typeof Voice>;
