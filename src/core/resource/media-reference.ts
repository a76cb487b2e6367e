import { z } from "zod";

/** A file kept by its SHA-256, or a drawing that ships with the application ("drawing:name"). */
export const MediaReference = z.string().regex(/^([0-9a-f]{64}|drawing:[a-z0-9-]{1,80})$/, "Not a stored file");
