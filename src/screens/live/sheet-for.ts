import type { QuestionOf } from "@/core/question/question";

/** The drawing sheet of a question that is asked on the spot: the one students know from their work. */
export const sheetFor = (quick: { id: string }): QuestionOf<"sketch"> => ({
  ...{ id: quick.id, type: "sketch", prompt: {}, marks: 1, partial: "all", checked: "never" },
});
