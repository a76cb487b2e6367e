import type { ReactNode } from "react";
import { canonical, changesBetween, stepTitle, type StepChange } from "@/core/resource/changes";
import type { Document, Step } from "@/core/resource/document";
import { fields, type Field } from "@/core/resource/merge";
import { stepInFull } from "@/core/resource/step-in-full";

export const says: Record<StepChange | "removed", string> = {
  new: "new",
  changed: "changed",
  moved: "moved",
  removed: "removed",
};

interface Difference {
  step: string;
  title: string;
  what: StepChange | "removed";
  before: Step | undefined;
  after: Step | undefined;
}

/** Step by step from one document to another: those of the newer in its order, then what was removed. */
export function differences(from: Document, to: Document): Difference[] {
  const changes = changesBetween(from, to);
  const was = (id: string) => from.steps.find((step) => step.id === id);
  const found = to.steps.flatMap((step): Difference[] => {
    const what = changes.steps[step.id];
    return what
      ? [{ step: step.id, title: stepTitle(step, to.languages), what, before: was(step.id), after: step }]
      : [];
  });
  const removed = changes.removed.map((id): Difference => {
    const before = was(id)!;
    return { step: id, title: stepTitle(before, from.languages), what: "removed", before, after: undefined };
  });
  return [...found, ...removed];
}

export const changedFields = (from: Document, to: Document): Field[] =>
  fields.filter((field) => canonical(from[field] ?? null) !== canonical(to[field] ?? null));

export function Item({
  title,
  what,
  action,
  children,
}: {
  title: string;
  what: string;
  action?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <li className="rounded-card border border-line bg-card">
      <div className="flex min-h-10 items-center gap-3 border-b border-line px-3 py-1">
        <h3 className="min-w-0 flex-1 truncate font-semibold" title={title}>
          {title}
        </h3>
        <span className="text-[13px] text-ink-soft">{what}</span>
        {action}
      </div>
      {children && <div className="px-3 py-2">{children}</div>}
    </li>
  );
}

export const textOf = (step: Step | undefined, languages: readonly string[]) =>
  step ? stepInFull(step, languages) : "";
