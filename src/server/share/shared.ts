import type { CuratedShelf, SharedShelf } from "@/core/sharing/how-far";
import type { Db } from "@/data/engine/db";
import { linksTo } from "@/data/share/links";
import { offersFor, type OfferState } from "@/data/share/offers";
import { ownPublished } from "@/data/adapt/resources";
import { givenOf } from "@/data/share/shares";
import { entriesOf, usesOf, type Uses } from "@/data/share/sharing";
import type { Visitor } from "../web/session";

/** Where one of her things stands with others. */
export interface SharedThing {
  id: number;
  title: string;
  shelves: SharedShelf[];
  /** The last offer to each shelf curators keep, where it is not there. */
  offers: { shelf: CuratedShelf; state: OfferState }[];
  /** To whom she gave it by name. */
  given: string[];
  links: number;
  uses: Omit<Uses, "resource">;
}

const MOST = 500;

/** All of hers that others can see, were offered or have used, the latest first. */
export async function sharedByHer(db: Db, visitor: Visitor): Promise<SharedThing[]> {
  const own = await ownPublished(db, visitor.id, MOST);
  const ids = own.map(({ id }) => id);
  const [entries, offers, given, links, uses] = await Promise.all([
    entriesOf(db, ids),
    offersFor(db, ids),
    givenOf(db, ids),
    linksTo(db, visitor.id, ids),
    usesOf(db, ids),
  ]);
  const none = { packed: 0, adapted: 0, assigned: 0 };
  return own.flatMap(({ id, title }): SharedThing[] => {
    const shelves = entries.filter((entry) => entry.resource === id).map(({ shelf }) => shelf);
    // The newest comes first: what became of the last offer to a shelf counts.
    const last = offers
      .filter((offer) => offer.resource === id)
      .filter((offer, at, all) => all.findIndex(({ shelf }) => shelf === offer.shelf) === at)
      .filter(({ shelf, state }) => !shelves.includes(shelf) && state !== "withdrawn" && state !== "accepted");
    const { resource: _resource, ...used } = uses.find(({ resource }) => resource === id) ?? { resource: id, ...none };
    const thing = {
      ...{ id, title, shelves, uses: used },
      offers: last.map(({ shelf, state }) => ({ shelf, state })),
      given: given.filter(({ resource, byLink }) => resource === id && !byLink).map(({ name }) => name),
      links: links.filter(({ resources }) => resources.includes(id)).length,
    };
    const seen = shelves.length + last.length + thing.given.length + thing.links > 0;
    return seen || used.packed + used.adapted + used.assigned > 0 ? [thing] : [];
  });
}
