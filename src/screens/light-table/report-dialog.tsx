"use client";
import { useState } from "react";
import { stepTitle } from "@/core/resource/changes";
import { reportKindNames, reportKinds, TypedReport } from "@/core/sharing/report";
import { reportResource } from "@/screens/acts/report";
import type { LightTableData } from "@/server/find/light-table";
import { Button } from "@/ui/button";
import { useCheckedForm } from "@/ui/checked-form";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { tell } from "@/ui/toast";
import { useAddress } from "../use-address";
import { stepAt } from "./step-at";

/** Says that something of it is wrong: its curators hear of it, and the reader gets a message when they have decided. */
export function ReportDialog({ data }: { data: LightTableData }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="text-left text-[13px] text-ink-soft underline" onClick={() => setOpen(true)}>
        Report a mistake …
      </button>
      <Dialog open={open} onOpenChange={setOpen} title={`Report “${data.facts.title}”`}>
        <ReportForm data={data} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

export function ReportForm({ data, onDone }: { data: LightTableData; onDone: () => void }) {
  const { parameters } = useAddress();
  const { steps, languages } = data.document;
  const lookedAt = steps[stepAt(parameters.get("step"), steps.length)]?.id ?? "";
  const form = useCheckedForm(TypedReport, { resource: data.resource.id, step: lookedAt, note: "" }, async (typed) => {
    const outcome = await reportResource(typed);
    if (!outcome.ok) return outcome;
    onDone();
    tell(
      outcome.value.to === "curators"
        ? "Reported to the curators. You get a message when they decide."
        : `Reported to ${data.resource.ownerName}.`,
    );
  });
  const unsaid = form.problemAt("kind");
  return (
    <form onSubmit={form.submit} noValidate className="grid gap-4">
      <fieldset {...(unsaid && { "aria-describedby": "report-kind" })}>
        <legend className="mb-1 font-semibold">What is wrong?</legend>
        {reportKinds.map((one) => (
          <label key={one} className="flex min-h-8 items-center gap-2">
            <input type="radio" value={one} {...form.register("kind")} />
            {reportKindNames[one]}
          </label>
        ))}
        {unsaid && (
          <p id="report-kind" className="mt-1 text-[13px] font-semibold text-clay">
            {unsaid}
          </p>
        )}
      </fieldset>
      <Field label="Where?" problem={form.problemAt("step")}>
        {(control) => (
          <select {...control} className={inputClasses} {...form.register("step")}>
            <option value="">all of it</option>
            {steps.map((step, at) => (
              <option key={step.id} value={step.id}>
                {at + 1}. {stepTitle(step, languages)}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field label="Anything that helps to fix it" problem={form.problemAt("note")}>
        {(control) => <textarea {...control} rows={3} className={inputClasses} {...form.register("note")} />}
      </Field>
      {form.notice}
      <div className="flex justify-end gap-2">
        <Button onClick={onDone}>Cancel</Button>
        <Button type="submit" look="main" disabled={form.busy}>
          Report it
        </Button>
      </div>
    </form>
  );
}
