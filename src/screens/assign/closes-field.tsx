"use client";
import { MomentInput } from "@/screens/when/typed-input";
import type { AssignForm } from "@/core/assign/form";
import {} from "@/ui/field";
import { Segmented } from "@/ui/segmented";

type Closes = AssignForm["closes"];

/** Until when it can still be handed in: always, until it is due, or until a time of its own. */
export function ClosesField({
  value,
  start,
  problem,
  onChange,
}: {
  value: Closes;
  /** The time proposed when one of its own is chosen, on the wall. */
  start: string;
  problem?: string | undefined;
  onChange: (closes: Closes) => void;
}) {
  const kind = typeof value === "string" ? value : "at";
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink-soft">Can be handed in</p>
      <div className="flex flex-wrap items-center gap-2">
        <Segmented
          label="Can be handed in"
          value={kind}
          onChange={(next) => onChange(next === "at" ? { at: start } : next)}
          options={[
            { value: "never", text: "late too" },
            { value: "due", text: "until it is due" },
            { value: "at", text: "until …" },
          ]}
        />
        {typeof value !== "string" && (
          <MomentInput
            aria-label="Closes on"
            aria-invalid={problem !== undefined}
            className="!w-auto"
            value={value.at}
            onChange={(value) => onChange({ at: value })}
          />
        )}
      </div>
      {problem && <p className="mt-1 text-[13px] font-semibold text-clay">{problem}</p>}
    </div>
  );
}
