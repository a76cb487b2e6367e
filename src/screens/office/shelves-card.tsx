"use client";
import { useState } from "react";
import type { ShelfRule } from "@/core/sharing/how-far";
import { keepNotesRule, keepShelfRules } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { Field, inputClasses } from "@/ui/field";
import { useKeep } from "./use-keep";

const says: Record<ShelfRule, string> = {
  everyone: "every teacher",
  curators: "curators (teachers offer things to them)",
  nobody: "nobody",
};

/** Who of this school puts things on the district shelf and the commons. */
export function ShelvesCard({ rules }: { rules: { district: ShelfRule; commons: ShelfRule } }) {
  const [said, setSaid] = useState(rules);
  const { notice, busy, keep } = useKeep();
  const choice = (shelf: "district" | "commons", label: string) => (
    <Field label={label}>
      {(control) => (
        <select
          {...control}
          className={inputClasses}
          value={said[shelf]}
          onChange={(event) => setSaid({ ...said, [shelf]: event.target.value as ShelfRule })}
        >
          {Object.entries(says).map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  return (
    <section aria-labelledby="shelves" className="rounded-card border border-line bg-card p-5">
      <h2 id="shelves" className="font-semibold">
        Sharing beyond the school
      </h2>
      <p className="mt-1 text-ink-soft">Everyone may share in the staffroom. What is on a shelf already stays there.</p>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        {choice("district", "Who puts things on the district shelf")}
        {choice("commons", "Who puts things on the commons")}
      </div>
      {notice}
      <Button
        className="mt-3"
        disabled={busy || (said.district === rules.district && said.commons === rules.commons)}
        onClick={() =>
          keep(
            () => keepShelfRules(said),
            () => "Kept.",
          )
        }
      >
        Keep
      </Button>
    </section>
  );
}

/** Whether teachers and children may write each other about a step. */
export function NotesCard({ allowed }: { allowed: boolean }) {
  const { notice, busy, keep } = useKeep();
  const change = (next: boolean) =>
    keep(
      () => keepNotesRule({ allowed: next }),
      () => (next ? "Teachers and children can write each other notes." : "Notes are switched off."),
    );
  return (
    <section aria-labelledby="step-notes" className="rounded-card border border-line bg-card p-5">
      <h2 id="step-notes" className="font-semibold">
        Notes between teachers and children
      </h2>
      <p className="mt-1 text-ink-soft">
        Short notes about one step, kept with the work. Switched off, nobody writes new ones; those there are stay.
      </p>
      <label className="mt-3 flex min-h-9 items-center gap-2">
        <Checkbox
          label="Teachers and children may write each other notes"
          checked={allowed}
          onChange={(next) => !busy && change(next)}
        />
        <span aria-hidden>Teachers and children may write each other notes</span>
      </label>
      {notice}
    </section>
  );
}
