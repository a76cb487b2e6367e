"use client";
import { bellsFrom } from "@/core/calendar/new-year";
import type { SchoolCalendar } from "@/core/calendar/school-calendar";
import { TimeInput } from "@/screens/when/typed-input";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field } from "@/ui/field";
import { NumberField } from "./number-field";
import type { YearDraft } from "./year-screen";

const names = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Days and bells: told as people tell them, and the bells follow. */
export function WeekStep({
  draft,
  before,
  onChange,
}: {
  draft: YearDraft;
  before: SchoolCalendar;
  onChange: (more: Partial<YearDraft>) => void;
}) {
  const { weekdays, day, keepsWeek } = draft;
  const set = (more: Partial<typeof day>) => onChange({ day: { ...day, ...more } });
  const setBreak = (at: number, more: Partial<(typeof day.breaks)[number]>) =>
    set({ breaks: day.breaks.map((one, nth) => (nth === at ? { ...one, ...more } : one)) });
  const bells = bellsFrom(day, [1]);
  return (
    <>
      {before.bells.length > 0 && (
        <label className="mt-3 flex items-center gap-2">
          <Checkbox
            label="The week stays as it is"
            checked={keepsWeek}
            onChange={(keeps) => onChange({ keepsWeek: keeps })}
          />
          The week and its bells stay as they are
        </label>
      )}
      {!keepsWeek && (
        <>
          <div className="mt-3 flex flex-wrap gap-3" role="group" aria-label="School days">
            {names.map((text, at) => (
              <label key={text} className="flex items-center gap-1.5">
                <Checkbox
                  label={`School on ${text}`}
                  checked={weekdays.includes(at + 1)}
                  onChange={(on) =>
                    onChange({ weekdays: on ? [...weekdays, at + 1].sort() : weekdays.filter((one) => one !== at + 1) })
                  }
                />
                {text}
              </label>
            ))}
          </div>
          <div className="mt-4 grid gap-3 sm:grid-cols-4">
            <Field label="First lesson begins">
              {(control) => <TimeInput {...control} value={day.begins} onChange={(begins) => set({ begins })} />}
            </Field>
            <NumberField
              label="Lessons a day"
              {...{ value: day.lessons, from: 1, to: 12 }}
              onChange={(lessons) => set({ lessons })}
            />
            <NumberField
              label="Minutes per lesson"
              {...{ value: day.minutes, from: 5, to: 240 }}
              onChange={(minutes) => set({ minutes })}
            />
            <NumberField
              label="Minutes in between"
              {...{ value: day.between, from: 0, to: 60 }}
              onChange={(between) => set({ between })}
            />
          </div>
          <ul className="mt-3 grid gap-2" aria-label="Longer breaks">
            {day.breaks.map((one, at) => (
              <li key={`${at} of ${day.breaks.length}`} className="grid grid-cols-[8rem_10rem_auto] items-end gap-3">
                <NumberField
                  label="Break after lesson"
                  {...{ value: one.after, from: 1, to: 12 }}
                  onChange={(after) => setBreak(at, { after })}
                />
                <NumberField
                  label="How many minutes"
                  {...{ value: one.minutes, from: 5, to: 180 }}
                  onChange={(minutes) => setBreak(at, { minutes })}
                />
                <Button
                  look="quiet"
                  className="justify-self-start"
                  aria-label={`Take out the break after lesson ${one.after}`}
                  onClick={() => set({ breaks: day.breaks.filter((_, nth) => nth !== at) })}
                >
                  ×
                </Button>
              </li>
            ))}
          </ul>
          <Button
            size="small"
            className="mt-2"
            onClick={() =>
              set({ breaks: [...day.breaks, { after: (day.breaks.at(-1)?.after ?? 1) + 1, minutes: 20 }] })
            }
          >
            One more break
          </Button>
          <p className="mt-4 text-ink-soft">
            {bells.length < day.lessons
              ? `Only ${bells.length} of ${day.lessons} lessons fit into the day.`
              : "On every school day:"}
          </p>
          <ol className="mt-1 flex flex-wrap gap-2" aria-label="Bells">
            {bells.map(({ period, starts, ends }) => (
              <li key={period} className="numbers rounded-card border border-line bg-card px-2.5 py-1">
                {starts}–{ends}
              </li>
            ))}
          </ol>
          <p className="mt-2 text-[13px] text-ink-soft">
            Days that differ, and rotating days, are changed in the office under “The week and its bells”.
          </p>
        </>
      )}
    </>
  );
}
