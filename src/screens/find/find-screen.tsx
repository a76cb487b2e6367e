"use client";
import { useOptimistic, useRef, useState } from "react";
import { anyNeed, blanks, emptied, needToParameters, sayBlank, type Blank, type Need } from "@/core/find/need";
import type { Sort } from "@/data/search";
import type { AssignContext } from "@/server/assign-context";
import type { Found } from "@/server/find";
import type { LightTableData } from "@/server/light-table";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { LightTable } from "../light-table/light-table";
import { useAddress } from "../use-address";
import { NeedLine } from "./need-line";
import { LinesHead, ResultLines } from "./result-lines";
import { Trail } from "./trail";

const needNames = ["words", "kind", "grades", "subject", "minutes", "shelf"] as const;

export interface FindScreenProps {
  need: Need;
  found: Found;
  sort: Sort;
  limit: number;
  opened: LightTableData | null;
  /** The id in the address, or the first result: `opened` is null when that is not hers to see. */
  wanted: number | null;
  assign: AssignContext;
  locale: string;
}

export function FindScreen({ need: answered, found, sort, limit, opened, wanted, assign, locale }: FindScreenProps) {
  const { go, busy } = useAddress();
  // What she has chosen, also while the answer is still under way: the next choice builds on it, none is lost.
  const [need, want] = useOptimistic(answered);
  const wordsBox = useRef<HTMLInputElement>(null);
  const { hits, counts, corrected } = found;
  const [picked, setPicked] = useState<number | null>(null);
  // A line is marked at once when chosen, before its light table has arrived.
  const selected = busy && picked !== null ? picked : (opened?.resource.id ?? null);

  const change = (next: Need, typing = false) => {
    const parameters = needToParameters(next);
    const fields = Object.fromEntries(needNames.map((name) => [name, parameters.get(name)]));
    go({ ...fields, open: null, step: null, do: null, show: null }, !typing, () => want(next));
  };
  const open = (id: number) => {
    setPicked(id);
    go({ open: id, step: null, do: null });
  };
  const move = (by: number) => {
    const at = hits.findIndex((hit) => hit.id === selected);
    const next = hits[Math.max(0, Math.min(hits.length - 1, at + by))];
    if (!next) return;
    open(next.id);
    document
      .querySelector(`[aria-label="Results"] > li:nth-child(${hits.indexOf(next) + 1})`)
      ?.scrollIntoView({ block: "nearest" });
  };
  useKeys({ "/": () => wordsBox.current?.focus(), j: () => move(1), k: () => move(-1) });

  const keepOnly = (kept: Blank[]) => change(blanks.filter((blank) => !kept.includes(blank)).reduce(emptied, need));
  return (
    <div className="flex h-full flex-col">
      <div className="border-b border-line px-5 pt-3 pb-2.5">
        <NeedLine
          need={need}
          facets={counts.facets}
          total={counts.total}
          locale={locale}
          wordsBox={wordsBox}
          onChange={change}
        />
        <div className="mt-1 flex min-h-5 items-center gap-4">
          <Trail trail={counts.trail} need={answered} locale={locale} onBack={keepOnly} />
          {corrected && (
            <p className="text-[13px]" role="status">
              Nothing says “{answered.words.trim()}”. These say <strong>{corrected}</strong>.{" "}
              <button
                type="button"
                className="font-semibold text-green underline"
                onClick={() => change({ ...need, words: corrected })}
              >
                Take it over
              </button>
            </p>
          )}
        </div>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,560fr)_minmax(0,720fr)]">
        <section
          aria-label="What was found"
          aria-busy={busy}
          className="flex min-h-0 flex-col border-r border-line bg-card"
        >
          <LinesHead sort={sort} onSort={(next) => go({ sort: next === "best" ? null : next, open: null }, true)} />
          <div className="min-h-0 flex-1 overflow-auto">
            {hits.length > 0 ? (
              <>
                <ResultLines hits={hits} selected={selected} onOpen={open} />
                {hits.length < counts.total && (
                  <p className="p-3 text-center text-[13px] text-ink-soft">
                    {hits.length} of {counts.total.toLocaleString(locale)} shown.{" "}
                    {limit < 800 ? (
                      <Button size="small" onClick={() => go({ show: limit + 80 })}>
                        Show more
                      </Button>
                    ) : (
                      "Fill another blank to see the rest."
                    )}
                  </p>
                )}
              </>
            ) : (
              <NothingFound need={answered} change={change} />
            )}
          </div>
        </section>
        <section aria-label="Light table" className="min-h-0">
          {opened ? (
            <LightTable key={opened.resource.id} data={opened} assign={assign} />
          ) : wanted !== null ? (
            <Empty title="This is not here">It was taken away, or it is not yours to see. Choose another line.</Empty>
          ) : (
            <Empty title="Nothing to look at yet">What you choose in the list opens here.</Empty>
          )}
        </section>
      </div>
    </div>
  );
}

function NothingFound({ need, change }: { need: Need; change: (need: Need) => void }) {
  const filled = blanks.filter(
    (blank) => emptied(need, blank) !== need && sayBlank(need, blank) !== sayBlank(anyNeed, blank),
  );
  return (
    <Empty title="Nothing fits all of this">
      <p>Leave one of these open:</p>
      <span className="flex flex-wrap justify-center gap-2">
        {filled.map((blank) => (
          <Button key={blank} onClick={() => change(emptied(need, blank))}>
            {sayBlank(need, blank)}
          </Button>
        ))}
      </span>
    </Empty>
  );
}
