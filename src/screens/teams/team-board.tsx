"use client";
import { clsx } from "clsx";
import { ChevronLeft, ChevronRight, Circle, CircleCheck, CircleDashed, CircleDot, Send } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { addDays } from "@/core/calendar/school-calendar";
import { formatWeek, stateOf, type BoardWeek, type PartState, type TeamPart } from "@/core/team/board";
import { givePart, readyPart } from "@/screens/acts/team";
import type { TeamBoard, TeamsData } from "@/server/share/team";
import { Button, buttonClasses } from "@/ui/button";
import { tell, tellProblem } from "@/ui/toast";
import { AssignPanel } from "../assign/assign-panel";
import { useOnce } from "../use-once";
import { PartDialog, type PartChange } from "./part-dialog";

const signs = { nobody: CircleDashed, asked: Circle, "in progress": CircleDot, ready: CircleCheck } as const;
const tones: Record<PartState, string> = {
  nobody: "text-ink-soft",
  asked: "text-slate",
  "in progress": "text-brass-text",
  ready: "text-green",
};

/** Weeks by parts of the work. The arrows go from part to part, Enter opens one; what is ready of a week is assigned together. */
export function Board({
  data,
  board,
  current,
  now,
}: {
  data: TeamsData;
  board: TeamBoard;
  current: number | null;
  now: Date;
}) {
  const router = useRouter();
  const [opened, setOpened] = useState<{ line: number; week: string } | null>(null);
  const [assigning, setAssigning] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const table = useRef<HTMLTableElement>(null);
  const { team, weeks, parts } = board;
  const partAt = (line: number, week: string): TeamPart =>
    parts.find((part) => part.line === line && part.week === week) ?? {
      ...{ line, week, maker: null, begun: false, resource: null },
    };
  const readyIn = (week: string) =>
    parts.filter((part) => part.week === week).flatMap(({ resource }) => resource ?? []);
  const nameOf = (person: number | null) => team.members.find(({ id }) => id === person)?.name ?? null;
  const first = weeks[0]!.monday;

  const put = async (at: { line: number; week: string }, from: TeamPart, to: PartChange) => {
    const where = { team: team.id, ...at, seen: { maker: from.maker, resource: from.resource?.id ?? null } };
    return to.resource === null
      ? givePart({ ...where, maker: to.maker, begun: to.begun })
      : readyPart({ ...where, resource: to.resource });
  };
  const change = (to: PartChange) =>
    start(async () => {
      const at = opened!;
      const before = partAt(at.line, at.week);
      const outcome = await put(at, before, to);
      router.refresh();
      if (!outcome.ok) return tellProblem(outcome.problem);
      setOpened(null);
      const line = team.lines.find(({ id }) => id === at.line)!.name;
      const said =
        to.resource !== null
          ? `“${line}” is ready for the week of ${formatWeek(at.week)}.`
          : to.maker === null
            ? `Nobody makes “${line}” yet.`
            : to.maker === data.me
              ? `You make “${line}” for the week of ${formatWeek(at.week)}.`
              : `${nameOf(to.maker)} is asked to make “${line}”.`;
      const mended = {
        ...before,
        maker: to.maker,
        resource: to.resource === null ? null : { id: to.resource, title: "", minutes: 0 },
      };
      // Somebody else's work can be put back in by its maker only.
      const mayUndo = before.resource === null || before.maker === data.me;
      tell(
        said,
        mayUndo
          ? async () => {
              const back = await put(at, mended, {
                maker: before.maker,
                begun: before.begun,
                resource: before.resource?.id ?? null,
              });
              if (!back.ok) tellProblem(back.problem);
              router.refresh();
            }
          : undefined,
      );
    });

  const onArrow = (event: KeyboardEvent) => {
    const by = { ArrowRight: [0, 1], ArrowLeft: [0, -1], ArrowDown: [1, 0], ArrowUp: [-1, 0] }[event.key];
    const cell = (document.activeElement as HTMLElement | null)?.dataset.cell?.split(" ").map(Number);
    if (!by || !cell) return;
    const next = table.current?.querySelector<HTMLElement>(`[data-cell="${cell[0]! + by[0]!} ${cell[1]! + by[1]!}"]`);
    if (!next) return;
    event.preventDefault();
    next.focus();
  };

  const giving = assigning === null ? [] : readyIn(assigning);
  return (
    <div className="flex min-h-0 flex-1 gap-5">
      <div className={clsx("min-w-0 flex-1 overflow-auto", giving.length > 0 && "max-md:hidden")}>
        <div className="flex items-center gap-2 pb-2">
          <h2 className="flex-1 font-serif text-[18px]">{team.name}</h2>
          <Link
            href={`/teams?team=${team.id}&from=${addDays(first, -42)}`}
            aria-label="Six weeks earlier"
            className={buttonClasses("quiet", "small")}
          >
            <ChevronLeft size={16} aria-hidden />
          </Link>
          <Link
            href={`/teams?team=${team.id}&from=${addDays(first, 42)}`}
            aria-label="Six weeks later"
            className={buttonClasses("quiet", "small")}
          >
            <ChevronRight size={16} aria-hidden />
          </Link>
        </div>
        <table
          ref={table}
          onKeyDown={onArrow}
          className="w-full min-w-[44rem] table-fixed border-separate border-spacing-1.5 text-[14px]"
        >
          <thead>
            <tr className="text-left text-[13px] text-ink-soft">
              <th scope="col" className="w-36 px-1 font-normal">
                Week of
              </th>
              {team.lines.map(({ id, name }) => (
                <th key={id} scope="col" className="truncate px-1 font-semibold" title={name}>
                  {name}
                </th>
              ))}
              <th scope="col" className="w-28 px-1 font-normal">
                <span className="heard">Assign the week</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {weeks.map((week, row) => (
              <WeekRow
                key={week.monday}
                week={week}
                now={week.monday === board.thisWeek}
                ready={readyIn(week.monday).length}
                onAssign={() => setAssigning(week.monday)}
              >
                {team.lines.map(({ id, name }, column) => {
                  const part = partAt(id, week.monday);
                  const state = stateOf(part);
                  const Sign = signs[state];
                  const who = part.maker === data.me ? "You" : nameOf(part.maker);
                  return (
                    <td key={id}>
                      <button
                        type="button"
                        data-cell={`${row} ${column}`}
                        aria-label={`${name}, week of ${formatWeek(week.monday)}: ${part.resource ? `“${part.resource.title}”, ` : ""}${who ? `${who}, ` : ""}${state}`}
                        onClick={() => setOpened({ line: id, week: week.monday })}
                        className={clsx(
                          "grid min-h-14 w-full grid-cols-[minmax(0,1fr)] content-center gap-0.5 rounded-card border px-2 py-1 text-left hover:border-line-strong",
                          state === "ready" ? "border-green/40 bg-green-wash" : "border-line bg-card",
                          state === "nobody" && "border-dashed",
                          part.maker === data.me && state !== "ready" && "border-brass",
                        )}
                      >
                        <span className={clsx("flex items-center gap-1 text-[13px]", tones[state])}>
                          <Sign size={14} aria-hidden className="shrink-0" />
                          <span className="truncate">
                            {state === "nobody"
                              ? "nobody yet"
                              : `${who ?? "somebody who left"}${state === "ready" ? "" : ` · ${state}`}`}
                          </span>
                        </span>
                        {part.resource && <span className="truncate">{part.resource.title}</span>}
                      </button>
                    </td>
                  );
                })}
              </WeekRow>
            ))}
          </tbody>
        </table>
        <section aria-labelledby="load" className="mt-4">
          <h3 id="load" className="text-[13px] text-ink-soft">
            Who is doing how much in these weeks
          </h3>
          <ul className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
            {board.loads.map(({ id, name, open, ready, minutes }) => (
              <li key={id}>
                <span className="font-semibold">{id === data.me ? "You" : name}</span>{" "}
                <span className="numbers text-[13px] text-ink-soft">
                  {open} to make · {ready} ready{minutes > 0 && `, ${minutes} min`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      </div>
      {giving.length > 0 && (
        <aside
          aria-label="Assign the week"
          className="flex w-[33rem] shrink-0 flex-col border-l border-line max-md:w-full max-md:border-l-0"
        >
          <h2 className="px-5 pb-2 font-serif text-[18px]">
            Assign the week of {formatWeek(assigning!)}: {giving.length} {giving.length === 1 ? "thing" : "things"}
          </h2>
          <div className="min-h-0 flex-1">
            <AssignPanel
              key={assigning}
              resources={giving}
              current={current}
              now={now}
              onDone={() => setAssigning(null)}
            />
          </div>
        </aside>
      )}
      {opened && (
        <PartDialog
          title={`${team.lines.find(({ id }) => id === opened.line)!.name}, week of ${formatWeek(opened.week)}`}
          part={partAt(opened.line, opened.week)}
          me={data.me}
          members={team.members}
          own={data.own}
          busy={busy}
          onChange={change}
          onClose={() => setOpened(null)}
        />
      )}
    </div>
  );
}

function WeekRow({
  week,
  now,
  ready,
  onAssign,
  children,
}: {
  week: BoardWeek;
  now: boolean;
  ready: number;
  onAssign: () => void;
  children: ReactNode;
}) {
  return (
    <tr className={clsx(week.off && "opacity-60")}>
      <th scope="row" className="px-1 text-left font-normal">
        <span className={clsx(now && "font-bold")}>{formatWeek(week.monday)}</span>
        <span className="block text-[12px] text-ink-soft">
          {now && "this week · "}
          {week.off ?? `${week.days} ${week.days === 1 ? "day" : "days"}`}
        </span>
      </th>
      {children}
      <td>
        {ready > 0 && (
          <Button size="small" onClick={onAssign}>
            <Send size={14} aria-hidden /> Assign {ready}
          </Button>
        )}
      </td>
    </tr>
  );
}
