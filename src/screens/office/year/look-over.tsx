import { formatTypedDate } from "@/core/calendar/typed-date";
import { sumOfYear, withYear } from "@/core/calendar/new-year";
import type { SchoolCalendar } from "@/core/calendar/school-calendar";

/** What the year comes to, and what it changes of what is there. */
export function LookOver({
  calendar,
  before,
  today,
}: {
  calendar: Parameters<typeof sumOfYear>[0];
  before: SchoolCalendar;
  today: string;
}) {
  const { days, daysOff, lessonsAWeek, hours } = sumOfYear(calendar);
  const after = withYear(before.terms, calendar.terms);
  const replaced = before.terms.filter((term) => !after.includes(term));
  const facts: [string, string][] = [
    ["Days of school", String(days)],
    ["Days off in the terms", String(daysOff)],
    ["Lessons a week", String(lessonsAWeek)],
    ["Hours of lessons in the year", String(hours)],
  ];
  return (
    <>
      <dl className="mt-3 grid grid-cols-2 gap-3 sm:grid-cols-4">
        {facts.map(([what, much]) => (
          <div key={what} className="rounded-card border border-line bg-card p-3">
            <dt className="text-[13px] text-ink-soft">{what}</dt>
            <dd className="numbers text-[22px]">{much}</dd>
          </div>
        ))}
      </dl>
      <ul className="mt-4 divide-y divide-line border-y border-line" aria-label="Terms of the year">
        {calendar.terms.map(({ name, from, to }) => (
          <li key={from} className="grid grid-cols-[minmax(0,1fr)_auto] gap-3 py-1.5">
            <span className="font-semibold [overflow-wrap:anywhere]">{name}</span>
            <span className="numbers">
              {formatTypedDate(from)} – {formatTypedDate(to)}
            </span>
          </li>
        ))}
      </ul>
      {calendar.terms.every(({ to }) => to < today) && (
        <p className="mt-3 text-clay">All of this year is in the past.</p>
      )}
      {replaced.length > 0 && (
        <p className="mt-3">
          This replaces {replaced.map(({ name }) => name).join(", ")}. Assignments keep their dates.
        </p>
      )}
      <p className="mt-3 text-ink-soft">
        Nothing is saved yet. Afterwards it can be undone, and changed in the office.
      </p>
    </>
  );
}
