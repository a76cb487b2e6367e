"use client";
import { useDndMonitor, useDroppable } from "@dnd-kit/core";
import { clsx } from "clsx";
import { ChevronDown, ChevronUp, Users } from "lucide-react";
import { Link } from "@/ui/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { useRef, useState, type KeyboardEvent } from "react";
import { flushSync } from "react-dom";
import type { StripDay, StripMeeting } from "@/server/plan/week-strip";
import { useKeys } from "@/ui/keys";
import { openedResource } from "./opened";
import { remember } from "./remember";

const keyOf = ({ class: group, date, period }: Pick<StripMeeting, "class" | "date" | "period">) =>
  `${group}.${date}.${period}`;

function MeetingButton({ meeting, onChoose }: { meeting: StripMeeting; onChoose: () => void }) {
  const { setNodeRef, isOver, active } = useDroppable({
    id: `strip-${keyOf(meeting)}`,
    data: { name: `${meeting.date}, ${meeting.label} ${meeting.time}`, lesson: meeting },
  });
  const offered = (active?.data.current as { thing?: number } | undefined)?.thing !== undefined;
  const full = meeting.planned > meeting.minutes;
  return (
    <button
      ref={setNodeRef}
      type="button"
      data-lesson
      onClick={onChoose}
      title={`${meeting.label} ${meeting.time}: ${meeting.planned} of ${meeting.minutes} minutes planned`}
      className={clsx(
        "flex w-full items-center gap-1.5 rounded-[4px] border px-1.5 text-left text-[12px] leading-[22px]",
        meeting.title ? "border-green/30 bg-green-wash" : "border-line bg-card",
        offered && "border-ink-soft border-dashed",
        isOver && "border-green bg-green-wash outline-2 outline-green",
      )}
    >
      <span className="shrink-0 text-ink-soft">
        <span className="numbers">{meeting.time}</span> {meeting.label}
      </span>
      <span className={clsx("truncate font-semibold", full && "text-clay")}>{meeting.title}</span>
    </button>
  );
}

/** What she has to have made for her teams by a day, beside its name: it takes no room from the page. */
function DueParts({ due }: { due: StripDay["due"] }) {
  const all = due.map(({ text }) => text).join("; ");
  return (
    <Link
      href={`/teams?team=${due[0]!.team}`}
      data-lesson
      title={`To make: ${all}`}
      aria-label={`To make: ${all}`}
      className="flex min-w-0 items-center gap-1 font-semibold text-brass-text hover:underline"
    >
      <Users size={12} aria-hidden className="shrink-0" />
      <span className="truncate">{due.length === 1 ? due[0]!.text : `${due.length} to make`}</span>
    </Link>
  );
}

/**
 * The lessons of the next two weeks, under every page. What is carried onto one, or is open when one is pressed, is given
 * there; `s` goes to it, the arrows choose, Enter takes.
 */
export function WeekStrip({ days, closed: closedFirst }: { days: StripDay[]; closed: boolean }) {
  const [closedElsewhere, setClosedElsewhere] = useState(closedFirst);
  // The editor needs the room: there the strip is a line until it is asked for.
  const [closedInEditor, setClosedInEditor] = useState(true);
  const box = useRef<HTMLDivElement>(null);
  const router = useRouter();
  const path = usePathname();
  const parameters = useSearchParams();
  const inEditor = path.startsWith("/adapt");
  const [closed, setClosed] = inEditor ? [closedInEditor, setClosedInEditor] : [closedElsewhere, setClosedElsewhere];
  const here = path === "/find" || path === "/satchel";

  const give = (resource: number, meeting: StripMeeting) => {
    const next = new URLSearchParams(here ? parameters : "");
    next.set("open", String(resource));
    next.set("do", "assign");
    next.set("at", keyOf(meeting));
    next.delete("like");
    router.push(`${here ? path : "/find"}?${next}`, { scroll: false });
  };
  const choose = (meeting: StripMeeting) => {
    const opened = openedResource();
    if ((here || inEditor) && opened !== null) give(opened, meeting);
    else router.push(`/plan?from=${meeting.date}`);
  };
  useDndMonitor({
    onDragEnd: ({ active, over }) => {
      const thing = (active.data.current as { thing?: number } | undefined)?.thing;
      const lesson = (over?.data.current as { lesson?: StripMeeting } | undefined)?.lesson;
      if (thing !== undefined && lesson) give(thing, lesson);
    },
  });
  useKeys({
    s: () => {
      // There at once: the arrow that follows must find its way from the first lesson.
      flushSync(() => setClosed(false));
      box.current?.querySelector<HTMLElement>("button[data-lesson]")?.focus();
    },
  });
  const onArrow = (event: KeyboardEvent) => {
    const all = [...(box.current?.querySelectorAll<HTMLElement>("[data-lesson]") ?? [])];
    const at = all.indexOf(document.activeElement as HTMLElement);
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (at < 0 || by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    all[Math.max(0, Math.min(all.length - 1, at + by))]!.focus();
  };
  // The plan shows the same in full.
  if (path === "/plan") return null;
  const toggle = () => {
    if (!inEditor) remember("strip", closed ? "open" : "closed");
    setClosed(!closed);
  };
  return (
    <section
      aria-label="Lessons of the next two weeks"
      className="not-printed border-t border-line bg-shade max-md:hidden"
    >
      {closed ? (
        <button
          type="button"
          aria-expanded={false}
          onClick={toggle}
          className="flex w-full items-center gap-2 px-5 py-1 text-[12px] text-ink-soft"
        >
          <ChevronUp size={14} aria-hidden /> Lessons of the next two weeks
        </button>
      ) : (
        <div
          ref={box}
          role="group"
          aria-label="Lessons"
          onKeyDown={onArrow}
          className="flex items-start gap-2 py-1.5 pr-2 pl-5"
        >
          <ol
            className="grid min-w-0 flex-1 gap-2"
            style={{ gridTemplateColumns: `repeat(${days.length}, minmax(0, 1fr))` }}
          >
            {days.map((day) => (
              <li key={day.date} className="min-w-0">
                <p className="flex gap-1.5 text-[12px]">
                  <span className={clsx("shrink-0", day.today ? "font-semibold" : "text-ink-soft")}>{day.day}</span>
                  {day.due[0] && <DueParts due={day.due} />}
                </p>
                {day.off && day.meetings.length === 0 ? (
                  <p className="truncate text-[12px] leading-[22px] text-ink-soft italic" title={day.off}>
                    {day.off}
                  </p>
                ) : (
                  <div className="grid grid-cols-[minmax(0,1fr)] gap-1">
                    {day.meetings.map((meeting) => (
                      <MeetingButton key={meeting.period} meeting={meeting} onChoose={() => choose(meeting)} />
                    ))}
                  </div>
                )}
              </li>
            ))}
          </ol>
          <button
            type="button"
            aria-label="Hide the lessons"
            aria-expanded
            onClick={toggle}
            className="rounded-card p-1 text-ink-soft hover:bg-card"
          >
            <ChevronDown size={14} aria-hidden />
          </button>
        </div>
      )}
    </section>
  );
}
