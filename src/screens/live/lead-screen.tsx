"use client";
import { Eye, EyeOff, Flag, MonitorUp, Presentation, WifiOff } from "lucide-react";
import { useRouter } from "next/navigation";
import { useMemo, useRef, useState } from "react";
import type { LessonState } from "@/core/live/lesson";
import { formatDay, toWallClock } from "@/core/calendar/format-moment";
import { isIn, standingOn, stuckIn, type Seated } from "@/core/live/room";
import { formatStuck } from "@/core/live/stuck";
import { formatAnswer } from "@/core/question/format";
import { questionsOf, titleOf, type Document } from "@/core/resource/document";
import { workNames } from "@/core/resource/work";
import type { Assignment } from "@/data/assign/assignments";
import type { JoinCode } from "@/data/classes/classes";
import type { WatchedLesson } from "@/server/live/watch-room";
import { leadAssignment } from "@/screens/acts/lead";
import { Button, buttonClasses } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { useOnce } from "../use-once";
import { Chosen, optionsOf } from "./chosen";
import { command } from "./command";
import { GroupsDialog } from "./groups-dialog";
import { EndDialog, type Homework } from "./end-dialog";
import { LeadControls } from "./lead-controls";
import { LeadStage } from "./lead-stage";
import { Lobby } from "./lobby";
import { PartsStrip } from "./parts-strip";
import { QuickAnswers } from "./quick-answers";
import { QuickDialog } from "./quick-dialog";
import { RoomPlan, RoomTable } from "./room-plan";
import { ScriptNow } from "./script-now";
import { SharedPages } from "./shared-pages";
import { StandingCounts } from "./standing-counts";
import { StepFacts } from "./step-facts";
import { StudentPanel } from "./student-panel";
import { useClock } from "./use-clock";
import { useRoom } from "./use-room";

const workSigns = { alone: "Alone", pairs: "Pairs", groups: "Groups", class: "Class" } as const;
const POINT_EVERY_MS = 120;
const clockAt = (at: number, zone: string) => toWallClock(new Date(at), zone).slice(11).replace(/^0/, "");

export interface LeadScreenProps {
  assignment: Assignment;
  /** As most of the class have it, with answers and notes. */
  document: Document;
  /** Minutes of each of the steps students see. */
  planned: readonly number[];
  start: { room: readonly Seated[]; lesson: WatchedLesson | null };
  past: { state: LessonState; leader: string; ended: Date } | null;
  code: JoinCode | null;
  joinLink: string;
  homework: Homework | null;
  next: string | null;
  zone: string;
}

