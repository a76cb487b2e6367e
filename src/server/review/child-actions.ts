"use server";
import { z } from "zod";
import { Voice } from "@/core/review/voice";
import { replyTo } from "@/core/review/piece";
import { addReply, piecesBy, repliesTo } from "@/data/review/pieces";
import * as work from "@/data/student/work";
import { fromBefore, seenByCode } from "../student/by-code";
import { assignedDocument } from "../student/student-work";
import { act, ActionError, type Caller } from "../web/act";
import { canBeHeard } from "./voice";
import { classmatesOf } from "./own-review";
import { sendPieces } from "./send-pieces";

const Id = z.number().int().positive();

/** The child's assignment, where she may see what she did; permission has been asked already. */
async function visibleAssignment({ db, visitor, now }: Caller, assignment: number): Promise<work.OwnAssignment> {
  const assigned = (await work.ownAssignment(db, visitor.id, assignment, visitor.joinedClass))!;
  if (!seenByCode(visitor, assigned, now)) throw new ActionError("notThere");
  return assigned;
}

/** Sends what was answered to a question to the teacher, or to the class. */
export const sendPieceOf = act(
  "do assignment",
  z.object({ assignment: Id, question: z.string().max(40) }),
  (input) => ({ assignment: input.assignment }),
  async (caller, input) => {
    const { db, visitor, now } = caller;
    const assigned = await visibleAssignment(caller, input.assignment);
    const attempt = (await work.attemptsOf(db, assigned.recipient)).at(-1);
    if (!attempt || fromBefore(visitor, attempt)) throw new ActionError("nothingToSend");
    const sent = await db.transaction(async (tx) =>
      sendPieces(tx, assigned, await assignedDocument(tx, assigned), attempt, input.question, now),
    );
    if (sent === 0) throw new ActionError("nothingToSend");
    await work.announceWork(db, assigned.assignment, visitor.id);
    return {};
  },
);

const MOST_REPLIES = 30;

/** Replies to a classmate's piece that she sees. */
export const replyToPiece = act(
  "do assignment",
  z.object({
    assignment: Id,
    question: z.string().max(40),
    piece: Id,
    text: z.string().trim().max(400),
    voice: Voice.nullable(),
  }),
  (input) => ({ assignment: input.assignment }),
  async (caller, input) => {
    const { db, visitor, now } = caller;
    const assigned = await visibleAssignment(caller, input.assignment);
    const seen = await classmatesOf(db, assigned, visitor.id, input.question, now);
    const allowed = replyTo(assigned.sharing!, await piecesBy(db, assigned.recipient));
    const piece = seen.pieces.find(({ id }) => id === input.piece);
    if (
      !piece ||
      !allowed.allowed ||
      (input.voice && !allowed.voice) ||
      !(await canBeHeard(db, input.voice)) ||
      (!input.text && !input.voice)
    )
      throw new ActionError("notThere");
    const own = (await repliesTo(db, [piece.id])).filter(({ student }) => student === visitor.id);
    if (own.length >= MOST_REPLIES) throw new ActionError("enoughReplies");
    const { text, voice } = input;
    await addReply(db, { piece: piece.id, student: visitor.id, text, voice, state: allowed.state, at: now });
    await work.announceWork(db, assigned.assignment, visitor.id);
    return { waits: allowed.state === "waiting" };
  },
);
