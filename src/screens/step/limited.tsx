"use client";
import { Hourglass } from "lucide-react";
import { useEffect, useState } from "react";
import { clockTime } from "@/core/media/captions";
import type { Question } from "@/core/question/question";
import { formatAllowed, type TimeLimit } from "@/core/resource/time-limit";

/** Times of questions as they run for one student. */
export interface QuestionLimits {
  of: (question: Question) => (TimeLimit & { end: number | null; over: boolean }) | undefined;
  begin: (question: Question) => void;
  beginning: string | null;
}

/** What a teacher sees of it: that there is one. */
export function TimeAllowed({ seconds }: { seconds: number }) {
  return (
    <p className="flex items-center gap-1.5 text-[0.85em] text-ink-soft">
      <Hourglass size={16} aria-hidden /> {formatAllowed(seconds)} to answer
    </p>
  );
}

/** A question with a time, before it is opened. */
export function BeginQuestion({ seconds, busy, onBegin }: { seconds: number; busy: boolean; onBegin: () => void }) {
  return (
    <section
      aria-label="A question with a time"
      className="flex flex-wrap items-center gap-x-5 gap-y-3 rounded-card border-2 border-line bg-shade px-4 py-4"
    >
      <Hourglass size={28} aria-hidden className="shrink-0" />
      <p className="min-w-48 flex-1">
        <strong className="block">You have {formatAllowed(seconds)} for this question.</strong>
        The time starts when you open it, and does not stop.
      </p>
      <button
        type="button"
        disabled={busy}
        onClick={onBegin}
        className="min-h-12 rounded-card bg-green px-5 font-bold text-on-green disabled:opacity-50"
      >
        {busy ? "One moment …" : "Begin"}
      </button>
    </section>
  );
}

/** Said aloud when so many seconds are left, and not every second. */
const SAID_AT = [60, 30, 10];
const LITTLE_LEFT = 30;

/** The time that is left, counted down. */
export function TimeLeft({ seconds, left, end }: { seconds: number; left: number; end: number | null }) {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    if (end === null) return;
    const tick = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(tick);
  }, [end]);
  const rest = Math.ceil(end !== null && now !== null ? Math.max(0, (end - now) / 1000) : left);
  const said = SAID_AT.filter((at) => at < seconds && rest <= at).at(-1);
  const little = rest <= LITTLE_LEFT && rest < seconds / 2;
  if (rest === 0)
    return (
      <p role="status" className="flex items-center gap-2 rounded-card bg-shade px-3 py-2 font-bold">
        <Hourglass size={18} aria-hidden className="shrink-0" /> Time is up. Your answers are saved.
      </p>
    );
  return (
    <div className="grid gap-1.5">
      <p role="timer" className={`numbers flex items-center gap-2 font-bold ${little ? "text-clay" : "text-ink-soft"}`}>
        <Hourglass size={18} aria-hidden /> {clockTime(rest)} left
      </p>
      <div aria-hidden className="h-1.5 overflow-hidden rounded-full bg-line">
        <div
          className={`h-full rounded-full ${little ? "bg-clay" : "bg-green"}`}
          style={{ width: `${Math.min(100, (rest / seconds) * 100)}%` }}
        />
      </div>
      <p role="status" className="heard">
        {said ? `${formatAllowed(said)} left` : ""}
      </p>
    </div>
  );
}
