import { askedAddress, type Answered, type Asked } from "@/core/find/asked";
import { needToParameters } from "@/core/find/need";
import type { ClassProfile } from "@/core/fit/fit";
import { lineFacts, type LineFacts } from "@/core/resource/facts";
import type { Db } from "@/data/engine/db";
import { noteViewed, savedSearches, seenAuthor, markSearchSeen } from "@/data/find/saved-searches";
import type { Reader } from "@/data/find/reach";
import type { Hit } from "@/data/find/search";
import { assignContext, type AssignContext } from "../assign/assign-context";
import { find, type Found } from "./find";
import { classProfile } from "./fit";
import { lightTable, type LightTableData } from "./light-table";
import { readerOf } from "./reader";
import type { Visitor } from "../web/session";

/** A line of results: of its facts, those it shows. */
export type FoundLine = Omit<Hit, "facts"> & { facts: LineFacts };

export interface Results {
  asked: Asked;
  found: Omit<Found, "hits"> & { hits: FoundLine[] };
  /** Whether she keeps this need. */
  saved: boolean;
}

/** Who looks, and for which class: what each part of the page needs to know. */
export interface Looking {
  reader: Reader;
  assign: AssignContext;
  profile: ClassProfile | null;
}

export async function looking(db: Db, visitor: Visitor, now: Date): Promise<Looking> {
  const day = assignContext(db, visitor, now);
  const ofClass = async () => {
    const { classes, current } = await day;
    return classProfile(db, classes.find((group) => group.id === current) ?? null, now);
  };
  const [reader, assign, profile] = await Promise.all([readerOf(db, visitor), day, ofClass()]);
  return { reader, assign, profile };
}

/** @throws DOMException when the one who asked has gone on to another question */
export async function resultsOf(
  db: Db,
  { reader, assign, profile }: Looking,
  asked: Asked,
  now: Date,
  signal?: AbortSignal,
): Promise<Answered<Results>> {
  const { need, sort, limit, unfolded, alike } = asked;
  const [saved, found] = await Promise.all([
    savedSearches(db, reader.id),
    find(db, reader, need, { sort, limit, classes: assign.classes, now, profile, unfolded, alike, signal }),
  ]);
  const address = needToParameters(need).toString();
  const kept = saved.some((one) => one.address === address);
  // What she has now seen is not new the next time.
  if (kept) await markSearchSeen(db, reader.id, address, now);
  for (const author of need.authors) await seenAuthor(db, reader.id, author, now);
  const hits = found.hits.map((hit) => ({ ...hit, facts: lineFacts(hit.facts) }));
  return { address: askedAddress(asked), value: { asked, found: { ...found, hits }, saved: kept } };
}

/** What lies on the light table; `chosen`: she opened it herself, it does not only lie there as the first of the results. */
export async function tableOf(
  db: Db,
  visitor: Visitor,
  { profile }: Pick<Looking, "profile">,
  resource: number,
  chosen: boolean,
  now: Date,
): Promise<LightTableData | null> {
  const opened = await lightTable(db, visitor, resource, now, profile);
  if (chosen && opened && !opened.mine) await noteViewed(db, visitor.id, resource, now);
  return opened;
}
