"use client";
import {
  ArrowRightToLine,
  CalendarClock,
  Presentation,
  Scissors,
  SlidersHorizontal,
  Undo2,
  Users,
  X,
  Link2,
} from "lucide-react";
import { Link } from "@/ui/link";
import { useState } from "react";
import { formatFactor } from "@/core/assign/extra-time";
import { stateOf } from "@/core/assign/form";
import type { Meeting } from "@/core/calendar/school-calendar";
import { arrayMove } from "@dnd-kit/sortable";
import { formatMoment } from "@/core/calendar/format-moment";
import { callBack, orderWork, takeNewest } from "@/screens/acts/assign";
import { orTell } from "@/screens/acts/tried";
import { moveAllFrom, moveWork, splitWork } from "@/screens/acts/plan";
import type { PlanData } from "@/server/plan/plan";
import type { WorkDetails } from "@/server/assign/work-details";
import { Button, buttonClasses } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";
import { useRouter } from "next/navigation";
import { formatCrowded } from "./plan-board";
import { RulesDialog } from "./rules-dialog";
import { StudentsDialog } from "./students-dialog";
import { TimesDialog } from "./times-dialog";
import { showLinks } from "../assign/assignment-link";
import { usePlanActs } from "./use-plan-acts";
import { titleOf } from "./work-chip";

/** How many get which version with how much time: "19 × this one · 2 × “Shorter”, one and a half times as long". */
function formatVersions({ assignment, recipients }: WorkDetails): string {
  const sorts = recipients.map(({ title, factor }) =>
    [title === assignment.title ? "this one" : `“${title}”`, factor === 1 ? null : formatFactor[factor]]
      .filter(Boolean)
      .join(", "),
  );
  return [...new Set(sorts)].map((sort) => `${sorts.filter((one) => one === sort).length} × ${sort}`).join(" · ");
}

/** Where the work stands on the plan, how full it is there, and the next lesson of the same kind with room. */
function useStanding(plan: PlanData, id: number) {
  const { columns, days } = plan.board;
  for (const [row, { cells }] of days.entries())
    for (const [at, cell] of cells.entries()) {
      const work = cell.work.find((one) => one.id === id);
      if (!work) continue;
      const later = days.slice(row + 1).map((one) => ({ day: one.day, cell: one.cells[at]! }));
      const room = later.find((one) => one.cell.room > 0 && one.cell.room - one.cell.planned >= work.minutes);
      const lessons = days.flatMap((one) =>
        one.cells.flatMap((other, nth) => (columns[nth]!.class === work.class ? other.meetings : [])),
      );
      // What opens and is due together with it: students meet these in an order of hers.
      const together = cell.work.filter(
        (one) =>
          Number(one.opens) === Number(work.opens) && Number(one.due) === Number(work.due) && one.class === work.class,
      );
      return {
        work,
        cell,
        column: columns[at]!,
        next: room?.cell.meetings[0] ?? null,
        lessons,
        together: together.map((one) => one.id),
      };
    }
  return null;
}

