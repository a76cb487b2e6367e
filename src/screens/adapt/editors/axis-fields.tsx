"use client";
import type { Axis } from "@/core/content/scale";
import { Field } from "@/ui/field";
import { NumberBox } from "./number-box";

/** From, to and between two marks. What would be no scale (from 10 to 5) is not taken over. */
export function AxisFields({
  name,
  axis,
  onAxis,
}: {
  name: string;
  axis: Axis;
  onAxis: (axis: Axis, kind: string) => void;
}) {
  const put = (change: Partial<Axis>) => {
    const next = { ...axis, ...change };
    const fits = next.from < next.to && next.step > 0 && (next.to - next.from) / next.step <= 1000;
    if (fits) onAxis(next, `axis-${name}-${Object.keys(change).join()}`);
  };
  const fields = [
    ["from", "from"],
    ["to", "to"],
    ["step", "a mark every"],
  ] as const;
  return (
    <div className="flex flex-wrap items-end gap-3">
      {name && <span className="pb-2 text-[13px] text-ink-soft">{name}</span>}
      {fields.map(([field, text]) => (
        <Field key={field} label={text} className="w-24">
          {(control) => (
            <NumberBox
              {...control}
              aria-label={`${name} ${text}`.trim()}
              least={field === "step" ? 0.001 : -100_000}
              most={100_000}
              value={axis[field]}
              onNumber={(value) => put({ [field]: value })}
            />
          )}
        </Field>
      ))}
    </div>
  );
}
