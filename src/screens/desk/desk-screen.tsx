"use client";
import { clsx } from "clsx";
import { sayDay } from "@/core/calendar/say-moment";
import { sayGradeSpan } from "@/core/find/grade";
import { shelfNames } from "@/core/find/say";
import type { OfferLine } from "@/data/offers";
import type { DeskList, DeskOffer } from "@/server/desk";
import { Empty } from "@/ui/empty";
import { Key } from "@/ui/key";
import { useKeys } from "@/ui/keys";
import { StepTable } from "../light-table/step-table";
import { useAddress } from "../use-address";
import { DecidePanel } from "./decide-panel";
import { DeskLists } from "./desk-lists";

const keys: [keys: string[], does: string][] = [
  [["j", "k"], "next offer, the one before"],
  [["←", "→"], "the step before, the next"],
  [["n"], "pin a note to this step"],
  [["a"], "accept"],
  [["b"], "send back"],
  [["d"], "decline"],
  [["u"], "undo"],
];

const sayWaits = (days: number): string => (days <= 0 ? "today" : days === 1 ? "yesterday" : `${days} days`);

/** Offers to the shelves curators keep: what waits, the offer itself, and what a decision needs, on one screen. */
export function DeskScreen({
  list,
  lines,
  opened,
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
  me: number;
  zone: string;
  now: Date;
}) {
  const { go, busy } = useAddress();
  const at = lines.findIndex(({ id }) => id === opened?.offer.id);
  const open = (id: number) => go({ offer: id, step: null });
  const move = (by: number) => {
    const next = lines[Math.max(0, Math.min(lines.length - 1, at + by))];
    if (next && next.id !== opened?.offer.id) open(next.id);
  };
  useKeys({ j: () => move(1), k: () => move(-1) });
  return (
    <div className="flex h-full min-h-0 flex-col" aria-busy={busy}>
      <header className="flex flex-wrap items-center gap-4 border-b border-line px-5 py-3">
        <h1 className="font-serif text-[22px]">Offers to the district’s curators</h1>
        <DeskLists list={list} reports={reports} />
      </header>
      <div className="grid min-h-0 flex-1 grid-cols-[262px_minmax(0,1fr)_minmax(0,380px)] max-md:grid-cols-1 max-md:overflow-auto">
        <nav aria-label="Offers" className="flex min-h-0 flex-col overflow-auto border-r border-line bg-card">
          <ul>
            {lines.map((line) => (
              <li key={line.id}>
                <button
                  type="button"
                  onClick={() => open(line.id)}
                  aria-current={line.id === opened?.offer.id || undefined}
                  className={clsx(
                    "grid w-full gap-0.5 border-b border-line px-4 py-2.5 text-left",
                    line.id === opened?.offer.id ? "bg-shade shadow-[inset_3px_0_0_var(--ink)]" : "hover:bg-shade/60",
                  )}
                >
                  <span className="font-semibold [overflow-wrap:anywhere]">{line.title}</span>
                  <span className="text-[13px] text-ink-soft">
                    {[line.byName, line.bySchool].filter(Boolean).join(" · ")}
                  </span>
                  <span className="flex justify-between gap-2 text-[13px] text-ink-soft">
                    <span>
                      {line.kind}, {line.minutes} min, grades {sayGradeSpan(line.grades)} · {shelfNames[line.shelf]}
                    </span>
                    <span className="shrink-0">
                      {list === "waiting"
                        ? sayWaits(line.waited)
                        : `${line.state} ${line.decided ? sayDay(line.decided, zone, now) : ""}`}
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
                  {opened.offer.title}
                </h2>
                <p className="mt-1 text-[13px] text-ink-soft">
                  {[
                    opened.offer.byName,
                    opened.offer.bySchool,
                    `${opened.facts.minutes} min`,
                    `offered ${sayDay(opened.offer.at, zone, now)}`,
                    `for ${shelfNames[opened.offer.shelf]}`,
                  ]
                    .filter(Boolean)
                    .join(" · ")}
                </p>
              </header>
              <div className="min-h-0 flex-1">
                <StepTable key={opened.offer.id} document={opened.document} />
              </div>
            </article>
            <DecidePanel
              key={`${opened.offer.id} ${opened.offer.state}`}
              opened={opened}
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
