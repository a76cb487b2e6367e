import { type Gap } from "../../question";
import { passageWords } from "../../passage";

/**
 * What of a passage was marked, after it was edited: marks before the change stay, those after it move along, those in
 * what was rewritten go.
 * `marksAfterEdit("the tide is high", "the low tide is high", "word", [3])` gives `[4]`.
 */
export function marksAfterEdit(
  before: string,
  after: string,
  unit: "word" | "sentence",
  marked: readonly number[],
): number[] {
  const wordsOf = (passage: string) =>
    passageWords(passage, unit).flatMap(({ text, place }) => (place === null ? [] : [text]));
  const [old, now] = [wordsOf(before), wordsOf(after)];
  const most = Math.min(old.length, now.length);
  let first = 0;
  while (first < most && old[first] === now[first]) first += 1;
  let last = 0;
  while (last < most - first && old[old.length - 1 - last] === now[now.length - 1 - last]) last += 1;
  return marked.flatMap((place) => {
    if (place < first) return [place];
    if (place >= old.length - last && place < old.length) return [place + now.length - old.length];
    // One word changed where it stands, letter by letter: it is still the word that was meant.
    return old.length === now.length && place < old.length - last ? [place] : [];
  });
}

/**
 * The table as she types it: a cell to fill is "[answer|or this]".
 * `writeCells([["day", "[[a]]"]], [{ id: "a", accepted: ["two"] }])` gives `[["day", "[two]"]]`.
 */
export const writeCells = (rows: readonly (readonly string[])[], gaps: readonly Gap[]): string[][] =>
  rows.map((row) =>
    row.map((cell) => {
      const gap = gaps.find(({ id }) => cell === `[[${id}]]`);
      return gap ? `[${gap.accepted.join("|")}]` : cell;
    }),
  );

const answersIn = (cell: string): string[] | null => {
  const inside = /^\s*\[([^[\]]+)\]\s*$/.exec(cell)?.[1];
  if (inside === undefined) return null;
  const accepted = inside
    .split("|")
    .map((text) => text.trim())
    .filter(Boolean);
  return accepted.length > 0 ? accepted : ["?"];
};

/**
 * The reverse. A gap keeps its id while one of its answers stays, or else the next spare one: its answers stay with it.
 * `readCells([["High", "[tide]"]], [], () => "a").rows` gives `[["High", "[[a]]"]]`.
 */
export function readCells(
  typed: readonly (readonly string[])[],
  gaps: readonly Gap[],
  newId: () => string,
): { rows: string[][]; gaps: Gap[] } {
  const asked = typed.flatMap((row, r) =>
    row.flatMap((cell, c) => {
      const accepted = answersIn(cell);
      return accepted ? [{ place: `${r} ${c}`, accepted, gap: undefined as Gap | undefined }] : [];
    }),
  );
  const spare = [...gaps];
  const take = (fits: (gap: Gap) => boolean): Gap | undefined => {
    const at = spare.findIndex(fits);
    return at < 0 ? undefined : spare.splice(at, 1)[0];
  };
  for (const one of asked) one.gap = take((gap) => gap.accepted.some((text) => one.accepted.includes(text)));
  for (const one of asked) one.gap ??= take(() => true) ?? { id: newId(), accepted: [] };
  const kept = asked.map(({ gap, accepted }): Gap => ({ ...gap!, accepted }));
  const idAt = new Map(asked.map(({ place, gap }) => [place, gap!.id]));
  return {
    rows: typed.map((row, r) => row.map((cell, c) => (idAt.has(`${r} ${c}`) ? `[[${idAt.get(`${r} ${c}`)}]]` : cell))),
    gaps: kept,
  };
}
