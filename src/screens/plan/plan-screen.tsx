"use client";
import { CalendarX2, ChevronLeft, ChevronRight, Layers, PackageOpen, Plus } from "lucide-react";
import { clsx } from "clsx";
import { Link } from "@/ui/link";
import { useState } from "react";
import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import type { Assignment } from "@/data/assign/assignments";
import type { Class } from "@/data/classes/classes";
import type { Pocket } from "@/data/satchel/pockets";
import { rescheduleOrphaned } from "@/screens/acts/plan";
import type { PlanData } from "@/server/plan/plan";
import type { WorkDetails } from "@/server/assign/work-details";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { IconButton } from "@/ui/icon-button";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { AssignPanel } from "../assign/assign-panel";
import { useAddress } from "../use-address";
import { useNoted } from "../use-noted";
import { BringPanel } from "./bring-panel";
import { CrowdedDialog } from "./crowded-dialog";
import { LayOutDialog } from "./lay-out-dialog";
import { LoseDayDialog } from "./lose-day-dialog";
import { PlanBoardTable, type Place } from "./plan-board";
import { usePlanActs } from "./use-plan-acts";
import { WorkList } from "./work-list";
import { WorkPanel } from "./work-panel";

export interface PlanScreenProps {
  plan: PlanData;
  view: "days" | "list";
  /** What was given, for the list. */
  assignments: Assignment[];
  /** How many more were due some time ago and are not in it. */
  earlier: number;
  classes: Class[];
  /** Of her classes, for the list; and whose work alone is in it. */
  students: readonly { id: number; name: string }[];
  /** The class in the bar on top. */
  current: number | null;
  pockets: Pocket[];
  details: WorkDetails | null;
  zone: string;
  now: Date;
}

const spans = [
  { value: "1", text: "1 week" },
  { value: "2", text: "2 weeks" },
  { value: "6", text: "6 weeks" },
  { value: "18", text: "semester" },
] as const;

const formatWeeks = (weeks: number) => (weeks === 1 ? "The week" : weeks === 2 ? "Two weeks" : `${weeks} weeks`);

