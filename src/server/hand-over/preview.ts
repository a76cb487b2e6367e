import { readByPerson } from "@/core/question/mark";
import type { Question } from "@/core/question/question";
import { allQuestions, titleOf } from "@/core/resource/document";
import { oldKindOf } from "@/formats/cartridge/old-qti";
import { changedInQti } from "@/formats/qti/interactions";
import type { Gathered } from "./gather";

/** What goes, as it will arrive: topics in order, materials first. */
export interface OutgoingPreview {
  title: string;
  topics: { title: string; resources: { id: string; title: string; isMaterial: boolean; questions: number }[] }[];
  files: number;
  left: string[];
  /** What other systems have no question for, and what becomes of it there. */
  changes: string[];
}

/** What is said of the questions that are not the same elsewhere. */
function changesOf({ outgoing }: Gathered): string[] {
  const questions = outgoing.topics
    .flatMap(({ resources }) => resources)
    .flatMap(({ document }) => allQuestions(document).map(({ question }) => question));
  const inQti = new Set(questions.flatMap((question) => changedInQti(question) ?? []));
  const essays = questions.filter((question) => oldKindOf(question) === "essay" && markedHere(question)).length;
  return [
    ...[...inQti].map((what) => `QTI: ${what}.`),
    ...(essays > 0
      ? [
          `Common Cartridge knows few kinds of questions: ${essays === 1 ? "one question becomes a written answer" : `${essays} questions become written answers`} that you mark.`,
        ]
      : []),
  ];
}
const markedHere = (question: Question) => !readByPerson(question.type);

export const previewOf = (gathered: Gathered): OutgoingPreview => ({
  ...{ title: gathered.outgoing.title, files: gathered.outgoing.files.size, left: gathered.left },
  changes: changesOf(gathered),
  topics: gathered.outgoing.topics.map((topic) => ({
    title: topic.title,
    resources: topic.resources.map(({ id, document, isMaterial }) => ({
      ...{ id, title: titleOf(document), isMaterial },
      questions: document.steps.flatMap(({ blocks }) => blocks).filter(({ type }) => type === "question").length,
    })),
  })),
});
