"use server";
import { z } from "zod";
import { Voice } from "@/core/review/voice";
import { putIn, setTakenOut, setWhy, takeOutWhole } from "@/data/portfolio/pieces";
import { attemptsOf, ownAssignment } from "@/data/student/work";
import { canBeHeard } from "../review/voice";
import { fromBefore } from "../student/by-code";
import { act, ActionError, type Caller } from "../web/act";

const Id = z.number().int().positive();

/** A child puts a piece of work she has handed in into her portfolio, or takes it out. */
export const chooseAsMine = act(
  "do assignment",
  z.object({ assignment: Id, chosen: z.boolean() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, chosen }) => {
    const assigned = (await ownAssignment(db, visitor.id, assignment, visitor.joinedClass))!;
    const last = (await attemptsOf(db, assigned.recipient)).findLast(({ handedIn }) => handedIn !== null);
    // What is put away is not taken out again, and by the class's code nothing of earlier is touched.
    if (!last || assigned.sharing?.putAway || fromBefore(visitor, last)) throw new ActionError("notThere");
    const student = visitor.id;
    if (chosen) await putIn(db, { student, attempt: last.id, question: null, by: student, at: now });
    else await takeOutWhole(db, { student, assignment, at: now });
    return {};
  },
);

/** By the class's code anybody can press any name: a portfolio is opened by the child's own card only. */
function byOwnCard({ visitor }: Caller): number {
  if (visitor.joinedAt !== null) throw new ActionError("notThere");
  return visitor.id;
}

/** A child says why a piece is in her portfolio, in words or spoken. */
export const giveReason = act(
  "keep own portfolio",
  z.object({ piece: Id, why: z.string().trim().max(600), voice: Voice.nullable() }),
  async (caller, { piece, why, voice }) => {
    const student = byOwnCard(caller);
    if (!(await canBeHeard(caller.db, voice)) || !(await setWhy(caller.db, { student, piece, why, voice })))
      throw new ActionError("notThere");
    return {};
  },
);

/** A child takes a piece out of her portfolio, or puts back what she just took out. */
export const setInPortfolio = act(
  "keep own portfolio",
  z.object({ piece: Id, there: z.boolean() }),
  async (caller, { piece, there }) => {
    const student = byOwnCard(caller);
    if (!(await setTakenOut(caller.db, { student, piece, at: there ? null : caller.now })))
      throw new ActionError("notThere");
    return {};
  },
);
