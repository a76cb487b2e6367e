"use client";
import { clsx } from "clsx";
import { CalendarArrowDown, MessageCircleQuestion, ScrollText, SendHorizontal } from "lucide-react";
import { useState } from "react";
import { stepTitle } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import type { LessonCommand } from "@/core/live/lesson";
import { questionsOf } from "@/core/resource/document";
import { quickOf } from "@/core/run-sheet/ask";
import { carryOver, minutesOf, whenShort } from "@/core/run-sheet/lesson-time";
import type { RunSheet, SheetLine } from "@/core/run-sheet/schema";
import { keepScriptInUse } from "@/screens/acts/board";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { Key } from "@/ui/key";
import { tell, tellProblem } from "@/ui/toast";
import { kindLooks, phaseNames } from "../run-sheet/looks";
import { WhoComes } from "./who-comes";

/** The lines of her script for the step the class is at, and what comes next; what to leave out where time is short. */
export function ScriptNow({
  script,
  document,
  step,
  assignment,
  room,
  left,
  onStep,
  onAsk,
}: {
  /** As it goes on in this class. */
  script: RunSheet;
  /** As students have it. */
  document: Document;
  step: string;
  assignment: number;
  room: readonly { student: number; name: string }[];
  /** Minutes until the lesson is over; null: nobody leads one. */
  left: number | null;
  /** Takes the class to a step. */
  onStep: (step: string) => void;
  /** Asks everybody now; none while nobody leads. */
  onAsk?: (command: LessonCommand) => void;
}) {
  const [sheet, setSheet] = useState(script);
  const dayOf = sheet.days.findIndex(({ parts }) => parts.some((part) => part.step === step));
  const [chosen, setChosen] = useState<number | null>(null);
  const at = chosen ?? Math.max(0, dayOf);
  const day = sheet.days[Math.min(at, sheet.days.length - 1)]!;
  const here = day.parts.findLastIndex((part) => part.step === step);
  const first = day.parts.findIndex((part) => part.step === step);
  // Before the first step comes the opener; after the last what asks at the end.
  const shown = day.parts.filter(
    (part, nth) =>
      part.step === step ||
      (part.step === undefined &&
        ((nth < first && day.parts.slice(nth, first).every((one) => one.step === undefined)) ||
          (here >= 0 && nth > here && day.parts.slice(here + 1, nth + 1).every((one) => one.step === undefined)))),
  );
  const next = day.parts.slice(here + 1).find((part) => !shown.includes(part));
  const short = left === null ? null : whenShort(sheet, day.parts.slice(Math.max(0, first)), left);
  const nameOf = (part: (typeof day.parts)[number]) => {
    const own = document.steps.find(({ id }) => id === part.step);
    return `${phaseNames[part.phase]}${own ? `: ${stepTitle(own, document.languages)}` : ""}`;
  };
  const rest = day.parts.slice(here + 1).filter((part) => !shown.includes(part));
  const moveRest = async () => {
    const moved = carryOver(
      sheet,
      day.id,
      rest.map(({ id }) => id),
      crypto.randomUUID().slice(0, 13),
    );
    const keep = async (to: RunSheet) => {
      const outcome = await keepScriptInUse({ assignment, sheet: to });
      if (outcome.ok) setSheet(to);
      else tellProblem(outcome.problem);
      return outcome.ok;
    };
    if (!(await keep(moved))) return;
    const follows = moved.days[at + 1]!;
    const over = minutesOf(follows) - moved.period;
    const { leaveOut } = whenShort(moved, follows.parts, moved.period);
    const leave = leaveOut.map((id) => nameOf(follows.parts.find((part) => part.id === id)!)).join(", then ");
    tell(
      `${rest.length === 1 ? "One part now comes" : `${rest.length} parts now come`} first on day ${at + 2}, which takes ${minutesOf(follows)} minutes.${
        over > 0 ? ` That is ${over} too many.${leave ? ` Leave out ${leave}.` : ""}` : ""
      }`,
      () => void keep(sheet),
    );
  };
  const askOf = (line: SheetLine) => {
    const from = line.from?.block && document.steps.find(({ id }) => id === line.from!.step);
    const block = from && from.blocks.find(({ id }) => id === line.from!.block);
    const question = block && questionsOf({ blocks: [block] })[0];
    return question ? quickOf(question, document.languages, crypto.randomUUID().slice(0, 20)) : null;
  };
  return (
    <section
      aria-label="Script"
      tabIndex={0}
      className="max-h-64 shrink-0 overflow-auto rounded-card border border-line bg-card"
    >
      <header className="flex items-center gap-2 border-b border-line px-3 py-1 text-[13px]">
        <ScrollText size={14} aria-hidden /> <h2 className="font-semibold">Script</h2> <Key>s</Key>
        {sheet.days.length > 1 && (
          <select
            aria-label="Day of the script"
            className={`${inputClasses} !w-24 !py-0`}
            value={at}
            onChange={(event) => setChosen(Number(event.target.value))}
          >
            {sheet.days.map(({ id }, nth) => (
              <option key={id} value={nth}>
                Day {nth + 1}
              </option>
            ))}
          </select>
        )}
        {next && <span className="ml-auto truncate text-ink-soft">then {nameOf(next)}</span>}
        {rest.length > 0 && (
          <Button size="small" className="shrink-0" onClick={() => void moveRest()}>
            <CalendarArrowDown size={13} aria-hidden /> Move the rest to day {at + 2}
          </Button>
        )}
      </header>
      {short && short.leaveOut.length > 0 && (
        <p className="border-b border-line bg-clay-wash px-3 py-1 text-[13px] text-clay">
          Time is short. Leave out{" "}
          {short.leaveOut.map((id) => nameOf(day.parts.find((part) => part.id === id)!)).join(", then ")}.
          {!short.enough && " Even then the rest goes into the next lesson."}
        </p>
      )}
      {shown.length === 0 && (
        <p className="px-3 py-2 text-[13px] text-ink-soft">Nothing is written for this step on day {at + 1}.</p>
      )}
      {shown.map((part) => (
        <div key={part.id}>
          <h3 className="flex justify-between bg-shade px-3 py-0.5 text-[12px] font-semibold">
            {phaseNames[part.phase]} <span className="numbers font-normal">{part.minutes} min</span>
          </h3>
          <ul className="py-1">
            {part.lines.map((line) => {
              const look = kindLooks[line.kind];
              const away =
                line.from && line.from.step !== step && document.steps.some(({ id }) => id === line.from!.step);
              return (
                <li key={line.id} className={clsx("flex items-start gap-2 px-3 py-0.5 text-[14px]", look.indent)}>
                  <span
                    className={clsx("flex w-24 shrink-0 items-center gap-1 text-[12px] font-semibold", look.colour)}
                  >
                    <look.icon size={13} aria-hidden /> {look.text}
                  </span>
                  <span className="min-w-0 flex-1">
                    {line.ifNobody && <span className="text-ink-soft">If nobody answers: </span>}
                    {line.text} <WhoComes {...{ assignment, line, room }} />
                  </span>
                  {onAsk && askOf(line) && (
                    <Button
                      size="small"
                      onClick={() => {
                        const question = askOf(line);
                        if (question) onAsk({ do: "ask", question });
                      }}
                    >
                      <MessageCircleQuestion size={13} aria-hidden /> Ask everyone
                    </Button>
                  )}
                  {away && (
                    <Button size="small" onClick={() => onStep(line.from!.step)}>
                      <SendHorizontal size={13} aria-hidden /> To all screens
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        </div>
      ))}
    </section>
  );
}
