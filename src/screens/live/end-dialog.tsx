"use client";
import { useRouter } from "next/navigation";
import { standingOn, type AskedStep, type Seated } from "@/core/live/room";
import type { LessonCommand } from "@/core/live/lesson";
import type { Closes } from "@/core/assign/form";
import { titleOf, type Document } from "@/core/resource/document";
import type { Outcome } from "@/server/web/act";
import { useOnce } from "../use-once";
import { Button } from "@/ui/button";
import { changeTimes } from "@/screens/acts/assign";
import { undoPlan } from "@/screens/acts/plan";
import { goOnNextLesson } from "@/screens/acts/lead";
import { orTell } from "@/screens/acts/tried";
import { Dialog } from "@/ui/dialog";
import { tell } from "@/ui/toast";

/** The times of work that is to be finished at home. */
export interface Homework {
  said: string;
  /** On the school's clock. */
  times: { opens: string; due: string; closes: Closes };
}

/** What was reached, and what becomes of the rest. */
export function EndDialog({
  open,
  onOpenChange,
  room,
  steps,
  document,
  assignment,
  homework,
  next,
  lead,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  room: readonly Seated[];
  steps: readonly AskedStep[];
  document: Document;
  assignment: number;
  /** What the times are when the rest is homework; null: there is no school day to come. */
  homework: Homework | null;
  /** When the class meets next; null: it does not. */
  next: string | null;
  lead: (asked: LessonCommand) => Promise<boolean>;
}) {
  const router = useRouter();
  const reached = steps.map((step, at) => {
    const standings = room.map((one) => standingOn(one, step));
    const count = (...of: string[]) => standings.filter((one) => of.includes(one)).length;
    return {
      ...{ id: step.id, at, asks: step.questions.length > 0, seen: room.filter((one) => one.visits[step.id]).length },
      ...{ right: count("right"), other: count("partly", "wrong", "answered") },
    };
  });
  const [busy, once] = useOnce();
  const toResults = () => router.push(`/results?assignment=${assignment}`);
  const end = async () => void ((await lead({ do: "end" })) && toResults());
  /** Ends it and moves the work; what was done can be taken back. */
  const endAnd = async (move: () => Promise<Outcome<{ event: number }>>, said: string) => {
    if (!(await lead({ do: "end" }))) return;
    const outcome = await move();
    toResults();
    if (outcome.ok) tell(said, () => void orTell(undoPlan({ event: outcome.value.event })));
  };
  const asHomework = () =>
    endAnd(() => changeTimes({ assignment, ...homework!.times }), `What is left is homework, due ${homework!.said}.`);
  const inNextLesson = () => endAnd(() => goOnNextLesson({ assignment }), `It goes on in the next lesson, ${next}.`);
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="End the lesson" wide>
      <table className="w-full text-[14px]">
        <caption className="heard">What was reached</caption>
        <thead>
          <tr className="text-left text-[13px] text-ink-soft">
            <th className="py-1 font-normal">Step</th>
            <th className="text-right font-normal">Seen by</th>
            <th className="text-right font-normal">Right</th>
            <th className="text-right font-normal">Not right yet</th>
          </tr>
        </thead>
        <tbody>
          {reached.map(({ id, at, asks, seen, right, other }) => (
            <tr key={id} className={seen === 0 ? "text-ink-soft" : ""}>
              <td className="border-t border-line py-1">
                {at + 1}. {titleOf({ ...document, title: document.steps[at]!.title })}
              </td>
              <td className="numbers border-t border-line text-right">
                {seen} of {room.length}
              </td>
              <td className="numbers border-t border-line text-right">{asks ? right : "–"}</td>
              <td className="numbers border-t border-line text-right">{asks ? other : "–"}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-4 text-ink-soft">What students answered is kept. The rest:</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button look="main" disabled={busy} onClick={() => once(end)}>
          They go on at their own pace
        </Button>
        {homework && (
          <Button disabled={busy} onClick={() => once(asHomework)}>
            As homework, due {homework.said}
          </Button>
        )}
        {next && (
          <Button disabled={busy} onClick={() => once(inNextLesson)}>
            In the next lesson, {next}
          </Button>
        )}
      </div>
    </Dialog>
  );
}
