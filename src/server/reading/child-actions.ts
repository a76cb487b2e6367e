"use server";
import { z } from "zod";
import { interestNames, type Interest } from "@/core/reading/interests";
import { readRevision } from "@/data/engine/read-once";
import { setFinished, setInterests } from "@/data/reading/readings";
import { revisionFor } from "@/data/reading/shelves";
import { act, ActionError } from "../web/act";

/** What a child likes, by its pictures. */
export const chooseInterests = act(
  "see own work",
  z.object({ likes: z.array(z.enum(interestNames as [Interest, ...Interest[]])).max(interestNames.length) }),
  async ({ db, visitor }, { likes }) => {
    // By the class's code anybody can press any name.
    if (visitor.joinedAt !== null) throw new ActionError("notThere");
    await db.transaction((tx) => setInterests(tx, visitor.id, likes));
    return {};
  },
);

/** A child has come to the end of a reading. */
export const finishReading = act(
  "read from a shelf",
  z.object({ reading: z.number().int().positive() }),
  (input) => ({ reading: input.reading }),
  async ({ db, visitor, now }, { reading }) => {
    const revision = (await revisionFor(db, visitor.id, reading))!;
    const step = (await readRevision(db, revision))!.document.steps.at(-1)!.id;
    await setFinished(db, { student: visitor.id, resource: reading, revision, step, at: now });
    return {};
  },
);
