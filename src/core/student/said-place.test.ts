import fc from "fast-check";
import { findSaid, wordBeingSaid } from "./said-place";

/** The text between the two ends of what was found. */
function textOf(pieces: readonly string[], said: string, at: number, after = 0): string | null {
  const start = findSaid(pieces, said, after);
  const place = start < 0 ? null : wordBeingSaid(pieces, start, said, at);
  if (!place) return null;
  const { from, to } = place;
  if (from.piece === to.piece) return pieces[from.piece]!.slice(from.at, to.at);
  return [
    pieces[from.piece]!.slice(from.at),
    ...pieces.slice(from.piece + 1, to.piece),
    pieces[to.piece]!.slice(0, to.at),
  ].join("");
}

test("the word a voice is at is found in the text of the page", () => {
  const pieces = ["Why tides matter", "Boats wait for ", "high", " water."];
  expect(textOf(pieces, "Boats wait for high water.", 6)).toBe("wait");
  expect(textOf(pieces, "Boats wait for high water.", 15)).toBe("high");
  expect(textOf(pieces, "Boats wait for high water.", 20)).toBe("water.");
});

test("a word that is written in two pieces is found whole", () => {
  expect(textOf(["Low ", "ti", "de", " is at six."], "Low tide is at six.", 4)).toBe("tide");
});

test("line breaks and several spaces on the page are one space when it is said", () => {
  expect(textOf(["  Boats\n   wait  for", " water"], "Boats wait for water", 11)).toBe("for");
});

test("the same words twice: the second is looked for behind the first", () => {
  const pieces = ["a tide", " and ", "a tide"];
  const first = findSaid(pieces, "a tide", 0);
  expect(first).toBe(0);
  expect(findSaid(pieces, "a tide", first + 1)).toBe(11);
});

test("what is not on the page as it is said marks nothing", () => {
  expect(findSaid(["Something else"], "Choose one", 0)).toBe(-1);
  expect(findSaid(["x"], "   ", 0)).toBe(-1);
});

test("whatever the page is cut into, each word said is the word marked", () => {
  const word = fc.stringMatching(/^[a-zé]{1,6}$/);
  fc.assert(
    fc.property(
      fc.array(word, { minLength: 1, maxLength: 12 }),
      fc.array(fc.nat(60), { maxLength: 6 }),
      (words, cuts) => {
        const said = words.join(" ");
        const at = [0, ...cuts.map((cut) => cut % (said.length + 1)).sort((one, other) => one - other), said.length];
        const pieces = at.slice(1).map((end, nth) => said.slice(at[nth], end));
        let position = 0;
        for (const one of words) {
          expect(textOf(pieces, said, position)).toBe(one);
          position += one.length + 1;
        }
      },
    ),
  );
});
