"use client";
import { clsx } from "clsx";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { formatGradeSpan } from "@/core/content/grade";
import { shelfNames } from "@/core/find/format";
import { titleOf } from "@/core/resource/document";
import type { OfferLine } from "@/data/share/offers";
import type { DeskList, DeskOffer } from "@/server/share/desk";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { stepAt } from "../light-table/step-at";
import { StepTable } from "../light-table/step-table";
import { useAddress } from "../use-address";
import { DecidePanel } from "./decide-panel";
import { DeskLists } from "./desk-lists";

const keys: [keys: string[], does: string][] = [
  [["j", "k"], "next offer, the one before"],
  [["←", "→"], "the step before, the next"],
  [["c"], "side by side, next, close"],
  [["n"], "pin a note to this step"],
  [["a"], "accept"],
  [["b"], "send back"],
  [["d"], "decline"],
  [["u"], "undo"],
];

const formatWaits = (days: number): string => (days <= 0 ? "today" : days === 1 ? "yesterday" : `${days} days`);

/** Offers to the shelves curators keep: what waits, the offer itself, and what a decision needs, on one screen. */
export function DeskScreen({
  list,
  lines,
  opened,
  teaches,
  reports,
  me,
  zone,
  now,
}: {
  list: DeskList;
  /** How many reports nobody has decided about. */
  reports: number;
  lines: OfferLine[];
  opened: DeskOffer | null;
  /** She has Find, to look at what is like an offer there. */
  teaches: boolean;
  me: number;
  zone: string;
  now: Date;
}) {
  const { go, busy, parameters } = useAddress();
  /** The step both tables are at, of the offer that is open. */
  const [step, setStep] = useState<{ offer: number; at: number } | null>(null);
  const offer = opened?.offer.id ?? -1;
  const together = {
    at: step?.offer === offer ? step.at : stepAt(parameters.get("step"), opened?.document.steps.length ?? 0),
    onAt: (to: number) => setStep({ offer, at: to }),
  };
  const beside = opened?.beside ?? null;
  const at = lines.findIndex(({ id }) => id === opened?.offer.id);
  /** Where she is going while the page is on its way: the next key goes on from there. */
  const [wanted, setWanted] = useState<number | null>(null);
  const current = busy && wanted !== null ? wanted : opened?.offer.id;
  const open = (id: number) => {
    setWanted(id);
    go({ offer: id, step: null, beside: null });
  };
  const move = (by: number) => {
    const from = lines.findIndex(({ id }) => id === current);
    const next = lines[Math.max(0, Math.min(lines.length - 1, from + by))];
    if (next && next.id !== current) open(next.id);
  };
  useKeys({ j: () => move(1), k: () => move(-1) });
  return (
    <div className="flex h-full min-h-0 flex-col" aria-busy={busy}>
      <header className="flex flex-wrap items-center gap-4 border-b border-line px-5 py-3">
        <h1 className="font-serif text-[22px]">Offers to the district’s curators</h1>
        <DeskLists list={list} reports={reports} />
      </header>
      <div
        className={clsx(
          "grid min-h-0 flex-1 max-md:grid-cols-1 max-md:overflow-auto",
          beside
            ? "grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,340px)]"
            : "grid-cols-[262px_minmax(0,1fr)_minmax(0,380px)]",
        )}
      >
        <nav
          aria-label="Offers"
          className={clsx("flex min-h-0 flex-col overflow-auto border-r border-line bg-card", beside && "hidden")}
        >
          <ul>
            {lines.map((line) => (
              <li key={line.id}>
                <button
                  type="button"
                  onClick={() => open(line.id)}
                  aria-current={line.id === current || undefined}
                  className={clsx(
                    "grid w-full gap-0.5 border-b border-line px-4 py-2.5 text-left",
                    line.id === current ? "bg-shade shadow-[inset_3px_0_0_var(--ink)]" : "hover:bg-shade/60",
                  )}
                >
                  <span className="font-semibold [overflow-wrap:anywhere]">{line.title}</span>
                  <span className="text-[13px] text-ink-soft">
                    {[line.byName, line.bySchool].filter(Boolean).join(" · ")}
                  </span>
                  <span className="flex justify-between gap-2 text-[13px] text-ink-soft">
                    <span>
                      {line.changes && "changes · "}
                      {line.kind}, {line.minutes} min, grades {formatGradeSpan(line.grades)} · {shelfNames[line.shelf]}
                    </span>
                    <span className="shrink-0">
                      {list === "waiting"
                        ? formatWaits(line.waited)
                        : `${line.state} ${line.decided ? formatDay(line.decided, zone, now) : ""}`}
                    </span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
          {lines.length === 0 && (
            <p className="p-4 text-ink-soft">
              {list === "waiting" ? "Nothing is waiting. Teachers’ offers come here." : "Nothing yet."}
            </p>
          )}
          <dl className="mt-auto grid grid-cols-[4.5rem_1fr] gap-y-1 border-t border-line p-4 text-[13px] max-md:hidden">
            {keys.map(([which, does]) => (
              <div key={does} className="contents">
                <dt className="flex gap-1">
                  {which.map((key) => (
                    <Key key={key}>{key}</Key>
                  ))}
                </dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </nav>
        {opened ? (
          <>
            <article aria-labelledby="offer-title" className="flex min-h-0 flex-col">
              <header className="px-5 py-3">
                <h2 id="offer-title" className="font-serif text-[21px] leading-tight">
                  {titleOf(opened.document)}
                </h2>
                <p className="mt-1 text-[13px] text-ink-soft">
                  {[
                    opened.offer.byName,
                    opened.offer.bySchool,
                    `${opened.facts.minutes} min`,
                    `offered ${formatDay(opened.offer.at, zone, now)}`,
                    `for ${shelfNames[opened.offer.shelf]}`,
                  ]
                    .filter(Boolean)
                    .join(" · ")}
                </p>
              </header>
              <div className="min-h-0 flex-1">
                <StepTable key={opened.offer.id} document={opened.document} together={{ ...together, keys: true }} />
              </div>
            </article>
            {beside && (
              <article aria-labelledby="beside-title" className="flex min-h-0 flex-col border-l border-line">
                <header className="flex items-start gap-2 px-5 py-3">
                  <div className="min-w-0 flex-1">
                    <h2 id="beside-title" className="font-serif text-[21px] leading-tight">
                      {titleOf(beside.document)}
                    </h2>
                    <p className="mt-1 text-[13px] text-ink-soft">
                      {beside.author} · {beside.minutes} min · on {shelfNames[opened.offer.shelf]} now
                    </p>
                  </div>
                  <Button size="small" onClick={() => go({ beside: null })}>
                    Close
                  </Button>
                </header>
                <div className="min-h-0 flex-1">
                  <StepTable key={beside.id} document={beside.document} together={{ ...together, keys: false }} />
                </div>
              </article>
            )}
            <DecidePanel
              key={`${opened.offer.id} ${opened.offer.state}`}
              opened={opened}
              teaches={teaches}
              leaving={current !== opened.offer.id}
              own={opened.offer.by === me}
              next={lines[at + 1]?.id ?? lines[at - 1]?.id ?? null}
              zone={zone}
              now={now}
            />
          </>
        ) : (
          <Empty title="No offer to look at">Teachers’ offers to the district shelf and the commons wait here.</Empty>
        )}
      </div>
    </div>
  );
}
