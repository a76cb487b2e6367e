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
  /** What may have been meant: what stands in the line is replaced. An empty text takes it out. */
  offers: readonly { text: string; replace: string }[];
}
