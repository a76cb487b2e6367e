"use client";
import { readFirst } from "@/core/content/language";
import { ArrowLeft, ArrowRight } from "lucide-react";
import { useState } from "react";
import type { Document } from "@/core/resource/document";
import type { Question, ResponseValue } from "@/core/question/question";
import { mark, type Mark } from "@/core/question/mark";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { LanguageSwitch } from "../step/language-switch";
import { StepView } from "../step/step-view";

/** For the board: only what students may see, in letters the last row can read. Arrow keys go on. Nothing is kept. */
export function BoardScreen({ title, document }: { title: string; document: Document }) {
  const steps = document.steps.filter((step) => step.audience !== "teacher");
  const [at, setAt] = useState(0);
  const [values, setValues] = useState<Record<string, ResponseValue>>({});
  const [marks, setMarks] = useState<Record<string, Mark | undefined>>({});
  const move = (by: number) => setAt((old) => Math.max(0, Math.min(steps.length - 1, old + by)));
  useKeys({ ArrowRight: () => move(1), ArrowLeft: () => move(-1) });
  const [read, setRead] = useState(document.languages[0]!);
  const step = steps[at];
  if (!step) return <Empty title="Nothing to show students yet" />;
  const answer = (question: Question, value: ResponseValue) => {
    setValues((old) => ({ ...old, [question.id]: value }));
    setMarks((old) => ({ ...old, [question.id]: undefined }));
  };
  return (
    <main className="mx-auto flex min-h-dvh max-w-5xl flex-col px-8 py-6">
      <div className="flex items-center gap-4">
        <h1 className="flex-1 font-serif text-2xl">{title}</h1>
        <LanguageSwitch languages={document.languages} reads={read} onReads={setRead} />
        <span className="numbers text-ink-soft">
          {at + 1} of {steps.length}
        </span>
        <Button onClick={() => move(-1)} disabled={at === 0}>
          <ArrowLeft size={16} aria-hidden /> Back
        </Button>
        <Button onClick={() => move(1)} disabled={at === steps.length - 1}>
          Next <ArrowRight size={16} aria-hidden />
        </Button>
      </div>
      <div className="mt-5 flex-1 text-[24px]">
        <StepView
          key={step.id}
          step={step}
          languages={readFirst(document.languages, read)}
          values={values}
          marks={marks}
          onChange={answer}
          mayCheck={() => true}
          onCheck={(question) =>
            setMarks((old) => ({ ...old, [question.id]: mark(question, values[question.id], document.languages[0]) }))
          }
        />
      </div>
    </main>
  );
}
