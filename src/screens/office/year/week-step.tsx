"use client";
import { bellsFrom, bellsOfWeek, type DayAsked, type OtherDay } from "@/core/calendar/new-year";
import type { BellTime, SchoolCalendar } from "@/core/calendar/school-calendar";
import { TimeInput } from "@/screens/when/typed-input";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses } from "@/ui/field";
import { NumberField } from "./number-field";
import type { YearDraft } from "./year-screen";

const names = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const whole = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

function Bells({ label, bells }: { label: string; bells: readonly BellTime[] }) {
  return (
    <ol className="mt-1 flex flex-wrap gap-2" aria-label={label}>
      {bells.map(({ period, starts, ends }) => (
        <li key={period} className="numbers rounded-card border border-line bg-card px-2.5 py-1">
          {starts}–{ends}
        </li>
      ))}
    </ol>
  );
}

/** Weekdays that begin later or end earlier than the others. */
function OtherDays({
  day,
  weekdays,
  others,
  onOthers,
}: {
  day: DayAsked;
  weekdays: readonly number[];
  others: readonly OtherDay[];
  onOthers: (others: OtherDay[]) => void;
}) {
  const free = weekdays.filter((weekday) => !others.some((other) => other.weekday === weekday));
  const set = (at: number, more: Partial<OtherDay>) =>
    onOthers(others.map((other, nth) => (nth === at ? { ...other, ...more } : other)));
  return (
    <>
      <ul className="mt-3 grid gap-4" aria-label="Days that differ">
        {others.map((other, at) => (
          <li key={`${at} of ${others.length}`}>
            <div className="grid grid-cols-[9rem_10rem_8rem_auto] items-end gap-3">
              <Field label="Which day differs">
                {(control) => (
                  <select
                    {...control}
                    className={inputClasses}
                    value={other.weekday}
                    onChange={(event) => set(at, { weekday: Number(event.target.value) })}
                  >
                    {[...free, other.weekday].sort().map((weekday) => (
                      <option key={weekday} value={weekday}>
                        {whole[weekday - 1]}
                      </option>
                    ))}
                  </select>
                )}
              </Field>
              <Field label="It begins">
                {(control) => (
                  <TimeInput {...control} value={other.begins} onChange={(begins) => set(at, { begins })} />
                )}
              </Field>
              <NumberField
                label="Its lessons"
                {...{ value: other.lessons, from: 1, to: 12 }}
                onChange={(lessons) => set(at, { lessons })}
              />
              <Button
                look="quiet"
                className="justify-self-start"
                aria-label={`${whole[other.weekday - 1]} is like the other days`}
                onClick={() => onOthers(others.filter((_, nth) => nth !== at))}
              >
                ×
              </Button>
            </div>
            <Bells
              label={`Bells on ${whole[other.weekday - 1]}`}
              bells={bellsOfWeek(day, weekdays, [other]).filter(({ weekday }) => weekday === other.weekday)}
            />
          </li>
        ))}
      </ul>
      {free.length > 0 && (
        <Button
          size="small"
          className="mt-3"
          onClick={() =>
            onOthers([...others, { weekday: free.at(-1)!, begins: day.begins, lessons: Math.max(1, day.lessons - 1) }])
          }
        >
          {others.length === 0 ? "One day differs" : "Another day differs"}
        </Button>
      )}
    </>
  );
}

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
              : draft.otherDays.length > 0
                ? "On all other school days:"
                : "On every school day:"}
          </p>
          <Bells label="Bells" bells={bells} />
          <OtherDays
            {...{ day, weekdays, others: draft.otherDays }}
            onOthers={(otherDays) => onChange({ otherDays })}
          />
          <p className="mt-2 text-[13px] text-ink-soft">
            Rotating days, and single lessons that are longer, are set in the office under “The week and its bells”.
          </p>
        </>
      )}
    </>
  );
}
