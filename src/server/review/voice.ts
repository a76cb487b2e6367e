import type { Voice } from "@/core/review/voice";
import { mediaByHash } from "@/data/engine/media";
import type { Queryable } from "@/data/engine/db";

/** Whether a recording that is named is stored, and is a sound; none at all is as good. */
export async function canBeHeard(db: Queryable, voice: Voice | null): Promise<boolean> {
  return voice === null || ((await mediaByHash(db, voice.media))?.mime.startsWith("audio/") ?? false);
}
