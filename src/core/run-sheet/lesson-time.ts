import type { RunSheet, SheetDay, SheetPart } from "./schema";

/** `minutesOf({ parts: [{ minutes: 5 }, { minutes: 10 }] })` gives `15`. */
export const minutesOf = ({ parts }: Pick<SheetDay, "parts">): number =>
  parts.reduce((sum, { minutes }) => sum + minutes, 0);

/**
 * When each part begins, in minutes since the lesson began.
 * `[...beginnings({ parts: [{ id: "a", minutes: 5 }, { id: "b", minutes: 10 }] })]` gives `[["a", 0], ["b", 5]]`.
 */
export function beginnings({ parts }: Pick<SheetDay, "parts">): Map<string, number> {
  const found = new Map<string, number>();
  let at = 0;
  for (const { id, minutes } of parts) {
    found.set(id, at);
    at += minutes;
  }
  return found;
}

/**
 * What to leave out of a day so that what is left of it fits into this many minutes: in the order she chose, no more than needed.
 * `enough` is false where leaving out all of it would not do.
 * `whenShort({ short: ["b"] }, [{ id: "a", minutes: 20 }, { id: "b", minutes: 20 }], 30)` gives `{ leaveOut: ["b"], enough: true }`.
 */
export function whenShort(
  sheet: Pick<RunSheet, "short">,
  parts: readonly SheetPart[],
  minutes: number,
): { leaveOut: string[]; enough: boolean } {
  let over = parts.reduce((sum, part) => sum + part.minutes, 0) - minutes;
  const leaveOut: string[] = [];
  for (const id of sheet.short) {
    if (over <= 0) break;
    const part = parts.find((one) => one.id === id);
    if (!part || part.minutes === 0) continue;
    leaveOut.push(id);
    over -= part.minutes;
  }
  return { leaveOut, enough: over <= 0 };
}

/**
 * What was not reached goes first in the next lesson, which is there or is made; the sheet is spread no further.
 * `carryOver(sheet, "day", ["b"], "next").days[1].parts.map(({ id }) => id)` gives `["b"]`.
 */
export function carryOver(sheet: RunSheet, day: string, notReached: readonly string[], newId: string): RunSheet {
  const at = sheet.days.findIndex(({ id }) => id === day);
  if (at < 0) return sheet;
  const parts = sheet.days[at]!.parts;
  const left = parts.filter(({ id }) => notReached.includes(id));
  if (left.length === 0) return sheet;
  const days = sheet.days.map((one, nth) => {
    if (nth === at) return { ...one, parts: parts.filter(({ id }) => !notReached.includes(id)) };
    if (nth !== at + 1) return one;
    // An opener opens.
    const opens = one.parts[0]?.phase === "open" ? 1 : 0;
    return { ...one, parts: one.parts.toSpliced(opens, 0, ...left) };
  });
  if (at === days.length - 1) days.push({ id: newId, parts: left });
  return { ...sheet, days };
}

/**
 * Whether two scripts are made of the same parts: one of a newer revision is another script, and what moved in the old one is past.
 * `sameParts(sheet, carryOver(sheet, "day", ["b"], "next"))` gives `true`.
 */
export function sameParts(one: RunSheet, other: RunSheet): boolean {
  const ids = (sheet: RunSheet) => sheet.days.flatMap(({ parts }) => parts.map(({ id }) => id)).sort();
  return ids(one).join() === ids(other).join();
}
