import { idFrom } from "@/core/ids";
import { filterFromParameters, filterSatchel, inPocket, pocketFrom } from "@/core/satchel/filter";
import { pocketsOf, type Pocket } from "@/data/satchel/pockets";
import { satchelOf, type SatchelItem } from "@/data/satchel/satchel";
import type { Db } from "@/data/engine/db";
import type { Visitor } from "../web/session";

/** What a satchel shows at an address, all of its lines, in order; with `ids`, only those of them. */
export async function listedSatchel(
  db: Db,
  visitor: Visitor,
  parameters: Record<string, string>,
  now: Date,
): Promise<{ items: SatchelItem[]; pocket: Pocket | null; pockets: Pocket[] }> {
  const [all, pockets] = await Promise.all([satchelOf(db, visitor), pocketsOf(db, visitor.id)]);
  const open = pocketFrom(parameters.pocket, pockets);
  const shown = filterSatchel(inPocket(all, pockets, open), filterFromParameters(parameters), now);
  const ids = parameters.ids?.split(",").flatMap((id) => idFrom(id) ?? []);
  return {
    items: ids ? shown.filter(({ id }) => ids.includes(id)) : shown,
    pocket: pockets.find(({ id }) => id === open) ?? null,
    pockets,
  };
}
