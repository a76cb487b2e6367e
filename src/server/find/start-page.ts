import { needFromParameters } from "@/core/find/need";
import { authorsNear, curatedSets, topTopics, usedHereMost, type CuratedSet, type Place } from "@/data/find/browse";
import type { Db } from "@/data/engine/db";
import { followedBy, savedSearches, viewedLately, type Followed, type Viewed } from "@/data/find/saved-searches";
import { freshSince } from "@/data/find/fresh";
import type { Reader } from "@/data/find/reach";
import { readAs } from "./find";
import type { NamedClass } from "./understand";

/** What Find shows somebody who has no words yet. */
export interface StartData {
  saved: { id: number; name: string; address: string; fresh: number; seen: Date }[];
  followed: Followed[];
  viewed: Viewed[];
  usedHere: Place[];
  /** Of this month first. */
  sets: CuratedSet[];
  topics: Place[];
  colleagues: Place[];
  partners: Place[];
  month: number;
}

const MOST_SAVED = 12;

export async function startData(db: Db, reader: Reader, classes: readonly NamedClass[], now: Date): Promise<StartData> {
  const month = now.getMonth() + 1;
  const kept = (await savedSearches(db, reader.id)).slice(0, MOST_SAVED);
  const saved = [];
  for (const one of kept) {
    const need = needFromParameters(Object.fromEntries(new URLSearchParams(one.address)));
    const read = await readAs(db, reader, need, { classes, now });
    saved.push({ ...one, fresh: await freshSince(db, reader, read, one.seen) });
  }
  const [followed, viewed, usedHere, sets, topics, authors] = await Promise.all([
    followedBy(db, reader),
    viewedLately(db, reader, 6),
    usedHereMost(db, reader, 6),
    curatedSets(db, reader),
    topTopics(db, reader, 18),
    authorsNear(db, reader),
  ]);
  return {
    saved,
    followed,
    viewed,
    usedHere,
    sets: sets.sort((one, other) => Number(other.months.includes(month)) - Number(one.months.includes(month))),
    topics,
    colleagues: authors.filter((author) => !author.partner),
    partners: authors.filter((author) => author.partner),
    month,
  };
}
