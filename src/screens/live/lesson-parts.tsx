"use client";
import { Eye, Hand, Hourglass, MessageSquare, Presentation } from "lucide-react";
import { useTranslations } from "use-intl";
import { timerLeft, type Timer } from "@/core/live/lesson";
import type { Followed } from "./use-lesson";
import { formatSeconds, useClock } from "./use-clock";

type Lesson = NonNullable<Followed["lesson"]>;

/** The time for talking to a partner or a group: it ends by itself, and everybody sees it. */
export function TimerSign({ timer, ahead }: { timer: Timer; ahead: number }) {
  const t = useTranslations("lesson");
  const now = useClock(ahead, 250);
  const left = now === null ? timer.left : timerLeft(timer, now);
  const over = left <= 0;
  return (
    <p
      role="timer"
      className={`numbers inline-flex items-center gap-2 rounded-card border-2 px-3 py-1 font-bold ${over ? "border-clay text-clay" : "border-ink"}`}
    >
      <Hourglass size={18} aria-hidden />
      {over ? t("timeUp", { label: timer.label }) : t("timeLeft", { label: timer.label, left: formatSeconds(left) })}
    </p>
  );
}

/** What the whole class shares, above the step: who leads, how far one may go, the time, a note. */
export function LessonLine({ followed, done }: { followed: Followed; done: boolean }) {
  const t = useTranslations("lesson");
  const { lesson, ahead } = followed;
  if (lesson?.phase !== "running") return null;
  const pace = { together: "together", "up to here": "upTo", free: "free" } as const;
  return (
    <div className="mb-3 grid gap-2">
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[0.88em] text-ink-soft">
        <span className="inline-flex items-center gap-2 font-bold text-ink">
          <Presentation size={18} aria-hidden /> {t("leads", { teacher: lesson.leader })}
        </span>
        {!followed.there && <span className="font-bold text-clay">{t("lost")}</span>}
        {!done && t(pace[lesson.pace])}
        {lesson.timer && <TimerSign timer={lesson.timer} ahead={ahead} />}
      </p>
      {lesson.note && (
        <p className="flex items-start gap-2 rounded-card bg-slate-wash px-4 py-2">
          <MessageSquare size={18} aria-hidden className="mt-1 shrink-0 text-slate" />
          <span>
            <span className="heard">{t("note")}: </span>
            {lesson.note}
          </span>
        </p>
      )}
    </div>
  );
}

/** What the teacher shows of a question: what was chosen, some answers, the right one. No names. */
export function ShownAnswers({ followed }: { followed: Followed }) {
  const t = useTranslations("lesson");
  const { lesson, bars } = followed;
  const shown = lesson?.shown;
  if (!shown) return null;
  const most = Math.max(1, ...(bars?.bars.map(({ count }) => count) ?? []));
  return (
    <section aria-live="polite" className="mt-4 grid gap-4 rounded-card border-2 border-slate bg-card p-5">
      {shown.chart && bars && (
        <div>
          <h3 className="font-bold">{t("chart")}</h3>
          <ul className="mt-2 grid gap-1.5">
            {bars.bars.map(({ label, count }) => (
              <li key={label} className="grid grid-cols-[minmax(6rem,2fr)_5fr_2.5rem] items-center gap-3">
                <span className="truncate" title={label}>
                  {label}
                </span>
                <span className="h-6 bg-shade">
                  <span className="block h-full bg-slate" style={{ width: `${(count / most) * 100}%` }} />
                </span>
                <span className="numbers text-right font-bold">{count}</span>
              </li>
            ))}
          </ul>
          <p className="mt-1 text-[0.88em] text-ink-soft">{t("answered", { count: bars.answered })}</p>
        </div>
      )}
      {shown.answers.length > 0 && (
        <div>
          <h3 className="font-bold">{t("answers")}</h3>
          <ul className="mt-1 grid gap-2">
            {shown.answers.map((answer, at) => (
              <li key={at} className="rounded-card bg-shade px-4 py-2 whitespace-pre-line">
                {answer}
              </li>
            ))}
          </ul>
        </div>
      )}
      {shown.right !== null && (
        <p>
          <span className="font-bold">{t("right")}: </span>
          {shown.right}
        </p>
      )}
    </section>
  );
}

/** Whether nothing is to be done just now: the class gathers, or all are to look up. */
export const curtained = (lesson: Lesson | null): boolean =>
  lesson !== null && lesson.phase !== "ended" && (lesson.phase === "lobby" || lesson.eyesUp);

/** Over everything: nobody sees a step while the class gathers, or while all are to look up. */
export function Curtain({ lesson, name }: { lesson: Lesson; name: string }) {
  const t = useTranslations("lesson");
  if (!curtained(lesson)) return null;
  const lobby = lesson.phase === "lobby";
  const Sign = lobby ? Hand : Eye;
  return (
    <div
      role="alert"
      className="fixed inset-0 z-40 grid place-items-center bg-paper p-6 text-center font-child text-[20px]"
    >
      <div className="grid max-w-xl justify-items-center gap-4">
        <Sign size={56} aria-hidden className="text-green" />
        <p className="font-serif text-4xl">{t(lobby ? "lobby" : "eyesUp")}</p>
        <p>{lobby ? t("lobbyHello", { name, teacher: lesson.leader }) : t("eyesUpText")}</p>
        {lobby && <p className="font-bold text-green">{t("you")}</p>}
      </div>
    </div>
  );
}
