import type { Document } from "../resource/document";
import { shortOrder, spread } from "./propose";
import type { LineSource, RunSheet, SheetLine, SheetPart } from "./schema";
import { sourceOf, sourceText } from "./source";
import { lineKinds, mostInRunSheet, type SheetPhase } from "./vocabulary";

/** Changes to a run sheet. Each gives a new one and leaves what it was given as it is. */

const eachPart = (sheet: RunSheet, change: (part: SheetPart) => SheetPart): RunSheet => ({
  ...sheet,
  days: sheet.days.map((day) => ({ ...day, parts: day.parts.map(change) })),
});

const eachLine = (sheet: RunSheet, change: (line: SheetLine) => SheetLine[]): RunSheet =>
  eachPart(sheet, (part) => ({ ...part, lines: part.lines.flatMap(change).slice(0, mostInRunSheet.lines) }));

/** `setLine({ days: [] }, "a", {})` gives `{ days: [] }`. */
export const setLine = (sheet: RunSheet, id: string, to: Partial<SheetLine>): RunSheet =>
  eachLine(sheet, (line) => [line.id === id ? { ...line, ...to } : line]);

/** The next kind, or the one before: one keystroke. `turnKind(sheet, "say", 1).days[0].parts[0].lines[0].kind` gives `"I do"`. */
export const turnKind = (sheet: RunSheet, id: string, by: 1 | -1): RunSheet =>
  eachLine(sheet, (line) => {
    const next = lineKinds[(lineKinds.indexOf(line.kind) + by + lineKinds.length) % lineKinds.length]!;
    return [line.id === id ? { ...line, kind: next } : line];
  });

/**
 * A line of the same kind after another, empty.
 * `addLineAfter(sheet, "say", "new").days[0].parts[0].lines.map(({ id }) => id)` gives `["say", "new", "do"]`.
 */
export const addLineAfter = (sheet: RunSheet, id: string, newId: string): RunSheet =>
  eachLine(sheet, (line) =>
    line.id === id ? [line, { id: newId, kind: line.kind, text: "", ifNobody: false }] : [line],
  );

/** The first line of a part that has none. `addFirstLine(sheet, "b", "new").days[0].parts[1].lines.length` gives `1`. */
export const addFirstLine = (sheet: RunSheet, part: string, newId: string): RunSheet =>
  eachPart(sheet, (one) =>
    one.id === part && one.lines.length === 0
      ? { ...one, lines: [{ id: newId, kind: "I say", text: "", ifNobody: false }] }
      : one,
  );

/** `removeLine({ days: [] }, "a")` gives `{ days: [] }`. */
export const removeLine = (sheet: RunSheet, id: string): RunSheet =>
  eachLine(sheet, (line) => (line.id === id ? [] : [line]));

/** Puts a line back where it stood, unless its part is gone. `restoreLine(removeLine(sheet, "say"), sheet, "say")` gives `sheet`. */
export function restoreLine(sheet: RunSheet, before: RunSheet, id: string): RunSheet {
  const part = before.days.flatMap(({ parts }) => parts).find(({ lines }) => lines.some((line) => line.id === id));
  const at = part?.lines.findIndex((line) => line.id === id) ?? -1;
  if (!part || at < 0) return sheet;
  return eachPart(sheet, (one) =>
    one.id === part.id && !one.lines.some((line) => line.id === id)
      ? { ...one, lines: one.lines.toSpliced(at, 0, part.lines[at]!).slice(0, mostInRunSheet.lines) }
      : one,
  );
}

/**
 * A line one place up or down, within its part.
 * `moveLine(sheet, "say", 1).days[0].parts[0].lines.map(({ id }) => id)` gives `["do", "say"]`.
 */
export const moveLine = (sheet: RunSheet, id: string, by: 1 | -1): RunSheet =>
  eachPart(sheet, (part) => {
    const at = part.lines.findIndex((line) => line.id === id);
    const to = at + by;
    if (at < 0 || to < 0 || to >= part.lines.length) return part;
    const lines = part.lines.slice();
    lines.splice(to, 0, ...lines.splice(at, 1));
    return { ...part, lines };
  });

/** A part with other minutes, 0 to 300. `setMinutes({ days: [] }, "a", 5)` gives `{ days: [] }`. */
export const setMinutes = (sheet: RunSheet, part: string, minutes: number): RunSheet =>
  eachPart(sheet, (one) => (one.id === part ? { ...one, minutes: Math.max(0, Math.min(300, minutes)) } : one));

