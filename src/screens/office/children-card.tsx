"use client";
import { Link } from "@/ui/link";
import { useState } from "react";
import type { ChildRules } from "@/data/keep/consent";
import { keepChildRules } from "@/screens/acts/child-records";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { ChoiceField } from "@/ui/choice-field";
import { Notice } from "@/ui/notice";
import { useKeep } from "./use-keep";

/** A child who is in no class any more, with the days in words. */
export interface LeftChildSaid {
  id: number;
  name: string;
  left: string;
  goes: string | null;
  since: Date;
}

const addMonths = (at: Date, months: number): Date => {
  const then = new Date(at);
  then.setMonth(then.getMonth() + months);
  return then;
};

/** Half a year at the least: over the summer no child is in a class. */
const stretches: readonly [months: string, text: string][] = [
  ["", "until the office deletes them"],
  ["6", "for half a year"],
  ["12", "for a year"],
  ["36", "for 3 years"],
  ["84", "for 7 years"],
];

/** What the school keeps of children: for how long after they have left, and what it asks families about. */
export function ChildrenCard({ rules, left, now }: { rules: ChildRules; left: readonly LeftChildSaid[]; now: Date }) {
  const [said, setSaid] = useState(rules);
  const { notice, busy, keep } = useKeep();
  const label = "Ask families before keeping recordings and photographs";
  const { months } = said;
  const over =
    months === null || months === rules.months ? 0 : left.filter(({ since }) => addMonths(since, months) < now).length;
  const known = stretches.some(([one]) => one === String(months ?? ""));
  return (
    <section aria-labelledby="children" className="rounded-card border border-line bg-card p-5">
      <h2 id="children" className="font-semibold">
        Children’s records
      </h2>
      <p className="mt-1 text-ink-soft">
        A child who is in no class has left. Their work, marks, pictures and recordings are deleted after the time you
        choose. This cannot be undone.
      </p>
      <ChoiceField
        className="mt-3"
        label="Keep the records of children who have left"
        value={String(months ?? "")}
        options={known ? stretches : [[String(months), `for ${months} months`], ...stretches]}
        onChoose={(next) => setSaid({ ...said, months: next === "" ? null : Number(next) })}
      />
      <label className="mt-3 flex min-h-9 items-center gap-2">
        <Checkbox
          label={label}
          checked={said.asksConsent}
          onChange={(asksConsent) => setSaid({ ...said, asksConsent })}
        />
        <span aria-hidden>{label}</span>
      </label>
      {over > 0 && (
        <Notice tone="warning" className="mt-2">
          {over === 1 ? "One child" : `${over} children`} left longer ago than that. Their records are deleted within a
          day after you press Keep.
        </Notice>
      )}
      {notice}
      <Button
        className="mt-2"
        disabled={busy || (said.months === rules.months && said.asksConsent === rules.asksConsent)}
        onClick={() =>
          keep(
            () => keepChildRules(said),
            () => "Kept.",
          )
        }
      >
        Keep
      </Button>
      <h3 className="mt-4 font-semibold">Children who have left</h3>
      {left.length === 0 ? (
        <p className="text-ink-soft">None.</p>
      ) : (
        <ul
          className="mt-1 max-h-60 divide-y divide-line overflow-auto"
          tabIndex={0}
          aria-label="Children who have left"
        >
          {left.map(({ id, name, left: since, goes }) => (
            <li key={id} className="flex min-h-9 flex-wrap items-center gap-x-3 py-1">
              <Link
                href={`/office/child/${id}`}
                className="min-w-0 flex-1 truncate font-semibold text-green underline"
                title={name}
              >
                {name}
              </Link>
              <span className="text-[13px] text-ink-soft">
                left {since}
                {goes && `, deleted ${goes}`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
