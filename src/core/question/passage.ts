import { inLanguage } from "../content/language";
import type { Gap } from "./question";

/** Passages with gaps, and passages whose words can be marked. */

/**
 * The gaps of a passage in order: text and gap ids in turn.
 * `passageParts("High [[a]] now")` gives `[{ text: "High " }, { gap: "a" }, { text: " now" }]`.
 */
export function passageParts(passage: string): ({ text: string } | { gap: string })[] {
  return passage
    .split(/(\[\[[A-Za-z0-9_-]+\]\])/)
    .filter((part) => part !== "")
    .map((part) => (/^\[\[.*\]\]$/.test(part) ? { gap: part.slice(2, -2) } : { text: part }));
}

/**
 * A passage to fill in with a pencil: a line for each gap, and behind it what it may be chosen from.
 * `passageOnPaper("High [[a]] now", [{ id: "a", accepted: ["tide"], options: ["tide", "time"] }], ["en"])` gives `"High __________ (tide / time) now"`.
 */
export const passageOnPaper = (passage: string, gaps: readonly Gap[], languages: readonly string[]): string =>
  passageParts(passage)
    .map((part) => {
      if ("text" in part) return part.text;
      const gap = gaps.find(({ id }) => id === part.gap);
      const options = inLanguage(gap?.optionsIn, languages) ?? gap?.options;
      return options ? `__________ (${options.join(" / ")})` : "__________";
    })
    .join("");

/**
 * The words (or sentences) of a passage and what stands between them; `place` counts only what can be marked.
 * `passageWords("High tide", "word")` gives `[{ text: "High", place: 0 }, { text: " ", place: null }, { text: "tide", place: 1 }]`.
 */
export function passageWords(passage: string, unit: "word" | "sentence"): { text: string; place: number | null }[] {
  // Once begun, neither can fail: a run is read to its end and never read again.
  // eslint-disable-next-line regexp/no-super-linear-move
  const pattern = unit === "word" ? /[\p{L}\p{N}][\p{L}\p{M}\p{N}'’-]*/gu : /[^.!?…\s][^.!?…]*(?:[.!?…]+["”’)]*|$)/gu;
  const parts: { text: string; place: number | null }[] = [];
  let end = 0;
  let place = 0;
  for (const found of passage.matchAll(pattern)) {
    if (found.index > end) parts.push({ text: passage.slice(end, found.index), place: null });
    parts.push({ text: found[0], place: place++ });
    end = found.index + found[0].length;
  }
  if (end < passage.length) parts.push({ text: passage.slice(end), place: null });
  return parts;
}

/**
 * Makes a passage and its gaps agree: gaps no longer in the text go, new ones ([word]) are made of the bracketed word.
 * `readPassage("High [tide] now", [], () => "a").passage` gives `"High [[a]] now"`.
 */
export function readPassage(
  typed: string,
  gaps: readonly Gap[],
  newId: () => string,
): { passage: string; gaps: Gap[] } {
  const kept: Gap[] = [];
  const passage = typed.replace(/\[([^[\]]+)\]/g, (_, inside: string) => {
    const accepted = inside
      .split("|")
      .map((word) => word.trim())
      .filter(Boolean);
    const old = gaps.find((gap) => !kept.some((taken) => taken.id === gap.id) && gap.accepted[0] === accepted[0]);
    const gap = { ...old, id: old?.id ?? newId(), accepted: accepted.length > 0 ? accepted : ["?"] };
    kept.push(gap);
    return `[[${gap.id}]]`;
  });
  return { passage, gaps: kept };
}

/**
 * The reverse: the passage as she types it, "The tide is [high|flood] now."
 * `writePassage("High [[a]] now", [{ id: "a", accepted: ["tide", "water"] }])` gives `"High [tide|water] now"`.
 */
export function writePassage(passage: string, gaps: readonly { id: string; accepted: string[] }[]): string {
  return passage.replace(/\[\[([A-Za-z0-9_-]+)\]\]/g, (_, id: string) => {
    const gap = gaps.find((candidate) => candidate.id === id);
    return `[${gap?.accepted.join("|") ?? "?"}]`;
  });
}
