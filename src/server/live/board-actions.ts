"use server";
import { z } from "zod";
import { RunSheet } from "@/core/run-sheet/schema";
import { sameParts } from "@/core/run-sheet/lesson-time";
import { chosenHow } from "@/core/run-sheet/vocabulary";
import { drawByLot, nextByTurns } from "@/core/run-sheet/who";
import { assignmentById } from "@/data/assign/assignments";
import { studentsOf } from "@/data/classes/classes";
import { addBoardTurn, boardTurns, removeBoardTurn } from "@/data/live/board-turns";
import { keepScript } from "@/data/live/scripts-in-use";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { ledDocument } from "./room";

const Id = z.number().int().positive();

/**
 * Says who comes to the board now, and keeps that they did. `instead`: the turn of a child who does not come after all, which is taken
 * back; somebody else comes.
 */
export const callToBoard = act(
  "lead a lesson",
  z.object({
    assignment: Id,
    how: z.enum(chosenHow),
    /** Who was named; without a name nobody is. */
    student: Id.optional(),
    instead: Id.nullable(),
  }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input): Promise<{ turn: number; name: string }> =>
    db.transaction(async (tx) => {
      const group = (await assignmentById(tx, input.assignment))!.class;
      const away =
        input.instead === null ? undefined : await removeBoardTurn(tx, { class: group, turn: input.instead });
      const students = (await studentsOf(tx, group)).filter(({ id }) => id !== away);
      const [ids, turns] = [students.map(({ id }) => id), await boardTurns(tx, group)];
      const next =
        input.how === "named"
          ? input.student
          : input.how === "turns"
            ? nextByTurns(ids, turns)
            : drawByLot(ids, turns, Math.random());
      const child = students.find(({ id }) => id === next);
      if (!child) throw new ActionError(input.how === "named" ? problemOf("chooseChild") : problemOf("nobodyElse"));
      const turn = await addBoardTurn(tx, { class: group, student: child.id, by: visitor.id, at: now });
      return { turn, name: child.givenName };
    }),
);

/** Keeps the script as it goes on in this class: what was not reached has moved. Its parts are those of the resource's own. */
export const keepScriptInUse = act(
  "lead a lesson",
  z.object({ assignment: Id, sheet: RunSheet }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, sheet }) => {
    const own = (await ledDocument(db, (await assignmentById(db, assignment))!))?.runSheet;
    if (!own || !sameParts(own, sheet)) throw new ActionError("scriptChanged");
    await keepScript(db, { assignment, sheet, by: visitor.id, at: now });
    return {};
  },
);
