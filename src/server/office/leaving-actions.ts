"use server";
import { z } from "zod";
import type { Db } from "@/data/engine/db";
import {
  adultAt,
  comeBack,
  handBackSatchel,
  handOverSatchel,
  isTeacher,
  leave,
  type HandedOver,
} from "@/data/office/leaving";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { Visitor } from "../web/session";
import { schoolOf } from "./school-of";

const Id = z.number().int().positive();

/** @throws ActionError when there is nobody such in the office's school */
async function nameIn(db: Db, visitor: Visitor, person: number, active: boolean): Promise<string> {
  const name = await adultAt(db, { school: schoolOf(visitor), person, active });
  if (name === undefined) throw new ActionError("notThere");
  return name;
}

/** Somebody has left the school: she cannot sign in any more. What she made and gave stays. */
export const markAsLeft = act(
  "keep the school's people",
  z.object({ person: Id }),
  async ({ db, visitor }, { person }): Promise<{ name: string; classes: string[] }> => {
    const name = await nameIn(db, visitor, person, true);
    // So there is always somebody of the office who can let people in.
    if (person === visitor.id) throw new ActionError("otherMustSayLeft");
    return { name, classes: await db.transaction((tx) => leave(tx, person)) };
  },
);

export const markAsReturned = act(
  "keep the school's people",
  z.object({ person: Id }),
  async ({ db, visitor }, { person }): Promise<{ name: string }> => {
    const name = await nameIn(db, visitor, person, false);
    await db.transaction((tx) => comeBack(tx, person));
    return { name };
  },
);

/** Puts the satchel of somebody who has left into a colleague's. */
export const handOver = act(
  "keep the school's people",
  z.object({ person: Id, colleague: Id }),
  async ({ db, visitor, now }, { person, colleague }): Promise<{ handed: HandedOver; name: string; to: string }> => {
    const name = await nameIn(db, visitor, person, false);
    const to = await nameIn(db, visitor, colleague, true);
    if (!(await isTeacher(db, colleague))) throw new ActionError(problemOf("hasNoSatchel", { name: to }));
    return {
      handed: await db.transaction((tx) => handOverSatchel(tx, { from: person, to: colleague, now })),
      name,
      to,
    };
  },
);

const Ids = z.array(Id).max(20_000);

export const takeHandingBack = act(
  "keep the school's people",
  z.object({
    person: Id,
    colleague: Id,
    handed: z.object({
      resources: Ids,
      packed: Ids,
      pockets: z.array(z.object({ id: Id, name: z.string().min(1).max(200) })).max(2000),
    }),
  }),
  async ({ db, visitor }, { person, colleague, handed }) => {
    const school = schoolOf(visitor);
    // By now either may be there or gone; both are of this school.
    for (const one of [person, colleague])
      if ((await adultAt(db, { school, person: one, active: true })) === undefined)
        await nameIn(db, visitor, one, false);
    await db.transaction((tx) => handBackSatchel(tx, { from: person, to: colleague, handed }));
    return {};
  },
);
