"use client";
import { clsx } from "clsx";
import { ArrowLeft, ArrowRight, Plus } from "lucide-react";
import { stepTitle } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { beginnings } from "@/core/run-sheet/lesson-time";
import type { SheetDay, SheetPart } from "@/core/run-sheet/schema";
import type { ChangedSource } from "@/core/run-sheet/source";
import { Button } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { NumberBox } from "../adapt/editors/number-box";
import { phaseNames } from "./looks";
import { ScriptLine, type LineActs } from "./script-line";

export interface PartActs {
  onMinutes: (minutes: number) => void;
  onMove: (by: 1 | -1) => void;
  onLine: () => void;
}

function PartHead({
  part,
  document,
  begins,
  first,
  acts,
}: {
  part: SheetPart;
  document: Document;
  /** Minutes since the lesson began. */
  begins: number;
  /** The day has none before it. */
  first: boolean;
  acts: PartActs;
}) {
  const step = document.steps.find(({ id }) => id === part.step);
  const nth = document.steps.findIndex(({ id }) => id === part.step) + 1;
  const name = phaseNames[part.phase];
  return (
    <div className="flex items-center gap-2 border-y border-line bg-shade px-4 py-1">
      <h3 className="text-[14px] font-semibold">{name}</h3>
      {step && (
        <span className="min-w-0 truncate text-[13px] text-ink-soft">
          step {nth}, {stepTitle(step, document.languages)}
        </span>
      )}
      <span className="not-printed ml-auto flex">
        <IconButton name={`${name}: to the day before`} small disabled={first} onClick={() => acts.onMove(-1)}>
          <ArrowLeft size={13} aria-hidden />
        </IconButton>
        <IconButton name={`${name}: to the next day`} small onClick={() => acts.onMove(1)}>
          <ArrowRight size={13} aria-hidden />
        </IconButton>
      </span>
      <span className="numbers text-[12px] text-ink-soft print:ml-auto">after {begins} min</span>
      <NumberBox
        aria-label={`${name}: minutes`}
        least={0}
        most={300}
        className="!w-14 text-right print:border-0"
        value={part.minutes}
        onNumber={acts.onMinutes}
      />
      <span className="text-[13px]">min</span>
    </div>
  );
}

/** The script of one lesson. */
export function Script({
  day,
  nth,
  document,
  here,
  wanted,
  changed,
  partActs,
  lineActs,
}: {
  day: SheetDay;
  /** From 1. */
  nth: number;
  document: Document;
  here: string | null;
  wanted: string | null;
  changed: readonly ChangedSource[];
  partActs: (part: SheetPart) => PartActs;
  lineActs: (line: string) => LineActs;
}) {
  const begins = beginnings(day);
  const differs = new Map(changed.map(({ line, now }) => [line.id, now]));
  return (
    <ol aria-label={`Script, day ${nth}`}>
      {day.parts.map((part) => (
        <li key={part.id} className={clsx("print:break-inside-avoid")}>
          <PartHead {...{ part, document }} begins={begins.get(part.id)!} first={nth === 1} acts={partActs(part)} />
          <ul className="py-1">
            {part.lines.map((line) => (
              <ScriptLine
                key={line.id}
                line={line}
                here={here === line.id}
                wanted={wanted === line.id}
                changed={differs.has(line.id) ? differs.get(line.id) : undefined}
                acts={lineActs(line.id)}
              />
            ))}
          </ul>
          {part.lines.length === 0 && (
            <Button size="small" look="quiet" className="not-printed mx-4 mb-1" onClick={partActs(part).onLine}>
              <Plus size={13} aria-hidden /> Write a line
            </Button>
          )}
        </li>
      ))}
    </ol>
  );
}
