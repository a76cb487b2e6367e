"use client";
import { useId, useState } from "react";
import type { AssignForm } from "@/core/assign/form";
import { formatDay, toWallClock } from "@/core/calendar/format-moment";
import { schoolDayAt } from "@/core/calendar/wall-clock";
import type { Audience } from "@/server/assign/audience";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { NumberBox } from "../adapt/editors/number-box";
import { inputClasses, TextInput } from "@/ui/field";
import { Segmented } from "@/ui/segmented";
import { ClosesField } from "./closes-field";
import { OpenDays } from "./open-days";
import { SharingFields } from "./sharing-fields";
import { StepWorkFields } from "./step-work-fields";

type Change = (change: Partial<AssignForm>) => void;

const triesOptions = [
  { value: "1", text: "once" },
  { value: "2", text: "twice" },
  { value: "3", text: "3 times" },
  { value: "more", text: "more" },
  { value: "any", text: "freely" },
] as const;

function Tick({ label, checked, onChange }: { label: string; checked: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-2">
      <Checkbox label={label} checked={checked} onChange={onChange} /> {label}
    </label>
  );
}

function Goals({
  audience,
  students,
  goals,
  onChange,
}: {
  audience: Audience;
  /** Who gets it: of others the own goals are not offered. */
  students: readonly number[];
  goals: string[];
  onChange: (goals: string[]) => void;
}) {
  const id = useId();
  const own = audience.individualGoals.filter(({ student }) => students.includes(student)).map(({ text }) => text);
  const [typed, setTyped] = useState("");
  const add = () => {
    const goal = typed.trim().slice(0, 60);
    if (goal && !goals.includes(goal) && goals.length < 8) onChange([...goals, goal]);
    setTyped("");
  };
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-[13px] text-ink-soft">
        Goal tags, to group results by
      </label>
      <div className="flex gap-2">
        <TextInput
          id={id}
          list={`${id}-known`}
          value={typed}
          maxLength={60}
          placeholder="median and range"
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === "Enter") {
              event.preventDefault();
              add();
            }
          }}
        />
        <Button onClick={add} disabled={!typed.trim()}>
          Add
        </Button>
      </div>
      <datalist id={`${id}-known`}>
        {[...new Set([...own, ...audience.goalTags])].map((goal) => (
          <option key={goal} value={goal} />
        ))}
      </datalist>
      {goals.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-1.5">
          {goals.map((goal) => (
            <li key={goal}>
              <Button
                size="small"
                aria-label={`Take out ${goal}`}
                onClick={() => onChange(goals.filter((one) => one !== goal))}
              >
                {goal} <span aria-hidden>×</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Earlier work of the class that has to be handed in first. */
function AfterField({
  audience,
  form,
  now,
  onChange,
}: {
  audience: Audience;
  form: AssignForm;
  now: Date;
  onChange: Change;
}) {
  const [only] = form.to;
  const earlier = form.to.length === 1 ? audience.earlier.filter((one) => one.class === only!.class) : [];
  if (earlier.length === 0 && form.after === null) return null;
  return (
    <label className="block text-[13px] text-ink-soft">
      Opens for each student when this is handed in
      <select
        className={`${inputClasses} mt-1`}
        value={form.after ?? ""}
        onChange={(event) => onChange({ after: event.target.value ? Number(event.target.value) : null })}
      >
        <option value="">nothing: it does not wait</option>
        {earlier.map(({ id, title, due }) => (
          <option key={id} value={id}>
            {title}, due {formatDay(due, audience.zone, now)}
          </option>
        ))}
      </select>
    </label>
  );
}

const noTitles: ReadonlyMap<number, string> = new Map();

/** How often, what counts, when it is checked, what it is for. */
export function MoreFields({
  audience,
  form,
  now,
  titles = noTitles,
  timesElsewhere = false,
  onChange,
}: {
  audience: Audience;
  form: AssignForm;
  now: Date;
  /** What the resources are called, where there are several. */
  titles?: ReadonlyMap<number, string>;
  /** When it is has a place of its own. */
  timesElsewhere?: boolean;
  onChange: Change;
}) {
  const tries = form.tries === null ? "any" : form.tries > 3 ? "more" : (String(form.tries) as "1" | "2" | "3");
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap gap-x-5 gap-y-3">
        <div>
          <p className="mb-1 text-[13px] text-ink-soft">Tries</p>
          <Segmented
            label="Tries"
            value={tries}
            onChange={(value) =>
              onChange({
                tries: value === "any" ? null : value === "more" ? Math.max(4, form.tries ?? 0) : Number(value),
              })
            }
            options={triesOptions}
          />
          {tries === "more" && form.tries !== null && (
            <label className="ml-2 inline-flex items-center gap-1.5 text-[13px] text-ink-soft">
              <NumberBox
                aria-label="How many times"
                least={4}
                most={20}
                whole
                className="!w-14"
                value={form.tries}
                onNumber={(next) => onChange({ tries: next })}
              />
              times
            </label>
          )}
        </div>
        {form.tries !== 1 && (
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">What counts</p>
            <Segmented
              label="What counts"
              value={form.keep}
              onChange={(keep) => onChange({ keep })}
              options={[
                { value: "best", text: "the best" },
                { value: "last", text: "the last" },
                { value: "first", text: "the first" },
              ]}
            />
          </div>
        )}
        <div>
          <p className="mb-1 text-[13px] text-ink-soft">Checked</p>
          <Segmented
            label="Checked"
            value={form.checking}
            onChange={(checking) => onChange({ checking })}
            options={[
              { value: "at once", text: "at once" },
              { value: "at the end", text: "at the end" },
              { value: "after due", text: "after the due date" },
              { value: "never", text: "never" },
            ]}
          />
        </div>
      </div>
      {!timesElsewhere && (
        <ClosesField
          value={form.closes}
          start={
            form.due.kind === "at" && form.due.at
              ? form.due.at
              : toWallClock(schoolDayAt(now, audience.zone, 5, 15), audience.zone)
          }
          onChange={(closes) => onChange({ closes })}
        />
      )}
      {form.resources.length > 1 && (
        <Tick
          label="One after the other: each opens when the one before is handed in"
          checked={form.inOrder}
          onChange={(inOrder) => onChange({ inOrder })}
        />
      )}
      {!timesElsewhere && <AfterField audience={audience} form={form} now={now} onChange={onChange} />}
      <StepWorkFields audience={audience} form={form} titles={titles} onChange={onChange} />
      <SharingFields value={form.sharing} zone={audience.zone} onChange={(sharing) => onChange({ sharing })} />
      <OpenDays
        schoolDays={audience.schoolDays}
        zone={audience.zone}
        now={now}
        value={form.openDays}
        onChange={(openDays) => onChange({ openDays })}
      />
      <Goals
        audience={audience}
        students={form.to.flatMap((one) => one.students)}
        goals={form.goals}
        onChange={(goals) => onChange({ goals })}
      />
    </div>
  );
}
