import type { Written } from "../read";
import type { SeededRandom } from "./random";

/** A kind of generated lesson: a form a real teacher would use, filled with numbers and things of the shore. */
export type Pattern = (
  random: SeededRandom,
  grade: number,
) => Omit<Written, "by" | "shelf" | "licence" | "language" | "standards" | "vocabulary"> & {
  vocabulary?: Record<string, string>;
};

type Step = Written["steps"][number];

export const step = (of: Partial<Step> & Pick<Step, "title">): Step => ({
  phase: "practise",
  for: "student",
  work: "alone",
  blocks: [],
  ...of,
});

/** Minutes after midnight as the 24-hour clock shows them. */
export const clock = (minutes: number) => `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, "0")}`;

export const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** Up to four options in random order, the right one marked as demo/read.ts wants it. */
export const choiceOf = (random: SeededRandom, right: string, wrong: string[]) =>
  random.some([`*${right}`, ...[...new Set(wrong)].filter((text) => text !== right)], 4);
