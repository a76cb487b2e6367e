"use client";
import { useOptimistic, useRef, useState } from "react";
import { MOST_COMPARED } from "@/core/find/compare";
import {
  alsoBlanks,
  blanks,
  emptied,
  isFilled,
  needFromParameters,
  needToParameters,
  type Blank,
  type Need,
} from "@/core/find/need";
import { sayBlank, sayCount } from "@/core/find/say";
import { MOST_SHOWN, type Sort } from "@/core/find/order";
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
import { CompareTray } from "./compare-tray";
import { KeepNeed } from "./keep-need";
import { StartPage } from "./start-page";
import { Trail } from "./trail";
import type { StartData } from "@/server/start-page";

const needNames = ["words", "kind", "grades", "subject", "minutes", "shelf", ...alsoBlanks] as const;

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
  /** For somebody who has no words yet; shown until something is looked for or opened. */
  start: StartData | null;
  compare: number[];
  saved: boolean;
}

export function FindScreen(props: FindScreenProps) {
  const { need: answered, found, sort, limit, opened, wanted, assign, locale, start, saved } = props;
  // Kept here too: a second choice is not lost while the first is still on its way to the address.
  const [compare, setCompare] = useState(props.compare);
  const { go, busy, parameters } = useAddress();
  const since = Number(parameters.get("since")) || null;
  // What she has chosen, also while the answer is still under way: the next choice builds on it, none is lost.
  const [need, want] = useOptimistic(answered);
  const wordsBox = useRef<HTMLInputElement>(null);
  const { hits, counts, corrected, names } = found;
  // Versions of one thing are one line.
  const stoodFor = hits.reduce((sum, hit) => sum + (hit.folded ? 0 : hit.versions), 0);
  const [picked, setPicked] = useState<number | null>(null);
  // A line is marked at once when chosen, before its light table has arrived.
  const selected = busy && picked !== null ? picked : (opened?.resource.id ?? null);

  const change = (next: Need, typing = false, since: Date | null = null) => {
    const said = needToParameters(next);
    const fields = Object.fromEntries(needNames.map((name) => [name, said.get(name)]));
    const cleared = { open: null, step: null, do: null, show: null, unfold: null };
    go({ ...fields, ...cleared, since: since && since.getTime() }, !typing, () => want(next));
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
  const toggleCompare = (id: number | null) => {
    if (id === null) return;
    const next = compare.includes(id) ? compare.filter((one) => one !== id) : [...compare, id].slice(-MOST_COMPARED);
    setCompare(next);
    go({ compare: next.length > 0 ? next.join(",") : null });
  };
  const clearCompare = () => {
    setCompare([]);
    go({ compare: null });
  };
  useKeys({
    "/": () => wordsBox.current?.focus(),
    j: () => move(1),
    k: () => move(-1),
    c: () => toggleCompare(selected),
  });

  const without = (left: readonly Blank[]) => change(withoutBlanks(need, found.need, left));
  return (
    <div className="flex h-full flex-col">
      <div className="border-b border-line px-5 pt-3 pb-2.5">
        <NeedLine
          need={need}
          facets={counts.facets}
          total={counts.total}
          locale={locale}
          names={names}
          wordsBox={wordsBox}
          onChange={change}
        />
        <div className="mt-1 flex min-h-5 items-center gap-4">
          <Trail
            trail={counts.trail}
            need={sayAsTyped(found.need, answered)}
            locale={locale}
            names={names}
            onBack={(kept) => without(blanks.filter((blank) => !kept.includes(blank)))}
          />
          {found.says.length > 0 && (
            <p className="truncate text-[13px] text-ink-soft" role="status" title={found.says.join(" ")}>
              {found.says.join(" ")}
            </p>
          )}
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
          <span className="ml-auto flex shrink-0 items-center gap-4">
            <KeepNeed
              need={answered}
              says={blanks
                .filter((blank) => isFilled(answered, blank))
                .map((blank) => sayBlank(answered, blank, names))
                .join(", ")}
              saved={saved}
            />
            <CompareTray ids={compare} onClear={clearCompare} />
          </span>
        </div>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,560fr)_minmax(0,720fr)]">
        <section
          aria-label="What was found"
          aria-busy={busy}
          className="flex min-h-0 flex-col border-r border-line bg-card"
        >
          <LinesHead
            sort={sort}
            byFit={assign.current !== null}
            onSort={(next) => go({ sort: next === "best" ? null : next, open: null }, true)}
          />
          <div className="min-h-0 flex-1 overflow-auto">
            {hits.length > 0 ? (
              <>
                <ResultLines
                  hits={hits}
                  selected={selected}
                  onOpen={open}
                  inTheWay={found.inTheWay}
                  compared={compare}
                  since={since}
                  onUnfold={(family) => go({ unfold: family })}
                />
                {stoodFor < counts.total && (
                  <p className="p-3 text-center text-[13px] text-ink-soft">
                    {sayCount(stoodFor, locale)} of {sayCount(counts.total, locale)} shown.{" "}
                    {hits.length >= limit && limit < MOST_SHOWN ? (
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
              <NothingFound
                found={found}
                need={sayAsTyped(found.need, answered)}
                onLeave={(blank) => without([blank])}
                locale={locale}
              />
            )}
          </div>
        </section>
        <section aria-label="Light table" className="min-h-0">
          {start ? (
            <StartPage
              data={start}
              onNeed={(address, since) =>
                change(needFromParameters(Object.fromEntries(new URLSearchParams(address))), false, since)
              }
              onOpen={open}
            />
          ) : opened ? (
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

/** What fills a blank may have been said in the words ("grade 4"): to empty it, the words as they were read are taken. */
const withoutBlanks = (typed: Need, read: Need, left: readonly Blank[]): Need => {
  const inWords = left.some((blank) => blank !== "words" && !isFilled(typed, blank) && isFilled(read, blank));
  return left.reduce(emptied, inWords ? { ...typed, words: read.words } : typed);
};

/** The trail says the words as she typed them, and the blanks as they were read. */
const sayAsTyped = (read: Need, typed: Need): Need => ({ ...read, words: typed.words });

function NothingFound({
  found,
  need,
  onLeave,
  locale,
}: {
  found: Found;
  need: Need;
  onLeave: (blank: Blank) => void;
  locale: string;
}) {
  return (
    <Empty title="Nothing fits all of this">
      <p>Leave one of these open:</p>
      <ul className="grid gap-2">
        {found.loosen.map(({ blank, left }) => (
          <li key={blank} className="flex items-center justify-center gap-3">
            <Button onClick={() => onLeave(blank)}>{sayBlank(need, blank, found.names)}</Button>
            <span className="numbers">{left === 0 ? "still nothing" : `brings back ${sayCount(left, locale)}`}</span>
          </li>
        ))}
      </ul>
    </Empty>
  );
}