export function WorkPanel({
  details,
  plan,
  zone,
  now,
  onCrowded,
  onClose,
}: {
  details: WorkDetails;
  plan: PlanData;
  zone: string;
  now: Date;
  onCrowded: (date: string) => void;
  onClose: () => void;
}) {
  const { assignment, recipients, older } = details;
  const standing = useStanding(plan, assignment.id);
  const [dialog, setDialog] = useState<"times" | "students" | "rules" | null>(null);
  const { run, busy } = usePlanActs();
  const router = useRouter();
  const say = (moment: Date) => formatMoment(moment, zone, now);
  const state = stateOf(assignment, now);
  const moveTo = (meeting: Meeting) =>
    run(
      () => moveWork({ assignment: assignment.id, date: meeting.date, period: meeting.period }),
      ({ remarks }) => [`“${titleOf(assignment)}” is on ${say(meeting.starts)} now.`, ...remarks].join(" "),
    );
  const everything = (by: 1 | -1) =>
    standing?.cell.meetings[0] &&
    run(
      () =>
        moveAllFrom({
          class: assignment.class,
          label: standing.column.label,
          date: standing.cell.meetings[0]!.date,
          period: standing.cell.meetings[0]!.period,
          by,
        }),
      ({ moved }) => `${moved} moved by one lesson.`,
    );
  const reorder = (together: readonly number[], by: 1 | -1) => {
    const at = together.indexOf(assignment.id);
    run(
      () => orderWork({ assignments: arrayMove([...together], at, at + by) }),
      () => "Students now do them in this order.",
    );
  };
  const back = async () => {
    const outcome = await callBack({ assignments: [assignment.id], back: true });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onClose();
    router.refresh();
    tell(`Called back “${titleOf(assignment)}”.`, async () => {
      await orTell(callBack({ assignments: [assignment.id], back: false }));
      router.refresh();
    });
  };
  const over = standing && standing.cell.room > 0 && standing.cell.planned > standing.cell.room;
  const crowded = plan.crowded.find(({ date }) =>
    plan.board.days.some(
      ({ day, cells }) => day.date === date && cells.some((cell) => cell.due.some((one) => one.id === assignment.id)),
    ),
  );
  return (
    <aside aria-label="Selected work" className="overflow-auto border-t border-l border-line p-4">
      <div className="flex items-start gap-2">
        <h2 className="min-w-0 flex-1 font-serif text-[19px] leading-tight">{titleOf(assignment)}</h2>
        <IconButton name="Close" small onClick={onClose}>
          <X size={15} aria-hidden />
        </IconButton>
      </div>
      <p className="mt-1 text-ink-soft">
        {state === "called back" && "Called back. "}
        {say(assignment.opens)}
        <br />
        due {say(assignment.due)}
        {assignment.closes &&
          (assignment.closes.getTime() === assignment.due.getTime()
            ? ", closed then"
            : `, closes ${say(assignment.closes)}`)}
        <br />
        {assignment.className}, {recipients.length} of {assignment.classSize} students
      </p>
      {assignment.begun > 0 && (
        <p className="mt-1 text-ink-soft">
          {assignment.begun} {assignment.begun === 1 ? "has" : "have"} begun, {assignment.handedIn} handed in.
        </p>
      )}
      {over && standing && (
        <Notice tone="warning" className="mt-3">
          <strong>
            {standing.cell.planned} of {standing.cell.room} minutes.
          </strong>{" "}
          {standing.next ? `There is room on ${say(standing.next.starts)}.` : "No lesson shown has room for it."}
          <span className="mt-2 flex flex-wrap gap-2">
            {standing.next && (
              <Button size="small" disabled={busy} onClick={() => moveTo(standing.next!)}>
                <ArrowRightToLine size={13} aria-hidden /> Move it there
              </Button>
            )}
            <Button
              size="small"
              disabled={busy}
              onClick={() =>
                run(
                  () => splitWork({ assignment: assignment.id }),
                  ({ parts }) => `Split into ${parts} parts.`,
                )
              }
            >
              <Scissors size={13} aria-hidden /> Split it
            </Button>
          </span>
        </Notice>
      )}
      {older > 0 && (
        <Notice className="mt-3">
          There is a newer revision; {older === 1 ? "one student has" : `${older} students have`} not begun.
          <span className="mt-2 block">
            <Button
              size="small"
              disabled={busy}
              onClick={() =>
                run(
                  () => takeNewest({ assignment: assignment.id }),
                  ({ changed }) => `${changed} have the newer revision now.`,
                )
              }
            >
              Assign them the newer one
            </Button>
          </span>
        </Notice>
      )}
      <h3 className="mt-4 font-semibold">Versions</h3>
      <p className="text-ink-soft">{formatVersions(details)}</p>
      {assignment.goals.length > 0 && (
        <>
          <h3 className="mt-3 font-semibold">Goal tags</h3>
          <ul className="mt-1 flex flex-wrap gap-1.5">
            {assignment.goals.map((goal) => (
              <li key={goal} className="rounded-card border border-line px-2 py-0.5 text-[13px]">
                {goal}
              </li>
            ))}
          </ul>
        </>
      )}
      {crowded && (
        <>
          <h3 className="mt-3 font-semibold">Load on the day it is due</h3>
          <p className="text-ink-soft">{formatCrowded(crowded.students)}.</p>
          <Button size="small" className="mt-1" onClick={() => onCrowded(crowded.date)}>
            Find a better day …
          </Button>
        </>
      )}
      <div className="mt-4 grid gap-2">
        {standing && standing.lessons.length > 0 && (
          <label className="block text-[13px] text-ink-soft">
            Move to
            <select
              className={`${inputClasses} mt-1`}
              disabled={busy}
              value={assignment.meeting ? `${assignment.meeting.date} ${assignment.meeting.period}` : ""}
              onChange={(event) => {
                const meeting = standing.lessons.find((one) => `${one.date} ${one.period}` === event.target.value);
                if (meeting) moveTo(meeting);
              }}
            >
              {!assignment.meeting && <option value="">not planned for a lesson</option>}
              {standing.lessons.map((meeting) => (
                <option key={`${meeting.date} ${meeting.period}`} value={`${meeting.date} ${meeting.period}`}>
                  {say(meeting.starts)}
                  {meeting.label && `, ${meeting.label}`}
                </option>
              ))}
            </select>
          </label>
        )}
        {standing && standing.together.length > 1 && (
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">
              Students do it as number {standing.together.indexOf(assignment.id) + 1} of {standing.together.length}
            </p>
            <div className="grid grid-cols-2 gap-2">
              <Button
                size="small"
                disabled={busy || standing.together[0] === assignment.id}
                onClick={() => reorder(standing.together, -1)}
              >
                earlier
              </Button>
              <Button
                size="small"
                disabled={busy || standing.together.at(-1) === assignment.id}
                onClick={() => reorder(standing.together, 1)}
              >
                later
              </Button>
            </div>
          </div>
        )}
        {assignment.meeting && standing && (
          <div>
            <p className="mb-1 text-[13px] text-ink-soft">Everything from here on</p>
            <div className="grid grid-cols-2 gap-2">
              <Button size="small" disabled={busy} onClick={() => everything(-1)}>
                one lesson back
              </Button>
              <Button size="small" disabled={busy} onClick={() => everything(1)}>
                one lesson on
              </Button>
            </div>
          </div>
        )}
        <Button onClick={() => setDialog("times")}>
          <CalendarClock size={16} aria-hidden /> Times …
        </Button>
        <Button onClick={() => setDialog("rules")}>
          <SlidersHorizontal size={16} aria-hidden /> Tries, checking, goals …
        </Button>
        <Button onClick={() => setDialog("students")}>
          <Users size={16} aria-hidden /> Students …
        </Button>
        <Link href={`/find?open=${assignment.resource}&do=assign&like=${assignment.id}`} className={buttonClasses()}>
          Assign it to others, or again …
        </Link>
        <Link href={`/results?assignment=${assignment.id}`} className={buttonClasses()}>
          Results
        </Link>
        <Link href={`/lead/${assignment.id}`} className={buttonClasses()}>
          <Presentation size={16} aria-hidden /> Lead it
        </Link>
        <Button onClick={() => showLinks([{ id: assignment.id, title: titleOf(assignment) }])}>
          <Link2 size={16} aria-hidden /> Link …
        </Button>
        <Button look="clay" onClick={() => void back()}>
          <Undo2 size={16} aria-hidden /> Call back
        </Button>
        <p className="text-[13px] text-ink-soft">
          {assignment.begun > 0
            ? `Called back, it disappears from the students’ list; what ${assignment.begun} of them answered is kept.`
            : "Called back, it disappears from the students’ list. Nobody has begun."}
        </p>
      </div>
      {dialog === "times" && (
        <TimesDialog assignment={assignment} zone={zone} now={now} onClose={() => setDialog(null)} />
      )}
      {dialog === "rules" && <RulesDialog assignment={assignment} now={now} onClose={() => setDialog(null)} />}
      {dialog === "students" && (
        <StudentsDialog details={details} zone={zone} now={now} onClose={() => setDialog(null)} />
      )}
    </aside>
  );
}
