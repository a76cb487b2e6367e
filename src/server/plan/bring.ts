import { needFromParameters } from "@/core/find/need";
import { classesOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { find } from "../find/find";
import { readerOf } from "../find/reader";
import type { Visitor } from "../web/session";

/** A resource as the plan needs it, to be put on a lesson. */
export interface Bringable {
  id: number;
  title: string;
  author: string;
  minutes: number;
  grades: { from: number; to: number };
}

const MOST = 24;

/** The best of what these words find in everything she may see; without words, what lies in her satchel. */
export async function bringable(db: Db, visitor: Visitor, words: string, now: Date): Promise<Bringable[]> {
  const need = needFromParameters(words ? { words } : { shelf: "satchel" });
  const { hits } = await find(db, await readerOf(db, visitor), need, {
    sort: "best",
    limit: MOST,
    classes: await classesOf(db, visitor.id, now),
    now,
  });
  return hits.map(({ id, facts, author }) => ({
    id,
    title: facts.title,
    author,
    minutes: facts.minutes,
    grades: facts.grades,
  }));
}
