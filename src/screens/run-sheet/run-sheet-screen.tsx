"use client";
import { Printer, Rows3 } from "lucide-react";
import { clsx } from "clsx";
import { useEffect, useMemo, useRef, useState } from "react";
import { flushSync } from "react-dom";
import * as edit from "@/core/run-sheet/edit";
import { minutesOf } from "@/core/run-sheet/lesson-time";
import { proposeRunSheet } from "@/core/run-sheet/propose";
import type { RunSheet } from "@/core/run-sheet/schema";
import { changedSources, linesOf } from "@/core/run-sheet/source";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { useKeys } from "@/ui/keys";
import { Menu, MenuItem } from "@/ui/menu";
import { tell, tellProblem } from "@/ui/toast";
import { NumberBox } from "../adapt/editors/number-box";
import { DraftHeader } from "../adapt/draft/draft-header";
import { useDraft } from "../adapt/draft/use-draft";
import { DayTabs } from "./day-tabs";
import { BoardSlides, WordCards } from "./for-the-board";
import { InSight } from "./in-sight";
import { Script } from "./script";
import { ToTake } from "./to-take";
import { useLineActs } from "./use-line-acts";

const newId = () => crypto.randomUUID().slice(0, 13);

/** The script for leading a resource with the class: what students see, what is said and done, and what can be taken from it. */
export function RunSheetScreen({ data, period, zone }: { data: AdaptData; period: number; zone: string }) {
  const draft = useDraft(data.resource, data.document, data.counter);
  const { document, change } = draft;
  const newest = useRef(document);
  useEffect(() => {
    newest.current = document;
  }, [document]);
  const sheet = document.runSheet;
  const [minutes, setMinutes] = useState(period);
  const [lessons, setLessons] = useState<number | null>(null);
  const set = (to: (sheet: RunSheet) => RunSheet, kind?: string) =>
    change((now) => (now.runSheet ? { ...now, runSheet: to(now.runSheet) } : now), kind ?? null);
  const [paper, setPaper] = useState<"script" | "slides" | "cards">("script");
  const print = (what: typeof paper) => {
    // It must stand on the page before it is printed; and the menu must be gone.
    flushSync(() => setPaper(what));
    setTimeout(() => window.print(), 50);
  };
  const make = () => {
    const before = sheet;
    const made = proposeRunSheet(document, { period: minutes, lessons, newId });
    change((now) => ({ ...now, runSheet: made }));
    if (!before) return;
    tell("A new script is proposed.", () => {
      // What was written in the new one meanwhile is not thrown away.
      if (newest.current.runSheet !== made)
        return tellProblem("You have changed the new script since, so it stays. Undo goes back step by step.");
      change((now) => ({ ...now, runSheet: before }));
    });
  };
  return (
    <div className="flex h-full flex-col print:block">
      <div className={paper === "script" ? "" : "print:hidden"}>
        <DraftHeader
          {...{ data, draft, zone }}
          line={`run sheet${sheet ? `, ${sheet.days.length === 1 ? "one lesson" : `${sheet.days.length} lessons`}` : ""}`}
        >
          {sheet && (
            <Menu
              trigger={
                <Button>
                  <Printer size={16} aria-hidden /> Print …
                </Button>
              }
            >
              <MenuItem onSelect={() => print("script")}>The script</MenuItem>
              <MenuItem onSelect={() => print("slides")}>The steps, large, for the board</MenuItem>
              <MenuItem disabled={document.vocabulary.length === 0} onSelect={() => print("cards")}>
                Word cards to cut out
              </MenuItem>
            </Menu>
          )}
        </DraftHeader>
      </div>
      {sheet && paper === "slides" && <BoardSlides {...{ document, sheet }} />}
      {sheet && paper === "cards" && <WordCards {...{ document, sheet }} />}
      {sheet ? (
        <Sheet
          printed={paper === "script"}
          {...{ sheet, document, set }}
          {...{ minutes, lessons }}
          onMake={make}
          onPeriod={setMinutes}
          onLessons={setLessons}
        />
      ) : (
        <Empty title="No run sheet yet">
          <p>
            It is made from the steps, questions and notes: what you say, what they do, an opener, pair talk and an exit
            question for each lesson. Then change what you like.
          </p>
          <div className="mt-3 flex items-center justify-center gap-2">
            <label className="flex items-center gap-2">
              Lessons of
              <NumberBox
                aria-label="Minutes of a lesson"
                least={10}
                most={300}
                className="!w-20"
                value={minutes}
                onNumber={setMinutes}
              />
              minutes
            </label>
            <LessonCount lessons={lessons} onLessons={setLessons} />
            <Button look="main" autoFocus onClick={make}>
              Make a run sheet
            </Button>
          </div>
        </Empty>
      )}
    </div>
  );
}

/** How many lessons it is to fill. */
function LessonCount({ lessons, onLessons }: { lessons: number | null; onLessons: (lessons: number | null) => void }) {
  return (
    <select
      aria-label="How many lessons"
      className={`${inputClasses} !w-44`}
      value={lessons ?? ""}
      onChange={(event) => onLessons(event.target.value === "" ? null : Number(event.target.value))}
    >
      <option value="">as many as it takes</option>
      {[1, 2, 3, 4, 5, 6, 8, 10].map((count) => (
        <option key={count} value={count}>
          {count === 1 ? "one lesson" : `${count} lessons`}
        </option>
      ))}
    </select>
  );
}

