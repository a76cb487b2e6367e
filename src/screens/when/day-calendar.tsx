"use client";
import { DayPicker } from "react-day-picker";
import { calendarLook, toDay, toPlain } from "./calendar-look";

/** A month at a time, in which one day is chosen. The arrow keys go through its days. */
export function DayCalendar({ value, onChange }: { value: string | null; onChange: (day: string) => void }) {
  const day = value === null ? undefined : toDay(value);
  return (
    <DayPicker
      {...calendarLook}
      mode="single"
      required
      showOutsideDays
      autoFocus
      selected={day}
      defaultMonth={day}
      onSelect={(chosen) => onChange(toPlain(chosen))}
    />
  );
}
