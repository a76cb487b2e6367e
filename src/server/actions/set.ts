"use server";
import { z } from "zod";
import { MediaReference } from "@/core/resource/schema/media-reference";
import { anyNeed } from "@/core/find/need";
import { addEvent } from "@/data/events";
import { publishedOf } from "@/data/read-once";
import { onKeptShelves, setsOf, setState, writeSet, type SetState } from "@/data/sets";
import { act, notThere, Refused } from "../act";
import { findElsewhere } from "../elsewhere";
import type { PlanState } from "../move-work";

const Id = z.number().int().positive();
const SetForm = z.object({
  /** Null: a new one. */
  id: Id.nullable(),
  name: z.string().trim().min(1, "A set needs a name.").max(120, "120 letters are the most for a name."),
  note: z.string().trim().max(300, "300 letters are the most for the sentence."),
  months: z.array(z.number().int().min(1).max(12)).max(12),
  cover: MediaReference.nullable(),
  items: z.array(Id).min(1, "Put at least one thing in.").max(200, "200 things are the most in a set."),
});

/** Things to put into a set, by words, and the pictures in those that are in it already. Changes nothing. */
export const lookForSet = act(
  "keep the desk",
  z.object({ words: z.string().trim().max(120), items: z.array(Id).max(200) }),
  async ({ db, visitor }, given) => {
    const found = given.words === "" ? [] : await findElsewhere(db, visitor, { ...anyNeed, words: given.words }, -1);
    const kept = await onKeptShelves(
      db,
      visitor.district,
      found.map(({ id }) => id),
    );
    const heads = await publishedOf(db, given.items);
    const pictures = given.items.flatMap((id) =>
      (heads.get(id)?.document.steps ?? []).flatMap(({ blocks }) =>
        blocks.flatMap((block) => (block.type === "picture" ? [block.media] : [])),
      ),
    );
    return {
      found: found.filter(({ id }) => kept.has(id)).map(({ id, title, author }) => ({ id, title, author })),
      pictures: [...new Set(pictures)].slice(0, 12),
    };
  },
);

/** Makes or changes a set of the district. Only what stands on a shelf curators keep can be in it. */
export const saveSet = act(
  "keep the desk",
  SetForm,
  async ({ db, visitor, now }, given): Promise<{ id: number; event: number }> =>
    db.transaction(async (tx) => {
      const before = given.id === null ? null : await setState(tx, visitor.district, given.id);
      if (given.id !== null && before === null) throw new Refused(notThere);
      const items = [...new Set(given.items)];
      const kept = await onKeptShelves(tx, visitor.district, items);
      // What was in it and has left its shelf since may stay: nobody sees it until it is back.
      if (items.some((id) => !kept.has(id) && !before?.items.includes(id)))
        throw new Refused("A set can only hold things from the district shelf or the commons.");
      const { id, ...form } = given;
      const last = Math.max(0, ...(await setsOf(tx, visitor.district)).map(({ position }) => position));
      const state: SetState = {
        ...(before ?? { kind: "set", topic: null, position: last + 1, curator: visitor.id }),
        ...form,
        items,
        months: [...new Set(form.months)].sort((one, other) => one - other),
      };
      const saved = await writeSet(tx, visitor.district, id, state);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: id === null ? "made a set" : "changed a set" },
        before: { places: [], set: { id: saved, state: before } },
        after: { places: [], set: { id: saved, state: await setState(tx, visitor.district, saved) } },
      });
      return { id: saved, event };
    }),
);

/** Moves a set before or behind its neighbour: the order is that of Find's first page. */
export const moveSet = act(
  "keep the desk",
  z.object({ id: Id, by: z.union([z.literal(1), z.literal(-1)]) }),
  async ({ db, visitor }, given) =>
    db.transaction(async (tx) => {
      const sets = await setsOf(tx, visitor.district);
      const at = sets.findIndex(({ id }) => id === given.id);
      const other = sets[at + given.by];
      if (at < 0) throw new Refused(notThere);
      if (!other) return {};
      const order = sets.map(({ id }) => id);
      [order[at], order[at + given.by]] = [other.id, given.id];
      for (const [position, id] of order.entries())
        await tx.query("update curated_set set position = $2 where id = $1", [id, position + 1]);
      return {};
    }),
);

/** Takes a set away. What was in it stays where it stands. */
export const removeSet = act(
  "keep the desk",
  z.object({ id: Id }),
  async ({ db, visitor, now }, given): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const before = await setState(tx, visitor.district, given.id);
      if (before === null) throw new Refused(notThere);
      await writeSet(tx, visitor.district, given.id, null);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took a set away" },
        before: { places: [], set: { id: given.id, state: before } },
        after: { places: [], set: { id: given.id, state: null } },
      });
      return { event };
    }),
);
