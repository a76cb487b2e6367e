"use client";
import { MomentInput } from "@/screens/when/typed-input";
import { useState } from "react";
import type { Closes } from "@/core/assign/form";
import { formatMoment, toWallClock } from "@/core/calendar/format-moment";
import { fromWallClock } from "@/core/calendar/wall-clock";
import type { Assignment } from "@/data/assign/assignments";
import { changeTimes, lookAtTimes } from "@/screens/acts/assign";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field } from "@/ui/field";
import { ClosesField } from "../assign/closes-field";
import { useLooked } from "../use-looked";
import { LastLookList } from "./last-look-list";
import { usePlanActs } from "./use-plan-acts";

/** When a piece of work opens, is due and closes. */
export function TimesDialog({
  assignment,
  zone,
  now,
  onClose,
}: {
  assignment: Assignment;
  zone: string;
  now: Date;
  onClose: () => void;
}) {
  const [opens, setOpens] = useState(toWallClock(assignment.opens, zone));
  const [due, setDue] = useState(toWallClock(assignment.due, zone));
  const [closes, setCloses] = useState<Closes>(() =>
    assignment.closes === null
      ? "never"
      : assignment.closes.getTime() === assignment.due.getTime()
        ? "due"
        : { at: toWallClock(assignment.closes, zone) },
  );
  const [problem, setProblem] = useState<{ text: string; field: string | undefined } | null>(null);
  const { run, busy } = usePlanActs();
  const wanted = { assignment: assignment.id, opens, due, closes };
  // What cannot be read yet is said when she keeps it.
  const found = useLooked(lookAtTimes, wanted).value?.findings ?? [];
  const say = (text: string) => {
    const at = fromWallClock(text, zone);
    return at ? formatMoment(at, zone, now) : undefined;
  };
  const keep = () =>
    run(
      async () => {
        const outcome = await changeTimes(wanted);
        if (!outcome.ok) setProblem({ text: outcome.problem, field: outcome.field });
        return outcome;
      },
      () => "The times are changed.",
      onClose,
      // It stands at its field already.
      () => undefined,
    );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`When is “${assignment.title}” due?`}>
      <div className="grid gap-4">
        <Field label="Opens" help={say(opens)} problem={problem?.field === "opens" ? problem.text : undefined}>
          {(control) => <MomentInput {...control} value={opens} onChange={(value) => setOpens(value)} />}
        </Field>
        <Field
          label="Due"
          help={say(due)}
          problem={problem && problem.field !== "opens" && problem.field !== "closes" ? problem.text : undefined}
        >
          {(control) => <MomentInput {...control} value={due} onChange={(value) => setDue(value)} />}
        </Field>
        <ClosesField
          value={closes}
          start={due}
          problem={problem?.field === "closes" ? problem.text : undefined}
          onChange={setCloses}
        />
        <LastLookList texts={found.map(({ text }) => text)} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" disabled={busy} onClick={keep}>
            Change it
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
