import type { QuestionOf, QuestionType, ResponseOf } from "@/core/question/question";

/** What every question's view is given. `value` is undefined until something was answered. */
export interface QuestionProps<Type extends QuestionType> {
  question: QuestionOf<Type>;
  value: ResponseOf<Type> | undefined;
  onChange: (value: ResponseOf<Type>) => void;
  /** Seen, but not to be answered now. */
  readOnly: boolean;
  languages: readonly string[];
  /** After checking: which parts were right, by id. */
  parts: Record<string, boolean>;
  /** The id of the prompt, which names the control. */
  labelledBy: string;
}

/** The frame of something to press or write in, at a size for children's fingers. */
export const target = "min-h-12 rounded-card border-2 bg-card px-3 text-left";

/** Told apart without colour too: what is not right has a broken edge. */
export function partLook(right: boolean | undefined): string {
  return right === undefined ? "border-line-strong" : right ? "border-green" : "border-clay border-dashed";
}
