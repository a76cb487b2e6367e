"use client";
import { readByPerson } from "@/core/question/mark";
import { clsx } from "clsx";
import { useState, type ReactNode } from "react";
import { mainActivity } from "@/core/resource/activity";
import { stepTitle } from "@/core/resource/changes";
import { questionsOf, type Document, type Step } from "@/core/resource/document";
import { inLanguage, readFirst } from "@/core/content/language";
import { workNames } from "@/core/resource/work";
import { formatAnswer } from "@/core/question/format";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { Segmented } from "@/ui/segmented";
import { ActivityIcon } from "../step/activity-icon";
import { Rich } from "../step/rich";
import { LanguageSwitch } from "../step/language-switch";
import { BeforeHandIn } from "../step/before-hand-in";
import { StepView } from "../step/step-view";
import { TrialEnding } from "../step/trial-ending";
import { useTrial } from "../step/use-trial";
import { ReadToMe } from "../step/read-to-me";
import { useAddress } from "../use-address";
import { stepAt } from "./step-at";

function Strip({
  steps,
  languages,
  at,
  onPick,
}: {
  steps: Step[];
  languages: string[];
  at: number;
  onPick: (at: number) => void;
}) {
  return (
    <ol className="flex gap-1.5 overflow-x-auto px-5 pt-0.5 pb-3" aria-label="Steps">
      {steps.map((step, nth) => (
        <li key={step.id} className="w-32 shrink-0 grow">
          <button
            type="button"
            aria-current={nth === at ? "step" : undefined}
            onClick={() => onPick(nth)}
            title={stepTitle(step, languages)}
            className={clsx(
              "grid h-12 w-full grid-cols-[1fr_auto] content-center rounded-card border px-2 text-left text-[13px] leading-tight",
              nth === at ? "border-ink bg-card font-semibold" : "border-line hover:border-line-strong",
              step.audience === "teacher" && "bg-shade",
            )}
          >
            <span className="text-ink-soft">
              <ActivityIcon activity={mainActivity(step)} size={14} name />
            </span>
            <span className="numbers font-normal text-ink-soft">{step.minutes ?? ""}</span>
            <span className="col-span-2 truncate">{stepTitle(step, languages)}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}

function Aside({
  step,
  document,
  languages,
  reads,
  mode,
  onMode,
  withAnswers,
  foot,
}: {
  step: Step;
  document: Document;
  /** As read: the chosen one first. */
  languages: readonly string[];
  /** What chooses it. */
  reads: ReactNode;
  mode: "skim" | "work";
  onMode: (mode: "skim" | "work") => void;
  withAnswers: boolean;
  foot: ReactNode;
}) {
  const answers = withAnswers ? questionsOf(step) : [];
  const notes = inLanguage(step.teacherNotes, languages);
  const general = inLanguage(document.teacherNotes, languages);
  const work = workNames[step.work];
  return (
    // Long notes are scrolled with the keyboard too.
    <aside
      className="w-52 shrink-0 overflow-auto pb-4 max-md:w-full max-md:overflow-visible"
      aria-label={withAnswers ? "For the teacher" : "About this step"}
      tabIndex={0}
    >
      {withAnswers && (
        <>
          <Segmented
            label="How to look at it"
            value={mode}
            onChange={onMode}
            options={[
              { value: "skim", text: "Skim" },
              { value: "work", text: "Work" },
            ]}
            className="w-full"
          />
          <p className="mt-1 text-[13px] text-ink-soft">
            {mode === "work" ? "As a student would. Nothing is saved." : "Answers shown beside, nothing to fill in."}
          </p>
        </>
      )}
      {reads}
      <dl className="mt-3 grid gap-3 text-[13px] [&_dt]:font-bold">
        {answers.length > 0 && (
          <div>
            <dt>{answers.length === 1 ? "Answer" : "Answers"}</dt>
            {answers.map((question) => (
              <dd key={question.id} className="mt-0.5 [overflow-wrap:anywhere]">
                {formatAnswer(question, languages)}
                {!readByPerson(question.type) && question.marks !== 1 && (
                  <span className="text-ink-soft"> · {question.marks} marks</span>
                )}
              </dd>
            ))}
          </div>
        )}
        {notes && (
          <div>
            <dt>For you</dt>
            <dd>
              <Rich text={notes} />
            </dd>
          </div>
        )}
        <div>
          <dt>How</dt>
          <dd>
            {work}
            {step.audience === "teacher" && " · only you see this step"}
          </dd>
        </div>
        {general && (
          <div>
            <dt>About the whole</dt>
            <dd>
              <Rich text={general} />
            </dd>
          </div>
        )}
        {document.vocabulary.length > 0 && (
          <div>
            <dt>Words</dt>
            {document.vocabulary.map((word) => (
              <dd key={word.term}>
                <em>{word.term}</em>: {inLanguage(word.meaning, languages)}
              </dd>
            ))}
          </div>
        )}
      </dl>
      {foot && <p className="mt-4">{foot}</p>}
    </aside>
  );
}

/** The steps of a resource: a strip above, the step as students see it, notes and answers beside, all moving together. */
export function StepTable({
  document,
  withAnswers = true,
  foot,
  together,
}: {
  document: Document;
  /** Beside another: the step both are at, and the keys are the other one's. */
  together?: { at: number; onAt: (at: number) => void; keys: boolean };
  /** What else can be done about a step, below the notes. */
  foot?: ReactNode;
  /** False: the document came without answers, so nothing can be tried and marked. */
  withAnswers?: boolean;
}) {
  const { go, parameters } = useAddress();
  const [own, setOwn] = useState(() => stepAt(parameters.get("step"), document.steps.length));
  const [mode, setMode] = useState<"skim" | "work">(parameters.get("mode") === "work" && withAnswers ? "work" : "skim");
  const trial = useTrial(document);
  // In work, the page it is handed in on comes behind the last step.
  const last = document.steps.length - (mode === "work" ? 0 : 1);
  // Where the other has more steps, this one stays at its last.
  const at = together ? Math.max(0, Math.min(together.at, last)) : own;
  const setAt = together?.onAt ?? setOwn;

  const pick = (to: number) => {
    if (to < 0 || to > last) return;
    setAt(to);
    if (to < document.steps.length) go({ step: to === 0 ? null : to + 1 });
  };
  const changeMode = (next: "skim" | "work") => {
    setMode(next);
    if (at >= document.steps.length) setAt(document.steps.length - 1);
    go({ mode: next === "work" ? "work" : null });
  };
  useKeys(
    together?.keys === false
      ? {}
      : {
          ArrowRight: () => pick(at + 1),
          ArrowLeft: () => pick(at - 1),
          w: () => withAnswers && changeMode(mode === "work" ? "skim" : "work"),
        },
  );
  const [read, setRead] = useState(document.languages[0]!);
  const languages = readFirst(document.languages, read);
  const step = document.steps[at];
  if (document.steps.length === 0) return <Empty title="There are no steps yet" />;
  const asked = document.steps.filter(({ audience }) => audience !== "teacher");
  return (
    <div className="flex h-full min-h-0 flex-col">
      <Strip steps={document.steps} languages={languages} at={at} onPick={pick} />
      <div className="flex min-h-0 flex-1 gap-4 px-5 pb-4 max-md:flex-col max-md:overflow-auto max-md:px-3">
        <div
          className="min-w-0 flex-1 overflow-auto rounded-card border border-line bg-card p-5 text-[16px] max-md:shrink-0 max-md:overflow-visible"
          tabIndex={0}
          role="region"
          aria-label="The step, as students see it"
        >
          {!step ? (
            trial.handedIn ? (
              <TrialEnding
                end={trial.end()}
                onBack={() => pick(0)}
                onAgain={() => {
                  trial.again();
                  pick(0);
                }}
              />
            ) : (
              <BeforeHandIn
                steps={asked}
                languages={languages}
                answered={trial.answered}
                busy={false}
                onGo={(nth) => pick(document.steps.indexOf(asked[nth]!))}
                onHandIn={trial.handIn}
              />
            )
          ) : mode === "skim" ? (
            <StepView
              key={`${step.id} skim`}
              step={step}
              languages={languages}
              values={{}}
              marks={{}}
              onChange={() => undefined}
              readOnly
            />
          ) : (
            <>
              <StepView key={`${step.id} work`} step={step} languages={languages} {...trial.step} />
              {at === document.steps.length - 1 && (
                <div className="mt-4 flex justify-end">
                  <Button onClick={() => pick(at + 1)}>To the end</Button>
                </div>
              )}
            </>
          )}
        </div>
        <Aside
          step={step ?? document.steps.at(-1)!}
          document={document}
          languages={languages}
          reads={
            <>
              <LanguageSwitch className="mt-2" languages={document.languages} reads={read} onReads={setRead} />
              {mode === "work" && step && (
                <div className="mt-2">
                  <ReadToMe key={`${step.id} ${languages[0]}`} step={step} languages={languages} />
                </div>
              )}
            </>
          }
          mode={mode}
          onMode={changeMode}
          withAnswers={withAnswers}
          foot={foot}
        />
      </div>
    </div>
  );
}
