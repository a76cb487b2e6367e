import type { NewId } from "@/core/resource/edit";
import type { Option, QuestionOf, QuestionType } from "@/core/question/question";

/** What the part of a question's editor is given that is its type's own. */
export interface EditorProps<Type extends QuestionType> {
  question: QuestionOf<Type>;
  languages: readonly string[];
  newId: NewId;
  /** `kind` joins changes of one field into one step of undo. */
  onChange: (question: QuestionOf<Type>, kind?: string) => void;
}

export const replaced = (options: readonly Option[], changed: Option) =>
  options.map((option) => (option.id === changed.id ? changed : option));
