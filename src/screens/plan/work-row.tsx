"use client";
import { CalendarClock, Undo2 } from "lucide-react";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import type { AssignmentState } from "@/core/assign/form";
import { formatMoment } from "@/core/calendar/format-moment";
import type { Assignment } from "@/data/assign/assignments";
import { callBack } from "@/screens/acts/assign";
import { orTell } from "@/screens/acts/tried";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { tell, tellProblem } from "@/ui/toast";
import { titleOf } from "./work-chip";

function Progress({ assignment }: { assignment: Assignment }) {
  const { recipients, begun, handedIn } = assignment;
  const share = (count: number) => `${(100 * count) / Math.max(1, recipients)}%`;
  return (
    <div>
      <div className="relative h-1.5 overflow-hidden rounded-full bg-shade" aria-hidden>
        <span className="absolute inset-y-0 left-0 bg-green/35" style={{ width: share(begun) }} />
        <span className="absolute inset-y-0 left-0 bg-green" style={{ width: share(handedIn) }} />
      </div>
      <p className="numbers mt-1 text-[12px] text-ink-soft">
        {handedIn} of {recipients} handed in{begun > handedIn && `, ${begun - handedIn} at work`}
      </p>
    </div>
  );
}

/** One piece of work in the list: to open, tick, move and call back. */
export function WorkRow({
  assignment,
  state,
  zone,
  now,
  ticked,
  onTick,
  onDue,
}: {
  assignment: Assignment;
  state: AssignmentState;
  zone: string;
  now: Date;
  ticked: boolean;
  onTick: (on: boolean) => void;
  onDue: () => void;
}) {
  const router = useRouter();
  const back = async () => {
    const calling = state !== "called back";
    const outcome = await callBack({ assignments: [assignment.id], back: calling });
    if (!outcome.ok) return tellProblem(outcome.problem);
    router.refresh();
    const kept =
      calling && assignment.begun > 0
        ? ` What ${assignment.begun} ${assignment.begun === 1 ? "student has" : "students have"} answered is kept.`
        : "";
    tell(
      calling ? `Called back “${assignment.title}”.${kept}` : `“${assignment.title}” is with its students again.`,
      async () => {
        await orTell(callBack({ assignments: [assignment.id], back: !calling }));
        router.refresh();
      },
    );
  };
  const who =
    assignment.recipients === assignment.classSize
      ? assignment.className
      : `${assignment.recipients} of ${assignment.className}`;
  return (
    <li className="grid grid-cols-[auto_minmax(11rem,1fr)_minmax(0,8rem)_minmax(12rem,20.5rem)_12rem_auto] items-center gap-4 border-b border-line px-4 py-2 max-lg:grid-cols-[auto_minmax(0,1fr)] max-lg:gap-y-1 max-lg:*:not-first:col-start-2">
      <Checkbox label={`Tick ${assignment.title}`} checked={ticked} onChange={onTick} />
      <Link
        href={`/results?assignment=${assignment.id}`}
        className="line-clamp-2 font-semibold hover:underline"
        title={assignment.title}
      >
        {titleOf(assignment)}
      </Link>
      <span className="truncate">{who}</span>
      <span className="text-[13px] text-ink-soft">
        {state === "scheduled"
          ? `opens ${formatMoment(assignment.opens, zone, now)}`
          : `due ${formatMoment(assignment.due, zone, now)}`}
        {state === "scheduled" && <br />}
        {state === "scheduled" && `due ${formatMoment(assignment.due, zone, now)}`}
      </span>
      <Progress assignment={assignment} />
      <span className="flex gap-1.5 lg:w-52 lg:justify-end">
        {state !== "called back" && (
          <Button size="small" onClick={onDue} aria-label={`Change when ${assignment.title} is due`}>
            <CalendarClock size={14} aria-hidden /> Due …
          </Button>
        )}
        <Button
          size="small"
          onClick={() => void back()}
          aria-label={`${state === "called back" ? "Assign again" : "Call back"}: ${assignment.title}`}
        >
          <Undo2 size={14} aria-hidden /> {state === "called back" ? "Assign again" : "Call back"}
        </Button>
      </span>
    </li>
  );
}
