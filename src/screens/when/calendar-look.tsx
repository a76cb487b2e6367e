import { ChevronLeft, ChevronRight } from "lucide-react";
import type { DayPickerProps } from "react-day-picker";

/** Days are local midnights to the calendar and PlainDates to everything else. */
export const toDay = (date: string) => new Date(`${date}T00:00:00`);
export const toPlain = (day: Date) =>
  [day.getFullYear(), day.getMonth() + 1, day.getDate()].map((part) => String(part).padStart(2, "0")).join("-");

/** How every calendar of a month looks. */
export const calendarLook: Pick<DayPickerProps, "weekStartsOn" | "components" | "classNames"> = {
  weekStartsOn: 1,
  components: {
    Chevron: ({ orientation }) =>
      orientation === "left" ? <ChevronLeft size={16} aria-hidden /> : <ChevronRight size={16} aria-hidden />,
  },
  classNames: {
    months: "relative w-[17.5rem] p-2",
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
    outside: "text-ink-soft",
  },
};
