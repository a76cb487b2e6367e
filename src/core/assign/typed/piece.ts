/** A part of the line with what it was taken for. */
export interface Piece {
  /** Where it stands in the line. */
  from: number;
  to: number;
  /** "Who", "Except", "Opens" …; for what is not understood "Not understood". */
  label: string;
  /** What it comes to, in the form's words: "4/5 Puffin, all 24". */
  said: string;
  /** Why it changes nothing, or not what it seems to; null when all is well. */
  problem: string | null;
  /** What may have been meant. */
  offers: readonly Offer[];
}

/** Something to put into the line in place of what stands there; an empty text takes it out. */
export interface Offer {
  text: string;
  replace: string;
  /** Just these words of the piece are replaced: one name of several, a day without its hour. Left out: the whole piece. */
  at?: { from: number; to: number };
}
