"use client";
import { useState, type FormEvent } from "react";
import { shelfNames } from "@/core/find/format";
import type { CuratedShelf } from "@/core/sharing/how-far";
import { removeFromShelf } from "@/screens/acts/desk";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { Field, inputClasses } from "@/ui/field";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";

/** For curators: takes something off a shelf they keep, with a reason its author reads. */
export function RemoveFromShelf({ resource, title, shelf }: { resource: number; title: string; shelf: CuratedShelf }) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const done = useDone();
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const reason = String(new FormData(event.currentTarget).get("reason"));
    start(async () => {
      const outcome = await removeFromShelf({ resource, shelf, reason });
      if (!outcome.ok) return setProblem(outcome.problem);
      setOpen(false);
      done(`“${title}” is no longer on ${shelfNames[shelf]}.`, outcome.value.event);
    });
  };
  return (
    <>
      <button type="button" className="text-[13px] text-slate underline" onClick={() => setOpen(true)}>
        Take it off {shelfNames[shelf]} …
      </button>
      <Dialog open={open} onOpenChange={setOpen} title={`Take “${title}” off ${shelfNames[shelf]}`}>
        <form onSubmit={submit} className="grid gap-4">
          <p>Copies and assignments of other teachers stay as they are. The author is told why.</p>
          <Field label="Reason" problem={problem ?? undefined}>
            {(control) => (
              <textarea {...control} name="reason" rows={3} maxLength={2000} className={inputClasses} autoFocus />
            )}
          </Field>
          <div className="flex justify-end gap-2">
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <Button type="submit" look="clay" disabled={busy}>
              Take it off
            </Button>
          </div>
        </form>
      </Dialog>
    </>
  );
}
