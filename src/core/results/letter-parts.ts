import type { LetterParts } from "./family-letter";

export const letterParts: { part: keyof LetterParts; text: string }[] = [
  { part: "standards", text: "what they can do" },
  { part: "goals", text: "their own goals" },
  { part: "results", text: "each result" },
];

export const plainParts: LetterParts = { standards: true, goals: true, results: false };

/**
 * What goes into letters, as their address says it: "standards,results"; null: what it is without being asked.
 * `readLetterParts("standards")` gives `{ standards: true, goals: false, results: false }`.
 */
export function readLetterParts(said: string | null): LetterParts {
  if (said === null) return plainParts;
  const asked = said.split(",");
  return {
    standards: asked.includes("standards"),
    goals: asked.includes("goals"),
    results: asked.includes("results"),
  };
}

/** A day in a letter: "14 September", as the language has it. `formatLetterDate("2026-09-14", "es")` gives `"14 de septiembre"`. */
export const formatLetterDate = (date: string, language: string): string =>
  new Intl.DateTimeFormat(language === "en" ? "en-GB" : language, {
    day: "numeric",
    month: "long",
    timeZone: "UTC",
  }).format(new Date(`${date}T12:00:00Z`));
