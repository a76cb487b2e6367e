"use client";
import { Plus, X } from "lucide-react";
import { useState } from "react";
import type { AcceptedUnit } from "@/core/question/question";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { NumberBox } from "./number-box";

const MOST_UNITS = 8;

/**
 * Units a student chooses from. The first is the one the right answer is written in; of each other it is said how much of
 * the first it makes, or that it can never be right.
 */
export function UnitList({
  units,
  first,
  onUnits,
}: {
  units: readonly AcceptedUnit[] | undefined;
  /** The unit that stood behind the box. */
  first: string;
  onUnits: (units: AcceptedUnit[] | undefined) => void;
}) {
  if (!units)
    return (
      <Button
        size="small"
        look="quiet"
        onClick={() =>
          onUnits([
            { name: first || "m", factor: 1 },
            { name: first === "cm" ? "m" : "cm", factor: first === "cm" ? 100 : 0.01 },
          ])
        }
      >
        Let students choose the unit
      </Button>
    );
  const put = (at: number, change: Partial<AcceptedUnit>) =>
    onUnits(units.map((unit, nth) => (nth === at ? { ...unit, ...change } : unit)));
  return (
    <fieldset className="w-full rounded-card border border-line p-2">
      <legend className="px-1 text-[13px] text-ink-soft">Units to choose from; the right answer is in the first</legend>
      <ul className="grid gap-2">
        {units.map((unit, at) => (
          <li key={at} className="flex flex-wrap items-end gap-3">
            <UnitName
              key={at}
              name={unit.name}
              taken={units.filter((_, nth) => nth !== at).map(({ name }) => name)}
              onName={(name) => put(at, { name })}
            />
            {at > 0 && unit.factor !== null && (
              <Field label={`1 ${unit.name} is how many ${units[0]!.name}`} className="w-44">
                {(control) => (
                  <NumberBox
                    {...control}
                    least={1e-9}
                    value={unit.factor!}
                    onNumber={(factor) => put(at, { factor })}
                  />
                )}
              </Field>
            )}
            {at > 0 && (
              <label className="flex h-9 items-center gap-2">
                <Checkbox
                  label={`${unit.name} is never right`}
                  checked={unit.factor === null}
                  onChange={(never) => put(at, { factor: never ? null : 1 })}
                />
                never right
              </label>
            )}
            <IconButton
              name={`Remove the unit ${unit.name}`}
              small
              disabled={at === 0 || units.length <= 2}
              onClick={() => onUnits(units.filter((_, nth) => nth !== at))}
            >
              <X size={15} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        <Button
          size="small"
          look="quiet"
          disabled={units.length >= MOST_UNITS}
          onClick={() => onUnits([...units, { name: `unit ${units.length + 1}`, factor: 1 }])}
        >
          <Plus size={15} aria-hidden /> Unit
        </Button>
        <Button size="small" look="quiet" onClick={() => onUnits(undefined)}>
          No unit to choose
        </Button>
      </div>
    </fieldset>
  );
}

/** The name of a unit, which may be empty while it is typed; one that is there already is not kept. */
function UnitName({ name, taken, onName }: { name: string; taken: readonly string[]; onName: (name: string) => void }) {
  const [typed, setTyped] = useState(name);
  const text = typed.trim();
  const problem = text === "" ? "Name it." : taken.includes(text) ? "It is there already." : undefined;
  return (
    <Field label="Unit" className="w-24" problem={problem}>
      {(control) => (
        <TextInput
          {...control}
          maxLength={20}
          value={typed}
          onChange={({ target }) => {
            setTyped(target.value);
            const next = target.value.trim();
            if (next && !taken.includes(next)) onName(next);
          }}
        />
      )}
    </Field>
  );
}
