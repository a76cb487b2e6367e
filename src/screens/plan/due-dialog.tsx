"use client";
import { MomentInput } from "@/screens/when/typed-input";
import { useState } from "react";
import { toWallClock } from "@/core/calendar/format-moment";
import { schoolDayAt } from "@/core/calendar/wall-clock";
import type { Assignment } from "@/data/assign/assignments";
import { changeDue, lookAtDue } from "@/screens/acts/due";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field } from "@/ui/field";
import { useLooked } from "../use-looked";
import { LastLookList } from "./last-look-list";
import { usePlanActs } from "./use-plan-acts";

export const formatCount = (works: readonly unknown[]) =>
  works.length === 1 ? "One piece of work" : `${works.length} pieces of work`;

/** One due moment for all of them. */
export function DueDialog({
  works,
  zone,
  now,
  onClose,
}: {
  works: readonly Assignment[];
  zone: string;
  now: Date;
  onClose: () => void;
}) {
  const [due, setDue] = useState(toWallClock(schoolDayAt(now, zone, 5, 15), zone));
  const [problem, setProblem] = useState<string | undefined>();
  const { run, busy } = usePlanActs();
  const wanted = { assignments: works.map(({ id }) => id), due };
  const looked = useLooked(lookAtDue, wanted);
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={works.length === 1 ? `When is “${works[0]!.title}” due?` : `When are these ${works.length} due?`}
    >
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          run(
            () => changeDue(wanted),
            () => `${formatCount(works)} moved.`,
            onClose,
            setProblem,
          );
        }}
      >
        <Field
          label="Due"
          help="Students with more time keep as much more."
          problem={problem ?? looked.problem ?? undefined}
        >
          {(control) => (
            <MomentInput
              {...control}
              value={due}
              onChange={(value) => {
                setDue(value);
                setProblem(undefined);
              }}
            />
          )}
        </Field>
        <LastLookList texts={looked.value?.remarks ?? []} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy}>
            Save
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
