"use client";
import type { KeyboardEvent } from "react";
import { Lock, PencilLine, Users } from "lucide-react";
import { useTranslations } from "use-intl";
import { withQuestions, questionsOf, type Step } from "@/core/resource/document";
import { QuestionAsAnswered } from "../step/question-as-answered";
import type { SharedWork } from "./use-shared-page";
import type { Together } from "./use-together";

/** Above a step that is shared: that all write on one page, who writes just now, or that writing is paused. */
export function TogetherSign({ together }: { together: Together }) {
  const t = useTranslations("together");
  const { page, paused, writing } = together;
  const held = page !== null && (paused || !page.open);
  const Icon = held ? Lock : writing ? PencilLine : Users;
  return (
    <p role="status" className="mb-4 flex items-center gap-2 rounded-card bg-slate-wash px-4 py-2">
      <Icon size={18} aria-hidden className="shrink-0" />
      {page === null ? t("opening") : held ? t("held") : writing ? t("writing", { name: writing }) : t("onePage")}
    </p>
  );
}

/** What was made together on a step, to be looked at below one's own. */
export function MadeTogether({
  step,
  page,
  languages,
}: {
  step: Step;
  page: SharedWork;
  languages: readonly string[];
}) {
  const t = useTranslations("together");
  const shared = new Map(page.questions.map((question) => [question.id, question]));
  const questions = questionsOf(withQuestions(step, (question) => shared.get(question.id) ?? question)).filter(
    ({ id }) => page.values[id] !== undefined,
  );
  if (questions.length === 0) return null;
  return (
    <details className="mt-4 rounded-card border border-line bg-card px-5 py-3">
      <summary className="min-h-10 cursor-pointer py-1.5 font-bold">{t("made")}</summary>
      <div className="grid grid-cols-1 gap-4 pt-2 font-child">
        {questions.map((question) => (
          <QuestionAsAnswered
            key={question.id}
            question={question}
            value={page.values[question.id]}
            languages={languages}
          />
        ))}
      </div>
    </details>
  );
}

/** Ctrl-Z takes back what this child did. The browser's own would take back what others wrote meanwhile. */
export const undoTogether =
  (page: SharedWork) =>
  (event: KeyboardEvent): void => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== "z") return;
    event.preventDefault();
    if (event.shiftKey) page.redo();
    else page.undo();
  };
