"use client";
import { Eye, EyeOff } from "lucide-react";
import { inLanguage } from "@/core/content/language";
import { barsOf, type Seated } from "@/core/live/room";
import type { LessonCommand, LessonState } from "@/core/live/lesson";
import { formatAnswer } from "@/core/question/format";
import { mark } from "@/core/question/mark";
import type { Question } from "@/core/question/question";
import type { Document } from "@/core/resource/document";
import { Button } from "@/ui/button";
import { Key } from "@/ui/key";
import { looks } from "../results/answer-beside";

/** What can be chosen in a question, with the letters a teacher speaks of. */
export function optionsOf(
  question: Question,
  languages: readonly string[],
): { id: string; letter: string; text: string }[] {
  if (!("options" in question)) return [];
  return question.options.map(({ id, text }, at) => ({
    id,
    letter: String.fromCharCode(65 + at),
    text: inLanguage(text, languages) ?? "",
  }));
}

/** What was chosen, which is right, and what of it everybody sees. Only she sees this. */
export function Chosen({
  question,
  document,
  room,
  state,
  lead,
}: {
  question: Question;
  document: Document;
  room: readonly Seated[];
  /** Null: nobody leads, so nothing can be shown. */
  state: LessonState | null;
  lead: (asked: LessonCommand) => void;
}) {
  const options = optionsOf(question, document.languages);
  const bars = barsOf(
    room,
    question.id,
    options.map(({ id }) => id),
  );
  const most = Math.max(1, ...bars.map(({ count }) => count));
  const shown = state?.shown?.question === question.id ? state.shown : null;
  const show = (more: Partial<NonNullable<LessonState["shown"]>>) =>
    lead({
      do: "show",
      shown: { ...{ question: question.id, chart: false, right: null, answers: [] }, ...shown, ...more },
    });
  const right = formatAnswer(question, document.languages).slice(0, 400);
  const said = room.flatMap((one) => one.answers[question.id] ?? []);
  return (
    <section aria-label="What they chose" className="grid gap-1.5 border-t border-line pt-2.5">
      <div className="flex flex-wrap items-center gap-2">
        <h3 className="font-semibold">{options.length > 0 ? "What they chose" : "What they said"}</h3>
        <span className="text-[12px] text-ink-soft">only you see this</span>
        {state?.phase === "running" && (
          <span className="ml-auto flex gap-1">
            {options.length > 0 && (
              <Button size="small" aria-pressed={shown?.chart ?? false} onClick={() => show({ chart: !shown?.chart })}>
                {shown?.chart ? "Hide chart" : "Show chart"}
              </Button>
            )}
            <Button
              size="small"
              aria-pressed={shown?.right != null}
              onClick={() => show({ right: shown?.right != null ? null : right })}
            >
              {shown?.right != null ? <EyeOff size={14} aria-hidden /> : <Eye size={14} aria-hidden />}
              {shown?.right != null ? "Hide answer" : "Reveal answer"} <Key>r</Key>
            </Button>
          </span>
        )}
      </div>
      {options.length > 0 ? (
        <ul className="grid gap-1 text-[13px]">
          {options.map(({ id, letter, text }) => {
            const count = bars.find((bar) => bar.id === id)?.count ?? 0;
            const value = question.type === "choices" ? [id] : id;
            const {
              icon: Icon,
              name,
              className,
            } = looks[mark(question, value as never, document.languages[0]).verdict];
            return (
              <li key={id} className="grid grid-cols-[1rem_7.5rem_1fr_1.5rem_4.5rem] items-center gap-2">
                <strong>{letter}</strong>
                <span className="truncate" title={text}>
                  {text}
                </span>
                <span className="h-3.5 bg-shade">
                  <span
                    className={`block h-full ${name === "right" ? "bg-green" : "bg-line-strong"}`}
                    style={{ width: `${(count / most) * 100}%` }}
                  />
                </span>
                <span className="numbers text-right">{count}</span>
                <span className={`flex items-center gap-1 ${className}`}>
                  <Icon size={13} strokeWidth={2.5} aria-hidden /> {name === "partly right" ? "partly" : name}
                </span>
              </li>
            );
          })}
        </ul>
      ) : (
        <ul tabIndex={0} className="grid max-h-40 grid-cols-1 gap-1 overflow-auto text-[13px]">
          {said.slice(-12).map(({ said: words, at }, nth) => (
            <li key={`${at} ${nth}`} className="flex items-start gap-2">
              <span className="min-w-0 flex-1 truncate" title={words}>
                {words || "–"}
              </span>
              {state?.phase === "running" && words && (
                <Button
                  size="small"
                  look="quiet"
                  aria-label={`Show “${words}” to everybody, without a name`}
                  aria-pressed={shown?.answers.includes(words) ?? false}
                  onClick={() => {
                    const before = shown?.answers ?? [];
                    const answers = before.includes(words)
                      ? before.filter((one) => one !== words)
                      : [...before, words].slice(-6);
                    show({ answers });
                  }}
                >
                  {shown?.answers.includes(words) ? "Hide" : "Show"}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
