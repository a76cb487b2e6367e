"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState, useTransition } from "react";
import { readWhen, remarks, sayAssignment, type AssignmentForm } from "@/core/assign/assignment";
import { fromWallClock, sayMoment, schoolDayAt, toWallClock } from "@/core/calendar/wall-clock";
import type { Student } from "@/data/classes";
import { assignResource, callBack } from "@/server/actions/assign";
import type { AssignContext } from "@/server/assign-context";
import type { LightTableData } from "@/server/light-table";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { tell, tellProblem } from "@/ui/toast";

type Opens = "now" | "next morning" | "other";

const triesOptions = [
  { value: "1", text: "once" },
  { value: "2", text: "twice" },
  { value: "3", text: "3 times" },
  { value: "any", text: "freely" },
] as const;
const checkingOptions = [
  { value: "at once", text: "at once" },
  { value: "at the end", text: "at the end" },
  { value: "never", text: "never" },
] as const;

function useForm(data: LightTableData, context: AssignContext) {
  const { zone, now } = context;
  const [group, setGroup] = useState(context.current ?? context.classes[0]?.id ?? 0);
  const [students, setStudents] = useState<ReadonlySet<number>>(
    () => new Set(context.rosters[group]?.map((student) => student.id)),
  );
  const [opens, setOpens] = useState<Opens>("next morning");
  const [opensAt, setOpensAt] = useState(() => toWallClock(schoolDayAt(now, zone, 1, 8), zone));
  const [due, setDue] = useState(() => toWallClock(schoolDayAt(now, zone, 3, 15), zone));
  const [tries, setTries] = useState<(typeof triesOptions)[number]["value"]>("1");
  const [checking, setChecking] = useState<AssignmentForm["checking"]>("at once");
  const form: AssignmentForm = {
    resource: data.resource.id,
    class: group,
    students: [...students],
    opens: opens === "now" ? "" : opens === "next morning" ? toWallClock(schoolDayAt(now, zone, 1, 8), zone) : opensAt,
    due,
    tries: tries === "any" ? null : Number(tries),
    keep: "best",
    checking,
  };
  const chooseGroup = (id: number) => {
    setGroup(id);
    setStudents(new Set(context.rosters[id]?.map((student) => student.id)));
  };
  return {
    form,
    group,
    chooseGroup,
    students,
    setStudents,
    opens,
    setOpens,
    opensAt,
    setOpensAt,
    due,
    setDue,
    tries,
    setTries,
    checking,
    setChecking,
  };
}

