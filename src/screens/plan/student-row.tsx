"use client";
import { MomentInput } from "@/screens/when/typed-input";
import { useState } from "react";
import { factors, formatFactor } from "@/core/assign/extra-time";
import { formatMoment, toWallClock } from "@/core/calendar/format-moment";
import { changeForStudent, lookForStudent } from "@/screens/acts/afterwards";
import { removeStudent } from "@/screens/acts/assign";
import type { WorkDetails } from "@/server/assign/work-details";
import { Button } from "@/ui/button";
import { Field, inputClasses } from "@/ui/field";
import { useLooked } from "../use-looked";
import { usePlanActs } from "./use-plan-acts";

/** One student's version, time and due moment; what it does to answers is said before it is saved. */
function StudentForm({
  details: { assignment, versions },
  student: one,
  zone,
  now,
  onDone,
}: {
  details: WorkDetails;
  student: WorkDetails["recipients"][number];
  zone: string;
  now: Date;
  onDone: () => void;
}) {
  const wasDue = one.setDue ? toWallClock(one.setDue, zone) : "";
  const [form, setForm] = useState({ resource: one.resource, factor: one.factor, due: wasDue });
  const { run, busy } = usePlanActs();
  const change = { assignment: assignment.id, student: one.student, ...form };
  const { value: looked, problem } = useLooked(lookForStudent, change);
  const choices = [{ id: assignment.resource, title: "this one" }, ...versions];
  if (!choices.some(({ id }) => id === one.resource)) choices.push({ id: one.resource, title: one.title });
  return (
    <form
      className="mt-1 mb-2 grid w-full gap-3 rounded-card bg-shade p-3"
      aria-label={`What ${one.name} gets`}
      onSubmit={(event) => {
        event.preventDefault();
        run(
          () => changeForStudent(change),
          () => `Changed for ${one.name}.`,
          onDone,
        );
      }}
    >
      <div className="grid grid-cols-2 gap-3">
        <Field label="Version">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              disabled={choices.length === 1 || assignment.part !== null}
              value={form.resource}
              onChange={(event) => setForm({ ...form, resource: Number(event.target.value) })}
            >
              {choices.map(({ id, title }) => (
                <option key={id} value={id}>
                  {title}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Time">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={form.factor}
              onChange={(event) => setForm({ ...form, factor: Number(event.target.value) })}
            >
              {[...new Set([...factors, one.factor])].map((factor) => (
                <option key={factor} value={factor}>
                  {factor === 1 ? "the class’s" : (formatFactor[factor] ?? `${factor} times as long`)}
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <Field
        label="Due for this student"
        help={form.due ? undefined : `Left empty: ${formatMoment(looked?.due ?? assignment.due, zone, now)}.`}
        problem={problem ?? undefined}
      >
        {(control) => (
          <MomentInput {...control} optional value={form.due} onChange={(value) => setForm({ ...form, due: value })} />
        )}
      </Field>
      {looked?.effects.map((text) => (
        <p key={text} role="status" className="text-[14px]">
          {text}
        </p>
      ))}
      <div className="flex justify-end gap-2">
        <Button size="small" onClick={onDone}>
          Cancel
        </Button>
        <Button size="small" look="main" type="submit" disabled={busy || problem !== null}>
          Save
        </Button>
      </div>
    </form>
  );
}

/** One student who has the work: what she gets, to be changed or taken from her. */
export function StudentRow({
  details,
  student: one,
  zone,
  now,
}: {
  details: WorkDetails;
  student: WorkDetails["recipients"][number];
  zone: string;
  now: Date;
}) {
  const [changing, setChanging] = useState(false);
  const { run, busy } = usePlanActs();
  const { assignment } = details;
  return (
    <li className="flex flex-wrap items-center gap-2 px-3 py-1.5">
      <span className="min-w-0 flex-1">
        <span className="block truncate">{one.name}</span>
        <span className="block text-[12px] text-ink-soft">
          {[
            one.resource === assignment.resource ? null : `“${one.title}”`,
            one.factor === 1 ? null : formatFactor[one.factor],
            one.ownDue && `due ${formatMoment(one.ownDue, zone, now)}`,
            one.begun ? "has begun" : null,
          ]
            .filter(Boolean)
            .join(" · ")}
        </span>
      </span>
      <Button
        size="small"
        aria-expanded={changing}
        aria-label={`Change what ${one.name} gets`}
        onClick={() => setChanging(!changing)}
      >
        Change …
      </Button>
      {!one.begun && (
        <Button
          size="small"
          look="quiet"
          disabled={busy}
          aria-label={`Take out ${one.name}`}
          onClick={() =>
            run(
              () => removeStudent({ assignment: assignment.id, student: one.student }),
              () => `${one.name} does not have it any more.`,
            )
          }
        >
          Take out
        </Button>
      )}
      {changing && <StudentForm {...{ details, zone, now }} student={one} onDone={() => setChanging(false)} />}
    </li>
  );
}
