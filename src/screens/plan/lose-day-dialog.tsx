"use client";
import { DateInput } from "@/screens/when/typed-input";
import { useState } from "react";
import type { Class } from "@/data/classes/classes";
import { loseDay } from "@/screens/acts/plan";
import type { PlanData } from "@/server/plan/plan";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Dialog } from "@/ui/dialog";
import { Field, TextInput } from "@/ui/field";
import { usePlanActs } from "./use-plan-acts";

/** A storm, a trip, a rehearsal: which day, which classes, and what was planned moves on. */
export function LoseDayDialog({
  plan,
  classes,
  today,
  now,
  onClose,
}: {
  plan: PlanData;
  classes: readonly Class[];
  today: string;
  now: Date;
  onClose: () => void;
}) {
  // The next day with a lesson still to come: nobody loses a day that is over.
  const next =
    plan.board.days.find(({ cells }) => cells.some((cell) => cell.meetings.some(({ starts }) => starts > now)))?.day
      .date ?? today;
  const [date, setDate] = useState(next);
  const [name, setName] = useState("");
  const [chosen, setChosen] = useState<readonly number[]>(classes.map(({ id }) => id));
  const [move, setMove] = useState(true);
  const { run, busy } = usePlanActs();
  const toggle = (id: number) => setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const lose = () =>
    run(
      () => loseDay({ classes: [...chosen], date, name, move }),
      ({ moved }) =>
        moved === 0 ? `${name}: no lessons that day.` : `${name}: ${moved} moved on by as many lessons as were lost.`,
      onClose,
    );
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="A day is lost">
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          lose();
        }}
      >
        <div className="grid grid-cols-2 gap-4">
          <Field label="Which day">
            {(control) => <DateInput {...control} value={date} onChange={(value) => setDate(value)} />}
          </Field>
          <Field label="Reason">
            {(control) => (
              <TextInput
                {...control}
                value={name}
                maxLength={60}
                placeholder="Storm"
                autoFocus
                onChange={(event) => setName(event.target.value)}
              />
            )}
          </Field>
        </div>
        <fieldset className="grid gap-1.5">
          <legend className="mb-1 text-[13px] text-ink-soft">For which classes</legend>
          {classes.map((group) => (
            <label key={group.id} className="flex items-center gap-2">
              <Checkbox label={group.name} checked={chosen.includes(group.id)} onChange={() => toggle(group.id)} />
              {group.name}
            </label>
          ))}
        </fieldset>
        <label className="flex items-center gap-2">
          <Checkbox label="Move what is planned from that day on" checked={move} onChange={setMove} />
          Move what is planned from that day on to the lessons after it
        </label>
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={busy || !date || !name.trim() || chosen.length === 0}>
            {busy ? "One moment …" : "Take the day out"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
