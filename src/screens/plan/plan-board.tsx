"use client";
import { useDndContext, useDndMonitor, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { Link } from "@/ui/link";
import type { PlanCell, PlanColumn, PlanWork } from "@/core/plan/board";
import type { SchoolDay } from "@/core/calendar/school-calendar";
import { momentAt } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import type { PlanData } from "@/server/plan/plan";
import { moveWork } from "@/screens/acts/plan";
import { usePlanActs } from "./use-plan-acts";
import { titleOf, WorkChip } from "./work-chip";

const hatched = "bg-[repeating-linear-gradient(-45deg,var(--shade)_0_8px,transparent_8px_16px)]";

export interface Place {
  class: number;
  date: string;
  period: number;
}

function Load({ planned, room }: { planned: number; room: number }) {
  if (room === 0) return null;
  const over = planned > room;
  return (
    <div className="mt-auto pt-1.5" title={`${planned} of ${room} minutes`}>
      <div className="h-1 overflow-hidden rounded-full bg-shade">
        <div
          className={clsx("h-full rounded-full", over ? "bg-clay" : "bg-green/60")}
          style={{ width: `${Math.min(100, (100 * planned) / room)}%` }}
        />
      </div>
      <span className={over ? "text-[12px] font-semibold text-clay" : "heard"}>
        {planned} of {room} minutes
      </span>
    </div>
  );
}

function Cell({
  cell,
  column,
  day,
  away,
  works,
  selected,
  now,
  onOpen,
}: {
  cell: PlanCell;
  column: PlanColumn;
  day: SchoolDay;
  /** Why the class does not meet, though the school is open. */
  away: string | null;
  works: ReadonlyMap<number, PlanWork>;
  selected: number | null;
  now: Date;
  onOpen: (id: number) => void;
}) {
  const [meeting] = cell.meetings;
  const { active } = useDndContext();
  const carried = active?.data.current as { work?: number; class?: number } | undefined;
  const takes = Boolean(meeting) && (carried?.work === undefined || carried.class === column.class);
  const { setNodeRef, isOver } = useDroppable({
    id: `cell-${column.class}-${column.label}-${day.date}`,
    disabled: !takes,
    data: meeting && {
      name: `${day.date}, ${column.className} ${column.label}`,
      place: { class: column.class, date: day.date, period: meeting.period } satisfies Place,
    },
  });
  return (
    <td
      ref={setNodeRef}
      className={clsx(
        "h-[70px] border-b border-l border-line p-1.5 align-top",
        cell.room === 0 && (away ? hatched : "bg-paper/60"),
        isOver && "outline-2 -outline-offset-2 outline-green outline-dashed",
      )}
    >
      <div className="flex h-full min-h-14 flex-col gap-1">
        {away && cell.room === 0 && <span className="px-1 text-[12px] text-ink-soft">{away}</span>}
        {cell.work.map(({ id }) => {
          const work = works.get(id)!;
          return (
            <WorkChip key={id} work={work} selected={selected === id} done={work.due < now} onOpen={() => onOpen(id)} />
          );
        })}
        {cell.due
          .filter((one) => !cell.work.includes(one))
          .map((one) => (
            <button
              key={`due ${one.id}`}
              type="button"
              title={`${titleOf(one)} is due`}
              onClick={() => onOpen(one.id)}
              className="flex w-full items-center gap-2 rounded-[4px] border border-slate/30 bg-slate/10 px-2 py-0.5 text-left text-[13px] leading-5 hover:border-slate"
            >
              <span className="min-w-0 flex-1 truncate">{titleOf(one)}</span>
              <span className="shrink-0 text-[12px] text-slate">due</span>
            </button>
          ))}
        <Load planned={cell.planned} room={cell.room} />
      </div>
    </td>
  );
}

const NAMED = 2;

/** "Bo Tideman and Ana Lund have 3 things due or more"; of many, two are named and the others counted. */
export function formatCrowded(students: readonly { name: string }[]): string {
  const named = students.slice(0, NAMED).map(({ name }) => name);
  const others = students.length - named.length;
  const who = others === 0 ? named.join(" and ") : `${named.join(", ")} and ${others} more`;
  return `${who} ${students.length === 1 ? "has" : "have"} 3 things due or more`;
}

/** Days by what classes do: every lesson with what is planned in it, how full it is, and what is due. */
export function PlanBoardTable({
  plan,
  zone,
  now,
  today,
  selected,
  onOpen,
  onBring,
  onCrowded,
}: {
  plan: PlanData;
  zone: string;
  now: Date;
  today: string;
  selected: number | null;
  onOpen: (id: number) => void;
  /** A resource was put down on a lesson. */
  onBring: (thing: { id: number; title: string }, place: Place) => void;
  /** Somebody has too much due on a day: she wants to see who, and what to do. */
  onCrowded: (date: string) => void;
}) {
  const { board } = plan;
  const { columns } = board;
  const { run } = usePlanActs();
  const works = new Map(plan.work.map((work) => [work.id, work]));
  useDndMonitor({
    onDragEnd: ({ active, over }) => {
      const carried = active.data.current as { work?: number; thing?: number; name?: string } | undefined;
      const place = (over?.data.current as { place?: Place } | undefined)?.place;
      if (carried?.thing !== undefined && place)
        return onBring({ id: carried.thing, title: carried.name ?? "" }, place);
      const work = carried?.work === undefined ? undefined : works.get(carried.work);
      if (!work || !place) return;
      if (work.meeting?.date === place.date && work.meeting.period === place.period) return;
      run(
        () => moveWork({ assignment: work.id, date: place.date, period: place.period }),
        ({ remarks }) =>
          [
            `“${titleOf(work)}” is on ${formatDay(momentAt(place.date, "12:00", zone), zone, now)} now.`,
            ...remarks,
          ].join(" "),
      );
    },
  });
  const several = new Set(board.columns.map((column) => column.class)).size > 1;
  return (
    <table className="w-full table-fixed border-collapse" style={{ minWidth: 112 + board.columns.length * 150 }}>
      <colgroup>
        <col style={{ width: 112 }} />
      </colgroup>
      <thead className="sticky top-0 z-10 bg-shade">
        <tr>
          <td className="border-b border-line" />
          {board.columns.map((column) => (
            <th
              key={`${column.class} ${column.label}`}
              scope="col"
              className="truncate border-b border-l border-line px-2.5 py-1.5 text-left font-semibold"
            >
              {several || !column.label ? column.className : ""}
              {several && column.label && " · "}
              {column.label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {board.days.map(({ day, cells }) => {
          const crowded = plan.crowded.find(({ date }) => date === day.date);
          const empty = cells.every((cell) => cell.work.length === 0 && cell.due.length === 0);
          return (
            <tr key={day.date} className={clsx(day.date === today && "bg-green-wash/40")}>
              <th scope="row" className="border-b border-line px-4 py-2 text-left align-top font-normal">
                <span className="block font-semibold whitespace-nowrap">
                  {formatDay(momentAt(day.date, "12:00", zone), zone, now)}
                </span>
                <span className="block text-[12px] text-ink-soft">
                  {[
                    day.date === today ? "today" : null,
                    day.cycleDay && `${day.cycleDay} day`,
                    day.off?.kind === "half" && `${day.off.name}, until ${day.off.until}`,
                  ]
                    .filter(Boolean)
                    .join(" · ")}{" "}
                  {day.open && (
                    <Link
                      href={`/plan/pictures?day=${day.date}`}
                      aria-label={`${formatDay(momentAt(day.date, "12:00", zone), zone, now)} in pictures`}
                      className="inline-block text-green underline"
                    >
                      in pictures
                    </Link>
                  )}
                </span>
                {crowded && (
                  <button
                    type="button"
                    className="block text-left text-[12px] text-clay hover:underline"
                    onClick={() => onCrowded(day.date)}
                  >
                    {formatCrowded(crowded.students)}
                  </button>
                )}
              </th>
              {!day.open && empty ? (
                <td
                  colSpan={cells.length}
                  className={clsx("border-b border-l border-line px-3 py-1.5 text-ink-soft", hatched)}
                >
                  {day.off?.name}: no lessons{day.off?.kind === "lost" && "; the day was lost"}.
                </td>
              ) : (
                cells.map((cell, at) => (
                  <Cell
                    key={at}
                    cell={cell}
                    column={columns[at]!}
                    day={day}
                    away={
                      day.open
                        ? (plan.away.find((one) => one.date === day.date && one.class === columns[at]!.class)?.name ??
                          null)
                        : (day.off?.name ?? null)
                    }
                    works={works}
                    selected={selected}
                    now={now}
                    onOpen={onOpen}
                  />
                ))
              )}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
