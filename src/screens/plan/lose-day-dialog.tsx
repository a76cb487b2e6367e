"use client";
import { DateInput } from "@/screens/when/typed-input";
import { Controller } from "react-hook-form";
import { LostDay } from "@/core/plan/lost-day";
import type { Class } from "@/data/classes/classes";
import { loseDay } from "@/screens/acts/plan";
import type { PlanData } from "@/server/plan/plan";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { FormText, useCheckedForm } from "@/ui/checked-form";
import { Dialog } from "@/ui/dialog";
import { Field } from "@/ui/field";
import { useDone } from "../use-done";

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
  const formatDone = useDone();
  const form = useCheckedForm(
    LostDay,
    { classes: classes.map(({ id }) => id), date: next, name: "", move: true },
    async (typed) => {
      const outcome = await loseDay(typed);
      if (!outcome.ok) return outcome;
      onClose();
      const { moved, event } = outcome.value;
      formatDone(
        moved === 0
          ? `${typed.name}: no lessons that day.`
          : `${typed.name}: ${moved} moved on by as many lessons as were lost.`,
        event,
      );
    },
  );
  const { control } = form;
  const noClass = form.problemAt("classes");
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="A day is lost">
      <form className="grid gap-4" noValidate onSubmit={form.submit}>
        <div className="grid grid-cols-2 gap-4">
          <Field label="Which day" problem={form.problemAt("date")}>
            {(tied) => (
              <Controller
                control={control}
                name="date"
                render={({ field: { value, onChange } }) => <DateInput {...tied} value={value} onChange={onChange} />}
              />
            )}
          </Field>
          <FormText form={form} name="name" label="Reason" placeholder="Storm" autoFocus />
        </div>
        <Controller
          control={control}
          name="classes"
          render={({ field: { value: chosen, onChange } }) => (
            <fieldset className="grid gap-1.5" {...(noClass && { "aria-describedby": "no-class" })}>
              <legend className="mb-1 text-[13px] text-ink-soft">For which classes</legend>
              {classes.map(({ id, name }) => (
                <label key={id} className="flex items-center gap-2">
                  <Checkbox
                    label={name}
                    checked={chosen.includes(id)}
                    onChange={(has) => onChange(has ? [...chosen, id] : chosen.filter((one) => one !== id))}
                  />
                  {name}
                </label>
              ))}
              {noClass && (
                <p id="no-class" className="text-[13px] font-semibold text-clay">
                  {noClass}
                </p>
              )}
            </fieldset>
          )}
        />
        <Controller
          control={control}
          name="move"
          render={({ field: { value, onChange } }) => (
            <label className="flex items-center gap-2">
              <Checkbox label="Move what is planned from that day on" checked={value} onChange={onChange} />
              Move what is planned from that day on to the lessons after it
            </label>
          )}
        />
        {form.notice}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit" disabled={form.busy}>
            {form.busy ? "One moment …" : "Take the day out"}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
