import type { Offer, Piece } from "./piece";

const separators = /[\s,;]/;

/** Where the words before this place end: without the comma or the "and" that leads on. */
function endBefore(line: string, from: number): number {
  let end = from;
  const back = () => {
    while (end > 0 && separators.test(line[end - 1]!)) end -= 1;
  };
  back();
  const joined = /(?:^|[\s,;])(?:and|or|&|\+)$/i.exec(line.slice(0, end));
  if (joined) {
    end -= joined[0].trim().length;
    back();
  }
  return end;
}

/**
 * The line with an offer taken, and where the caret goes. What stands around the replaced words stays: the other names of "except
 * Marek and Zed", the hour of "due Mon 1 Dec 3 pm". A piece of which nothing but its first word would be left goes as a whole.
 * `takeOffer("to Zed, now", { from: 3, to: 6 }, { replace: "Ana" })` gives `{ line: "to Ana, now", caret: 6 }`.
 */
export function takeOffer(line: string, piece: Piece, { replace, at = piece }: Offer): { line: string; caret: number } {
  if (replace !== "") {
    const before = line.slice(0, at.from) + replace;
    return { line: before + line.slice(at.to), caret: before.length };
  }
  const rest = (line.slice(piece.from, at.from) + line.slice(at.to, piece.to)).trim();
  const gone = /^(?:all but|but not|[a-z]+)?$/i.test(rest) ? piece : at;
  const end = endBefore(line, gone.from);
  // The first of several names: what led on to the second goes with it.
  const after = line.slice(gone.to);
  const lone = gone === at && end <= piece.from + (/^\S+/.exec(line.slice(piece.from))?.[0].length ?? 0);
  const left =
    line.slice(0, lone ? gone.from : end) + (lone ? after.replace(/^[\s,]*(?:and|or|&|\+)?\s*/i, "") : after);
  return { line: left, caret: Math.min(lone ? gone.from : end, left.length) };
}
