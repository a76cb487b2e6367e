"use client";
import { useEffect, useState } from "react";
import type { Seated } from "@/core/live/room";
import type { LessonCommand, LessonState } from "@/core/live/lesson";
import { Button } from "@/ui/button";
import type { ResponseOf } from "@/core/question/question";
import { AnswerView } from "../step/question-view";
import { sheetFor } from "./sheet-for";

/** The sheets that came back, fetched again as there are more. */
function Drawn({
  assignment,
  quick,
  room,
  names,
  count,
}: {
  assignment: number;
  quick: NonNullable<LessonState["quick"]>;
  room: readonly Seated[];
  names: boolean;
  count: number;
}) {
  const [drawn, setDrawn] = useState<{ student: number; lines: ResponseOf<"sketch"> }[]>([]);
  useEffect(() => {
    let wanted = true;
    void fetch(`/lead/${assignment}/drawn?question=${encodeURIComponent(quick.id)}`)
      .then((response) => (response.ok ? (response.json() as Promise<{ drawn: typeof drawn }>) : { drawn: [] }))
      .then((came) => wanted && setDrawn(came.drawn))
      // The next one that comes fetches them all again.
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [assignment, quick.id, count]);
  return (
    <ul tabIndex={0} className="grid max-h-64 grid-cols-3 gap-2 overflow-auto">
      {drawn.map(({ student, lines }) => {
        const name = room.find((one) => one.student === student)?.name ?? "";
        return (
          <li key={student} className="text-[12px] ">
            <AnswerView
              question={{ ...sheetFor(quick), id: `${quick.id}-${student}` }}
              value={lines}
              languages={[]}
              name={names ? `Drawn by ${name}` : "Drawn"}
            />
            {names && name.split(" ")[0]}
          </li>
        );
      })}
    </ul>
  );
}

/** What comes back to a question asked on the spot. */
export function QuickAnswers({
  assignment,
  quick,
  room,
  names,
  lead,
}: {
  assignment: number;
  quick: NonNullable<LessonState["quick"]>;
  room: readonly Seated[];
  names: boolean;
  lead: (asked: LessonCommand) => void;
}) {
  const answers = room.flatMap((one) => {
    const answer = one.answers[quick.id];
    return answer ? [{ name: one.name, said: answer.said, value: answer.value }] : [];
  });
  const count = (at: number) => answers.filter(({ value }) => value === String(at)).length;
  const most = Math.max(1, ...quick.options.map((_, at) => count(at)));
  return (
    <section aria-label="Quick question" className="grid gap-1.5 rounded-card border-2 border-green p-3">
      <p className="flex items-center gap-2 text-[13px] text-ink-soft">
        Quick question · <span className="numbers">{answers.length}</span> of {room.length} have answered
      </p>
      <h3 className="font-semibold">{quick.ask}</h3>
      {quick.options.length > 0 ? (
        <ul className="grid gap-1 text-[13px]">
          {quick.options.map((option, at) => (
            <li key={option} className="grid grid-cols-[8rem_1fr_1.5rem] items-center gap-2">
              <span className="truncate" title={option}>
                {option}
              </span>
              <span className="h-3.5 bg-shade">
                <span className="block h-full bg-slate" style={{ width: `${(count(at) / most) * 100}%` }} />
              </span>
              <span className="numbers text-right">{count(at)}</span>
            </li>
          ))}
        </ul>
      ) : quick.kind === "draw" ? (
        <Drawn assignment={assignment} quick={quick} room={room} names={names} count={answers.length} />
      ) : (
        <ul tabIndex={0} className="grid max-h-32 gap-0.5 overflow-auto text-[13px]">
          {answers.map(({ name, said }) => (
            <li key={name} className="truncate" title={said}>
              {names && <span className="text-ink-soft">{name.split(" ")[0]}: </span>}
              {said}
            </li>
          ))}
        </ul>
      )}
      <p className="flex gap-2">
        {quick.open && (
          <Button size="small" onClick={() => lead({ do: "close question", show: true })}>
            Close and show answers
          </Button>
        )}
        <Button size="small" look="quiet" onClick={() => lead({ do: "close question", show: false })}>
          Remove
        </Button>
      </p>
    </section>
  );
}
