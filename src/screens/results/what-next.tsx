"use client";
import { Repeat2, Search, Shrink, X } from "lucide-react";
import { clsx } from "clsx";
import { Link } from "@/ui/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatMoment } from "@/core/calendar/format-moment";
import { formatList } from "@/core/format-list";
import { gradeName } from "@/core/content/grade";
import type { Comparison } from "@/core/results/compare-results";
import type { Missed } from "@/core/results/missed";
import type { Around, FollowUp } from "@/server/results/around";
import { Button, buttonClasses } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { tellProblem } from "@/ui/toast";
import { needAfter } from "../acts/next";
import { useOnce } from "../use-once";
import { againAddress, findAddress, readsAt, versionAddress, type From } from "./next-address";

const children = (count: number) => (count === 1 ? "one child" : `${count} children`);

/** "5 children missed MA.5.M.2", "4 children answered “at 12:10” to question 8". */
export function saysMissed({ what, students }: Missed): string {
  const who = children(students.length);
  switch (what.by) {
    case "standard":
      return `${who} missed ${what.code}`;
    case "question":
      return `${who} missed question ${what.nth}`;
    case "answer":
      return `${who} answered “${what.said}” to question ${what.nth}`;
  }
}

const firstName = ({ name }: { name: string }) => name.split(" ")[0]!;

/** "step 4", "steps 2 and 4" of those there still are; null: none of them is. */
function stepsNow({ steps }: Missed, around: Around): { ids: string[]; said: string } | null {
  const there = around.steps.filter(({ id }) => steps.includes(id));
  if (there.length === 0) return null;
  const numbers = formatList(there.map(({ nth }) => String(nth)));
  return { ids: there.map(({ id }) => id), said: `${there.length === 1 ? "step" : "steps"} ${numbers}` };
}

/** How children did this time beside the first, in words. */
export function saysComparison({ rows, better, worse, shared }: Comparison): string {
  if (rows.length === 0) return "Nobody has handed in both yet.";
  const by = shared > 0 ? `on the ${shared === 1 ? "question" : `${shared} questions`} both have` : "on the whole work";
  return `${better} of ${rows.length} did better${worse > 0 ? `, ${worse} worse` : ""} (${by}).`;
}

function Since({ after, zone, now }: { after: readonly FollowUp[]; zone: string; now: Date }) {
  if (after.length === 0) return null;
  return (
    <section aria-label="Since then" className="mt-5 border-t border-line pt-3">
      <h3 className="font-semibold">Since then</h3>
      <ul className="mt-1 grid gap-2">
        {after.map(({ id, title, opens, due, recipients, handedIn, comparison }) => (
          <li key={id} className="text-[13px]">
            {opens > now ? (
              <strong>{title}</strong>
            ) : (
              <Link href={`/results?assignment=${id}`} className="font-semibold underline">
                {title}
              </Link>
            )}{" "}
            <span className="numbers text-ink-soft">
              for {children(recipients)} · due {formatMoment(due, zone, now)} · {handedIn} handed in
            </span>
            {comparison && <span className="block">{saysComparison(comparison)}</span>}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What was missed together and by whom, each with what can be done about it. */
export function WhatNext({
  groups,
  prompts,
  around,
  from,
  zone,
  now,
  onClose,
}: {
  groups: readonly Missed[];
  /** What each question asks, the first first. */
  prompts: readonly string[];
  around: Around;
  from: From;
  zone: string;
  now: Date;
  onClose: () => void;
}) {
  const router = useRouter();
  const [busy, once] = useOnce();
  const [at, setAt] = useState(0);
  const findFor = (group: Missed) =>
    once(async () => {
      const { standards } = group;
      const asked = { assignment: from.assignment, standards, reads: readsAt(group, around.reads) };
      const outcome = await needAfter(asked);
      if (!outcome.ok) tellProblem(outcome.problem);
      else router.push(findAddress(group, from, outcome.value.need));
    });
  const chosen = groups[at];
  useKeys({
    j: () => setAt(Math.min(groups.length - 1, at + 1)),
    k: () => setAt(Math.max(0, at - 1)),
    ...(chosen && {
      f: () => findFor(chosen),
      a: () => {
        const steps = stepsNow(chosen, around);
        if (steps) router.push(againAddress(chosen, from, steps.ids));
      },
    }),
    Escape: onClose,
  });
  return (
    <aside
      aria-label="What next"
      tabIndex={0}
      className="not-printed w-[440px] shrink-0 overflow-auto border-line bg-paper p-5 max-xl:w-96 max-md:w-full md:border-l"
    >
      <div className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <h2 className="font-serif text-[19px]">What next</h2>
          <p className="text-[13px] text-ink-soft">Children who missed the same thing, the largest groups first.</p>
        </div>
        <Key>k</Key>
        <Key>j</Key>
        <IconButton name="Close" small onClick={onClose}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      {groups.length === 0 && (
        <p className="mt-3 text-[14px]">
          No two children missed the same thing. Questions that may be wrong are left out.
        </p>
      )}
      <ul className="mt-2">
        {groups.map((group, nth) => {
          const steps = stepsNow(group, around);
          const grade = readsAt(group, around.reads);
          const here = nth === at;
          const since = around.after.find(({ students }) => group.students.every(({ id }) => students.includes(id)));
          return (
            <li
              key={`${JSON.stringify(group.what)}`}
              aria-current={here || undefined}
              onFocus={() => setAt(nth)}
              className={clsx(
                "-mx-5 border-b border-line px-5 py-3",
                here && "bg-card shadow-[inset_3px_0_0_var(--ink)]",
              )}
            >
              <h3 className="text-[14px] font-semibold [overflow-wrap:anywhere]">{saysMissed(group)}</h3>
              <p className="line-clamp-2 text-[13px]">
                {group.what.by === "standard" ? around.statements[group.what.code] : prompts[group.what.nth - 1]}
              </p>
              <p className="text-[13px] text-ink-soft">{formatList(group.students.map(firstName))}</p>
              {since && <p className="text-[13px] font-semibold text-green">Already assigned to them: {since.title}</p>}
              <div className="mt-2 flex flex-wrap gap-2 text-[13px]">
                {steps && (
                  <Link href={againAddress(group, from, steps.ids)} className={buttonClasses("plain", "small")}>
                    <Repeat2 size={14} aria-hidden /> Assign {steps.said} again {here && <Key>a</Key>}
                  </Link>
                )}
                {around.easier.slice(0, 1).map(({ id, name, minutes }) => (
                  <Link key={id} href={versionAddress(group, from, id)} className={buttonClasses("plain", "small")}>
                    <Shrink size={14} aria-hidden /> Assign {name} ({minutes} min)
                  </Link>
                ))}
                <Button
                  size="small"
                  disabled={busy}
                  title={[
                    group.standards.length > 0 ? `covering ${formatList(group.standards, "or")}` : "of the same sort",
                    ...(grade === null ? [] : [`with text for up to grade ${gradeName(grade)}`]),
                    "not assigned to the class yet",
                  ].join(", ")}
                  onClick={() => findFor(group)}
                >
                  <Search size={14} aria-hidden /> Find for it {here && <Key>f</Key>}
                </Button>
              </div>
            </li>
          );
        })}
      </ul>
      <Since {...{ zone, now }} after={around.after} />
    </aside>
  );
}
