"use client";
import { Hourglass } from "lucide-react";
import { useEffect, useState } from "react";
import { clockTime } from "@/core/media/captions";
import type { Question } from "@/core/question/question";
import type { TimeLimit } from "@/core/resource/time-limit";
import { useTranslations } from "use-intl";

/** Times of questions as they run for one student. */
export interface QuestionLimits {
  of: (question: Question) => (TimeLimit & { end: number | null; over: boolean }) | undefined;
  begin: (question: Question) => void;
  beginning: string | null;
}

/** "2 minutes", "1 minute 30 seconds". */
function useAllowed(): (seconds: number) => string {
  const t = useTranslations("limited");
  return (seconds) => {
    const whole = Math.round(seconds);
    const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
    return [
      hours > 0 && t("hours", { hours }),
      minutes > 0 && t("minutes", { minutes }),
      rest > 0 && t("seconds", { seconds: rest }),
    ]
      .filter(Boolean)
      .join(" ");
  };
}

/** What a teacher sees of it: that there is one. */
export function TimeAllowed({ seconds }: { seconds: number }) {
  const t = useTranslations("limited");
  const allowed = useAllowed();
  return (
    <p className="flex items-center gap-1.5 text-[0.85em] text-ink-soft">
      <Hourglass size={16} aria-hidden /> {t("toAnswer", { time: allowed(seconds) })}
    </p>
  );
}

/** A question with a time, before it is opened. */
export function BeginQuestion({ seconds, busy, onBegin }: { seconds: number; busy: boolean; onBegin: () => void }) {
  const t = useTranslations("limited");
  const common = useTranslations("common");
  const allowed = useAllowed();
  return (
    <section
      aria-label={t("aQuestion")}
      className="flex flex-wrap items-center gap-x-5 gap-y-3 rounded-card border-2 border-line bg-shade px-4 py-4"
    >
      <Hourglass size={28} aria-hidden className="shrink-0" />
      <p className="min-w-48 flex-1">
        <strong className="block">{t("youHave", { time: allowed(seconds) })}</strong>
        {t("starts")}
      </p>
      <button
        type="button"
        disabled={busy}
        onClick={onBegin}
        className="min-h-12 rounded-card bg-green px-5 font-bold text-on-green disabled:opacity-50"
      >
        {busy ? common("moment") : common("begin")}
      </button>
    </section>
  );
}

/** Said aloud when this many seconds are left, and not every second. */
const SAID_AT = [60, 30, 10];
const LITTLE_LEFT = 30;

/** The time that is left, counted down. */
export function TimeLeft({ seconds, left, end }: { seconds: number; left: number; end: number | null }) {
  const t = useTranslations("limited");
  const allowed = useAllowed();
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
        <Hourglass size={18} aria-hidden className="shrink-0" /> {t("up")}
      </p>
    );
  return (
    <div className="grid gap-1.5">
      <p role="timer" className={`numbers flex items-center gap-2 font-bold ${little ? "text-clay" : "text-ink-soft"}`}>
        <Hourglass size={18} aria-hidden /> {t("left", { time: clockTime(rest) })}
      </p>
      <div aria-hidden className="h-1.5 overflow-hidden rounded-full bg-line">
        <div
          className={`h-full rounded-full ${little ? "bg-clay" : "bg-green"}`}
          style={{ width: `${Math.min(100, (rest / seconds) * 100)}%` }}
        />
      </div>
      <p role="status" className="heard">
        {said ? t("left", { time: allowed(said) }) : ""}
      </p>
    </div>
  );
}
