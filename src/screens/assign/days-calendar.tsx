"use client";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { DayPicker } from "react-day-picker";

/** Days are local midnights to the calendar and PlainDates to everything else. */
const toDay = (date: string) => new Date(`${date}T00:00:00`);
const toPlain = (day: Date) =>
  [day.getFullYear(), day.getMonth() + 1, day.getDate()].map((part) => String(part).padStart(2, "0")).join("-");

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
    <DayPicker
      mode="multiple"
      weekStartsOn={1}
      selected={value.map(toDay)}
      onSelect={(chosen) => onChange((chosen ?? []).map(toPlain).sort())}
      disabled={(day) => !open.has(toPlain(day))}
      defaultMonth={toDay(value[0] ?? days[0]!)}
      startMonth={toDay(days[0]!)}
      endMonth={toDay(days.at(-1)!)}
      components={{
        Chevron: ({ orientation }) =>
          orientation === "left" ? <ChevronLeft size={16} aria-hidden /> : <ChevronRight size={16} aria-hidden />,
      }}
      classNames={{
        months: "relative w-[17.5rem] rounded-card border border-line p-2",
        month_caption: "flex h-8 items-center px-1 font-semibold",
        nav: "absolute top-2 right-2 flex gap-1",
        button_previous: "grid size-8 place-items-center rounded-card hover:bg-shade aria-disabled:opacity-30",
        button_next: "grid size-8 place-items-center rounded-card hover:bg-shade aria-disabled:opacity-30",
        month_grid: "w-full border-collapse",
        weekday: "h-7 text-[12px] font-normal text-ink-soft",
        day: "p-0 text-center",
        day_button:
          "numbers size-8 rounded-card hover:bg-shade disabled:pointer-events-none disabled:text-ink-soft/50 disabled:line-through",
        today: "font-bold underline",
        selected: "[&>button]:!bg-ink [&>button]:!text-paper",
      }}
    />
  );
}
