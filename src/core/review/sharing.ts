import { z } from "zod";
import type { QuestionType } from "../question/question";

/** What classmates may see of each other's work, and what the teacher looks at before anybody else does. */
export const Sharing = z.object({
  /** "until good": of each child, until one of the pieces was approved. */
  look: z.enum(["nothing", "everything", "until good"]),
  /** When classmates see a piece: after they have sent their own, or straight away. */
  classmates: z.enum(["never", "own first", "any time"]),
  /** "voice": words too. */
  replies: z.enum(["off", "words", "voice"]),
  /** From then on nobody sees or replies to anything of the others; null: it stays open. */
  until: z.iso.datetime().nullable(),
  /** What was handed in is not seen again by the child: it stays between the two. */
  putAway: z.boolean(),
});
export type Sharing = z.infer<typeof Sharing>;

export const plainSharing: Sharing = {
  look: "nothing",
  classmates: "never",
  replies: "off",
  until: null,
  putAway: false,
};

const shownKinds: readonly QuestionType[] = ["longText", "sketch", "photo", "speech", "clip", "notePage"];

/**
 * Whether an answer of this kind can be looked at and shown: what was written, drawn, photographed or said.
 * `isPiece("number")` gives `false`.
 */
export const isPiece = (type: QuestionType): boolean => shownKinds.includes(type);

/** Whether children send anything at all with this work. `sendsPieces({ look: "nothing", classmates: "never" })` gives `false`. */
export const sendsPieces = ({ look, classmates }: Sharing): boolean => look !== "nothing" || classmates !== "never";

/**
 * Whether pieces of the others are seen at this moment.
 * `isOpenToClass({ classmates: "any time", until: null }, new Date())` gives `true`.
 */
export const isOpenToClass = ({ classmates, until }: Sharing, now: Date): boolean =>
  classmates !== "never" && (until === null || now < new Date(until));

/**
 * What cannot be together, in words; null: it can.
 * `problemOfSharing({ look: "nothing", classmates: "any time", putAway: false })` gives `null`.
 */
export function problemOfSharing(sharing: Sharing): string | null {
  if (sharing.putAway && sharing.classmates !== "never")
    return "Work that is put away stays between you and the child, so classmates cannot see it.";
  if (sharing.putAway && sharing.look !== "nothing")
    return "Work that is put away cannot be sent back: the child does not see it again.";
  return null;
}

/**
 * What is not plain about it, for the sentence that says what goes out; empty where nothing is.
 * `formatSharing({ look: "nothing", classmates: "any time", replies: "off" })` gives `["classmates see it"]`.
 */
export function formatSharing({ look, classmates, replies, putAway }: Sharing): string[] {
  return [
    ...(look === "everything" ? ["you see what they write, draw or say before anyone else does"] : []),
    ...(look === "until good" ? ["you check each child’s work until one piece is good"] : []),
    ...(classmates === "own first" ? ["classmates see it after sending their own"] : []),
    ...(classmates === "any time" ? ["classmates see it"] : []),
    ...(classmates !== "never" && replies !== "off"
      ? [replies === "words" ? "they may reply in words" : "they may reply in words or by voice"]
      : []),
    ...(putAway ? ["it is put away when handed in"] : []),
  ];
}
