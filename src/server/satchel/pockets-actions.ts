"use server";
import { z } from "zod";
import { pocketColours } from "@/core/satchel/filter";
import { placedBeside } from "@/core/satchel/order";
import { isTaken } from "@/data/engine/db";
import { addEvent } from "@/data/engine/events";
import * as pockets from "@/data/satchel/pockets";
import { pack, satchelIds } from "@/data/satchel/satchel";
import { colleaguesOf } from "@/data/share/shares";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { PlanState } from "../plan/move-work";
import { refuseWhatStays } from "./pocket";
import { tellOfPocket } from "../share/tell-of-offers";

const Id = z.number().int().positive();
const Ids = z.array(Id).min(1).max(3000);
const PocketName = z.string().trim().min(1, "A pocket needs a name.").max(80, "Keep the name under 80 characters.");
const Keepers = z
  .array(z.object({ id: Id, may: z.enum(pockets.pocketMays) }))
  .max(60, "You can choose up to 60 people.");
type Keepers = z.infer<typeof Keepers>;

/** Who keeps it now, with what was changed from one list to another. */
function mergedKeepers(now: Keepers, was: Keepers, wanted: Keepers): Keepers {
  const mayOf = (list: Keepers, id: number) => list.find((one) => one.id === id)?.may;
  const ids = new Set([...now, ...was, ...wanted].map(({ id }) => id));
  return [...ids].flatMap((id) => {
    const may = mayOf(wanted, id) === mayOf(was, id) ? mayOf(now, id) : mayOf(wanted, id);
    return may ? [{ id, may }] : [];
  });
}
const About = z.string().trim().max(2000);

async function named<Result>(work: () => Promise<Result>): Promise<Result> {
  try {
    return await work();
  } catch (error) {
    if (isTaken(error, "pocket_person_id_name_key")) throw new ActionError("pocketThere", "name");
    throw error;
  }
}

export const makePocket = act("make pocket", z.object({ name: PocketName }), ({ db, visitor }, { name }) =>
  named(() => pockets.addPocket(db, visitor.id, name)),
);

/** `was`: what she changed, as she saw it. Where a colleague has changed it since, nothing is lost: it stays, and she is told. */
export const changePocket = act(
  "change pocket",
  z.object({
    pocket: Id,
    name: PocketName.optional(),
    about: About.optional(),
    colour: z.enum(pocketColours).optional(),
    was: z.object({ name: z.string().optional(), about: z.string().optional() }).default({}),
  }),
  (input) => ({ pocket: input.pocket }),
  ({ db }, { pocket, was, ...change }) =>
    named(() =>
      db.transaction(async (tx) => {
        const before = await pockets.pocketForChange(tx, pocket);
        for (const field of ["name", "about"] as const) {
          if (change[field] === undefined || was[field] === undefined || was[field] === before[field]) continue;
          throw new ActionError(problemOf("colleagueChanged", { text: before[field] }));
        }
        await pockets.changePocket(tx, pocket, change);
        await pockets.announcePocket(tx, pocket);
        return {};
      }),
    ),
);

/** Her pockets in a new order, some inside others; one level, so that nothing is ever hidden deep. */
export const arrangePockets = act(
  "make pocket",
  z.object({ places: z.array(z.object({ id: Id, parent: Id.nullable() })).max(500) }),
  async ({ db, visitor }, { places }) => {
    const inside = new Set(places.filter(({ parent }) => parent !== null).map(({ id }) => id));
    if (places.some(({ parent }) => parent !== null && inside.has(parent))) throw new ActionError("pocketTooDeep");
    await pockets.arrangePockets(db, visitor.id, places);
    return {};
  },
);

/** Removes a pocket, not what is in it. One that is kept with others stays. */
export const removePocket = act(
  "remove pocket",
  z.object({ pocket: Id }),
  (input) => ({ pocket: input.pocket }),
  async ({ db, visitor, now }, { pocket }): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const { people } = await pockets.keepersOf(tx, pocket);
      if (people.length > 0) throw new ActionError("pocketKeptTogether");
      const removed = await pockets.removePocket(tx, pocket);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "removed a pocket" },
        before: { places: [], pocket: { id: pocket, removed } },
        after: { places: [], pocket: { id: pocket } },
      });
      return { event };
    }),
);

/** Puts things in. What is her own is seen by those she keeps the pocket with; what may not go to them stays out, and nothing is put in. */
export const putIntoPocket = act(
  "put into pocket",
  z.object({ pocket: Id, resources: Ids }),
  (input) => ({ pocket: input.pocket, resources: input.resources }),
  async ({ db, visitor, now }, { pocket, resources }) =>
    db.transaction(async (tx) => {
      const kept = await pockets.keepersOf(tx, pocket);
      await refuseWhatStays(tx, kept, { by: visitor.id, resources });
      await pockets.putIntoPocket(tx, pocket, resources, visitor.id, now);
      await pockets.announcePocket(tx, pocket);
      return {};
    }),
);

/** The pockets she may put things into, the one she filled last first. */
export const pocketsToFill = act("see own satchel", z.object({}), ({ db, visitor }) =>
  pockets.pocketsToFill(db, visitor.id),
);

/**
 * Packs one thing and puts it into a pocket, in one go. What of it was done (both may have been done before), for undo, and what lies
 * in the pocket then, in its order.
 */
