import type { QuestionType } from "../question";
import { Question } from "../schema";

/** Every type of question the document knows, so that a test about all of them cannot forget one. */
export const questionTypes: QuestionType[] = Question.options.map((schema) => schema.shape.type.value);
