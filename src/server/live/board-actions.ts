"use server";
import { z } from "zod";
import { drawByLot, nextByTurns } from "@/core/run-sheet/who";
import { assignmentById } from "@/data/assign/assignments";
import { studentsOf } from "@/data/classes/classes";
import { addBoardTurn, boardTurns, removeBoardTurn } from "@/data/live/board-turns";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();

/**
 * Says who comes to the board now, and keeps that they did. `instead`: the turn of a child who does not come after all, which is taken
 * back; somebody else comes.
 */
export const callToBoard = act(
  "lead a lesson",
  z.object({ assignment: Id, how: z.enum(["turns", "lot"]), instead: Id.nullable() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input): Promise<{ turn: number; name: string }> =>
    db.transaction(async (tx) => {
      const group = (await assignmentById(tx, input.assignment))!.class;
      const away =
        input.instead === null ? undefined : await removeBoardTurn(tx, { class: group, turn: input.instead });
      const students = (await studentsOf(tx, group)).filter(({ id }) => id !== away);
      const [ids, turns] = [students.map(({ id }) => id), await boardTurns(tx, group)];
      const next = input.how === "turns" ? nextByTurns(ids, turns) : drawByLot(ids, turns, Math.random());
      const child = students.find(({ id }) => id === next);
      if (!child) throw new ActionError("There is nobody else in this class.");
      const turn = await addBoardTurn(tx, { class: group, student: child.id, by: visitor.id, at: now });
      return { turn, name: child.givenName };
    }),
);
