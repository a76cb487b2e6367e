"use client";
import { stepTitle } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { isForStudents } from "@/core/resource/student-text";
import { lost, minutesOfSteps, type Reason, type Shortened } from "@/core/shorten/shorten";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field } from "@/ui/field";
import { NumberBox } from "../adapt/editors/number-box";

const reasons: Readonly<Record<Reason, string>> = {
  opens: "opens the lesson",
  checks: "the check",
  standard: "covers a standard",
};

const list = (parts: (string | false)[]): string => parts.filter(Boolean).join(", ");

/** The steps with their minutes, which of them stay, and what goes with the others. */
export function StepsToKeep({
  document,
  minutes,
  proposed,
  leaveOut,
  onMinutes,
  onLeaveOut,
}: {
  document: Document;
  minutes: number;
  proposed: Shortened;
  leaveOut: readonly string[];
  onMinutes: (minutes: number) => void;
  onLeaveOut: (ids: readonly string[]) => void;
}) {
  const steps = document.steps.filter(isForStudents);
  const left = steps.filter(({ id }) => !leaveOut.includes(id));
  const minutesOf = minutesOfSteps(document);
  const takes = left.reduce((sum, { id }) => sum + minutesOf.get(id)!, 0);
  const gone = lost(document, leaveOut);
  return (
    <section aria-label="Steps" tabIndex={0} className="min-h-0 overflow-auto border-r border-line p-4">
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Minutes you have" className="w-44">
          {(control) => <NumberBox {...control} whole least={1} most={600} value={minutes} onNumber={onMinutes} />}
        </Field>
        <Button onClick={() => onLeaveOut(proposed.leaveOut)}>Suggest what to leave out</Button>
        {leaveOut.length > 0 && <Button onClick={() => onLeaveOut([])}>Keep all</Button>}
      </div>
      {!proposed.enough && (
        <p className="mt-3 text-[14px] text-clay">The opener and the check alone take longer than {minutes} minutes.</p>
      )}
      <ul className="mt-4">
        {steps.map((step) => {
          const stays = !leaveOut.includes(step.id);
          const title = stepTitle(step, document.languages);
          const reason = proposed.because[step.id];
          return (
            <li key={step.id} className="flex items-start gap-3 border-b border-line py-2">
              <Checkbox
                label={`Keep ${title}`}
                checked={stays}
                onChange={(on) => onLeaveOut(on ? leaveOut.filter((id) => id !== step.id) : [...leaveOut, step.id])}
              />
              <span className={`min-w-0 flex-1 [overflow-wrap:anywhere] ${stays ? "" : "text-ink-soft line-through"}`}>
                {title}
                {reason && <span className="ml-2 text-[12px] text-ink-soft no-underline">{reasons[reason]}</span>}
              </span>
              <span className="numbers shrink-0 text-[13px] text-ink-soft">{minutesOf.get(step.id)} min</span>
            </li>
          );
        })}
      </ul>
      <p role="status" className="numbers mt-3 text-[14px]">
        It takes <strong>{takes} minutes</strong>.{" "}
        {leaveOut.length > 0 &&
          `You lose ${list([
            `${gone.minutes} minutes`,
            gone.questions > 0 && (gone.questions === 1 ? "one question" : `${gone.questions} questions`),
            gone.marks > 0 && (gone.marks === 1 ? "one mark" : `${gone.marks} marks`),
          ])}. ${
            gone.standards.length > 0
              ? `No question covers ${gone.standards.join(", ")} any more.`
              : "Every standard is still covered."
          }`}
      </p>
    </section>
  );
}
