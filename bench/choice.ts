import { newQuestion } from "@/core/question/new-question";
import type { Question } from "@/core/question/question";

/** The nth question of a long test: four options, "b" is right. */
export const choiceQuestion = (nth: number) =>
  ({
    ...newQuestion("choice", "en", () => `q${nth}`),
    id: `q${nth}`,
    options: ["a", "b", "c", "d"].map((id) => ({ id, text: { en: `Answer ${id}` } })),
    right: "b",
  }) as Question;
