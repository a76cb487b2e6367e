"use client";
import { inLanguage } from "@/core/resource/language";
import type { Step } from "@/core/resource/document";
import type { Question, ResponseValue } from "@/core/resource/question";
import type { Mark } from "@/core/scoring/mark";
import { BlockView } from "./block-view";
import { QuestionView } from "./question-view";
import { Rich } from "./rich";

export interface StepViewProps {
  step: Step;
  languages: readonly string[];
  values: Record<string, ResponseValue | undefined>;
  marks: Record<string, Mark | undefined>;
  onChange: (question: Question, value: ResponseValue) => void;
  /** Whether a question may be checked now; undefined: none may. */
  mayCheck?: ((question: Question) => boolean) | undefined;
  onCheck?: ((question: Question) => void) | undefined;
  checking?: string | null;
  still?: boolean;
}

/** One step exactly as students see it: in their work, on the light table, and while it is made. */
export function StepView({
  step,
  languages,
  values,
  marks,
  onChange,
  mayCheck,
  onCheck,
  checking,
  still = false,
}: StepViewProps) {
  const instructions = inLanguage(step.instructions, languages);
  return (
    <div className="grid gap-5 font-child" lang={languages[0]}>
      <h2 className="text-[1.25em] font-bold">{inLanguage(step.title, languages)}</h2>
      {instructions && <Rich text={instructions.text} />}
      {step.blocks.map((block) =>
        block.type === "question" ? (
          <QuestionView
            key={block.id}
            question={block.question}
            value={values[block.question.id]}
            onChange={(value) => onChange(block.question, value)}
            mark={marks[block.question.id]}
            onCheck={onCheck && mayCheck?.(block.question) ? () => onCheck(block.question) : undefined}
            checking={checking === block.question.id}
            still={still}
            languages={languages}
          />
        ) : (
          <BlockView key={block.id} block={block} languages={languages} />
        ),
      )}
    </div>
  );
}
