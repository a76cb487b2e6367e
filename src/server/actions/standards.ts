"use server";
import { z } from "zod";
import { eventOf, setUndone } from "@/data/events";
import { putFrameworkBack, whenImported } from "@/data/frameworks-before";
import type { FrameworkFile } from "@/formats/case/case";
import { act, notThere, Refused } from "../act";
import { frameworkTaken, type FrameworkTaken } from "../framework-event";

/** A framework as it was before one took it in, unless it was taken in again since. */
export const undoFramework = act(
  "bring in a framework",
  z.object({ event: z.number().int().positive() }),
  async ({ db, visitor, now }, given) => {
    const event = await eventOf<FrameworkFile | FrameworkTaken | null>(db, visitor.id, given.event);
    if (!event || event.what !== frameworkTaken) throw new Refused(notThere);
    if (event.undone) throw new Refused("This is undone already.");
    const { framework, imported } = event.after as FrameworkTaken;
    await db.transaction(async (tx) => {
      const last = await whenImported(tx, visitor.district, framework);
      if (last?.toISOString() !== imported)
        throw new Refused(
          "The framework was brought in again since, so this one can’t be undone. Nothing was changed.",
        );
      const before = event.before as FrameworkFile | null;
      await putFrameworkBack(tx, { framework, district: visitor.district, before, now });
      await setUndone(tx, event.id, now);
    });
    return {};
  },
);
