"use client";
import { clsx } from "clsx";
import { ClockArrowDown, ClockArrowUp, Hourglass, Play } from "lucide-react";
import { useEffect, useState, type ReactNode } from "react";
import { formatFactor } from "@/core/assign/extra-time";
import { formatDay, formatMoment } from "@/core/calendar/format-moment";
import { schoolClock } from "@/core/calendar/school-calendar";
import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { formatAnswer } from "@/core/question/format";
import { formatSeconds } from "@/core/results/format-item";
import type { AnswerHistory, GivenAnswer, TryHistory } from "@/core/results/one-student";
import type { Pace } from "@/core/results/pace";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { Key } from "@/ui/key";
import { PutInPortfolio } from "../portfolio/put-in";
import { AnswerView } from "../step/question-view";
import { looks } from "./answer-beside";

export const paceLooks = {
  long: { icon: ClockArrowUp, text: "took unusually long" },
  raced: { icon: ClockArrowDown, text: "finished unusually fast" },
} as const;

const STROKE_MS = 450;

/** What was drawn, stroke by stroke in the order it came; a photograph or a recording as it is. */
function Made({ answer, languages }: { answer: AnswerHistory; languages: readonly string[] }) {
  const { question, made, cell } = answer;
  const strokes = question.type === "sketch" && Array.isArray(made) ? made.length : 0;
  const [shown, setShown] = useState<number | null>(null);
  useEffect(() => {
    if (shown === null) return;
    const timer = setTimeout(() => setShown(shown + 1 >= strokes ? null : shown + 1), STROKE_MS);
    return () => clearTimeout(timer);
  }, [shown, strokes]);
  if (made === null || cell.mark.verdict === "blank") return null;
  const value = shown === null ? made : ((made as unknown[]).slice(0, shown + 1) as typeof made);
  return (
    <div className="mt-1 max-w-96">
      <AnswerView question={question} value={value} languages={languages} name={cell.said} />
      {strokes > 1 && (
        <Button size="small" className="not-printed mt-1" disabled={shown !== null} onClick={() => setShown(0)}>
          <Play size={14} aria-hidden /> {shown === null ? `Watch it drawn` : `${shown + 1} of ${strokes}`}
        </Button>
      )}
    </div>
  );
}

function Given({ given, clock }: { given: GivenAnswer; clock: (at: Date) => string }) {
  const { icon: Icon, name, className } = looks[given.mark.verdict];
  return (
    <li className="flex items-baseline gap-2">
      <Icon size={14} strokeWidth={2.25} aria-hidden className={clsx("shrink-0 translate-y-0.5", className)} />
      <span className="font-child whitespace-pre-wrap [overflow-wrap:anywhere]">
        {given.said || <span className="text-ink-soft">nothing</span>}
      </span>
      <span className="numbers text-[12px] whitespace-nowrap text-ink-soft">
        {name} · {clock(given.at)}
        {given.checked && " · checked"}
        {given.late && (given.counts ? " · late, counted" : " · late, does not count")}
      </span>
    </li>
  );
}

function AnswerRow({
  answer,
  keep,
  pace,
  clock,
}: {
  answer: AnswerHistory;
  /** Puts it into the child's portfolio. */
  keep: ReactNode;
  pace: Pace | undefined;
  clock: (at: Date) => string;
}) {
  const { question, nth, cell, given } = answer;
  const languages = Object.keys(question.prompt);
  const { icon: Icon, name, className } = looks[cell.mark.verdict];
  const Sign = pace && paceLooks[pace].icon;
  return (
    <tr className="align-top">
      <td className="numbers border-b border-line py-2 pl-5 text-right text-ink-soft">{nth}</td>
      <th scope="row" className="w-2/5 border-b border-line px-3 py-2 text-left font-semibold [overflow-wrap:anywhere]">
        {plainText(inLanguage(question.prompt, languages)) || answer.step}
        {cell.mark.verdict !== "right" && cell.mark.outOf > 0 && (
          <span className="block text-[12px] font-normal text-ink-soft">
            Right: {formatAnswer(question, languages)}
          </span>
        )}
      </th>
      <td className="border-b border-line px-3 py-2">
        {answer.made !== null ? (
          <Made answer={answer} languages={languages} />
        ) : given.length === 0 ? (
          <span className="text-ink-soft">No answer.</span>
        ) : (
          <ol className="grid gap-0.5">
            {given.map((one, at) => (
              <Given key={at} given={one} clock={clock} />
            ))}
          </ol>
        )}
      </td>
      <td className={clsx("border-b border-line px-3 py-2 whitespace-nowrap", className)}>
        <span className="inline-flex items-center gap-1 font-semibold">
          <Icon size={15} strokeWidth={2.25} aria-hidden />
          {cell.mark.marks === null ? name : `${cell.mark.marks} of ${cell.mark.outOf}`}
        </span>
        {cell.mark.marks !== null && <span className="heard"> {name}</span>}
        <span className="not-printed ml-1 inline-block align-middle">{keep}</span>
      </td>
      <td className="numbers border-b border-line px-3 py-2 text-right whitespace-nowrap">
        {cell.seconds === null ? <span className="text-ink-soft">–</span> : formatSeconds(cell.seconds)}
        {Sign && (
          <span className="ml-1 inline-flex items-center text-slate" title={paceLooks[pace].text}>
            <Sign size={15} aria-hidden />
            <span className="heard">{paceLooks[pace].text}</span>
          </span>
        )}
      </td>
    </tr>
  );
}

