"use client";
import { DateInput, TimeInput } from "@/screens/when/typed-input";
import { useRef, useState } from "react";
import { momentAt, schoolClock, type DayOff, type SchoolCalendar } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import { keepDaysOff, loseSchoolDay, takeDayBack } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { Field, TextInput } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import { tellProblem } from "@/ui/toast";
import { useKeep } from "./use-keep";

type Kind = DayOff["kind"];
const kinds = [
  { value: "off", text: "day off" },
  { value: "half", text: "half day" },
  { value: "lost", text: "day lost" },
] as const;

/** Days off, half days, days lost; typed, or brought in from a calendar file. */
export function DaysOffCard({ calendar, now }: { calendar: SchoolCalendar; now: Date }) {
  const today = schoolClock(now, calendar.zone).date;
  const [kind, setKind] = useState<Kind>("off");
  const [date, setDate] = useState("");
  const [name, setName] = useState("");
  const [until, setUntil] = useState("12:00");
  const [found, setFound] = useState<{ days: { date: string; name: string }[]; problems: string[] } | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const { notice, busy, keep } = useKeep();
  const say = (day: string) => formatDay(momentAt(day, "12:00", calendar.zone), calendar.zone, now);
  const add = () =>
    kind === "lost"
      ? keep(
          () => loseSchoolDay({ date, name }),
          ({ moved }) => `${say(date)} is a lost day. ${moved} assignments moved, in all classes.`,
        )
      : keep(
          () => keepDaysOff({ days: [{ date, name, kind, until: kind === "half" ? until : null }] }),
          () => `${say(date)}: ${name}.`,
        );
  const read = async (chosen: File) => {
    try {
      const response = await fetch("/office/days", { method: "POST", body: await chosen.text() });
      const answer = (await response.json()) as { problem: string } | NonNullable<typeof found>;
      if ("problem" in answer) tellProblem(answer.problem);
      else setFound(answer);
    } catch {
      tellProblem("No connection: nothing was changed.");
    }
  };
  const coming = calendar.daysOff.filter((day) => day.date >= today);
  return (
    <section aria-labelledby="days-off" className="rounded-card border border-line bg-card p-5">
      <h2 id="days-off" className="font-semibold">
        Days without lessons
      </h2>
      <div className="mt-2 grid gap-3">
        <Segmented label="Kind of day" value={kind} onChange={setKind} options={kinds} />
        <div className="grid grid-cols-[10rem_minmax(0,1fr)_auto] items-end gap-2">
          <Field label="Date">
            {(control) => <DateInput {...control} value={date} onChange={(value) => setDate(value)} />}
          </Field>
          <Field label={kind === "lost" ? "Reason" : "What it is"}>
            {(control) => (
              <TextInput
                {...control}
                maxLength={60}
                placeholder={kind === "lost" ? "Storm" : "Boat day"}
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Field>
          {kind === "half" && (
            <Field label="Lessons until">
              {(control) => <TimeInput {...control} value={until} onChange={(value) => setUntil(value)} />}
            </Field>
          )}
        </div>
        {kind === "lost" && (
          <p className="text-[13px] text-ink-soft">
            What every class had planned from that day on moves on by as many lessons as were lost. Rotating days keep
            their letters.
          </p>
        )}
        {notice}
        <div className="flex gap-2">
          <Button look="main" disabled={busy || !date || !name.trim()} onClick={add}>
            {kind === "lost" ? "Take the day out" : "Add it"}
          </Button>
          <Button onClick={() => file.current?.click()}>From a calendar file …</Button>
          <input
            ref={file}
            type="file"
            accept=".ics,text/calendar"
            className="hidden"
            aria-label="Calendar file with days off"
            onChange={(event) => {
              const [chosen] = event.target.files ?? [];
              if (chosen) void read(chosen);
              event.target.value = "";
            }}
          />
        </div>
        {found && (
          <div className="rounded-card border border-line p-3">
            <p className="font-semibold">
              {found.days.length} {found.days.length === 1 ? "day" : "days"} off in this file
            </p>
            <ul className="mt-1 max-h-40 overflow-auto text-[13px]">
              {found.days.map((day) => (
                <li key={day.date}>
                  {say(day.date)}: {day.name}
                </li>
              ))}
              {found.problems.map((text) => (
                <li key={text} className="text-clay">
                  {text}
                </li>
              ))}
            </ul>
            <div className="mt-2 flex gap-2">
              <Button
                disabled={busy || found.days.length === 0}
                onClick={() =>
                  keep(
                    () =>
                      keepDaysOff({ days: found.days.map((day) => ({ ...day, kind: "off" as const, until: null })) }),
                    () => {
                      setFound(null);
                      return `${found.days.length} days off are saved.`;
                    },
                  )
                }
              >
                Keep {found.days.length}
              </Button>
              <Button onClick={() => setFound(null)}>Cancel</Button>
            </div>
          </div>
        )}
        <ul className="divide-y divide-line border-t border-line">
          {coming.map((day) => (
            <li key={day.date} className="flex items-center gap-3 py-1.5">
              <span className="w-28">{say(day.date)}</span>
              <span className="flex-1">
                {day.name}
                <span className="text-ink-soft">
                  {day.kind === "half" ? `, lessons until ${day.until}` : day.kind === "lost" ? ", lost" : ""}
                </span>
              </span>
              <Button
                size="small"
                look="quiet"
                disabled={busy}
                aria-label={`${say(day.date)} is a school day again`}
                onClick={() =>
                  keep(
                    () => takeDayBack({ date: day.date }),
                    () => `${say(day.date)} is a school day again.`,
                  )
                }
              >
                Take back
              </Button>
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}