export const packIntoPocket = act(
  "put into pocket",
  z.object({ pocket: Id, resource: Id }),
  (input) => ({ pocket: input.pocket, resources: [input.resource] }),
  async ({ db, visitor, now }, { pocket, resource }): Promise<{ packed: boolean; put: boolean; inside: number[] }> =>
    db.transaction(async (tx) => {
      const kept = await pockets.keepersOf(tx, pocket);
      await refuseWhatStays(tx, kept, { by: visitor.id, resources: [resource] });
      // What is her own is in her satchel without being packed.
      const has = (await satchelIds(tx, visitor.id)).includes(resource);
      const packed = !has && (await pack(tx, visitor.id, resource, now));
      const before = await pockets.resourcesIn(tx, pocket);
      await pockets.putIntoPocket(tx, pocket, [resource], visitor.id, now);
      await pockets.announcePocket(tx, pocket);
      return { packed, put: !before.includes(resource), inside: await pockets.resourcesIn(tx, pocket) };
    }),
);

/** Takes things out of a pocket, not out of the satchel. Somebody who only adds takes out what she put in. */
export const takeOutOfPocket = act(
  "take out of pocket",
  z.object({ pocket: Id, ids: Ids }),
  (input) => ({ pocket: input.pocket }),
  async ({ db, visitor, now }, { pocket, ids }): Promise<{ event: number; taken: number[] }> =>
    db.transaction(async (tx) => {
      await pockets.keepersOf(tx, pocket);
      const may = await pockets.mayInPocket(tx, visitor.id, pocket);
      const taken = await pockets.takeOutOfPocket(tx, pocket, ids, may === "add" ? visitor.id : null);
      if (taken.length === 0)
        throw new ActionError(may === "add" ? problemOf("onlyYourOwn") : problemOf("notInPocketItself"));
      await pockets.announcePocket(tx, pocket);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took out of a pocket" },
        before: { places: [], pocket: { id: pocket, items: taken } },
        after: { places: [], pocket: { id: pocket, items: [] } },
      });
      return { event, taken: taken.map(({ id }) => id) };
    }),
);

/** One thing of a pocket between two others, on top of whatever a colleague has moved at the same time. */
export const movePocketItem = act(
  "change pocket",
  z.object({ pocket: Id, resource: Id, after: Id.nullable(), before: Id.nullable() }),
  (input) => ({ pocket: input.pocket }),
  async ({ db }, { pocket, resource, ...beside }) =>
    db.transaction(async (tx) => {
      await pockets.keepersOf(tx, pocket);
      const order = await pockets.resourcesIn(tx, pocket);
      if (!order.includes(resource)) throw new ActionError("colleagueTookOut");
      await pockets.setPocketOrder(tx, pocket, placedBeside(order, resource, beside));
      await pockets.announcePocket(tx, pocket);
      return {};
    }),
);

/**
 * Says who keeps a pocket with her, and what each may do. Those who are new get a message. `was`: the people as she saw them; only what she
 * changed of that is changed, so somebody who has left meanwhile is not brought back.
 */
export const keepTogether = act(
  "keep pocket together",
  z.object({
    pocket: Id,
    was: Keepers,
    people: Keepers,
  }),
  (input) => ({ pocket: input.pocket }),
  async ({ db, visitor, now }, { pocket, was, people: wanted }): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const before = await pockets.keepersOf(tx, pocket);
      const people = mergedKeepers(before.people, was, wanted);
      const known = new Set((await colleaguesOf(tx, visitor)).map(({ id }) => id));
      const fresh = people.filter(({ id }) => !before.people.some((one) => one.id === id));
      if (fresh.some(({ id }) => !known.has(id))) throw new ActionError("notThere");
      const after = people.sort((one, two) => one.id - two.id);
      await refuseWhatStays(tx, { ...before, people: after }, { pocket });
      await pockets.setKeepers(tx, pocket, after, now);
      await tellOfPocket(tx, visitor, { people: fresh.map(({ id }) => id), name: before.name }, now);
      await pockets.announcePocket(tx, pocket);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "kept a pocket together" },
        before: { places: [], pocket: { id: pocket, people: before.people } },
        after: { places: [], pocket: { id: pocket, people: after } },
      });
      return { event };
    }),
);

/** She keeps a colleague's pocket no longer. What she put in of her own is out of the others' sight. */
export const leavePocket = act(
  "leave pocket",
  z.object({ pocket: Id }),
  (input) => ({ pocket: input.pocket }),
  async ({ db, visitor, now }, { pocket }): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const { owner, people } = await pockets.keepersOf(tx, pocket);
      if (owner === visitor.id) throw new ActionError("notThere");
      const left = people.filter(({ id }) => id !== visitor.id);
      await pockets.setKeepers(tx, pocket, left, now);
      await pockets.announcePocket(tx, pocket);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "left a pocket" },
        before: { places: [], pocket: { id: pocket, people } },
        after: { places: [], pocket: { id: pocket, people: left, left: true } },
      });
      return { event };
    }),
);

/** Who a pocket can be kept with. Changes nothing. */
export const lookWhoKeeps = act(
  "keep pocket together",
  z.object({ pocket: Id }),
  (input) => ({ pocket: input.pocket }),
  ({ db, visitor }) => colleaguesOf(db, visitor),
);
