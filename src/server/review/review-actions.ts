"use server";
import { z } from "zod";
import { Stroke } from "@/core/live/lesson";
import { Voice } from "@/core/review/voice";
import { announcePieces, decidePiece, decideReply, pieceOf } from "@/data/review/pieces";
import { setPhrases } from "@/data/review/queue";
import { announceWork } from "@/data/student/work";
import { canBeHeard } from "./voice";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();
const MOST_MARKS = 60;

/** Approves a piece or sends it back, with what she says to it. Undone by takeBack. */
export const decide = act(
  "look at work",
  z.object({
    assignment: Id,
    piece: Id,
    /** As she saw it: what was decided meanwhile is not decided over. */
    was: z.object({
      state: z.enum(["waiting", "approved", "sent back", "not looked at"]),
      decided: z.coerce.date().nullable(),
    }),
    state: z.enum(["approved", "sent back"]),
    comment: z.string().trim().max(1000),
    voice: Voice.nullable(),
    marks: z.array(Stroke).max(MOST_MARKS),
    named: z.boolean(),
  }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, { assignment, piece, was, ...decision }) => {
    const found = await pieceOf(db, assignment, piece);
    if (!found) throw new ActionError("notThere");
    if (!(await canBeHeard(db, decision.voice))) throw new ActionError("recordingGone", "voice");
    if (decision.state === "sent back" && !decision.comment && !decision.voice && decision.marks.length === 0)
      throw new ActionError("sayWhatToLookAt", "comment");
    if (!(await decidePiece(db, piece, was, { ...decision, by: visitor.id, at: now })))
      throw new ActionError("pieceDecided");
    await announcePieces(db, assignment, found.student);
    return { decided: now };
  },
);

/** A decision taken back: it waits again. What was said stays with it, to be changed. */
export const takeBack = act(
  "look at work",
  z.object({ assignment: Id, piece: Id, decided: z.coerce.date() }),
  (input) => ({ assignment: input.assignment }),
  async ({ db }, { assignment, piece, decided }) => {
    const found = await pieceOf(db, assignment, piece);
    if (!found) throw new ActionError("notThere");
    const { state, comment, voice, marks, named } = found;
    const again = { state: "waiting" as const, by: null, at: null, comment, voice, marks, named };
    if (!(await decidePiece(db, piece, { state, decided }, again))) throw new ActionError("pieceDecided");
    await announcePieces(db, assignment, found.student);
    return {};
  },
);

/** Shows a reply, takes it down, or lets it wait again. */
export const decideAboutReply = act(
  "look at work",
  z.object({ assignment: Id, reply: Id, state: z.enum(["waiting", "shown", "taken down"]) }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, now }, { assignment, reply, state }) => {
    const by = await decideReply(db, assignment, reply, state, state === "waiting" ? null : now);
    if (by === undefined) throw new ActionError("notThere");
    await announceWork(db, assignment, by);
    return {};
  },
);

/** What she often says. */
export const keepPhrases = act(
  "keep phrases",
  z.object({
    phrases: z.array(z.string().trim().min(1).max(200)).max(9, "Nine phrases have a key each; take one out first."),
  }),
  async ({ db, visitor }, { phrases }) => {
    await db.transaction((tx) => setPhrases(tx, visitor.id, phrases));
    return {};
  },
);
