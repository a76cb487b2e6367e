"use client";
import { Undo2, CalendarClock } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { stateOf, type AssignmentState } from "@/core/assign/form";
import { sayMoment } from "@/core/calendar/say-moment";
import type { Assignment } from "@/data/assignments";
import type { Class } from "@/data/classes";
import { callBack } from "@/screens/acts/assign";
import { orTell } from "@/screens/acts/tried";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";
import { titleOf } from "./work-chip";
import { TimesDialog } from "./times-dialog";
import { useAddress } from "../use-address";

const sections: { state: AssignmentState; title: string; empty: string }[] = [
  { state: "open", title: "Open", empty: "Nothing is open just now." },
  { state: "scheduled", title: "Scheduled", empty: "Nothing is waiting for its day." },
  { state: "finished", title: "Finished", empty: "Nothing has come to its due date yet." },
  { state: "called back", title: "Called back", empty: "" },
];

function Progress({ assignment }: { assignment: Assignment }) {
  const { recipients, begun, handedIn } = assignment;
  const share = (count: number) => `${(100 * count) / Math.max(1, recipients)}%`;
  return (
    <div className="w-48">
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

function Row({
  assignment,
  state,
  zone,
  now,
  onDue,
}: {
  assignment: Assignment;
  state: AssignmentState;
  zone: string;
  now: Date;
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
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,9rem)_minmax(0,17rem)_12rem_auto] items-center gap-4 border-b border-line px-4 py-2">
      <Link
        href={`/results?assignment=${assignment.id}`}
        className="truncate font-semibold hover:underline"
        title={assignment.title}
      >
        {titleOf(assignment)}
      </Link>
      <span className="truncate">{who}</span>
      <span className="text-[13px] text-ink-soft">
        {state === "scheduled"
          ? `opens ${sayMoment(assignment.opens, zone, now)}`
          : `due ${sayMoment(assignment.due, zone, now)}`}
        {state === "scheduled" && <br />}
        {state === "scheduled" && `due ${sayMoment(assignment.due, zone, now)}`}
      </span>
      <Progress assignment={assignment} />
      <span className="flex w-52 justify-end gap-1.5">
        {state !== "called back" && (
          <Button size="small" onClick={onDue} aria-label={`Change when ${assignment.title} is due`}>
            <CalendarClock size={14} aria-hidden /> Due …
          </Button>
        )}
        <Button
          size="small"
          onClick={() => void back()}
          aria-label={`${state === "called back" ? "Give again" : "Call back"}: ${assignment.title}`}
        >
          <Undo2 size={14} aria-hidden /> {state === "called back" ? "Give again" : "Call back"}
        </Button>
      </span>
    </li>
  );
}

/** Everything that was given, in one list: open, scheduled, finished. */
export function WorkList({
  assignments,
  classes,
  zone,
  now,
}: {
  assignments: Assignment[];
  classes: Class[];
  zone: string;
  now: Date;
}) {
  const { go, parameters } = useAddress();
  const [changing, setChanging] = useState<Assignment | null>(null);
  const only = Number(parameters.get("class")) || null;
  const shown = assignments.filter((assignment) => only === null || assignment.class === only);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto max-w-6xl px-5 py-4">
        <div className="flex items-center gap-4">
          <span className="flex-1" />
          <label className="flex items-center gap-2 text-[13px] text-ink-soft">
            Class
            <select
              className={inputClasses}
              value={only ?? ""}
              onChange={(event) => go({ class: event.target.value || null })}
            >
              <option value="">all of them</option>
              {classes.map((group) => (
                <option key={group.id} value={group.id}>
                  {group.name}
                </option>
              ))}
            </select>
          </label>
        </div>
        {shown.length === 0 ? (
          <Empty title="Nothing has been given yet">
            <p>Find something, look it over, and press a.</p>
            <Link href="/find" className={buttonClasses("main")}>
              Go and find
            </Link>
          </Empty>
        ) : (
          sections.map(({ state, title, empty }) => {
            const rows = shown.filter((assignment) => stateOf(assignment, now) === state);
            if (rows.length === 0 && !empty) return null;
            return (
              <section key={state} aria-labelledby={`plan-${state}`} className="mt-4">
                <h2 id={`plan-${state}`} className="mb-1 flex items-baseline gap-2 font-semibold">
                  {title} <span className="numbers text-[13px] font-normal text-ink-soft">{rows.length}</span>
                </h2>
                {rows.length === 0 ? (
                  <p className="text-ink-soft">{empty}</p>
                ) : (
                  <ul className="rounded-card border border-line border-b-0 bg-card">
                    {rows.map((assignment) => (
                      <Row
                        key={assignment.id}
                        assignment={assignment}
                        state={state}
                        zone={zone}
                        now={now}
                        onDue={() => setChanging(assignment)}
                      />
                    ))}
                  </ul>
                )}
              </section>
            );
          })
        )}
      </div>
      {changing && <TimesDialog assignment={changing} zone={zone} now={now} onClose={() => setChanging(null)} />}
    </div>
  );
}