/** The room while work runs, led or not: the step as the class sees it, everybody's place and answers, and what she does for all. */
export function LeadScreen({
  past,
  assignment,
  document: whole,
  planned,
  start,
  code,
  joinLink,
  homework,
  next,
  zone,
}: LeadScreenProps) {
  const { room, lesson, notes: written, written: pagesWritten, ahead, there, lead } = useRoom(assignment.id, start);
  const now = useClock(ahead);
  const document = useMemo(
    () => ({ ...whole, steps: whole.steps.filter((step) => step.audience !== "teacher") }),
    [whole],
  );
  const steps = useMemo(
    () => document.steps.map((step) => ({ id: step.id, questions: questionsOf(step).map(({ id }) => id) })),
    [document],
  );
  const [looked, setLooked] = useState(0);
  const [headed, setHeaded] = useState<string | null>(null);
  const [names, setNames] = useState(true);
  const [plan, setPlan] = useState<"seats" | "table">("seats");
  const [pen, setPen] = useState(false);
  const [scripted, setScripted] = useState(true);
  const [quick, setQuick] = useState(false);
  /** The step for which groups are made: somebody else may lead on meanwhile. */
  const [grouping, setGrouping] = useState<string | null>(null);
  const [ending, setEnding] = useState(false);
  const [opened, setOpened] = useState<number | null>(null);
  const pointed = useRef(0);
  const router = useRouter();
  const [opening, once] = useOnce();

  const state = lesson?.state ?? null;
  const running = state?.phase === "running";
  const ledAt = state ? document.steps.findIndex(({ id }) => id === state.step) : -1;
  // Where she is going already: three quick presses are three steps.
  const headedAt = headed === null ? -1 : document.steps.findIndex(({ id }) => id === headed);
  const at = !running ? looked : headedAt >= 0 ? headedAt : Math.max(0, ledAt);
  const step = document.steps[at];
  const grouped = document.steps.find(({ id }) => id === grouping);
  const go = (to: number) => {
    const wanted = document.steps[to];
    if (!wanted) return;
    setLooked(to);
    setPen(false);
    if (!running) return;
    setHeaded(wanted.id);
    void lead({ do: "go", step: wanted.id, nth: to }).then(() => setHeaded((old) => (old === wanted.id ? null : old)));
  };
  const begin = () => {
    const first = document.steps[looked] ?? document.steps[0];
    if (first) void lead({ do: "begin", step: first.id, nth: document.steps.indexOf(first) });
  };
  const question = step && questionsOf(step)[0];
  const open = () =>
    once(async () => {
      const outcome = await leadAssignment({ assignment: assignment.id });
      // The class may have a new code to come in by.
      if (outcome.ok) router.refresh();
    });
  const seeAsChild = () =>
    void window.open(`/lead/${assignment.id}/board?as=student`, "_blank", "width=420,height=780");
  useKeys({
    ArrowRight: () => go(at + 1),
    ArrowLeft: () => go(at - 1),
    n: () => setNames(!names),
    v: seeAsChild,
    b: () => void window.open(`/lead/${assignment.id}/board`, "board"),
    ...(whole.runSheet && { s: () => setScripted(!scripted) }),
    ...(state?.phase === "lobby" && { Enter: begin }),
    ...(state === null && { l: open }),
    ...(running && {
      y: () => void lead({ do: "eyes up", up: !state.eyesUp }),
      p: () => setPen(!pen),
      q: () => setQuick(true),
      g: () => setGrouping(step?.id ?? null),
      r: () => {
        if (!question) return;
        const shown = state.shown?.question === question.id ? state.shown : null;
        const right = shown?.right != null ? null : formatAnswer(question, document.languages).slice(0, 400);
        void lead({ do: "show", shown: { ...{ question: question.id, chart: false, answers: [] }, ...shown, right } });
      },
    }),
  });

  const stuck = useMemo(() => (now === null ? new Map() : stuckIn(room, steps, now)), [room, steps, now]);
  const asked = steps[at] ?? null;
  const together = running && state.pace === "together";
  const standings = room.map((one) =>
    standingOn(one, (together ? asked : steps.find(({ id }) => id === one.step)) ?? { id: "", questions: [] }),
  );
  const answered = asked
    ? room.filter((one) => !["working", "not there", "handed in"].includes(standingOn(one, asked))).length
    : 0;
  const inNow = room.filter((one) => now !== null && isIn(one, now)).length;
  const letters = useMemo(
    () => new Map(question ? optionsOf(question, document.languages).map(({ id, letter }) => [id, letter]) : []),
    [question, document],
  );
  const roomProps = {
    ...{ room, steps, stuck, now, names, opened, letters },
    step: together ? asked : null,
    onOpen: (student: number) => setOpened(opened === student ? null : student),
  };
  const one = room.find(({ student }) => student === opened);
  const since = running ? (state.went[0]?.at ?? null) : null;
  const minutesLeft =
    whole.runSheet && since !== null && now !== null ? whole.runSheet.period - (now - since) / 60_000 : null;
  const films = step?.blocks.flatMap((block) => (block.type === "film" ? [block] : [])) ?? [];
  if (!step) return null;

  return (
    <div className="grid h-full min-h-0 grid-cols-[minmax(0,1fr)_400px] grid-rows-[auto_minmax(0,1fr)] max-lg:h-auto max-lg:grid-cols-1 max-lg:grid-rows-none">
      <header className="col-span-full flex flex-wrap items-center gap-x-3 gap-y-2 border-b border-line px-5 py-2">
        <h1 className="max-w-72 truncate font-serif text-[21px]" title={assignment.title}>
          {assignment.title}
        </h1>
        <span className="text-[13px] text-ink-soft">{assignment.className}</span>
        <span className="numbers inline-flex items-center gap-1.5 rounded-card bg-slate-wash px-2.5 py-1 text-[13px]">
          <Presentation size={15} aria-hidden />
          {lesson
            ? running
              ? `${lesson.leader} leads since ${clockAt(state.went[0]?.at ?? 0, zone)} · ${inNow} of ${room.length} in`
              : `lobby · ${inNow} of ${room.length} in`
            : `own pace · ${inNow} of ${room.length} working now${past ? ` · last led by ${past.leader}, ${formatDay(past.ended, zone, past.ended)}` : ""}`}
        </span>
        {lesson && code && (
          <span className="text-[13px]">
            join code <strong className="numbers text-[16px] tracking-widest">{code.code}</strong>
          </span>
        )}
        {!there && (
          <span role="status" className="inline-flex items-center gap-1 text-[13px] font-semibold text-clay">
            <WifiOff size={15} aria-hidden /> Connection lost. Trying again …
          </span>
        )}
        <span className="ml-auto flex gap-2">
          <a href={`/lead/${assignment.id}/board`} target="board" className={buttonClasses()}>
            <MonitorUp size={16} aria-hidden /> Board <Key>b</Key>
          </a>
          <Button onClick={seeAsChild}>
            <Eye size={16} aria-hidden /> See as a child <Key>v</Key>
          </Button>
          {lesson ? (
            <Button key="end" onClick={() => setEnding(true)}>
              <Flag size={16} aria-hidden /> End the lesson …
            </Button>
          ) : (
            <Button key="lead" look="main" disabled={opening} onClick={open}>
              <Presentation size={16} aria-hidden /> Lead it <Key>l</Key>
            </Button>
          )}
        </span>
      </header>
      {state?.phase === "lobby" ? (
        <div className="col-span-full flex min-h-0 flex-col">
          <Lobby {...{ room, now, names, code, joinLink }} assignment={assignment.id} onBegin={begin} onCode={open} />
        </div>
      ) : (
        <>
          <div className="flex min-h-0 flex-col border-r border-line">
            <div className="flex min-h-0 flex-1 flex-col gap-2 px-5 py-3">
              <PartsStrip
                {...{ document, planned, at }}
                {...(running || !past
                  ? { state: running ? state : null, now }
                  : { state: past.state, now: past.ended.getTime() })}
                onGo={go}
              />
              {scripted && whole.runSheet && (
                <ScriptNow
                  {...{ document, room }}
                  script={whole.runSheet}
                  step={step.id}
                  assignment={assignment.id}
                  left={minutesLeft}
                  onStep={(id) => go(document.steps.findIndex((one) => one.id === id))}
                  {...(running && { onAsk: (asked) => void lead(asked) })}
                />
              )}
              <LeadStage
                key={step.id}
                step={step}
                document={document}
                label={
                  running
                    ? `as the class sees it, on ${inNow === 1 ? "1 screen" : `${inNow} screens`} and the board`
                    : "as students see it"
                }
                strokes={running ? state.pen : []}
                onStroke={running && pen ? (stroke) => void lead({ do: "draw", stroke }) : undefined}
                onPoint={
                  running && pen
                    ? (on, x, y) => {
                        if (performance.now() - pointed.current < POINT_EVERY_MS) return;
                        pointed.current = performance.now();
                        void command(assignment.id, { do: "point", on, x, y });
                      }
                    : undefined
                }
              />
            </div>
            {running && (
              <LeadControls
                {...{ state, ahead, pen }}
                film={films[0] ?? null}
                work={workSigns[state.work[step.id]?.mode ?? step.work]}
                first={at === 0}
                next={document.steps[at + 1] ? titleOf({ ...document, title: document.steps[at + 1]!.title }) : null}
                lead={(asked) => void lead(asked)}
                onPen={() => setPen(!pen)}
                onQuick={() => setQuick(true)}
                onWork={() => setGrouping(step.id)}
                onMove={(by) => go(at + by)}
              />
            )}
          </div>
          <aside
            aria-label="The class"
            className="grid min-h-0 content-start gap-2.5 overflow-auto px-4 py-3"
            tabIndex={0}
          >
            <div className="flex items-center gap-2">
              <h2 className="numbers flex-1 font-serif text-[19px]">
                {asked && asked.questions.length > 0
                  ? `Answered ${answered} of ${room.length}`
                  : `${inNow} of ${room.length} here`}
              </h2>
              <Segmented
                label="How the class is shown"
                value={plan}
                options={[
                  { value: "seats", text: "Seats" },
                  { value: "table", text: "Table" },
                ]}
                onChange={setPlan}
              />
              <IconButton
                name={names ? "Hide names (n)" : "Show names (n)"}
                small
                aria-pressed={!names}
                onClick={() => setNames(!names)}
              >
                {names ? <EyeOff size={15} aria-hidden /> : <Eye size={15} aria-hidden />}
              </IconButton>
            </div>
            {names &&
              [...stuck].slice(0, 3).map(([student, reason]) => (
                <Notice key={student} tone="warning">
                  <button type="button" className="text-left" onClick={() => setOpened(student)}>
                    <strong>{room.find((seated) => seated.student === student)?.name.split(" ")[0]} is stuck:</strong>{" "}
                    {formatStuck(reason)}
                  </button>
                </Notice>
              ))}
            {plan === "seats" ? <RoomPlan {...roomProps} /> : <RoomTable {...roomProps} />}
            <StandingCounts standings={standings} stuck={stuck.size} />
            {state?.quick && (
              <QuickAnswers
                {...{ room, names, quick: state.quick, assignment: assignment.id }}
                lead={(asked) => void lead(asked)}
              />
            )}
            <SharedPages
              key={`pages ${step.id}`}
              {...{ assignment: assignment.id, step, document, room, names }}
              written={pagesWritten}
              led={running || past !== null}
              clock={(at) => clockAt(at, zone)}
              work={running ? (state.work[step.id] ?? null) : null}
              onWork={(work) => void lead({ do: "work", step: step.id, work })}
            />
            {one ? (
              <StudentPanel
                key={one.student}
                {...{ one, document, reason: stuck.get(one.student), assignment: assignment.id }}
                notes={written.filter(({ student }) => student === one.student)}
                step={one.step ?? step.id}
                onClose={() => setOpened(null)}
              />
            ) : (
              <>
                {question && (
                  <Chosen
                    key={question.id}
                    {...{ question, document, room, state }}
                    lead={(asked) => void lead(asked)}
                  />
                )}
                <StepFacts
                  {...{ step, document, at }}
                  work={workNames[(running && state.work[step.id]?.mode) || step.work]}
                />
              </>
            )}
          </aside>
        </>
      )}
      {grouped && running && (
        <GroupsDialog
          {...{ room, now }}
          assignment={assignment.id}
          work={state.work[grouped.id] ?? null}
          planned={grouped.work}
          onWork={(work) => void lead({ do: "work", step: grouped.id, work })}
          onClose={() => setGrouping(null)}
        />
      )}
      <QuickDialog open={quick} onOpenChange={setQuick} lead={lead} />
      <EndDialog
        {...{ room, steps, document, homework, next, lead }}
        open={ending}
        onOpenChange={setEnding}
        assignment={assignment.id}
      />
    </div>
  );
}
