/** A stretch of text on a page: in which of its pieces it begins and ends, and at which character. */
export interface SaidPlace {
  from: { piece: number; at: number };
  to: { piece: number; at: number };
}

const plain = (text: string) => text.replace(/\s+/gu, " ");

/**
 * Where words that are said stand among the pieces of text of a page (its text nodes, in order): from which character of all of them
 * taken together, white space counted as one space. Looked for from `after` on, so that the same words twice are found one after the
 * other; -1 where they are not there as they are said.
 * `findSaid(["The tide ", "is high."], "tide is", 0)` gives `4`.
 */
export function findSaid(pieces: readonly string[], said: string, after: number): number {
  const wanted = plain(said).trim();
  return wanted === "" ? -1 : plain(pieces.join("")).indexOf(wanted, after);
}

/**
 * The word a voice has reached: `start` is where the sentence begins (findSaid), `at` the index of the character the speech engine
 * reports. Null where that is not in a word of the page.
 * `wordBeingSaid(["The tide is high."], 0, "The tide is high.", 4)` gives `{ from: { piece: 0, at: 4 }, to: { piece: 0, at: 8 } }`.
 */
export function wordBeingSaid(pieces: readonly string[], start: number, said: string, at: number): SaidPlace | null {
  const trimmed = said.length - said.trimStart().length;
  const before = plain(said.slice(trimmed, at)).length;
  const word = /^\S+/u.exec(said.slice(at));
  if (!word) return null;
  const from = placeAt(pieces, start + before);
  const to = placeAt(pieces, start + before + word[0].length - 1);
  return from && to && { from, to: { piece: to.piece, at: to.at + 1 } };
}

/** The piece and character of the n-th character of all pieces, white space counted as one. */
function placeAt(pieces: readonly string[], n: number): { piece: number; at: number } | null {
  let count = -1;
  let inSpace = false;
  for (const [piece, text] of pieces.entries())
    for (let at = 0; at < text.length; at += 1) {
      const space = /\s/u.test(text[at]!);
      if (!space || !inSpace) count += 1;
      inSpace = space;
      if (count === n && !(space && at > 0 && /\s/u.test(text[at - 1]!))) return { piece, at };
    }
  return null;
}
