"use client";
import { useRef, type ReactNode, type RefObject } from "react";
import { inLanguage } from "@/core/content/language";
import type { Block } from "@/core/resource/block";
import type { Recording, Step } from "@/core/resource/document";
import type { Question, ResponseValue } from "@/core/question/question";
import { isBlankResponse, type Mark } from "@/core/question/mark";
import { linesOf } from "@/core/student/read-aloud";
import { SoundPlayer } from "../media/sound-player";
import { BlockView } from "./block-view";
import { QuestionView } from "./question-view";
import { FilmView } from "./film";
import { followRecording } from "./follow-recording";
import { BeginQuestion, TimeAllowed, TimeLeft, type QuestionLimits } from "./limited";
import { QuestionGlossary } from "./glossary";
import { Rich } from "./rich";
import { useTranslations } from "use-intl";

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
  readOnly?: boolean;
  /** Which questions can be answered though the rest is read only. */
  reopened?: ((question: Question) => boolean) | undefined;
  /** What stands below a question. */
  below?: ((question: Question) => ReactNode) | null | undefined;
  /** The times of questions, where they run; elsewhere they are only told. */
  limits?: QuestionLimits | undefined;
}

/** What is to be done, in the voice that recorded it. */
function Spoken({
  recording,
  lines,
  within,
}: {
  recording: Recording;
  lines: readonly string[];
  within: RefObject<HTMLElement | null>;
}) {
  const t = useTranslations("read");
  return (
    <SoundPlayer
      key={recording.media}
      media={recording.media}
      seconds={recording.seconds}
      name={t("whatToDo")}
      large
      onPlay={(sound) => followRecording(sound, lines, within.current)}
    >
      {recording.kept && <span className="text-[0.85em] text-ink-soft">{t("readBy", { name: recording.name })}</span>}
    </SoundPlayer>
  );
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
  readOnly = false,
  reopened,
  below,
  limits,
}: StepViewProps) {
  const sheet = useRef<HTMLDivElement>(null);
  const instructions = inLanguage(step.instructions, languages);
  const ask = (question: Question) => {
    const limit = limits?.of(question);
    if (limit?.left === null)
      return (
        <BeginQuestion
          key={question.id}
          seconds={limit.seconds}
          busy={limits?.beginning === question.id}
          onBegin={() => limits?.begin(question)}
        />
      );
    return (
      <div key={question.id} className="grid grid-cols-1 gap-3">
        {limit ? (
          <TimeLeft seconds={limit.seconds} left={limit.left} end={limit.end} />
        ) : (
          question.seconds !== undefined && <TimeAllowed seconds={question.seconds} />
        )}
        <QuestionGlossary question={question}>
          <QuestionView
            question={question}
            value={values[question.id]}
            onChange={(value) => onChange(question, value)}
            mark={marks[question.id]}
            onCheck={onCheck && mayCheck?.(question) && !limit?.over ? () => onCheck(question) : undefined}
            checking={checking === question.id}
            readOnly={(readOnly || (limit?.over ?? false)) && !reopened?.(question)}
            languages={languages}
          />
        </QuestionGlossary>
        {below?.(question)}
      </div>
    );
  };
  const shown = (block: Block) => {
    if (block.type === "question") return ask(block.question);
    if (block.type !== "film") return <BlockView block={block} languages={languages} />;
    return (
      <FilmView
        block={block}
        languages={languages}
        readOnly={readOnly}
        ask={ask}
        answered={(question) =>
          !isBlankResponse(question.type, values[question.id]) || Boolean(limits?.of(question)?.over)
        }
      />
    );
  };
  return (
    <div ref={sheet} className="grid grid-cols-1 gap-5 font-child" lang={languages[0]}>
      <h2 className="text-[1.25em] font-bold">{inLanguage(step.title, languages)}</h2>
      {instructions && <Rich text={instructions.text} />}
      {instructions?.recording && (
        <Spoken recording={instructions.recording} lines={linesOf(instructions.text)} within={sheet} />
      )}
      {step.blocks.map((block) => (
        // Named for the teacher's pen, whose lines belong to what they were drawn on.
        <div key={block.id} data-block={block.id} className="min-w-0">
          {shown(block)}
        </div>
      ))}
    </div>
  );
}
