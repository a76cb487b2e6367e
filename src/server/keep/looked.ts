import { headers } from "next/headers";
import { noteLook } from "@/data/keep/about-child";
import type { Queryable } from "@/data/engine/db";

/** Notes that somebody looked at what is stored about a child; a page that is only fetched ahead was not looked at. */
export async function noteLooked(
  db: Queryable,
  look: { student: number; by: number; what: string; at: Date },
): Promise<void> {
  if ((await headers()).has("next-router-prefetch")) return;
  await noteLook(db, look);
}