function Roster({
  roster,
  chosen,
  onChange,
}: {
  roster: Student[];
  chosen: ReadonlySet<number>;
  onChange: (chosen: ReadonlySet<number>) => void;
}) {
  const [open, setOpen] = useState(false);
  const grades = [...new Set(roster.map((student) => student.grade))].sort();
  const toggle = (id: number) => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    onChange(next);
  };
  return (
    <div>
      <div className="flex flex-wrap items-center gap-2 text-[13px]">
        <span className="numbers font-semibold">
          {chosen.size} of {roster.length}
        </span>
        <Button size="small" onClick={() => onChange(new Set(roster.map((student) => student.id)))}>
          All
        </Button>
        <Button size="small" onClick={() => onChange(new Set())}>
          None
        </Button>
        {grades.length > 1 &&
          grades.map((grade) => (
            <Button
              key={grade}
              size="small"
              onClick={() =>
                onChange(new Set(roster.filter((student) => student.grade === grade).map((student) => student.id)))
              }
            >
              Grade {grade}
            </Button>
          ))}
        <Button size="small" look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Hide the names" : "Choose by name"}
        </Button>
      </div>
      {open && (
        <ul className="mt-2 grid max-h-44 grid-cols-3 gap-x-3 gap-y-1 overflow-auto rounded-card border border-line p-2">
          {roster.map((student) => (
            <li key={student.id}>
              <label className="flex items-center gap-2">
                <Checkbox
                  label={`${student.givenName} ${student.familyName}`}
                  checked={chosen.has(student.id)}
                  onChange={() => toggle(student.id)}
                />
                <span className="truncate">
                  {student.givenName} {student.familyName}
                </span>
              </label>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Gives a resource to students: who, when, how often; said back in one sentence before it goes. */
export function AssignPanel({
  data,
  context,
  onDone,
}: {
  data: LightTableData;
  context: AssignContext;
  onDone: () => void;
}) {
  const { zone, now } = context;
  const state = useForm(data, context);
  const { form } = state;
  const [problem, setProblem] = useState<{ field?: string; text: string } | null>(null);
  const [busy, start] = useTransition();
  const router = useRouter();
  const roster = context.rosters[state.group] ?? [];
  const group = context.classes.find((one) => one.id === state.group);
  const when = useMemo(
    () => readWhen({ opens: form.opens, due: form.due }, zone, now),
    [form.opens, form.due, zone, now],
  );
  const wrong = "reason" in when ? when : null;
  const said = (text: string) => {
    const at = fromWallClock(text, zone);
    return at ? sayMoment(at, zone, now) : "";
  };

  if (!group) return <p className="px-5">You have no class yet, so there is nobody to give this to.</p>;

  const send = () =>
    start(async () => {
      const outcome = await assignResource(form);
      if (!outcome.ok) return setProblem({ text: outcome.problem, ...(outcome.field && { field: outcome.field }) });
      const { assignment } = outcome.value;
      onDone();
      tell(`Given to ${group.name}.`, async () => {
        const back = await callBack({ assignment, back: true });
        if (back.ok) tell("Called back.");
        else tellProblem(back.problem);
        router.refresh();
      });
      router.refresh();
    });

  return (
    <section aria-label="Assign" className="h-full overflow-auto px-5 pb-5">
      <div className="grid max-w-2xl gap-4 rounded-card border border-line bg-card p-5">
        <Field label="To">
          {(control) => (
            <select
              {...control}
              value={state.group}
              onChange={(event) => state.chooseGroup(Number(event.target.value))}
              className={inputClasses}
            >
              {context.classes.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}, {one.subject}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Roster roster={roster} chosen={state.students} onChange={state.setStudents} />
        <div className="grid gap-x-5 gap-y-3 sm:grid-cols-2">
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">Opens</p>
            <Segmented
              label="Opens"
              value={state.opens}
              onChange={state.setOpens}
              options={[
                { value: "now", text: "now" },
                { value: "next morning", text: "next school day, 8" },
                { value: "other", text: "other" },
              ]}
            />
            {state.opens === "other" && (
              <TextInput
                type="datetime-local"
                aria-label="Opens on"
                className="mt-2"
                value={state.opensAt}
                onChange={(event) => state.setOpensAt(event.target.value)}
              />
            )}
            <p className="mt-1 font-semibold">{state.opens === "now" ? "at once" : said(form.opens)}</p>
          </div>
          <Field label="Due" problem={wrong?.field === "due" && form.due ? wrong.reason : undefined}>
            {(control) => (
              <>
                <TextInput
                  {...control}
                  type="datetime-local"
                  value={state.due}
                  onChange={(event) => state.setDue(event.target.value)}
                />
                {!wrong && <p className="mt-1 font-semibold">{said(form.due)}</p>}
              </>
            )}
          </Field>
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">May be done</p>
            <Segmented label="May be done" value={state.tries} onChange={state.setTries} options={triesOptions} />
          </div>
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">Checked</p>
            <Segmented label="Checked" value={state.checking} onChange={state.setChecking} options={checkingOptions} />
          </div>
        </div>
        {"opens" in when && remarks(when, zone).map((remark) => <Notice key={remark}>{remark}</Notice>)}
        {data.facts.minutes > group.periodMinutes && (
          <Notice>
            {data.facts.minutes} minutes is more than the {group.periodMinutes} of one lesson.
          </Notice>
        )}
        {problem && <Notice tone="warning">{problem.text}</Notice>}
        {"opens" in when && form.students.length > 0 ? (
          <p className="border-t border-line pt-3 text-[15px]">
            {sayAssignment({
              students: form.students.length,
              all: form.students.length === roster.length,
              className: group.name,
              title: data.facts.title,
              when,
              opensNow: state.opens === "now",
              tries: form.tries,
              zone,
              now,
            })}
          </p>
        ) : (
          <p className="border-t border-line pt-3 text-ink-soft">
            {form.students.length === 0 ? "Choose at least one student." : wrong?.reason}
          </p>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onDone}>Not now</Button>
          <Button look="main" disabled={busy || form.students.length === 0 || Boolean(wrong)} onClick={send}>
            {busy ? "One moment …" : "Give it"}
          </Button>
        </div>
      </div>
    </section>
  );
}
