import type { Queryable } from "@/data/engine/db";
import { phrasesOf } from "@/data/review/queue";

/** What is offered to a teacher who has written no phrases of her own. */
const firstPhrases = [
  "You looked closely.",
  "Look at this one again.",
  "How do you know?",
  "Tell me more.",
  "Check your spelling.",
  "Ready to show.",
  "Well done.",
];

/** What a teacher often says to work. */
export const phrasesFor = async (db: Queryable, teacher: number): Promise<string[]> =>
  (await phrasesOf(db, teacher)) ?? firstPhrases;
