"use server";
import { z } from "zod";
import { anyNeed } from "@/core/find/need";
import { SetInput } from "@/core/sharing/inputs";
import { addEvent } from "@/data/engine/events";
import { aboutOf, setAbout } from "@/data/find/partners";
import { publishedOf } from "@/data/engine/read-once";
import { onKeptShelves, setsOf, setState, writeSet, type SetState } from "@/data/find/sets";
import { act, ActionError } from "../web/act";
import { findElsewhere } from "../adapt/elsewhere";
import type { PlanState } from "../plan/move-work";

const Id = z.number().int().positive();
/** Things to put into a set, by words, and the pictures in those that are in it already. Changes nothing. */
export const lookForSet = act(
  "keep the desk",
  z.object({ words: z.string().trim().max(120), items: z.array(Id).max(200) }),
  async ({ db, visitor }, input) => {
    const found = input.words === "" ? [] : await findElsewhere(db, visitor, { ...anyNeed, words: input.words }, -1);
    const kept = await onKeptShelves(
      db,
      visitor.district,
      found.map(({ id }) => id),
    );
    const heads = await publishedOf(db, input.items);
    const pictures = input.items.flatMap((id) =>
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
  // Null: a new one.
  SetInput.extend({ id: Id.nullable() }),
  async ({ db, visitor, now }, input): Promise<{ id: number; event: number }> =>
    db.transaction(async (tx) => {
      const before = input.id === null ? null : await setState(tx, visitor.district, input.id);
      if (input.id !== null && before === null) throw new ActionError("notThere");
      const items = [...new Set(input.items)];
      const kept = await onKeptShelves(tx, visitor.district, items);
      // What was in it and has left its shelf since may stay: nobody sees it until it is back.
      if (items.some((id) => !kept.has(id) && !before?.items.includes(id))) throw new ActionError("setHolds");
      const { id, ...form } = input;
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
  async ({ db, visitor }, input) =>
    db.transaction(async (tx) => {
      const sets = await setsOf(tx, visitor.district);
      const at = sets.findIndex(({ id }) => id === input.id);
      const other = sets[at + input.by];
      if (at < 0) throw new ActionError("notThere");
      if (!other) return {};
      const order = sets.map(({ id }) => id);
      [order[at], order[at + input.by]] = [other.id, input.id];
      for (const [position, id] of order.entries())
        await tx.query("update curated_set set position = $2 where id = $1", [id, position + 1]);
      return {};
    }),
);

/** Takes a set away. What was in it stays where it stands. */
export const removeSet = act(
  "keep the desk",
  z.object({ id: Id }),
  async ({ db, visitor, now }, input): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const before = await setState(tx, visitor.district, input.id);
      if (before === null) throw new ActionError("notThere");
      await writeSet(tx, visitor.district, input.id, null);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took a set away" },
        before: { places: [], set: { id: input.id, state: before } },
        after: { places: [], set: { id: input.id, state: null } },
      });
      return { event };
    }),
);

/** Says on a partner's page who that organisation is. */
export const describePartner = act(
  "keep the desk",
  z.object({ partner: Id, about: z.string().trim().max(600, "Keep it under 600 characters.") }),
  async ({ db, visitor, now }, input): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const before = await aboutOf(tx, visitor.district, input.partner);
      if (before === undefined) throw new ActionError("notThere");
      await setAbout(tx, input.partner, input.about);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "described a partner" },
        before: { places: [], partner: { id: input.partner, about: before } },
        after: { places: [], partner: { id: input.partner, about: input.about } },
      });
      return { event };
    }),
);
