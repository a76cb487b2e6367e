import { z } from "zod";

/** How a child likes to read. Steps and not numbers: what a step means is here alone. */
export const Comfort = z.object({
  size: z.enum(["usual", "large", "larger", "largest"]),
  spacing: z.enum(["usual", "wide", "wider"]),
  colours: z.enum(["usual", "calm", "sea"]),
  ruler: z.boolean(),
});
export type Comfort = z.infer<typeof Comfort>;

export const plainComfort: Comfort = { size: "usual", spacing: "usual", colours: "usual", ruler: false };

/**
 * What is stored of a child, or the usual where nothing is or it cannot be read.
 * `readComfort(null)` gives `{ size: "usual", spacing: "usual", colours: "usual", ruler: false }`.
 */
export const readComfort = (stored: unknown): Comfort => Comfort.catch(plainComfort).parse(stored);

const USUAL_PIXELS = 17;
/** Shares of the usual size. */
const sizes: Record<Comfort["size"], number> = { usual: 1, large: 1.2, larger: 1.45, largest: 1.75 };
/** Letters, words (em) and lines (shares of the size); "wide" is what WCAG 2.2, 1.4.12 asks every page to bear. */
const spacings: Record<Comfort["spacing"], { letters: number; words: number; lines: number }> = {
  usual: { letters: 0, words: 0, lines: 1.45 },
  wide: { letters: 0.06, words: 0.12, lines: 1.75 },
  wider: { letters: 0.12, words: 0.16, lines: 2 },
};

/**
 * What a page is set to, as values of CSS properties.
 * `Object.keys(comfortStyle({ size: "usual", spacing: "usual" }))` gives `["text", "letters", "words", "lines"]`.
 */
export function comfortStyle({ size, spacing }: Comfort): Record<"text" | "letters" | "words" | "lines", string> {
  const { letters, words, lines } = spacings[spacing];
  return {
    text: `${Math.round(USUAL_PIXELS * sizes[size] * 10) / 10}px`,
    letters: `${letters}em`,
    words: `${words}em`,
    lines: String(lines),
  };
}
