"use client";
import { stepTitle } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import type { TextChange } from "@/core/resource/texts";
import type { ReactNode } from "react";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";

/** Where a change stands, in words. */
export function whereIn(document: Document, { step }: Pick<TextChange, "step">): string {
  const nth = document.steps.findIndex(({ id }) => id === step);
  return nth < 0 ? "about the whole" : `step ${nth + 1}, ${stepTitle(document.steps[nth]!, document.languages)}`;
}

const AROUND = 70; // letters on either side: the change is found at a glance

/** Two long sentences where they begin to differ. */
function nearChange(before: string, after: string): [string, string] {
  let first = 0;
  while (first < before.length && before[first] === after[first]) first += 1;
  let last = 0;
  while (last < Math.min(before.length, after.length) - first && before.at(-1 - last) === after.at(-1 - last))
    last += 1;
  const near = (text: string) => {
    const start = first > AROUND ? text.indexOf(" ", first - AROUND) + 1 : 0;
    const ends = text.length - last + AROUND;
    const end = ends < text.length ? text.indexOf(" ", ends) : -1;
    return `${start > 0 ? "… " : ""}${text.slice(start, end < 0 ? undefined : end)}${end < 0 ? "" : " …"}`;
  };
  return [near(before), near(after)];
}

/** A proposed change in its sentence: as it is, and as it would be. One nobody can say but she has no box to tick. */
export function ChangeLine({
  change,
  chosen,
  note,
  place,
  onChosen,
}: {
  change: TextChange;
  chosen: boolean;
  /** What is to be said beside it. */
  note?: string | false;
  place: string;
  onChosen: (chosen: boolean) => void;
}) {
  const { from, to } = change;
  const [before, after] = to === null ? [change.before, change.after] : nearChange(change.before, change.after);
  // A whole sentence is said once, below.
  const short = from.length <= 60;
  return (
    <li className="flex items-start gap-3 border-b border-line px-4 py-2 text-[14px]">
      {to === null ? (
        <span className="w-4 shrink-0" />
      ) : (
        <Checkbox label={`${from} becomes ${to}`} checked={chosen} onChange={onChosen} />
      )}
      <div className="min-w-0 flex-1 [overflow-wrap:anywhere]">
        <p>
          {short && <strong>{from}</strong>}
          {short && to !== null && (
            <>
              {" "}
              → <strong>{to}</strong>
            </>
          )}
          {note && (
            <span className="text-ink-soft">
              {short && (to === null ? " " : " · ")}
              {note}
            </span>
          )}
        </p>
        {(before !== from || !short) && <p className="text-[13px] text-ink-soft">{before}</p>}
        {before !== from && to !== null && <p className="text-[13px]">{after}</p>}
      </div>
      <span className="shrink-0 text-[12px] text-ink-soft">{place}</span>
    </li>
  );
}

/** Changes of one kind below a heading that stays in sight, with a press for all of them. `press`: none where nothing can be ticked. */
export function ChangeGroup({
  kind,
  name,
  count,
  press,
  children,
}: {
  kind: string;
  name: string;
  count: number;
  press: { text: string; all: boolean; onPress: () => void } | null;
  children: ReactNode;
}) {
  return (
    <section aria-labelledby={`kind-${kind}`} className="mb-2">
      <h2
        id={`kind-${kind}`}
        className="sticky top-0 z-10 flex items-center gap-3 border-b border-line bg-paper px-4 py-1.5 font-semibold"
      >
        {name} <span className="numbers font-normal text-ink-soft">{count}</span>
        {press && (
          <Button size="small" aria-pressed={press.all} onClick={press.onPress}>
            {press.all ? "None of these" : press.text}
          </Button>
        )}
      </h2>
      <ul>{children}</ul>
    </section>
  );
}
