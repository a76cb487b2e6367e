"use client";
import { CalendarClock, SlidersHorizontal, Undo2 } from "lucide-react";
import { useState } from "react";
import { stateOf } from "@/core/assign/form";
import { toWallClock } from "@/core/calendar/say-moment";
import { schoolDayAt } from "@/core/calendar/wall-clock";
import type { Assignment } from "@/data/assignments";
import { callBack } from "@/screens/acts/assign";
import { changeDue } from "@/screens/acts/due";
import { orTell } from "@/screens/acts/tried";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, TextInput } from "@/ui/field";
import { ManyRulesDialog } from "./many-rules-dialog";
import { usePlanActs } from "./use-plan-acts";
import { tell, tellProblem } from "@/ui/toast";
import { useRouter } from "next/navigation";

const count = (works: readonly unknown[]) =>
  works.length === 1 ? "One piece of work" : `${works.length} pieces of work`;

/** What can be done with everything ticked in the list of work. */
export function ManyBar({
  chosen,
  zone,
  now,
  onUntick,
}: {
  chosen: readonly Assignment[];
  zone: string;
  now: Date;
  onUntick: () => void;
}) {
  const [dialog, setDialog] = useState<"due" | "rules" | null>(null);
  const router = useRouter();
  const out = chosen.filter((work) => stateOf(work, now) !== "called back");
  const back = async () => {
    const assignments = out.map(({ id }) => id);
    const outcome = await callBack({ assignments, back: true });
    if (!outcome.ok) return tellProblem(outcome.problem);
    onUntick();
    router.refresh();
    tell(`${count(out)} called back. What students answered is kept.`, async () => {
      await orTell(callBack({ assignments, back: false }));
      router.refresh();
    });
  };
  return (
    <div
      role="toolbar"
      aria-label="With what is ticked"
      className="sticky top-0 z-10 mt-3 flex flex-wrap items-center gap-2 rounded-card bg-brass-wash px-4 py-2"
    >
      <strong className="numbers">{chosen.length} ticked</strong>
      <Button size="small" disabled={out.length === 0} onClick={() => setDialog("due")}>
        <CalendarClock size={14} aria-hidden /> Due …
      </Button>
      <Button size="small" disabled={out.length === 0} onClick={() => setDialog("rules")}>
        <SlidersHorizontal size={14} aria-hidden /> Tries, checking, goals …
      </Button>
      <Button size="small" disabled={out.length === 0} onClick={() => void back()}>
        <Undo2 size={14} aria-hidden /> Call back
      </Button>
      <span className="flex-1" />
      <Button size="small" look="quiet" onClick={onUntick}>
        Untick
      </Button>
      {dialog === "due" && <DueDialog works={out} zone={zone} now={now} onClose={() => setDialog(null)} />}
      {dialog === "rules" && <ManyRulesDialog works={out} onClose={() => setDialog(null)} />}
    </div>
  );
}

/** One due moment for all of them. */
function DueDialog({
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
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={`When are these ${works.length} due?`}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          run(
            () => changeDue({ assignments: works.map(({ id }) => id), due }),
            () => `${count(works)} moved.`,
            onClose,
            setProblem,
          );
        }}
      >
        <Field label="Due" help="Students with more time keep as much more." problem={problem}>
          {(control) => (
            <TextInput
              {...control}
              type="datetime-local"
              value={due}
              onChange={(event) => setDue(event.target.value)}
            />
          )}
        </Field>
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
