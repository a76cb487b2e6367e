import { isOpenToClass, type Sharing } from "./sharing";

/** "not looked at": it needed no look. */
export type PieceState = "waiting" | "approved" | "sent back" | "not looked at";

/** An answer as a child sent it; corrected and sent again it is another piece with the next number. */
export interface Piece {
  id: number;
  student: number;
  question: string;
  /** 1 the first, 2 again, ... */
  number: number;
  state: PieceState;
}

/**
 * How a piece begins: whether it waits for the teacher. `before`: all this child has sent with the same work.
 * `stateWhenSent({ look: "everything" }, [])` gives `"waiting"`.
 */
export function stateWhenSent({ look }: Sharing, before: readonly Pick<Piece, "state" | "question">[]): PieceState {
  if (look === "nothing") return "not looked at";
  if (look === "everything") return "waiting";
  return before.some(({ state }) => state === "approved") ? "not looked at" : "waiting";
}

/**
 * Of each child and question the piece that was sent last.
 * `lastPieces([{ student: 1, question: "q", number: 1 }, { student: 1, question: "q", number: 2 }]).length` gives `1`.
 */
export function lastPieces<One extends Piece>(pieces: readonly One[]): One[] {
  const last = new Map<string, One>();
  for (const piece of pieces) {
    const name = `${piece.student} ${piece.question}`;
    const known = last.get(name);
    if (!known || known.number < piece.number) last.set(name, piece);
  }
  return [...last.values()];
}

const isGood = ({ state }: Pick<Piece, "state">) => state === "approved" || state === "not looked at";

/**
 * What a child sees of the others' pieces to one question, in the order given: of each child the last one that was good, while the
 * last of all was not sent back. Nothing where classmates see nothing, or it is closed by now, or she has sent none of her own
 * and has to first.
 * `piecesShownTo({ look: "nothing", classmates: "any time", until: null }, 1, [{ id: 9, student: 2, question: "q", number: 1, state: "not looked at" }], new Date(0)).length` gives `1`.
 */
export function piecesShownTo<One extends Piece>(
  sharing: Sharing,
  student: number,
  pieces: readonly One[],
  now: Date,
): One[] {
  if (!isOpenToClass(sharing, now)) return [];
  if (sharing.classmates === "own first" && !pieces.some((piece) => piece.student === student)) return [];
  const last = lastPieces(pieces);
  const withdrawn = new Set(last.filter(({ state }) => state === "sent back").map((piece) => piece.student));
  return lastPieces(pieces.filter(isGood)).filter(
    (piece) => piece.student !== student && !withdrawn.has(piece.student),
  );
}

/**
 * Questions a child has to correct: what was sent last came back. They are open to her though she has handed in.
 * `questionsSentBack([{ student: 1, question: "q", state: "sent back" }])` gives `["q"]`.
 */
export const questionsSentBack = (own: readonly Piece[]): string[] =>
  lastPieces(own).flatMap(({ state, question }) => (state === "sent back" ? [question] : []));

/**
 * Whether a child may reply to a piece she sees, and whether what she writes waits for the teacher.
 * `replyTo({ look: "nothing", classmates: "any time", replies: "words" }, [])` gives `{ allowed: true, voice: false, state: "shown" }`.
 */
export function replyTo(
  sharing: Sharing,
  own: readonly Pick<Piece, "state" | "question">[],
): { allowed: false } | { allowed: true; voice: boolean; state: "waiting" | "shown" } {
  if (sharing.replies === "off" || sharing.classmates === "never") return { allowed: false };
  const state = stateWhenSent(sharing, own) === "waiting" ? "waiting" : "shown";
  return { allowed: true, voice: sharing.replies === "voice", state };
}
