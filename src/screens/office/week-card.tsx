"use client";
import { TimeInput } from "@/screens/when/typed-input";
import { useState } from "react";
import type { BellTime, SchoolCalendar } from "@/core/calendar/school-calendar";
import { keepWeek } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, TextInput } from "@/ui/field";
import { useKeep } from "./use-keep";

const names = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Days of the week, rotating days, and the bells of each weekday. */
export function WeekCard({ calendar }: { calendar: SchoolCalendar }) {
  const [weekdays, setWeekdays] = useState<readonly number[]>(calendar.weekdays);
  const [cycle, setCycle] = useState(calendar.cycle.join(" "));
  const [bells, setBells] = useState<readonly BellTime[]>(calendar.bells);
  const [day, setDay] = useState(calendar.weekdays[0] ?? 1);
  const { notice, busy, keep } = useKeep();
  const shown = bells.filter(({ weekday }) => weekday === day).sort((one, other) => one.period - other.period);
  const set = (period: number, change: Partial<BellTime>) =>
    setBells(bells.map((bell) => (bell.weekday === day && bell.period === period ? { ...bell, ...change } : bell)));
  const everyDay = () => setBells(weekdays.flatMap((weekday) => shown.map((bell) => ({ ...bell, weekday }))));
  return (
    <section aria-labelledby="week" className="rounded-card border border-line bg-card p-5">
      <h2 id="week" className="font-semibold">
        The week and its bells
      </h2>
      <div className="mt-2 flex flex-wrap gap-3">
        {names.map((text, at) => (
          <label key={text} className="flex items-center gap-1.5">
            <Checkbox
              label={`School on ${text}`}
              checked={weekdays.includes(at + 1)}
              onChange={(on) => setWeekdays(on ? [...weekdays, at + 1] : weekdays.filter((one) => one !== at + 1))}
            />
            {text}
          </label>
        ))}
      </div>
      <Field label="Rotating days, in order; empty for none" className="mt-3">
        {(control) => (
          <TextInput {...control} value={cycle} placeholder="A B" onChange={(event) => setCycle(event.target.value)} />
        )}
      </Field>
      <div className="mt-3 flex flex-wrap items-center gap-1.5" role="group" aria-label="Bells of which day">
        {[...weekdays].sort().map((weekday) => (
          <Button
            key={weekday}
            size="small"
            look={weekday === day ? "main" : "plain"}
            aria-pressed={weekday === day}
            onClick={() => setDay(weekday)}
          >
            {names[weekday - 1]}
          </Button>
        ))}
        <Button size="small" look="quiet" onClick={everyDay}>
          Like {names[day - 1]} on every day
        </Button>
      </div>
      <ul className="mt-2 grid gap-1.5">
        {shown.map(({ period, starts, ends }) => (
          <li key={period} className="grid grid-cols-[5rem_8rem_8rem_auto] items-center gap-2">
            <span>Lesson {period}</span>
            <TimeInput
              aria-label={`Lesson ${period} begins`}
              value={starts}
              onChange={(value) => set(period, { starts: value })}
            />
            <TimeInput
              aria-label={`Lesson ${period} ends`}
              value={ends}
              onChange={(value) => set(period, { ends: value })}
            />
            <Button
              look="quiet"
              className="justify-self-start"
              aria-label={`Take out lesson ${period}`}
              onClick={() => setBells(bells.filter((bell) => bell.weekday !== day || bell.period !== period))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      {notice}
      <div className="mt-3 flex gap-2">
        <Button
          onClick={() =>
            setBells([
              ...bells,
              {
                weekday: day,
                period: Math.max(0, ...shown.map(({ period }) => period)) + 1,
                starts: shown.at(-1)?.ends ?? "08:50",
                ends: "",
              },
            ])
          }
        >
          Add a lesson
        </Button>
        <Button
          disabled={busy}
          onClick={() =>
            keep(
              () =>
                keepWeek({ weekdays: [...weekdays], cycle: cycle.split(/[\s,]+/).filter(Boolean), bells: [...bells] }),
              () => "The week is saved.",
            )
          }
        >
          Save the week
        </Button>
      </div>
    </section>
  );
}
