"use server";
import { z } from "zod";
import { eventOf, setUndone } from "@/data/engine/events";
import { putFrameworkBack, whenImported } from "@/data/find/frameworks-before";
import type { FrameworkFile } from "@/formats/case/case";
import { act, ActionError } from "../web/act";
import { frameworkTaken, type FrameworkTaken } from "./framework-event";

/** A framework as it was before one took it in, unless it was taken in again since. */
export const undoFramework = act(
  "bring in a framework",
  z.object({ event: z.number().int().positive() }),
  async ({ db, visitor, now }, input) => {
    const event = await eventOf<FrameworkFile | FrameworkTaken | null>(db, visitor.id, input.event);
    if (!event || event.what !== frameworkTaken) throw new ActionError("notThere");
    if (event.undone) throw new ActionError("alreadyUndone");
    const { framework, imported } = event.after as FrameworkTaken;
    await db.transaction(async (tx) => {
      const last = await whenImported(tx, visitor.district, framework);
      if (last?.toISOString() !== imported) throw new ActionError("frameworkBroughtAgain");
      const before = event.before as FrameworkFile | null;
      await putFrameworkBack(tx, { framework, district: visitor.district, before, now });
      await setUndone(tx, event.id, now);
    });
    return {};
  },
);
