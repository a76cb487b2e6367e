"use client";
import { useState } from "react";
import type { MeetingRule, SchoolCalendar } from "@/core/calendar/school-calendar";
import type { Class } from "@/data/classes/classes";
import { keepMeetings } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { inputClasses, TextInput } from "@/ui/field";
import { ClassHead } from "./class-head";
import { useKeep } from "./use-keep";

const days = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
type Rule = Omit<MeetingRule, "class">;

function ClassMeetings({ group, calendar, rules: stored }: { group: Class; calendar: SchoolCalendar; rules: Rule[] }) {
  const [rules, setRules] = useState(stored);
  const { notice, busy, keep } = useKeep();
  const periods = [...new Set(calendar.bells.map(({ period }) => period))].sort((one, other) => one - other);
  const set = (at: number, change: Partial<Rule>) =>
    setRules(rules.map((rule, nth) => (nth === at ? { ...rule, ...change } : rule)));
  const whenOf = (rule: Rule) =>
    rule.weekday !== null ? `w${rule.weekday}` : rule.cycleDay !== null ? `c${rule.cycleDay}` : "";
  const setWhen = (at: number, value: string) =>
    set(at, {
      weekday: value.startsWith("w") ? Number(value.slice(1)) : null,
      cycleDay: value.startsWith("c") ? value.slice(1) : null,
    });
  return (
    <div>
      <ul className="grid gap-1.5">
        {rules.map((rule, at) => (
          <li key={at} className="grid grid-cols-[minmax(0,1fr)_7rem_10rem_auto] gap-2">
            <TextInput
              aria-label={`What ${group.name} does in lesson ${at + 1}`}
              placeholder="Maths"
              maxLength={40}
              value={rule.label}
              onChange={(event) => set(at, { label: event.target.value })}
            />
            <select
              aria-label={`Lesson of the day, ${at + 1}`}
              className={inputClasses}
              value={rule.period}
              onChange={(event) => set(at, { period: Number(event.target.value) })}
            >
              {periods.map((period) => (
                <option key={period} value={period}>
                  lesson {period}
                </option>
              ))}
            </select>
            <select
              aria-label={`On which days, ${at + 1}`}
              className={inputClasses}
              value={whenOf(rule)}
              onChange={(event) => setWhen(at, event.target.value)}
            >
              <option value="">every day</option>
              {calendar.weekdays.map((day) => (
                <option key={day} value={`w${day}`}>
                  on {days[day - 1]}
                </option>
              ))}
              {calendar.cycle.map((day) => (
                <option key={day} value={`c${day}`}>
                  on {day} days
                </option>
              ))}
            </select>
            <Button
              look="quiet"
              aria-label={`Take out lesson ${at + 1} of ${group.name}`}
              onClick={() => setRules(rules.filter((_, nth) => nth !== at))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      {notice}
      <div className="mt-2 flex gap-2">
        <Button
          disabled={periods.length === 0}
          onClick={() => setRules([...rules, { label: "", period: periods[0]!, weekday: null, cycleDay: null }])}
        >
          One more
        </Button>
        <Button
          disabled={busy}
          onClick={() =>
            keep(
              () => keepMeetings({ meetingsOf: group.id, rules }),
              () => `${group.name} timetable is saved.`,
            )
          }
        >
          Keep
        </Button>
      </div>
    </div>
  );
}

/** When each class of the school meets. */
export function MeetingsCard({
  calendar,
  classes,
  rules,
}: {
  calendar: SchoolCalendar;
  classes: Class[];
  rules: MeetingRule[];
}) {
  const [chosen, setChosen] = useState(classes[0]?.id ?? 0);
  const group = classes.find(({ id }) => id === chosen);
  return (
    <section aria-labelledby="meetings" className="rounded-card border border-line bg-card p-5">
      <ClassHead
        id="meetings"
        title="When classes meet"
        label="Class"
        classes={classes}
        chosen={chosen}
        onChoose={setChosen}
      />
      {group ? (
        <ClassMeetings
          key={group.id}
          group={group}
          calendar={calendar}
          rules={rules.filter((rule) => rule.class === group.id).map(({ class: _, ...rule }) => rule)}
        />
      ) : (
        <p className="text-ink-soft">There are no classes yet. Import a roster.</p>
      )}
    </section>
  );
}