/** What is given when: as days by lessons, or as one list. */
export function PlanScreen({
  plan,
  view,
  assignments,
  earlier,
  classes,
  students,
  current,
  pockets,
  details,
  zone,
  now,
}: PlanScreenProps) {
  const { go, busy: going, parameters } = useAddress();
  const [dialog, setDialog] = useState<"lost" | "pocket" | null>(null);
  // What stands beside the board: what is looked for, or what is given just now.
  const [crowded, setCrowded] = useState<string | null>(null);
  // What is looked for there; null: the panel is closed.
  const [sought, setSought] = useState(parameters.get("bring"));
  useNoted({ bring: sought });
  const bringing = sought !== null;
  const setBringing = (on: boolean) => setSought(on ? "" : null);
  const [giving, setGiving] = useState<{ thing: { id: number; title: string }; place: Place | null } | null>(null);
  const { run, busy } = usePlanActs();
  const today = schoolClock(now, zone).date;
  const from = formatDay(momentAt(plan.from, "12:00", zone), zone, now).replace(/^\w+ /, "");
  const { homeless } = plan.board;
  return (
    <div className="flex h-full flex-col">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2 px-5 py-3">
        <h1 className="font-serif text-[22px]">
          {view === "days" ? `${formatWeeks(plan.weeks)} from Monday ${from}` : "What my classes have"}
        </h1>
        {view === "days" && (
          <span className="flex gap-1.5">
            <IconButton
              name="Earlier"
              onClick={() => go({ from: addDays(plan.from, -7 * Math.min(plan.weeks, 2)) }, "push")}
            >
              <ChevronLeft size={16} aria-hidden />
            </IconButton>
            <Button size="small" className="h-9" onClick={() => go({ from: null }, "push")}>
              Now
            </Button>
            <IconButton
              name="Later"
              onClick={() => go({ from: addDays(plan.from, 7 * Math.min(plan.weeks, 2)) }, "push")}
            >
              <ChevronRight size={16} aria-hidden />
            </IconButton>
          </span>
        )}
        <span className="flex-1" />
        {view === "days" && (
          <>
            <Button
              aria-expanded={bringing}
              onClick={() => {
                setBringing(!bringing);
                setGiving(null);
                if (details) go({ item: null });
              }}
            >
              <Plus size={16} aria-hidden /> Bring …
            </Button>
            <Button onClick={() => setDialog("lost")}>
              <CalendarX2 size={16} aria-hidden /> A day is lost …
            </Button>
            <Button onClick={() => setDialog("pocket")} disabled={pockets.length === 0}>
              <Layers size={16} aria-hidden /> Lay out a pocket …
            </Button>
            <select
              aria-label="How many weeks"
              className="h-9 rounded-card border border-line bg-card px-2"
              value={plan.weeks}
              onChange={(event) => go({ weeks: event.target.value })}
            >
              {spans.map(({ value, text }) => (
                <option key={value} value={value}>
                  {text}
                </option>
              ))}
            </select>
            <Link
              href={`/hand-over/${current ?? classes[0]!.id}?from=${plan.from}&weeks=${plan.weeks}`}
              aria-label="Hand over"
              title="Hand these weeks over to the course site, or save them as a file"
              className={buttonClasses("quiet", "small")}
            >
              <PackageOpen size={16} aria-hidden />
            </Link>
          </>
        )}
        <Segmented
          label="Shown as"
          value={view}
          onChange={(next) => go({ view: next === "days" ? null : next, item: null }, "push")}
          options={[
            { value: "days", text: "Days" },
            { value: "list", text: "List" },
          ]}
        />
      </div>
      {homeless.length > 0 && view === "days" && (
        <Notice tone="warning" className="mx-5 mb-3 flex items-center gap-3">
          {homeless.length === 1 ? "One piece of work is" : `${homeless.length} pieces of work are`} planned for a
          lesson that is not there any more.
          <Button
            size="small"
            disabled={busy}
            onClick={() =>
              run(
                () => rescheduleOrphaned({ assignments: homeless }),
                () => "Each is at the next lesson of its class.",
              )
            }
          >
            Move {homeless.length === 1 ? "it" : "each"} to the next lesson
          </Button>
        </Notice>
      )}
      {view === "list" ? (
        <WorkList {...{ assignments, earlier, classes, students, zone, now }} />
      ) : !plan.bells ? (
        <Empty title="No bell times yet">
          <p>The school office writes down terms, bells and days off; lessons follow from them.</p>
          <Link href="/plan?view=list" className={buttonClasses("main")}>
            See the assignments as a list
          </Link>
        </Empty>
      ) : (
        <div
          className={clsx(
            "min-h-0 min-w-0 flex-1",
            giving
              ? "grid grid-cols-[minmax(0,1fr)_540px] max-md:grid-cols-1"
              : (details || bringing) && "grid grid-cols-[minmax(0,1fr)_300px] max-md:grid-cols-1",
          )}
        >
          <div
            className={clsx(
              "relative h-full min-w-0 overflow-auto border-t border-line bg-card",
              (giving || details || bringing) && "max-md:hidden",
            )}
            aria-busy={going || busy}
          >
            <PlanBoardTable
              plan={plan}
              zone={zone}
              now={now}
              today={today}
              selected={details?.assignment.id ?? null}
              onOpen={(id) => {
                setBringing(false);
                setGiving(null);
                go({ item: id }, "push");
              }}
              onBring={(thing, place) => setGiving({ thing, place })}
              onCrowded={setCrowded}
            />
          </div>
          {giving ? (
            <div className="min-h-0 border-t border-l border-line pt-4">
              <h2 className="px-5 pb-3 font-serif text-[19px] leading-tight">{giving.thing.title}</h2>
              <AssignPanel
                key={`${giving.thing.id} ${giving.place?.date} ${giving.place?.period} ${giving.place?.class}`}
                resources={[giving.thing]}
                place={giving.place}
                current={current}
                now={now}
                onDone={() => setGiving(null)}
              />
            </div>
          ) : bringing ? (
            <BringPanel
              words={sought}
              onWords={setSought}
              onGive={(thing) => setGiving({ thing, place: null })}
              onClose={() => setBringing(false)}
            />
          ) : (
            details && (
              <WorkPanel
                key={details.assignment.id}
                details={details}
                plan={plan}
                zone={zone}
                now={now}
                onCrowded={setCrowded}
                onClose={() => go({ item: null }, "push")}
              />
            )
          )}
        </div>
      )}
      {crowded && (
        <CrowdedDialog
          date={crowded}
          day={formatDay(momentAt(crowded, "12:00", zone), zone, now)}
          onClose={() => setCrowded(null)}
        />
      )}
      {dialog === "lost" && (
        <LoseDayDialog plan={plan} classes={classes} today={today} now={now} onClose={() => setDialog(null)} />
      )}
      {dialog === "pocket" && (
        <LayOutDialog plan={plan} pockets={pockets} zone={zone} now={now} onClose={() => setDialog(null)} />
      )}
    </div>
  );
}
