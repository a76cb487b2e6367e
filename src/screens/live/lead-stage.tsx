"use client";
import { useRef, useState } from "react";
import type { Stroke } from "@/core/live/lesson";
import { studentStep } from "@/core/resource/student-view";
import type { Document, Step } from "@/core/resource/document";
import type { ResponseValue } from "@/core/question/question";
import { StepView } from "../step/step-view";
import { PenLayer } from "./pen-layer";

/** The step as the class sees it. With the pen on, what is drawn is on every screen. */
export function LeadStage({
  step,
  document,
  label,
  strokes,
  onStroke,
  onPoint,
}: {
  step: Step;
  document: Document;
  label: string;
  strokes: readonly Stroke[];
  onStroke: ((stroke: Stroke) => void) | undefined;
  onPoint: ((on: string | null, x: number, y: number) => void) | undefined;
}) {
  const sheet = useRef<HTMLDivElement>(null);
  const [values, setValues] = useState<Record<string, ResponseValue>>({});
  return (
    <section aria-label={label} className="flex min-h-0 flex-1 flex-col">
      <p className="text-[12px] text-ink-soft">{label}</p>
      <div className="min-h-0 flex-1 overflow-auto rounded-card border border-line bg-card" tabIndex={0}>
        <div ref={sheet} className="relative max-w-3xl p-5 font-child text-[17px]">
          <StepView
            step={studentStep(step)}
            languages={document.languages}
            values={values}
            marks={{}}
            onChange={(question, value) => setValues((old) => ({ ...old, [question.id]: value }))}
          />
          <PenLayer around={sheet} strokes={strokes} onStroke={onStroke} onPoint={onPoint} />
        </div>
      </div>
    </section>
  );
}
