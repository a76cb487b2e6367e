import type { Voice } from "@/core/review/voice";
import { lastPieces, piecesShownTo, questionsSentBack, replyTo } from "@/core/review/piece";
import { isOpenToClass, plainSharing, sendsPieces, type Sharing } from "@/core/review/sharing";
import type { Queryable } from "@/data/engine/db";
import { piecesBy, piecesTo, repliesTo, type SentPiece } from "@/data/review/pieces";
import type { OwnAssignment } from "@/data/student/work";

/** A piece as the child who made it sees it. */
export type OwnPiece = Pick<SentPiece, "number" | "state" | "value" | "comment" | "voice" | "marks">;

/** What a child sees of the looking and showing of her work. */
export interface OwnReview {
  sharing: Sharing;
  /** By question, in the order they were sent. */
  pieces: Record<string, OwnPiece[]>;
  /** Questions to correct. */
  open: string[];
  /** Whether classmates' pieces can be asked for now. */
  shows: boolean;
}

export async function ownReview(
  db: Queryable,
  assigned: Pick<OwnAssignment, "recipient" | "sharing">,
  now: Date,
): Promise<OwnReview | null> {
  const sharing = assigned.sharing ?? plainSharing;
  const pieces = await piecesBy(db, assigned.recipient);
  if (!sendsPieces(sharing) && pieces.length === 0) return null;
  const byQuestion: OwnReview["pieces"] = {};
  for (const { question, number, state, value, comment, voice, marks } of pieces)
    (byQuestion[question] ??= []).push({ number, state, value, comment, voice, marks });
  return { sharing, pieces: byQuestion, open: questionsSentBack(pieces), shows: isOpenToClass(sharing, now) };
}

/** A classmate's piece, as the others see it. */
export interface ShownPiece {
  id: number;
  /** Null: shown without a name. */
  name: string | null;
  value: unknown;
  replies: { id: number; name: string; mine: boolean; waits: boolean; text: string; voice: Voice | null }[];
}

export interface Classmates {
  /** False: she has to send her own first. */
  open: boolean;
  pieces: ShownPiece[];
  /** How many have replied to hers, with what they said. */
  toMine: ShownPiece["replies"];
  replies: { words: boolean; voice: boolean };
}

/** What a child sees of the others' answers to one question. */
export async function classmatesOf(
  db: Queryable,
  assigned: Pick<OwnAssignment, "assignment" | "recipient" | "sharing">,
  student: number,
  question: string,
  now: Date,
): Promise<Classmates> {
  const sharing = assigned.sharing ?? plainSharing;
  const all = await piecesTo(db, assigned.assignment, question);
  const shown = piecesShownTo(sharing, student, all, now);
  const own = all.filter((piece) => piece.student === student);
  const answer = replyTo(sharing, await piecesBy(db, assigned.recipient));
  const stillOpen = isOpenToClass(sharing, now);
  const replies = stillOpen
    ? await repliesTo(
        db,
        [...shown, ...own].map(({ id }) => id),
      )
    : [];
  const seen = (pieces: readonly number[]) =>
    replies
      .filter((one) => pieces.includes(one.piece))
      // What waits is seen by the one who wrote it; what was taken down by nobody.
      .filter(({ state, student: by }) => state === "shown" || (state === "waiting" && by === student))
      .map(({ id, name, text, voice, state, student: by }) => ({
        ...{ id, name, text, voice },
        mine: by === student,
        waits: state === "waiting",
      }));
  return {
    open: stillOpen && (sharing.classmates === "any time" || own.length > 0),
    // Always in another order than they came: who was first is nobody's business.
    pieces: shown
      .sort((one, other) => one.name.localeCompare(other.name))
      .map(({ id, name, named, value }) => ({ id, name: named ? name : null, value, replies: seen([id]) })),
    toMine: seen(lastPieces(own).length > 0 ? own.map(({ id }) => id) : []),
    replies: { words: answer.allowed, voice: answer.allowed && answer.voice },
  };
}
