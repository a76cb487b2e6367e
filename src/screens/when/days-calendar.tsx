"use client";
import { DayPicker } from "react-day-picker";
import { calendarLook, toDay, toPlain } from "./calendar-look";

/** A month at a time, in which any of the given days can be pressed. */
export function DaysCalendar({
  days,
  value,
  onChange,
}: {
  /** The days that can be chosen, in order; at least one. */
  days: readonly string[];
  value: readonly string[];
  onChange: (days: string[]) => void;
}) {
  const open = new Set(days);
  return (
    <div className="w-fit rounded-card border border-line">
      <DayPicker
        {...calendarLook}
        mode="multiple"
        selected={value.map(toDay)}
        onSelect={(chosen) => onChange((chosen ?? []).map(toPlain).sort())}
        disabled={(day) => !open.has(toPlain(day))}
        defaultMonth={toDay(value[0] ?? days[0]!)}
        startMonth={toDay(days[0]!)}
        endMonth={toDay(days.at(-1)!)}
      />
    </div>
  );
}
