"use server";
import { z } from "zod";
import { Blank, writeBlank } from "@/core/reading/filling";
import { openShelf, setShelfClosed, setTop, shelfOf } from "@/data/reading/shelves";
import { announceToClass } from "@/data/live/lessons";
import { act, ActionError } from "../web/act";
import { permit } from "../web/permissions";
import { readingsFor } from "./shelf";

const Id = z.number().int().positive();
const Filled = Blank.extend({
  class: Id,
  /** A pocket of hers; null: filled by the blank. */
  pocket: Id.nullable(),
});

/** How many readings a filling gives. Changes nothing. */
export const lookAtFilling = act(
  "open a reading shelf",
  Filled,
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    if (input.pocket !== null && !(await permit(db, visitor, "look into pocket", { pocket: input.pocket }, now)))
      throw new ActionError("notThere");
    return { readings: (await readingsFor(db, visitor, input, now)).length };
  },
);

/** Opens a shelf for a class, or fills it anew. */
export const openReadingShelf = act(
  "open a reading shelf",
  Filled.extend({ goal: z.object({ minutes: z.number().int().min(1).max(600), per: z.enum(["day", "week"]) }) }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    if (input.pocket !== null && !(await permit(db, visitor, "look into pocket", { pocket: input.pocket }, now)))
      throw new ActionError("notThere");
    const readings = await readingsFor(db, visitor, input, now);
    if (readings.length === 0) throw new ActionError("nothingFitsShelf");
    const { class: classId, pocket, goal } = input;
    await db.transaction(async (tx) => {
      await openShelf(tx, {
        class: classId,
        by: visitor.id,
        at: now,
        pocket,
        blank: writeBlank(Blank.parse(input)),
        goal,
        readings,
      });
      await announceToClass(tx, classId);
    });
    return { readings: readings.length };
  },
);

/** Closes the shelf of a class, or opens it again. What children have read stays theirs. */
export const closeReadingShelf = act(
  "open a reading shelf",
  z.object({ class: Id, closed: z.boolean() }),
  (input) => ({ class: input.class }),
  async ({ db, now }, { class: classId, closed }) => {
    await setShelfClosed(db, classId, closed ? now : null);
    await announceToClass(db, classId);
    return {};
  },
);

/** Puts a reading at the top of the shelf, for the whole class, or no longer. */
export const putAtTop = act(
  "open a reading shelf",
  z.object({ class: Id, resource: Id, top: z.boolean() }),
  (input) => ({ class: input.class }),
  async ({ db }, { class: classId, resource, top }) => {
    if (!(await shelfOf(db, classId)) || !(await setTop(db, classId, resource, top))) throw new ActionError("notThere");
    return {};
  },
);
