"use client";
import type { AssignForm } from "@/core/assign/form";
import { workNames, type Work } from "@/core/resource/work";
import { works } from "@/core/content/vocabulary";
import type { Audience } from "@/server/assign/audience";
import { inputClasses } from "@/ui/field";

/** How students work in each step, where this class does it otherwise than its author says. */
export function StepWorkFields({
  audience,
  form,
  titles,
  onChange,
}: {
  audience: Audience;
  form: AssignForm;
  /** What the resources are called, where there are several. */
  titles: ReadonlyMap<number, string>;
  onChange: (change: Partial<AssignForm>) => void;
}) {
  const steps = audience.steps.filter(({ id }) => form.parts === null || form.parts.flat().includes(id));
  if (steps.length === 0) return null;
  const set = (step: string, work: Work, own: Work) =>
    onChange({
      stepWork: [...form.stepWork.filter((one) => one.step !== step), ...(work === own ? [] : [{ step, work }])],
    });
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink-soft">How they work, step by step</p>
      <ol className="grid gap-1">
        {steps.map((step, at) => (
          <li key={`${step.of} ${step.id}`}>
            {titles.size > 1 && steps[at - 1]?.of !== step.of && (
              <p className="mt-1 truncate text-[13px] font-semibold">{titles.get(step.of)}</p>
            )}
            <label className="flex items-center gap-2">
              <span className="numbers w-5 shrink-0 text-right text-ink-soft">
                {at + 1 - steps.findIndex(({ of }) => of === step.of)}
              </span>
              <span className="min-w-0 flex-1 truncate" title={step.title}>
                {step.title}
              </span>
              <select
                className={inputClasses}
                style={{ width: "9.5rem" }}
                value={form.stepWork.find((one) => one.step === step.id)?.work ?? step.work}
                onChange={(event) => set(step.id, event.target.value as Work, step.work)}
              >
                {works.map((work) => (
                  <option key={work} value={work}>
                    {workNames[work]}
                  </option>
                ))}
              </select>
            </label>
          </li>
        ))}
      </ol>
    </div>
  );
}
