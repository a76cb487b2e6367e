"use client";
import { ArrowLeft, ArrowRight } from "lucide-react";
import { clsx } from "clsx";
import { useState } from "react";
import { titleOf, type Document } from "@/core/resource/document";
import { withoutUndecidedVoices } from "@/core/resource/voices";
import { Segmented } from "@/ui/segmented";
import { BeforeHandIn } from "../step/before-hand-in";
import { StepDots } from "../step/step-dots";
import { StepView } from "../step/step-view";
import { TrialEnding } from "../step/trial-ending";
import { useTrial } from "../step/use-trial";
import { ReadToMe } from "../step/read-to-me";

/** Widths and heights a page has on them, CSS pixels; common ones of recent years. */
const devices = {
  laptop: { width: 768, height: 640 },
  tablet: { width: 620, height: 720 },
  phone: { width: 380, height: 700 },
};

/**
 * All of it by the very views students have: step by step, read aloud, with times that run, checked as each question is set, to
 * the page it is handed in on. Nothing is kept.
 */
export function AsStudent({
  document,
  stepId,
  owner,
  languages,
}: {
  document: Document;
  stepId: string;
  owner: number;
  /** As read: the chosen language first. */
  languages: readonly string[];
}) {
  const [device, setDevice] = useState<keyof typeof devices>("laptop");
  const heard = withoutUndecidedVoices(document, owner);
  const steps = heard.steps.filter(({ audience }) => audience !== "teacher");
  const trial = useTrial({ ...heard, steps });
  const chosen = steps.findIndex(({ id }) => id === stepId);
  const [at, setAt] = useState(Math.max(0, chosen));
  // Another step was chosen in the list beside.
  const [last, setLast] = useState(stepId);
  if (last !== stepId) {
    setLast(stepId);
    if (chosen >= 0) setAt(chosen);
  }
  if (steps.length === 0) return <p className="text-center">Students see none of these steps.</p>;
  const step = steps[at];
  const big =
    "inline-flex min-h-12 items-center gap-2 rounded-card border-2 px-4 font-bold disabled:opacity-40 border-line bg-card";
  return (
    <div className="grid gap-3">
      <Segmented
        label="On what"
        value={device}
        onChange={setDevice}
        options={(Object.keys(devices) as (keyof typeof devices)[]).map((one) => ({ value: one, text: one }))}
        className="mx-auto w-72"
      />
      {chosen < 0 && <p className="text-center text-[13px] text-ink-soft">The chosen step is for teachers only.</p>}
      <div
        className={clsx(
          "mx-auto w-full overflow-hidden border-line-strong bg-paper",
          device === "laptop" ? "rounded-card border" : "rounded-[22px] border-[10px]",
        )}
        style={{ maxWidth: devices[device].width }}
      >
        <div
          className={clsx("@container overflow-auto font-child text-[17px]", device === "phone" ? "p-3" : "p-5")}
          style={device === "laptop" ? undefined : { height: devices[device].height }}
        >
          <div className="flex items-center gap-3">
            <p className="min-w-0 flex-1 truncate font-bold">{titleOf({ ...document, languages: [...languages] })}</p>
            {step && <ReadToMe key={`${step.id} ${languages[0]}`} step={step} languages={languages} />}
          </div>
          <StepDots steps={steps} at={at} done={trial.done} onPick={setAt} languages={languages} />
          {step ? (
            <div className="rounded-card border border-line bg-card p-5">
              <StepView key={step.id} step={step} languages={languages} {...trial.step} />
            </div>
          ) : trial.handedIn ? (
            <TrialEnding
              end={trial.end()}
              onBack={() => setAt(0)}
              onAgain={() => {
                trial.again();
                setAt(0);
              }}
            />
          ) : (
            <BeforeHandIn
              {...{ steps, languages }}
              answered={trial.answered}
              busy={false}
              onGo={setAt}
              onHandIn={trial.handIn}
            />
          )}
          <div className="mt-3 flex items-center justify-between">
            <button type="button" disabled={at === 0} onClick={() => setAt(at - 1)} className={big}>
              <ArrowLeft size={20} aria-hidden /> Back
            </button>
            {at < steps.length && (
              <button type="button" onClick={() => setAt(at + 1)} className={big}>
                {at === steps.length - 1 ? "To the end" : "Next"} <ArrowRight size={20} aria-hidden />
              </button>
            )}
          </div>
        </div>
      </div>
    </div>
  );
}
