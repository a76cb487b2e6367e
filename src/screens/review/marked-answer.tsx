"use client";
import { useRef } from "react";
import type { Stroke } from "@/core/live/lesson";
import type { Question, ResponseValue } from "@/core/question/question";
import { PenLayer } from "../live/pen-layer";
import { AnswerView } from "../step/question-view";

/** The block that a teacher's lines over an answer belong to. */
export const ANSWER = "answer";

/** An answer with the teacher's lines over it; with `onStroke` it can be drawn on. */
export function MarkedAnswer({
  question,
  value,
  languages,
  name,
  marks,
  onStroke,
}: {
  question: Question;
  value: unknown;
  languages: readonly string[];
  /** What it is, for those who hear it. */
  name: string;
  marks: readonly Stroke[];
  onStroke?: ((stroke: Stroke) => void) | undefined;
}) {
  const around = useRef<HTMLDivElement>(null);
  return (
    <div ref={around} className="relative">
      <div data-block={ANSWER}>
        {typeof value === "string" ? (
          // Writing is shown in full, not in the field it was written in.
          <p className="min-h-16 whitespace-pre-wrap [overflow-wrap:anywhere]">
            <span className="heard">{name}: </span>
            {value}
          </p>
        ) : (
          <AnswerView question={question} value={value as ResponseValue} languages={languages} name={name} />
        )}
      </div>
      {(marks.length > 0 || onStroke) && <PenLayer around={around} strokes={marks} onStroke={onStroke} />}
    </div>
  );
}
