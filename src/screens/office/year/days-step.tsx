"use client";
import { DateInput } from "@/screens/when/typed-input";
import { Button } from "@/ui/button";
import { TextInput } from "@/ui/field";
import type { YearDraft } from "./year-screen";

/** Days off within the terms. */
export function DaysStep({ draft, onChange }: { draft: YearDraft; onChange: (more: Partial<YearDraft>) => void }) {
  const { daysOff, terms } = draft;
  const set = (at: number, more: Partial<(typeof daysOff)[number]>) =>
    onChange({ daysOff: daysOff.map((day, nth) => (nth === at ? { ...day, ...more } : day)) });
  const isOutside = (date: string) => date !== "" && !terms.some(({ from, to }) => from <= date && date <= to);
  return (
    <>
      <p className="mt-1 text-ink-soft">
        Public holidays and days of your own. The weeks between terms are off already. Skip this if there are none, or
        read them from a calendar file later, in the office.
      </p>
      <ul className="mt-3 grid gap-2" aria-label="Days off">
        {daysOff.map((day, at) => (
          <li key={at} className="grid grid-cols-[12.5rem_minmax(0,1fr)_auto] items-center gap-2">
            <DateInput
              aria-label={`Date of day off ${at + 1}`}
              autoFocus={day.date === ""}
              value={day.date}
              onChange={(date) => set(at, { date })}
            />
            <TextInput
              aria-label={`What day off ${at + 1} is`}
              placeholder="Boat day"
              maxLength={60}
              value={day.name}
              onChange={(event) => set(at, { name: event.target.value })}
            />
            <Button
              look="quiet"
              aria-label={`Take out ${day.name || `day off ${at + 1}`}`}
              onClick={() => onChange({ daysOff: daysOff.filter((_, nth) => nth !== at) })}
            >
              ×
            </Button>
            {isOutside(day.date) && (
              <p className="col-span-3 text-[13px] text-ink-soft">
                This day is not in any term, so there is no school anyway.
              </p>
            )}
          </li>
        ))}
      </ul>
      <Button className="mt-2" onClick={() => onChange({ daysOff: [...daysOff, { date: "", name: "" }] })}>
        Add a day off
      </Button>
    </>
  );
}
