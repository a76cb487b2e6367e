"use client";
import { useState } from "react";
import { questionsOf, withQuestions, type Step } from "@/core/resource/document";
import type { Gap, Question, QuestionOf } from "@/core/question/question";
import { isChosen, MOST_LISTED, withWordsIn } from "@/core/question/types/gaps/word-list";
import { formatAnswer } from "@/core/question/format";
import { Field, inputClasses } from "@/ui/field";
import { nativeLanguageName } from "@/screens/media/native-language-name";
import { MarkedPassage } from "@/screens/step/questions/passage";

// As many as the schemas of questions allow.
const MOST_IN_A_GAP = 20;
const MOST_IN_AN_ANSWER = 30;
const linesOf = (typed: string, most: number): string[] =>
  typed
    .split("\n")
    .filter((line) => line.trim() !== "")
    .slice(0, most)
    .map((line) => line.slice(0, 200));

/** Typed answers, one a line; every language's are in one list, because a child may answer in hers. */
function AcceptedLines({
  label,
  accepted,
  most,
  onAccepted,
}: {
  label: string;
  accepted: readonly string[];
  most: number;
  onAccepted: (accepted: string[]) => void;
}) {
  // A line that is empty yet, and a last answer that is taken out before the next is typed, stay on the screen only.
  const [typed, setTyped] = useState(accepted.join("\n"));
  const lines = linesOf(typed, most);
  const shown = lines.length === 0 || lines.join("\n") === accepted.join("\n") ? typed : accepted.join("\n");
  return (
    <Field label={label} help="In any language, one a line.">
      {(control) => (
        <textarea
          {...control}
          rows={Math.max(2, accepted.length + 1)}
          value={shown}
          onChange={(event) => {
            setTyped(event.target.value);
            const next = linesOf(event.target.value, most);
            if (next.length > 0) onAccepted(next);
          }}
          className={`${inputClasses} py-2 font-child`}
        />
      )}
    </Field>
  );
}

/** The words children choose from who read in this language: all of the list, the right ones too. */
function WordList({
  gaps,
  language,
  onGaps,
}: {
  gaps: readonly Gap[];
  language: string;
  onGaps: (gaps: Gap[]) => void;
}) {
  const stored = gaps.find((gap) => gap.optionsIn?.[language])?.optionsIn?.[language] ?? [];
  const [typed, setTyped] = useState(stored.join("\n"));
  const lines = linesOf(typed, MOST_LISTED);
  const same = [...new Set(lines.map((line) => line.trim()))].sort().join("\n") === [...stored].sort().join("\n");
  return (
    <Field
      label={`Words to choose from in ${nativeLanguageName(language)}`}
      help={`One a line, the right ones too; say below which those are. There: ${(gaps[0]?.options ?? []).join(", ")}`}
    >
      {(control) => (
        <textarea
          {...control}
          rows={Math.max(3, stored.length + 1)}
          value={same ? typed : stored.join("\n")}
          onChange={(event) => {
            setTyped(event.target.value);
            onGaps(withWordsIn(gaps, language, linesOf(event.target.value, MOST_LISTED)));
          }}
          className={`${inputClasses} py-2 font-child`}
        />
      )}
    </Field>
  );
}

function WordsToMark({
  question,
  language,
  from,
  onChange,
}: {
  question: QuestionOf<"highlight">;
  language: string;
  from: string;
  onChange: (question: Question) => void;
}) {
  const passage = question.passage[language] ?? "";
  const right = question.right[language] ?? [];
  const id = `${question.id}-right-${language}`;
  return (
    <div className="rounded-card border border-line p-3 font-child">
      <p id={id} className="text-[13px] text-ink-soft">
        Press what is right in {nativeLanguageName(language)}. There: {formatAnswer(question, [from])}
      </p>
      {passage.trim() === "" ? (
        <p className="text-ink-soft">Write the passage first.</p>
      ) : (
        <MarkedPassage
          passage={passage}
          unit={question.unit}
          marked={right}
          readOnly={false}
          labelledBy={id}
          onToggle={(place) => {
            const next = right.includes(place) ? right.filter((one) => one !== place) : [...right, place];
            onChange({ ...question, right: { ...question.right, [language]: next.sort((a, b) => a - b) } });
          }}
        />
      )}
    </div>
  );
}

/** What counts as right in another language, where that is a matter of words. */
export function TranslateAnswers({
  step,
  language,
  from,
  onStep,
}: {
  step: Step;
  language: string;
  from: string;
  onStep: (step: Step, kind?: string) => void;
}) {
  const put = (changed: Question, kind?: string) =>
    onStep(
      withQuestions(step, (question) => (question.id === changed.id ? changed : question)),
      kind,
    );
  const fields = questionsOf(step).flatMap((question) => {
    if (question.type === "highlight")
      return [
        <WordsToMark
          key={question.id}
          question={question}
          language={language}
          from={from}
          onChange={(changed) => put(changed)}
        />,
      ];
    if (question.type === "shortText")
      return [
        <AcceptedLines
          key={question.id}
          label="Accepted answers"
          accepted={question.accepted.map(({ text }) => text)}
          most={MOST_IN_AN_ANSWER}
          onAccepted={(texts) => {
            const share = (text: string) => question.accepted.find((old) => old.text === text)?.share ?? 1;
            const accepted = texts.map((text) => ({ text, share: share(text) }));
            put({ ...question, accepted }, `accepted-${question.id}`);
          }}
        />,
      ];
    if (question.type === "gaps" || question.type === "cells") {
      const accepted = question.gaps.map((gap, at) => (
        <AcceptedLines
          key={gap.id}
          label={`Accepted in gap ${at + 1}`}
          accepted={gap.accepted}
          most={MOST_IN_A_GAP}
          onAccepted={(accepted) => {
            const gaps = question.gaps.map((one) => (one.id === gap.id ? { ...gap, accepted } : one));
            put({ ...question, gaps }, `gap-${gap.id}`);
          }}
        />
      ));
      if (question.type === "cells" || !isChosen(question.gaps)) return accepted;
      const list = (
        <WordList
          key={question.id}
          gaps={question.gaps}
          language={language}
          onGaps={(gaps) => put({ ...question, gaps }, `words-${question.id}-${language}`)}
        />
      );
      return [list, ...accepted];
    }
    return [];
  });
  if (fields.length === 0) return null;
  return (
    <section aria-label="What is right" className="mt-3 grid gap-3 border-t border-line pt-3">
      {fields}
    </section>
  );
}
