"use client";
import { useState, useTransition } from "react";
import type { AssignForm } from "@/core/assign/form";
import { momentAt, type Meeting } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import type { Pocket } from "@/data/satchel/pockets";
import { layOut } from "@/screens/acts/plan";
import type { LaidOut } from "@/server/plan/lay-out";
import type { PlanData } from "@/server/plan/plan";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { LaidRulesFields } from "./laid-rules";
import { usePlanActs } from "./use-plan-acts";

/** A pocket over the next lessons: seen before it is given. */
export function LayOutDialog({
  plan,
  pockets,
  zone,
  now,
  onClose,
}: {
  plan: PlanData;
  pockets: readonly Pocket[];
  zone: string;
  now: Date;
  onClose: () => void;
}) {
  const { columns, days } = plan.board;
  const [pocket, setPocket] = useState(pockets[0]?.id ?? 0);
  const [column, setColumn] = useState(0);
  const lessons = days.flatMap(({ cells }) => cells[column]!.meetings).filter(({ starts }) => starts > now);
  const [start, setStart] = useState(0);
  const [form, setForm] = useState<AssignForm | null>(null);
  const [seen, setSeen] = useState<LaidOut | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [looking, begin] = useTransition();
  const { run, busy: giving } = usePlanActs();
  const first = lessons[Math.min(start, lessons.length - 1)];
  const group = columns[column]!;
  const students = form?.to[0]?.students ?? [];
  const layFrom = (meeting: Meeting, give: boolean) =>
    layOut({
      class: group.class,
      label: group.label,
      pocket,
      date: meeting.date,
      period: meeting.period,
      give,
      rules: form && { ...form, students },
    });
  const look = () =>
    begin(async () => {
      if (!first) return;
      const outcome = await layFrom(first, false);
      setProblem(outcome.ok ? null : outcome.problem);
      if (outcome.ok) setSeen(outcome.value);
    });
  const give = () =>
    first &&
    run(
      () => layFrom(first, true),
      ({ lessons: laid }) => `${laid.length} laid out for ${group.className}.`,
      onClose,
      setProblem,
    );
  const changed = (work: () => void) => () => {
    work();
    setSeen(null);
  };
  // What was decided was decided for that pocket and that class.
  const afresh = (work: () => void) =>
    changed(() => {
      work();
      setForm(null);
    });
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Lay out a pocket" wide>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
        <Field label="Pocket">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={pocket}
              onChange={(event) => afresh(() => setPocket(Number(event.target.value)))()}
            >
              {pockets.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                  {one.may !== "own" && ` (${one.owner}’s)`}
                </option>
              ))}
            </select>
          )}
        </Field>
        <div className="grid grid-cols-2 gap-4">
          <Field label="For">
            {(control) => (
              <select
                {...control}
                className={inputClasses}
                value={column}
                onChange={(event) => afresh(() => setColumn(Number(event.target.value)))()}
              >
                {columns.map((one, at) => (
                  <option key={at} value={at}>
                    {one.className}
                    {one.label && `, ${one.label}`}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Starting with the lesson on">
            {(control) => (
              <select
                {...control}
                className={inputClasses}
                value={start}
                onChange={(event) => changed(() => setStart(Number(event.target.value)))()}
              >
                {lessons.map((meeting, at) => (
                  <option key={at} value={at}>
                    {formatDay(momentAt(meeting.date, "12:00", zone), zone, now)}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </div>
        <LaidRulesFields
          key={`${pocket} ${group.class}`}
          pocket={pocket}
          group={group.class}
          now={now}
          form={form}
          onChange={(next) => changed(() => setForm(next))()}
        />
        {problem && <Notice tone="warning">{problem}</Notice>}
        {!first && <Notice>There are no lessons left in the weeks shown.</Notice>}
        {seen && (
          <>
            <ol className="grid max-h-64 gap-1 overflow-auto rounded-card border border-line p-2" aria-label="Preview">
              {seen.lessons.map((lesson, at) => (
                <li key={at} className="grid grid-cols-[6.5rem_minmax(0,1fr)_auto] gap-3">
                  <span className="text-ink-soft">{seen.lessons[at - 1]?.day === lesson.day ? "" : lesson.day}</span>
                  <span className="truncate">
                    {lesson.title}
                    {lesson.part && `, ${lesson.part}`}
                  </span>
                  <span className="numbers">{lesson.minutes}</span>
                </li>
              ))}
            </ol>
            {seen.left.length > 0 && <Notice tone="warning">No lesson is left for {seen.left.join(", ")}.</Notice>}
            {seen.remarks.length > 0 && (
              <Notice>
                <ul aria-label="Last look" className="grid max-h-32 gap-1 overflow-auto">
                  {seen.remarks.map((text) => (
                    <li key={text}>{text}</li>
                  ))}
                </ul>
              </Notice>
            )}
            {seen.over > 0 && (
              <Notice>
                {seen.over} minutes too many: one step alone is longer than any lesson, so it has one to itself.
              </Notice>
            )}
            <p>
              Each opens with its lesson and is due when it ends, for {form ? `${students.length} students` : "all"} of{" "}
              {group.className}. Open one on the plan to change it.
            </p>
          </>
        )}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          {seen ? (
            <Button look="main" disabled={giving} onClick={give}>
              {giving ? "One moment …" : "Assign like this"}
            </Button>
          ) : (
            <Button look="main" disabled={looking || !first} onClick={look}>
              {looking ? "One moment …" : "Preview"}
            </Button>
          )}
        </div>
      </div>
    </Dialog>
  );
}
