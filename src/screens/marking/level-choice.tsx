"use client";
import { clsx } from "clsx";
import { Key } from "@/ui/key";
import type { Levels, Rubric } from "@/core/marking/rubric";

/** Marks by halves have no key each: 0 to 9 have. */
const MOST_KEYED = 9;

/** A rubric beside the work: for each criterion one of its levels. The one in turn takes the number keys. */
export function LevelChoice({
  rubric,
  levels,
  inTurn,
  onTurn,
  onLevel,
}: {
  rubric: Rubric;
  levels: Levels;
  /** The place of the criterion the keys are for. */
  inTurn: number;
  onTurn: (at: number) => void;
  onLevel: (criterion: number, level: number) => void;
}) {
  return (
    <div className="grid gap-3">
      {rubric.criteria.map((criterion, at) => {
        // Levels without words stand beside each other.
        const short = criterion.levels.every(({ words, name }) => words === "" && name.length <= 14);
        return (
          <fieldset
            key={criterion.id}
            onFocus={() => onTurn(at)}
            className={clsx("border-l-2 pl-3", at === inTurn ? "border-green" : "border-line")}
          >
            <legend className="float-left mb-1 w-full font-semibold">{criterion.name}</legend>
            <div className={clsx("clear-both", short ? "flex flex-wrap gap-1" : "grid gap-1")}>
              {criterion.levels.map((level, place) => {
                const on = levels[criterion.id] === place;
                return (
                  <button
                    key={place}
                    type="button"
                    aria-pressed={on}
                    onClick={() => onLevel(at, place)}
                    className={clsx(
                      "flex items-center gap-2 rounded-card border px-2 py-1 text-left",
                      on ? "border-ink bg-ink font-semibold text-paper" : "border-line bg-card hover:bg-shade",
                    )}
                  >
                    {at === inTurn && <Key>{String(place + 1)}</Key>}
                    <span className="min-w-0 flex-1">
                      {level.name}
                      {level.words && <span className="block text-[13px] font-normal opacity-80">{level.words}</span>}
                    </span>
                    <span className="numbers text-[13px]">{level.marks}</span>
                  </button>
                );
              })}
            </div>
          </fieldset>
        );
      })}
    </div>
  );
}

/** Marks for a question without a rubric: a row of them, and halves. */
export function MarkChoice({
  worth,
  marks,
  onMarks,
}: {
  worth: number;
  marks: number | null;
  onMarks: (marks: number) => void;
}) {
  const whole = Array.from({ length: Math.floor(worth) + 1 }, (_, at) => at);
  return (
    <fieldset>
      <legend className="mb-1 font-semibold">Marks, out of {worth}</legend>
      <div className="flex flex-wrap items-center gap-1.5">
        {whole.length <= MOST_KEYED + 1 &&
          whole.map((one) => (
            <button
              key={one}
              type="button"
              aria-pressed={marks === one}
              onClick={() => onMarks(one)}
              className={clsx(
                "numbers h-9 min-w-9 rounded-card border px-2",
                marks === one ? "border-ink bg-ink font-semibold text-paper" : "border-line bg-card hover:bg-shade",
              )}
            >
              {one}
            </button>
          ))}
        <input
          type="number"
          aria-label="Marks"
          min={0}
          max={worth}
          step={0.5}
          value={marks ?? ""}
          onChange={(event) => {
            const { valueAsNumber } = event.target;
            if (Number.isFinite(valueAsNumber) && valueAsNumber >= 0 && valueAsNumber <= worth)
              onMarks(Math.round(valueAsNumber * 2) / 2);
          }}
          className="numbers h-9 w-20 rounded-card border border-line-strong bg-card px-2"
        />
      </div>
    </fieldset>
  );
}
