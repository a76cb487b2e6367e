"use client";
import { clsx } from "clsx";
import { Columns2, Eraser, Pen, Undo2 } from "lucide-react";
import { useState } from "react";
import { formatMoment } from "@/core/calendar/format-moment";
import { inLanguage } from "@/core/content/language";
import type { Stroke } from "@/core/live/lesson";
import type { QueueItem } from "@/server/review/review-queue";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { SoundPlayer } from "../media/sound-player";
import { Rich } from "../step/rich";
import type { Draft } from "./drafts";
import { MarkedAnswer } from "./marked-answer";

const nth = ["First", "Again", "A third time", "A fourth time"];
const nameOfNumber = (number: number) => nth[number - 1] ?? `Time ${number}`;

/** The piece itself: what was asked, what was sent before, and a pen to mark it with. */
export function LookedAtPiece({
  item,
  draft,
  drawing,
  beside,
  zone,
  now,
  onBeside,
  onDrawing,
  onMarks,
}: {
  item: QueueItem;
  draft: Draft;
  drawing: boolean;
  beside: boolean;
  zone: string;
  now: Date;
  onBeside: () => void;
  onDrawing: () => void;
  onMarks: (marks: Stroke[]) => void;
}) {
  const [shown, setShown] = useState(item.number);
  const { asked, languages, earlier } = item;
  // What is heard or moves has no place to be marked.
  const isSeenStill = asked.type !== "speech" && asked.type !== "clip";
  const before = earlier.find(({ number }) => number === shown);
  const own = (
    <MarkedAnswer
      question={asked}
      value={item.value}
      languages={languages}
      name={`What ${item.name} sent`}
      marks={draft.marks}
      onStroke={drawing && isSeenStill ? (stroke) => onMarks([...draft.marks, stroke].slice(-60)) : undefined}
    />
  );
  const older = (piece: QueueItem["earlier"][number]) => (
    <div className="grid gap-2">
      <MarkedAnswer
        question={asked}
        value={piece.value}
        languages={languages}
        name={`What ${item.name} sent before`}
        marks={piece.marks}
      />
      {piece.comment && <p className="rounded-card bg-slate-wash px-3 py-2">You said: {piece.comment}</p>}
      {piece.voice && <SoundPlayer media={piece.voice.media} seconds={piece.voice.seconds} name="What you said" />}
    </div>
  );
  return (
    <section aria-label="The piece" className="min-w-0 overflow-auto px-5 py-4">
      <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
        <h2 className="font-serif text-[21px]">{item.name}</h2>
        <p className="mt-1.5 min-w-0 flex-1 truncate text-[13px] text-ink-soft" title={item.title}>
          {item.title}, step {item.stepAt} · {item.className}
        </p>
        {earlier.length > 0 && (
          <Button aria-pressed={beside} onClick={onBeside}>
            <Columns2 size={16} aria-hidden /> Side by side <Key>v</Key>
          </Button>
        )}
      </div>
      {earlier.length > 0 && !beside && (
        <ul className="mt-3 grid grid-cols-2 gap-2" aria-label="Versions">
          {[...earlier, item].map((piece) => (
            <li key={piece.number}>
              <button
                type="button"
                aria-pressed={piece.number === shown}
                onClick={() => setShown(piece.number)}
                className={clsx(
                  "w-full rounded-card border-2 px-3 py-1.5 text-left",
                  piece.number === shown ? "border-ink bg-card" : "border-line bg-shade/50",
                )}
              >
                <strong>{nameOfNumber(piece.number)}</strong>{" "}
                <span className="text-[13px] text-slate">
                  {piece.number < item.number ? "sent back" : item.state === "waiting" ? "waits for you" : item.state}
                </span>
                <span className="block text-[12px] text-ink-soft">{formatMoment(piece.sent, zone, now)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 rounded-card border border-line bg-card p-4 font-child text-[17px]">
        {item.kind === "reply" ? (
          <>
            <p className="text-[14px] text-ink-soft">To {item.to}</p>
            <p className="whitespace-pre-line [overflow-wrap:anywhere]">{String(item.value)}</p>
            {item.voice && (
              <SoundPlayer media={item.voice.media} seconds={item.voice.seconds} name={`What ${item.name} said`} />
            )}
          </>
        ) : beside && earlier.length > 0 ? (
          <div className="grid grid-cols-2 gap-4">
            {older(earlier.at(-1)!)}
            {own}
          </div>
        ) : before ? (
          older(before)
        ) : (
          own
        )}
      </div>
      {item.kind === "piece" && isSeenStill && !before && (
        <div role="toolbar" aria-label="Marks" className="mt-2 flex flex-wrap gap-2">
          <Button size="small" aria-pressed={drawing} look={drawing ? "main" : "plain"} onClick={onDrawing}>
            <Pen size={14} aria-hidden /> Pen <Key>p</Key>
          </Button>
          {draft.marks.length > 0 && (
            <>
              <Button size="small" onClick={() => onMarks(draft.marks.slice(0, -1))}>
                <Undo2 size={14} aria-hidden /> Last line
              </Button>
              <Button size="small" onClick={() => onMarks([])}>
                <Eraser size={14} aria-hidden /> Rub out all
              </Button>
            </>
          )}
        </div>
      )}
      <div className="mt-4 grid grid-cols-[70px_minmax(0,1fr)] gap-2 rounded-card border border-line bg-card p-3 text-[14px]">
        <span className="text-ink-soft">Asked</span>
        <Rich text={inLanguage(asked.prompt, languages)} className="font-child" />
      </div>
    </section>
  );
}
