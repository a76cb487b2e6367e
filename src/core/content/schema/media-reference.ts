import { z } from "zod";

/** A file kept by its SHA-256. */
export const StoredFile = z.string().regex(/^[0-9a-f]{64}$/, "Not a stored file");

/**
 * A file kept by its SHA-256, or one that ships with the application: "drawing:name", "film:name", "sound:name", or
 * the captions of a film in a language, "captions:name.en".
 */
export const MediaReference = z
  .string()
  .regex(
    /^([0-9a-f]{64}|(drawing|film|sound):[a-z0-9-]{1,80}|captions:[a-z0-9-]{1,80}\.[a-z-]{2,12})$/,
    "Not a stored file",
  );
