"use server";
import { z } from "zod";
import { pocketColours } from "@/core/satchel/filter";
import { isTaken } from "@/data/db";
import * as satchel from "@/data/satchel";
import { act, Refused } from "../act";

const Id = z.number().int().positive();
const Ids = z.array(Id).min(1).max(3000);
const PocketName = z.string().trim().min(1, "A pocket needs a name.").max(80, "A name of at most 80 letters, please.");

/** Packs a resource; `already` when it was in the satchel before. */
export const packResource = act(
  "pack resource",
  z.object({ resource: Id }),
  (given) => ({ resource: given.resource }),
  async ({ db, visitor, now }, { resource }) => ({
    already: !(await satchel.pack(db, visitor.id, resource, now)),
  }),
);

/** Takes packed resources out. Returns the pockets each was in, so that undo can put it back there. */
export const unpackResources = act("unpack resource", z.object({ ids: Ids }), ({ db, visitor }, { ids }) =>
  db.transaction(async (tx) => {
    const pockets: { resource: number; pockets: number[] }[] = [];
    for (const resource of ids) pockets.push({ resource, pockets: await satchel.unpack(tx, visitor.id, resource) });
    return pockets;
  }),
);

/** Undo of unpacking: packs again and puts into the pockets of hers it was in. */
export const packAgain = act(
  "put into pocket again",
  z.object({ resources: Ids, pockets: z.array(z.object({ resource: Id, pockets: z.array(Id).max(500) })) }),
  (given) => ({ resources: given.resources }),
  ({ db, visitor, now }, { resources, pockets }) =>
    db.transaction(async (tx) => {
      for (const resource of resources) await satchel.pack(tx, visitor.id, resource, now);
      for (const { resource, pockets: ids } of pockets) {
        if (!resources.includes(resource)) continue;
        for (const pocket of ids) {
          if (await satchel.ownsPocket(tx, visitor.id, pocket))
            await satchel.putIntoPocket(tx, pocket, [resource], now);
        }
      }
      return {};
    }),
);

async function named<Result>(work: () => Promise<Result>): Promise<Result> {
  try {
    return await work();
  } catch (error) {
    if (isTaken(error, "pocket_person_id_name_key"))
      throw new Refused("You have a pocket of that name already.", "name");
    throw error;
  }
}

export const makePocket = act("make pocket", z.object({ name: PocketName }), ({ db, visitor }, { name }) =>
  named(() => satchel.addPocket(db, visitor.id, name)),
);

export const changePocket = act(
  "change pocket",
  z.object({
    pocket: Id,
    name: PocketName.optional(),
    about: z.string().trim().max(2000).optional(),
    colour: z.enum(pocketColours).optional(),
  }),
  (given) => ({ pocket: given.pocket }),
  ({ db }, { pocket, ...change }) =>
    named(async () => {
      await satchel.changePocket(db, pocket, change);
      return {};
    }),
);

/** Gives things a word of hers (or takes it away). Returns those for which that changed anything, for undo. */
export const tagResources = act(
  "tag resources",
  z.object({
    resources: Ids,
    tag: z.string().trim().min(1, "Which word?").max(40, "A word of at most 40 letters, please."),
    on: z.boolean(),
  }),
  (given) => ({ resources: given.resources }),
  ({ db, visitor }, { resources, tag, on }) => satchel.setTag(db, visitor.id, tag, resources, on),
);

/** Her pockets in a new order, some inside others; one level, so that nothing is ever hidden deep. */
export const arrangePockets = act(
  "make pocket",
  z.object({ places: z.array(z.object({ id: Id, parent: Id.nullable() })).max(500) }),
  async ({ db, visitor }, { places }) => {
    const inside = new Set(places.filter(({ parent }) => parent !== null).map(({ id }) => id));
    if (places.some(({ parent }) => parent !== null && inside.has(parent)))
      throw new Refused("A pocket inside a pocket holds no pockets. Nothing was moved.");
    await satchel.arrangePockets(db, visitor.id, places);
    return {};
  },
);

/** Removes a pocket, not what is in it. Returns its contents for undo. */
export const removePocket = act(
  "change pocket",
  z.object({ pocket: Id }),
  (given) => ({ pocket: given.pocket }),
  ({ db }, { pocket }) => db.transaction((tx) => satchel.removePocket(tx, pocket)),
);

export const putIntoPocket = act(
  "put into pocket",
  z.object({ pocket: Id, resources: Ids }),
  (given) => ({ pocket: given.pocket, resources: given.resources }),
  async ({ db, now }, { pocket, resources }) => {
    await satchel.putIntoPocket(db, pocket, resources, now);
    return {};
  },
);

export const takeOutOfPocket = act(
  "change pocket",
  z.object({ pocket: Id, ids: Ids }),
  (given) => ({ pocket: given.pocket }),
  async ({ db }, { pocket, ids }) => {
    await satchel.takeOutOfPocket(db, pocket, ids);
    return {};
  },
);

/** The order of what lies in a pocket. */
export const orderPocket = act(
  "change pocket",
  z.object({ pocket: Id, order: Ids }),
  (given) => ({ pocket: given.pocket }),
  async ({ db }, { pocket, order }) => {
    await db.transaction((tx) => satchel.setPocketOrder(tx, pocket, order));
    return {};
  },
);
