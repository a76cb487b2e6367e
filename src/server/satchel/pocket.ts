import { titleSaid } from "@/core/sharing/how-far";
import type { Queryable } from "@/data/engine/db";
import { ownIn, type keepersOf } from "@/data/satchel/pockets";
import { publishedOf } from "@/data/engine/read-once";
import { schoolsOf } from "@/data/office/people";
import { ownedAmong } from "@/data/adapt/resources";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { standing } from "../share/standing";

/**
 * What people put of their own into a pocket they keep together is seen by all of them. Asks of each of those things (all in a pocket,
 * or those about to be put in) whether it may go so far: to the school, or beyond it where somebody is of another one.
 *
 * @throws ActionError with the reasons, by title
 */
export async function refuseWhatStays(
  tx: Queryable,
  { owner, people }: Pick<Awaited<ReturnType<typeof keepersOf>>, "owner" | "people">,
  of: { pocket: number } | { by: number; resources: readonly number[] },
): Promise<void> {
  if (people.length === 0) return;
  const things =
    "pocket" in of
      ? await ownIn(tx, of.pocket)
      : (await ownedAmong(tx, of.by, of.resources)).map((id) => ({ id, owner: of.by }));
  const schools = await schoolsOf(tx, [owner, ...people.map(({ id }) => id)]);
  const shelf = new Set(schools).size === 1 && schools[0] !== null ? "staffroom" : "district";
  const published = await publishedOf(
    tx,
    things.map(({ id }) => id),
  );
  const reasons: string[] = [];
  for (const author of new Set(things.map((thing) => thing.owner))) {
    const documents = things
      .filter((thing) => thing.owner === author)
      .flatMap(({ id }) => published.get(id)?.document ?? []);
    for (const [nth, shelves] of (await standing(tx, author, documents)).entries())
      reasons.push(...shelves[shelf].map(({ text }) => `“${titleSaid(documents[nth]!)}”: ${text}`));
  }
  if (reasons.length > 0) throw new ActionError(problemOf("notForAllKeepers", { reasons: reasons.join(" ") }));
}
