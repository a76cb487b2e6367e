"use client";
import { useRouter, useSearchParams } from "next/navigation";
import { Link } from "@/ui/link";
import { useEffect, useRef, useState } from "react";
import { bellsOfWeek, proposeTerms, type DayAsked, type OtherDay, type YearAsked } from "@/core/calendar/new-year";
import type { SchoolCalendar } from "@/core/calendar/school-calendar";
import { keepYear } from "@/screens/acts/year";
import { Button } from "@/ui/button";
import { useKeep } from "../use-keep";
import { DaysStep } from "./days-step";
import { LookOver } from "./look-over";
import { TermsStep } from "./terms-step";
import { WeekStep } from "./week-step";

/** What is filled in so far. */
export interface YearDraft {
  asked: YearAsked;
  terms: { name: string; from: string; to: string }[];
  /** The bells that are there stay as they are. */
  keepsWeek: boolean;
  weekdays: number[];
  day: DayAsked;
  otherDays: OtherDay[];
  daysOff: { date: string; name: string }[];
}

const steps = ["Terms", "Week", "Days off", "Look it over"] as const;

/** Common practice; every number can be changed. */
const usualDay: DayAsked = {
  ...{ begins: "08:50", lessons: 6, minutes: 45, between: 5 },
  breaks: [
    { after: 2, minutes: 20 },
    { after: 4, minutes: 50 },
  ],
};

const firstDraft = (calendar: SchoolCalendar): YearDraft => ({
  asked: { first: "", last: "", terms: 3, breakWeeks: 2 },
  terms: [],
  keepsWeek: calendar.bells.length > 0,
  weekdays: [...calendar.weekdays],
  day: usualDay,
  otherDays: [],
  daysOff: [],
});

/** The calendar that would come of it. */
const calendarOf = (draft: YearDraft, before: SchoolCalendar) => ({
  ...{ cycle: before.cycle, terms: draft.terms },
  weekdays: draft.keepsWeek ? before.weekdays : draft.weekdays,
  bells: draft.keepsWeek ? before.bells : bellsOfWeek(draft.day, draft.weekdays, draft.otherDays),
  daysOff: [
    ...before.daysOff.filter(({ date }) => !draft.daysOff.some((day) => day.date === date)),
    ...draft.daysOff.map((day) => ({ ...day, kind: "off" as const, until: null })),
  ],
});

/** What must be filled in before the next step; null: nothing. */
function missingIn(step: number, draft: YearDraft): string | null {
  if (step === 0 && draft.terms.length === 0) return "Type the first and the last day of school.";
  if (step === 0 && draft.terms.some(({ name, from, to }) => !name.trim() || !from || !to))
    return "Each term needs a name and two dates.";
  if (step === 1 && !draft.keepsWeek && draft.weekdays.length === 0) return "A week needs at least one school day.";
  if (step === 1 && !draft.keepsWeek && bellsOfWeek(draft.day, draft.weekdays, draft.otherDays).length === 0)
    return "Say when the first lesson begins, and how many there are.";
  if (step === 2 && draft.daysOff.some(({ date, name }) => !date || !name.trim()))
    return "Each day off needs a date and what it is.";
  return null;
}

/** The calendar of a year, one question after another. Nothing is kept before the last step. */
export function YearScreen({ calendar, today }: { calendar: SchoolCalendar; today: string }) {
  const router = useRouter();
  const [draft, setDraft] = useState(() => firstDraft(calendar));
  // In the address, so that the browser's Back goes a step back and not away from everything; no further than what is filled in.
  const wanted = Number(useSearchParams().get("step") ?? 1) - 1;
  const asked = wanted in steps ? wanted : 0;
  const step = steps.findIndex((_, at) => at === asked || missingIn(at, draft) !== null);
  const [missing, setMissing] = useState<string | null>(null);
  // A second press on the way back to the office would make a second act, and undo only that one.
  const [saved, setSaved] = useState(false);
  const { notice, busy, keep } = useKeep();
  const heading = useRef<HTMLHeadingElement>(null);
  const moved = useRef(false);
  useEffect(() => {
    if (moved.current) heading.current?.focus();
  }, [step]);
  const change = (more: Partial<YearDraft>) => {
    setMissing(null);
    setDraft((before) => {
      const next = { ...before, ...more };
      // New answers to the first questions make new terms; what she wrote in them was about the old ones.
      return more.asked && more.asked.first && more.asked.last ? { ...next, terms: proposeTerms(more.asked) } : next;
    });
  };
  const go = (to: number) => {
    const why = to > step ? missingIn(step, draft) : null;
    setMissing(why);
    if (why) return;
    moved.current = true;
    window.history.pushState(null, "", `?step=${to + 1}`);
  };
  const whole = calendarOf(draft, calendar);
  const save = () =>
    keep(
      () =>
        keepYear({
          terms: draft.terms,
          week: draft.keepsWeek ? null : { weekdays: draft.weekdays, bells: [...whole.bells] },
          daysOff: draft.daysOff,
        }),
      () => {
        setSaved(true);
        router.push("/office");
        return "The school year is saved.";
      },
    );
  return (
    <div className="mx-auto max-w-3xl px-6 py-5">
      <p>
        <Link href="/office" className="font-semibold text-green underline">
          Back to the office
        </Link>
      </p>
      <h1 className="mt-2 font-serif text-[22px]">A school year, step by step</h1>
      <ol className="mt-3 flex flex-wrap gap-x-6 gap-y-1 border-b border-line pb-3" aria-label="Steps">
        {steps.map((name, at) => (
          <li key={name} aria-current={at === step ? "step" : undefined} className="flex items-center gap-2">
            <span
              aria-hidden
              className={`numbers grid size-6 place-items-center rounded-full text-[13px] ${
                at === step ? "bg-ink font-semibold text-paper" : "border border-line-strong text-ink-soft"
              }`}
            >
              {at + 1}
            </span>
            <span className={at === step ? "font-semibold" : "text-ink-soft"}>{name}</span>
          </li>
        ))}
      </ol>
      <section className="mt-5" aria-labelledby="year-step">
        <h2 id="year-step" ref={heading} tabIndex={-1} className="text-[17px] font-semibold outline-none">
          {step === 0 && "When is there school?"}
          {step === 1 && "What does a week look like?"}
          {step === 2 && "Which days are off?"}
          {step === 3 && "Look it over"}
        </h2>
        {step === 0 && <TermsStep draft={draft} onChange={change} />}
        {step === 1 && <WeekStep draft={draft} before={calendar} onChange={change} />}
        {step === 2 && <DaysStep draft={draft} onChange={change} />}
        {step === 3 && <LookOver calendar={whole} before={calendar} today={today} />}
        <p role="alert" className="mt-3 min-h-5 font-semibold text-clay">
          {missing}
        </p>
        {notice}
        <div className="mt-3 flex gap-2">
          {step > 0 && <Button onClick={() => go(step - 1)}>Back</Button>}
          {step < 3 ? (
            <Button look="main" onClick={() => go(step + 1)}>
              Next: {steps[step + 1]!.toLowerCase()}
            </Button>
          ) : (
            <Button look="main" disabled={busy || saved} onClick={save}>
              Save the year
            </Button>
          )}
        </div>
      </section>
    </div>
  );
}
