"use client";
import { useState, type FormEvent } from "react";
import { stepTitle } from "@/core/resource/changes";
import { reportKindNames, reportKinds, type ReportKind } from "@/core/sharing/report";
import { reportResource } from "@/screens/acts/report";
import type { LightTableData } from "@/server/find/light-table";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell } from "@/ui/toast";
import { useAddress } from "../use-address";
import { useOnce } from "../use-once";
import { stepAt } from "./step-at";

/** Says that something of it is wrong: its curators hear of it, and the reader gets a message when they have decided. */
export function ReportDialog({ data }: { data: LightTableData }) {
  const { parameters } = useAddress();
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<ReportKind | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const { steps, languages } = data.document;
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    if (kind === null) return setProblem("Choose what is wrong.");
    start(async () => {
      const outcome = await reportResource({
        ...{ resource: data.resource.id, kind },
        step: String(form.get("step")) || null,
        note: String(form.get("note")),
      });
      if (!outcome.ok) return setProblem(outcome.problem);
      setOpen(false);
      setKind(null);
      tell(
        outcome.value.to === "curators"
          ? "Reported to the curators. You get a message when they decide."
          : `Reported to ${data.resource.ownerName}.`,
      );
    });
  };
  return (
    <>
      <button type="button" className="text-left text-[13px] text-ink-soft underline" onClick={() => setOpen(true)}>
        Report a mistake …
      </button>
      <Dialog open={open} onOpenChange={setOpen} title={`Report “${data.facts.title}”`}>
        <form onSubmit={submit} className="grid gap-4">
          <fieldset>
            <legend className="mb-1 font-semibold">What is wrong?</legend>
            {reportKinds.map((one) => (
              <label key={one} className="flex min-h-8 items-center gap-2">
                <input type="radio" name="kind" checked={kind === one} onChange={() => setKind(one)} />
                {reportKindNames[one]}
              </label>
            ))}
          </fieldset>
          <Field label="Where?">
            {(control) => (
              <select
                {...control}
                name="step"
                className={inputClasses}
                defaultValue={steps[stepAt(parameters.get("step"), steps.length)]?.id ?? ""}
              >
                <option value="">all of it</option>
                {steps.map((step, at) => (
                  <option key={step.id} value={step.id}>
                    {at + 1}. {stepTitle(step, languages)}
                  </option>
                ))}
              </select>
            )}
          </Field>
          <Field label="Anything that helps to fix it">
            {(control) => <textarea {...control} name="note" rows={3} maxLength={1000} className={inputClasses} />}
          </Field>
          {problem && <Notice tone="warning">{problem}</Notice>}
          <div className="flex justify-end gap-2">
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <Button type="submit" look="main" disabled={busy}>
              Report it
            </Button>
          </div>
        </form>
      </Dialog>
    </>
  );
}