/** Everything one child did: every try, every answer as it was given, the time on each. */
export function OneStudent({
  assignment,
  group,
  students,
  student,
  tries,
  factor,
  due,
  pace,
  zone,
  now,
  onStudent,
}: {
  assignment: number;
  /** Its class. */
  group: number;
  students: readonly { id: number; name: string }[];
  student: number;
  tries: readonly TryHistory[];
  factor: number;
  due: Date;
  /** By question. */
  pace: Readonly<Record<string, Readonly<Record<number, Pace>>>>;
  zone: string;
  now: Date;
  onStudent: (student: number) => void;
}) {
  const kept = tries.find((one) => one.kept) ?? tries.at(-1);
  const [chosen, setChosen] = useState<number | null>(null);
  const shown = tries.find(({ number }) => number === chosen) ?? kept;
  const moments = shown?.answers.flatMap(({ given }) => given.map(({ at }) => schoolClock(at, zone))) ?? [];
  const severalDays = new Set(moments.map(({ date }) => date)).size > 1;
  const clock = (at: Date) =>
    severalDays ? `${formatDay(at, zone, now)} ${schoolClock(at, zone).time}` : schoolClock(at, zone).time;
  const name = students.find(({ id }) => id === student)?.name ?? "";
  return (
    <div>
      <div className="flex flex-wrap items-center gap-3 px-5 py-2.5">
        <label className="flex items-center gap-2">
          <span className="heard">Student</span>
          <select
            className={`${inputClasses} !w-60 font-semibold`}
            value={student}
            onChange={(event) => onStudent(Number(event.target.value))}
          >
            {students.map(({ id, name: one }) => (
              <option key={id} value={id}>
                {one}
              </option>
            ))}
          </select>
        </label>
        <span className="not-printed flex gap-1" aria-hidden>
          <Key>k</Key>
          <Key>j</Key>
        </span>
        {shown && (
          <p className="numbers text-[13px] text-ink-soft">
            <strong className="text-ink">
              {shown.marks} of {shown.outOf}
            </strong>{" "}
            · {Math.round(shown.minutes)} minutes ·{" "}
            {shown.handedInAt ? (
              <>
                handed in {formatMoment(shown.handedInAt, zone, now)}
                {shown.handedInAt > due ? (
                  <span className="inline-flex items-center gap-1 font-semibold text-clay">
                    {" "}
                    <Hourglass size={13} aria-hidden /> late
                  </span>
                ) : (
                  ", on time"
                )}
              </>
            ) : (
              "not handed in yet"
            )}
            {formatFactor[factor] && ` · has ${formatFactor[factor]}`}
          </p>
        )}
        {shown?.handedInAt && (
          <span className="not-printed">
            <PutInPortfolio {...{ group, assignment, student, name }} question={null} />
          </span>
        )}
        {tries.length > 1 && (
          <label className="ml-auto flex items-center gap-2 text-[13px]">
            Try
            <select
              className={`${inputClasses} !w-44`}
              value={shown?.number}
              onChange={(event) => setChosen(Number(event.target.value))}
            >
              {tries.map((one) => (
                <option key={one.number} value={one.number}>
                  {one.number}: {one.marks} of {one.outOf}
                  {one.kept ? ", counts" : ""}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      {!shown ? (
        <Empty title={`${name} has not begun`}>What is answered is shown here as it comes.</Empty>
      ) : (
        <table className="w-full border-separate border-spacing-0 bg-card text-[13px]">
          <caption className="heard">
            {name}, try {shown.number}
          </caption>
          <thead>
            <tr className="text-left text-[12px] text-ink-soft [&>*]:border-y [&>*]:border-line [&>*]:bg-shade [&>*]:px-3 [&>*]:py-1.5 [&>*]:font-normal">
              <th scope="col" colSpan={2}>
                Question
              </th>
              <th scope="col">Answers as they were given</th>
              <th scope="col">Marks</th>
              <th scope="col" className="text-right">
                Time
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.answers.map((answer) => (
              <AnswerRow
                key={`${shown.number} ${answer.question.id}`}
                answer={answer}
                keep={
                  shown.handedInAt &&
                  answer.cell.mark.verdict !== "blank" && (
                    <PutInPortfolio
                      {...{ group, assignment, student, name }}
                      question={{ id: answer.question.id, nth: answer.nth }}
                      small
                    />
                  )
                }
                pace={shown.kept ? pace[answer.question.id]?.[student] : undefined}
                clock={clock}
              />
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
