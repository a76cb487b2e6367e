import type { Question, ResponseValue } from "@/core/question/question";
import { QuestionView } from "./question-view";

/** A question with what was answered to it, to be looked at only. */
export const QuestionAsAnswered = ({
  question,
  value,
  languages,
}: {
  question: Question;
  value: ResponseValue | undefined;
  languages: readonly string[];
}) => <QuestionView question={question} value={value} onChange={() => undefined} readOnly languages={languages} />;
