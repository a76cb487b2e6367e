"use server";
import { z } from "zod";
import { ownsPocket, putIntoPocket } from "@/data/satchel/pockets";
import * as satchel from "@/data/satchel/satchel";
import { act } from "../web/act";

const Id = z.number().int().positive();
const Ids = z.array(Id).min(1).max(3000);

/** Packs a resource; `already` when it was in the satchel before. */
export const packResource = act(
  "pack resource",
  z.object({ resource: Id }),
  (input) => ({ resource: input.resource }),
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
  (input) => ({ resources: input.resources }),
  ({ db, visitor, now }, { resources, pockets }) =>
    db.transaction(async (tx) => {
      for (const resource of resources) await satchel.pack(tx, visitor.id, resource, now);
      for (const { resource, pockets: ids } of pockets) {
        if (!resources.includes(resource)) continue;
        for (const pocket of ids) {
          if (await ownsPocket(tx, visitor.id, pocket)) await putIntoPocket(tx, pocket, [resource], visitor.id, now);
        }
      }
      return {};
    }),
);

/** Gives things a word of hers (or takes it away). Returns those for which that changed anything, for undo. */
export const tagResources = act(
  "tag resources",
  z.object({
    resources: Ids,
    tag: z.string().trim().min(1, "Which word?").max(40, "Keep the label under 40 characters."),
    on: z.boolean(),
  }),
  (input) => ({ resources: input.resources }),
  ({ db, visitor }, { resources, tag, on }) => satchel.setTag(db, visitor.id, tag, resources, on),
);
