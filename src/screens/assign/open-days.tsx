"use client";
import { useState } from "react";
import { momentAt } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import { Button } from "@/ui/button";
import { later } from "@/ui/later";
import { Segmented } from "@/ui/segmented";

// The calendar comes only where days are chosen.
const DaysCalendar = later(() => import("../when/days-calendar").then((part) => part.DaysCalendar));

/** The days on which work is open, where not on every one: any days of school, as far ahead as anything is planned. */
export function OpenDays({
  schoolDays,
  zone,
  now,
  value,
  onChange,
}: {
  schoolDays: readonly string[];
  zone: string;
  now: Date;
  /** PlainDates in order; null: every day. */
  value: readonly string[] | null;
  onChange: (days: string[] | null) => void;
}) {
  // Days are being chosen, though none is yet: until one is, it is open every day.
  const [choosing, setChoosing] = useState(value !== null);
  const days = value ?? [];
  const put = (next: string[]) => onChange(next.length > 0 ? next : null);
  if (schoolDays.length === 0) return null;
  return (
    <div>
      <p className="mb-1 text-[13px] text-ink-soft">Open</p>
      <Segmented
        label="Open"
        value={choosing || value !== null ? "days" : "every day"}
        onChange={(kind) => {
          setChoosing(kind === "days");
          if (kind === "every day") onChange(null);
        }}
        options={[
          { value: "every day", text: "every day" },
          { value: "days", text: "only on …" },
        ]}
      />
      {(choosing || value !== null) && (
        <div className="mt-2 flex flex-wrap gap-x-4 gap-y-2">
          <DaysCalendar days={schoolDays} value={days} onChange={put} />
          <div className="min-w-40 flex-1">
            <p className="text-[13px] text-ink-soft" role="status">
              {days.length === 0
                ? "Click the days. With none chosen it is open every day."
                : days.length === 1
                  ? "Open on one day"
                  : `Open on ${days.length} days`}
            </p>
            <ul className="mt-1 flex max-h-52 flex-wrap gap-1.5 overflow-auto">
              {days.map((date) => {
                const day = formatDay(momentAt(date, "12:00", zone), zone, now);
                return (
                  <li key={date}>
                    <Button
                      size="small"
                      aria-label={`Without ${day}`}
                      onClick={() => put(days.filter((one) => one !== date))}
                    >
                      {day} <span aria-hidden>×</span>
                    </Button>
                  </li>
                );
              })}
            </ul>
          </div>
        </div>
      )}
    </div>
  );
}