/**
 * Something of the resource as a line at the end of a part, linked. Once taken it is not taken again.
 * `takeInto(sheet, lesson, { part: "b", from: { step: "look", block: "text" }, line: { id: "new", kind: "I do" } }).days[0].parts[1].lines[0].text` gives `"The tide comes in twice a day."`.
 */
export function takeInto(
  sheet: RunSheet,
  document: Document,
  of: { part: string; from: Omit<LineSource, "said">; line: Pick<SheetLine, "id" | "kind"> },
): RunSheet {
  const said = sourceText(document, of.from);
  if (said === null) return sheet;
  const line: SheetLine = { ...of.line, text: said.slice(0, 2000), ifNobody: false, from: sourceOf(document, of.from) };
  return eachPart(sheet, (part) =>
    part.id === of.part ? { ...part, lines: [...part.lines, line].slice(0, mostInRunSheet.lines) } : part,
  );
}

/**
 * A question as what a day opens with, or asks at its end: the part is there or is made.
 * `takeAs(sheet, lesson, { day: "day", phase: "open", from: { step: "ask", block: "block" }, newId: () => "new" }).days[0].parts[0].phase` gives `"open"`.
 */
export function takeAs(
  sheet: RunSheet,
  document: Document,
  of: {
    day: string;
    phase: Extract<SheetPhase, "open" | "close">;
    from: Omit<LineSource, "said">;
    newId: () => string;
  },
): RunSheet {
  const day = sheet.days.find(({ id }) => id === of.day);
  if (!day) return sheet;
  const line = { id: of.newId(), kind: of.phase === "open" ? ("I say" as const) : ("they do" as const) };
  const there = day.parts.find(({ phase }) => phase === of.phase);
  if (there) return takeInto(sheet, document, { part: there.id, from: of.from, line });
  const part: SheetPart = { id: of.newId(), phase: of.phase, minutes: 5, lines: [] };
  const parts = of.phase === "open" ? [part, ...day.parts] : [...day.parts, part];
  const made = {
    ...sheet,
    days: sheet.days.map((one) => (one.id === of.day ? { ...one, parts: parts.slice(0, mostInRunSheet.parts) } : one)),
  };
  return takeInto(made, document, { part: part.id, from: of.from, line });
}

/** A line says what its source says now, and is linked to that. `follow(sheet, lesson, "say")` gives `sheet`. */
export const follow = (sheet: RunSheet, document: Document, id: string): RunSheet =>
  eachLine(sheet, (line) => {
    const now = line.id === id && line.from ? sourceText(document, line.from) : null;
    return [now === null ? line : { ...line, text: now.slice(0, 2000), from: sourceOf(document, line.from!) }];
  });

/**
 * A line stays as it is, whatever its source says by now; of a source that is gone it is no longer linked.
 * `keepAsItIs(sheet, lesson, "say")` gives `sheet`.
 */
export const keepAsItIs = (sheet: RunSheet, document: Document, id: string): RunSheet =>
  eachLine(sheet, (line) => {
    if (line.id !== id || !line.from) return [line];
    const { from, ...rest } = line;
    return [sourceText(document, from) === null ? rest : { ...line, from: sourceOf(document, from) }];
  });

/**
 * A part goes to the next day, or to the one before; a new day comes where there is none.
 * `movePart(sheet, "b", 1, "next").days.map(({ id }) => id)` gives `["day", "next"]`.
 */
export function movePart(sheet: RunSheet, id: string, by: 1 | -1, newId: string): RunSheet {
  const at = sheet.days.findIndex(({ parts }) => parts.some((part) => part.id === id));
  const to = at + by;
  if (at < 0 || to < 0 || to >= mostInRunSheet.days) return sheet;
  const part = sheet.days[at]!.parts.find((one) => one.id === id)!;
  const days = sheet.days.map((day, nth) => {
    const parts = day.parts.filter((one) => one.id !== id);
    if (nth !== to) return { ...day, parts };
    return { ...day, parts: by > 0 ? [part, ...parts] : [...parts, part] };
  });
  if (to === days.length) days.push({ id: newId, parts: [part] });
  return { ...sheet, days: days.filter(({ parts }) => parts.length > 0) };
}

/**
 * All parts over lessons of this many minutes, in their order: as few as possible.
 * `spreadAgain(sheet, 10, () => "next").days.map(({ id }) => id)` gives `["day", "next"]`.
 */
export function spreadAgain(sheet: RunSheet, period: number, newId: () => string): RunSheet {
  const lessons = spread(
    sheet.days.flatMap(({ parts }) => parts),
    period,
  );
  const days = lessons.map((parts, at) => ({ id: sheet.days[at]?.id ?? newId(), parts }));
  return { ...sheet, period, days, short: shortOrder(days).filter((id) => sheet.short.includes(id)) };
}
