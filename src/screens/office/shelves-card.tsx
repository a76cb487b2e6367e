"use client";
import { useId, useState } from "react";
import type { ShelfRule } from "@/core/sharing/how-far";
import { keepGuestsRule, keepNotesRule, keepShelfRules } from "@/screens/acts/office";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { ChoiceField } from "@/ui/choice-field";
import { useKeep } from "./use-keep";

const rulesSaid: readonly [ShelfRule, string][] = [
  ["everyone", "every teacher"],
  ["curators", "curators (teachers offer things to them)"],
  ["nobody", "nobody"],
];

/** Who of this school puts things on the district shelf and the commons. */
export function ShelvesCard({ rules }: { rules: { district: ShelfRule; commons: ShelfRule } }) {
  const [said, setSaid] = useState(rules);
  const { notice, busy, keep } = useKeep();
  const choice = (shelf: "district" | "commons", label: string) => (
    <ChoiceField
      label={label}
      value={said[shelf]}
      options={rulesSaid}
      onChoose={(rule) => setSaid({ ...said, [shelf]: rule })}
    />
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

interface Switch {
  title: string;
  text: string;
  label: string;
  allowed: boolean;
  keep: (next: boolean) => ReturnType<typeof keepNotesRule>;
  said: { on: string; off: string };
}

function SwitchCard({ title, text, label, allowed, keep: set, said }: Switch) {
  const { notice, busy, keep } = useKeep();
  const id = useId();
  return (
    <section aria-labelledby={id} className="rounded-card border border-line bg-card p-5">
      <h2 id={id} className="font-semibold">
        {title}
      </h2>
      <p className="mt-1 text-ink-soft">{text}</p>
      <label className="mt-3 flex min-h-9 items-center gap-2">
        <Checkbox
          label={label}
          checked={allowed}
          onChange={(next) =>
            !busy &&
            keep(
              () => set(next),
              () => (next ? said.on : said.off),
            )
          }
        />
        <span aria-hidden>{label}</span>
      </label>
      {notice}
    </section>
  );
}

/** Whether teachers and children may write each other about a step. */
export const NotesCard = ({ allowed }: { allowed: boolean }) => (
  <SwitchCard
    title="Notes between teachers and children"
    text="Short notes about one step, kept with the work. If you switch this off, nobody can write new ones. Those already written are kept."
    label="Teachers and children may write each other notes"
    allowed={allowed}
    keep={(next) => keepNotesRule({ allowed: next })}
    said={{ on: "Teachers and children can write each other notes.", off: "Notes are switched off." }}
  />
);

/** Whether somebody without an account may do one piece of work. */
export const GuestsCard = ({ allowed }: { allowed: boolean }) => (
  <SwitchCard
    title="Guests"
    text="Teachers can make a link to one piece of work that someone does by typing a name, without an account: a visiting child, or one who has lost a card. If you switch this off, those links stop working. What guests did is kept."
    label="Teachers may invite guests to a piece of work"
    allowed={allowed}
    keep={(next) => keepGuestsRule({ allowed: next })}
    said={{ on: "Teachers can invite guests.", off: "Guests are switched off." }}
  />
);