function Sheet({
  printed,
  sheet,
  document,
  set,
  minutes,
  lessons,
  onMake,
  onPeriod,
  onLessons,
}: {
  /** It is what goes on paper. */
  printed: boolean;
  sheet: RunSheet;
  document: AdaptData["document"];
  set: (to: (sheet: RunSheet) => RunSheet, kind?: string) => void;
  minutes: number;
  lessons: number | null;
  onMake: () => void;
  onPeriod: (minutes: number) => void;
  onLessons: (lessons: number | null) => void;
}) {
  const [chosen, setChosen] = useState(0);
  const at = Math.min(chosen, sheet.days.length - 1);
  const day = sheet.days[at]!;
  const changed = useMemo(() => changedSources(document, sheet), [document, sheet]);
  const { here, wanted, lineActs, focus } = useLineActs({ sheet, document, set, newId });
  const part =
    day.parts.find(({ lines }) => lines.some(({ id }) => id === here)) ??
    day.parts.find((one) => one.step) ??
    day.parts[0];
  const line = part?.lines.find(({ id }) => id === here);
  const stepId = line?.from?.step ?? part?.step ?? null;
  const step = document.steps.find(({ id }) => id === stepId) ?? null;
  const take = (from: { step: string; block?: string; word?: string }) => {
    if (!part) return;
    const id = newId();
    const kind = from.block === undefined && from.word === undefined ? "I say" : "they do";
    set((now) => edit.takeInto(now, document, { part: part.id, from, line: { id, kind } }));
    focus(id);
  };
  useKeys({
    t: () => {
      const taken = new Set(linesOf(sheet).flatMap(({ from }) => from?.block ?? []));
      const next = step?.blocks.find((block) => block.type === "question" && !taken.has(block.id));
      if (step && next) take({ step: step.id, block: next.id });
    },
    "]": () => setChosen(Math.min(sheet.days.length - 1, at + 1)),
    "[": () => setChosen(Math.max(0, at - 1)),
  });
  const whole = sheet.days.reduce((sum, one) => sum + minutesOf(one), 0);
  return (
    <>
      <div className="not-printed flex items-end gap-3 border-b border-line bg-shade px-5 pt-2">
        <DayTabs {...{ sheet, at }} onDay={setChosen} />
        <div className="flex shrink-0 items-center gap-2 pb-2 text-[13px]">
          <span className="numbers text-ink-soft">{whole} min in all</span>
          <label className="flex items-center gap-1">
            <span className="heard">Minutes of a lesson</span>
            <NumberBox
              aria-label="Minutes of a lesson"
              least={10}
              most={300}
              className="!w-16"
              value={minutes}
              onNumber={onPeriod}
            />
          </label>
          <Button size="small" onClick={() => set((now) => edit.spreadAgain(now, minutes, newId))}>
            <Rows3 size={14} aria-hidden /> Spread again
          </Button>
          <LessonCount {...{ lessons, onLessons }} />
          <Button size="small" onClick={onMake}>
            Propose again
          </Button>
        </div>
      </div>
      <div
        className={clsx(
          "grid min-h-0 flex-1 grid-cols-[minmax(280px,1fr)_minmax(0,1.6fr)_300px] max-lg:grid-cols-1 max-lg:overflow-auto",
          printed ? "print:block" : "print:hidden",
        )}
      >
        <section
          aria-label="As students see it"
          tabIndex={0}
          className="not-printed overflow-auto border-r border-line p-4"
        >
          <InSight
            step={step}
            nth={document.steps.findIndex(({ id }) => id === stepId) + 1}
            of={document.steps.length}
            languages={document.languages}
          />
        </section>
        <section aria-label="Script" tabIndex={0} className="overflow-auto border-r border-line bg-card print:border-0">
          <p className="not-printed px-4 py-1.5 text-[12px] text-ink-soft">
            Tab changes the kind of a line · Enter begins a new one · Alt and arrows move it · Escape leaves it
          </p>
          {/* On paper all lessons stand, on screen the one that is chosen. */}
          {sheet.days.map((one, nth) => (
            <div key={one.id} className={nth === at ? "" : "hidden print:block print:break-before-page"}>
              <h2 className="hidden px-4 font-serif text-[18px] print:block">
                Day {nth + 1}, {minutesOf(one)} minutes
              </h2>
              <Script
                day={one}
                nth={nth + 1}
                {...{ document, here, wanted, changed, lineActs }}
                partActs={(which) => ({
                  onMinutes: (to) => set((now) => edit.setMinutes(now, which.id, to), `minutes ${which.id}`),
                  onMove: (by) => set((now) => edit.movePart(now, which.id, by, newId())),
                  onLine: () => {
                    const id = newId();
                    set((now) => edit.addFirstLine(now, which.id, id));
                    focus(id);
                  },
                })}
              />
            </div>
          ))}
        </section>
        <aside aria-label="From the resource" tabIndex={0} className="overflow-auto bg-shade/40 print:hidden">
          <ToTake
            {...{ document, sheet }}
            step={stepId}
            acts={{
              onLine: take,
              onAs: (phase, from) => set((now) => edit.takeAs(now, document, { day: day.id, phase, from, newId })),
              onWord: (term, explained) =>
                set((now) => ({
                  ...now,
                  words: explained ? [...now.words, term] : now.words.filter((one) => one !== term),
                })),
              onMaterials: (materials) => set((now) => ({ ...now, materials })),
              onShort: (short) => set((now) => ({ ...now, short })),
            }}
          />
        </aside>
      </div>
    </>
  );
}
