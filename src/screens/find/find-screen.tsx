"use client";
import { clsx } from "clsx";
import { QueryClientProvider } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { askedAddress, askedFrom, startsHere, tableAddress, type Answered } from "@/core/find/asked";
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
import { idFrom, idsFrom } from "@/core/ids";
import { formatGradeSpan } from "@/core/content/grade";
import { formatBlank, formatCount } from "@/core/find/format";
import { MOST_SHOWN } from "@/core/find/order";
import type { AssignContext } from "@/server/assign/assign-context";
import type { Results } from "@/server/find/find-page";
import type { LightTableData } from "@/server/find/light-table";
import type { WhoFor } from "@/server/find/who-for";
import type { StartData } from "@/server/find/start-page";
import { PrintedList } from "@/ui/printed-list";
import { BackToList } from "@/ui/back-to-list";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { KeysAwake, useKeys, useKeysLater } from "@/ui/keys";
import { holdKeys } from "@/ui/keys-ahead";
import { LightTable } from "../light-table/light-table";
import { openOnTable } from "../shell/opened";
import { AddressOfParts, useAddress } from "../use-address";
import { partsClient, useAnswer } from "../use-answer";
import { CompareTray } from "./compare-tray";
import { SaveSearch } from "./save-search";
import { NeedLine } from "./need-line";
import { LinesHead, ResultLines } from "./result-lines";
import { StartPage } from "./start-page";
import { Trail } from "./trail";
import { ForThese } from "./for-these";
import { UnderstoodWords } from "./understood-words";

const needNames = ["words", "kind", "grades", "subject", "minutes", "shelf", ...alsoBlanks] as const;

/** What lies there only as the first of the results waits until nothing more is typed. */
const TABLE_AFTER_MS = 120;

export interface FindScreenProps {
  results: Answered<Results>;
  /** The value is null when that is not there, or not hers to see. */
  table: Answered<LightTableData | null>;
  /** For somebody who has no words yet; shown until something is looked for or opened. */
  start: Answered<StartData | null>;
  assign: AssignContext;
  /** Children it is for, because of a result. */
  these: WhoFor | null;
  locale: string;
}

export function FindScreen(props: FindScreenProps) {
  const [client] = useState(partsClient);
  return (
    <QueryClientProvider client={client}>
      <AddressOfParts>
        <Find {...props} />
      </AddressOfParts>
    </QueryClientProvider>
  );
}

function Find(props: FindScreenProps) {
  const { assign, these, locale } = props;
  const { go, parameters } = useAddress();
  // What she has chosen, also while the answer is still under way: the next choice builds on it, none is lost.
  const asked = askedFrom(Object.fromEntries(parameters));
  const { need, sort, limit } = asked;
  const results = useAnswer<Results>("/find/results", askedAddress(asked), props.results);
  const { answer, waiting } = results;
  const { found, saved } = answer.value;
  const answered = answer.value.asked.need;
  const { hits, counts, corrected, names } = found;
  const chosen = idFrom(parameters.get("open"));
  const atStart = startsHere(asked, chosen);
  const selected = atStart ? undefined : (chosen ?? hits[0]?.id);
  const { answer: table, waiting: fetching } = useAnswer(
    "/find/table",
    // Which is the first is known when the results have come.
    waiting && chosen === undefined ? undefined : tableAddress(selected, chosen !== undefined),
    props.table,
    chosen === undefined ? TABLE_AFTER_MS : 0,
  );
  const { answer: start } = useAnswer("/find/start", atStart ? "" : null, props.start);
  const opened = table.value;
  // Until what is chosen has arrived, keys are not meant for what still lies there.
  const onItsWay = (waiting && chosen === undefined) || fetching;
  const late = (waiting && chosen === undefined) || (opened?.resource.id !== selected && (fetching || opened !== null));
  // A lesson pressed now gets what was found, whether or not it is there to be looked at already.
  useEffect(() => (selected === undefined ? undefined : openOnTable(selected)), [selected]);
  const keysAwake = useRef(true);
  useEffect(() => {
    keysAwake.current = !late;
  }, [late]);
  const forgetKeys = useKeysLater(
    late && onItsWay && !atStart,
    ["p", "P", "e", "a", "w", "ArrowLeft", "ArrowRight"],
    // Assigning begins with a line to type: what follows the key is for it.
    (key) => key === "a" && holdKeys(),
  );
  const since = Number(parameters.get("mark")) || null;
  const compare = idsFrom(parameters.get("compare")).slice(-MOST_COMPARED);
  const wordsBox = useRef<HTMLInputElement>(null);
  // Versions of one thing are one line, and so are most look-alikes.
  const stoodFor = hits.reduce((sum, hit) => sum + (hit.folded ? 0 : hit.versions + hit.alike), 0);

  const change = (next: Need, byTyping = false, since: Date | null = null) => {
    const said = needToParameters(next);
    const fields = Object.fromEntries(needNames.map((name) => [name, said.get(name)]));
    const cleared = { open: null, step: null, do: null, show: null, unfold: null, alike: null };
    forgetKeys();
    results.ask(askedAddress({ ...asked, need: next, limit: 0, unfolded: 0, alike: 0 }));
    // Typing the same need again leaves the marks of what is new.
    const same = said.toString() === needToParameters(need).toString();
    const marks = since ? since.getTime() : same ? parameters.get("mark") : null;
    go({ ...fields, ...cleared, mark: marks }, byTyping ? "typed" : "push");
  };
  const open = (id: number) => {
    forgetKeys();
    go({ open: id, step: null, do: null });
  };
  const move = (by: number) => {
    const at = hits.findIndex((hit) => hit.id === selected);
    const next = hits[Math.max(0, Math.min(hits.length - 1, at + by))];
    if (next) open(next.id);
  };
  const toggleCompare = (id: number | undefined) => {
    if (id === undefined) return;
    const next = compare.includes(id) ? compare.filter((one) => one !== id) : [...compare, id].slice(-MOST_COMPARED);
    go({ compare: next.length > 0 ? next.join(",") : null });
  };
  useKeys({
    "/": () => wordsBox.current?.focus(),
    j: () => move(1),
    k: () => move(-1),
    c: () => toggleCompare(selected),
  });

  // On a narrow screen there is room for one of the two: the list, or what was chosen from it.
  const narrowTable = chosen !== undefined || parameters.get("do") === "assign";
  const without = (left: readonly Blank[]) => change(withoutBlanks(need, found.need, left));
  return (
    <div className="flex h-full flex-col print:block">
      <PrintedList
        title={
          blanks
            .filter((blank) => isFilled(answered, blank))
            .map((blank) => formatBlank(answered, blank, names))
            .join(", ") || "Find"
        }
        about={`${formatCount(counts.total, locale)} in all`}
        heads={["What", "By", "Grades", "Minutes", "Used here"]}
        lines={() =>
          hits.map(({ id, facts, author, usedHere }) => ({
            id,
            cells: [facts.title, author, formatGradeSpan(facts.grades), facts.minutes, usedHere || ""],
          }))
        }
      />
      <div
        className={clsx(
          "print:hidden border-b border-line px-5 pt-3 pb-2.5 max-md:px-3",
          narrowTable && "max-md:hidden",
        )}
      >
        {these && parameters.has("for") && <ForThese {...these} />}
        <NeedLine
          need={need}
          facets={counts.facets}
          total={counts.total}
          locale={locale}
          names={names}
          wordsBox={wordsBox}
          onTyping={results.breakOff}
          onChange={change}
        />
        <div className="mt-1 flex min-h-5 items-center gap-4 max-md:flex-wrap max-md:gap-y-1">
          <Trail
            trail={counts.trail}
            need={formatAsTyped(found.need, answered)}
            locale={locale}
            names={names}
            onBack={(kept) => without(blanks.filter((blank) => !kept.includes(blank)))}
          />
          <UnderstoodWords
            says={found.says}
            corrected={corrected}
            typed={answered.words.trim()}
            onWords={(words) => change({ ...need, words })}
          />
          <span className="ml-auto flex shrink-0 items-center gap-4">
            <SaveSearch
              need={answered}
              says={blanks
                .filter((blank) => isFilled(answered, blank))
                .map((blank) => formatBlank(answered, blank, names))
                .join(", ")}
              saved={saved}
            />
            <CompareTray ids={compare} onClear={() => go({ compare: null })} />
          </span>
        </div>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,560fr)_minmax(0,720fr)] max-md:grid-cols-1 print:hidden">
        <section
          aria-label="What was found"
          aria-busy={waiting}
          className={clsx("flex min-h-0 flex-col border-r border-line bg-card", narrowTable && "max-md:hidden")}
        >
          <LinesHead
            sort={sort}
            byFit={assign.current !== null}
            onSort={(next) => go({ sort: next === "best" ? null : next, open: null }, "push")}
          />
          {hits.length > 0 ? (
            <ResultLines
              hits={hits}
              selected={selected ?? null}
              late={waiting}
              onOpen={open}
              home={assign.country}
              inTheWay={found.inTheWay}
              compared={compare}
              since={since}
              onUnfold={(family) => go({ unfold: family })}
              onAlike={(leader) => go({ alike: leader })}
            >
              {stoodFor < counts.total && (
                <p className="p-3 text-center text-[13px] text-ink-soft">
                  {formatCount(stoodFor, locale)} of {formatCount(counts.total, locale)} shown.{" "}
                  {hits.length >= limit && limit < MOST_SHOWN ? (
                    <Button size="small" onClick={() => go({ show: limit + 80 })}>
                      Show more
                    </Button>
                  ) : (
                    "Fill another blank to see the rest."
                  )}
                </p>
              )}
            </ResultLines>
          ) : (
            <NothingFound
              found={found}
              need={formatAsTyped(found.need, answered)}
              onLeave={(blank) => without([blank])}
              locale={locale}
            />
          )}
        </section>
        <section
          aria-label="Light table"
          aria-busy={late}
          className={clsx("flex min-h-0 flex-col", !narrowTable && !atStart && "max-md:hidden")}
        >
          <BackToList shown={narrowTable} onBack={() => go({ open: null, do: null, step: null })}>
            results
          </BackToList>
          {atStart ? (
            start.value && (
              <StartPage
                data={start.value}
                zone={assign.zone}
                now={assign.now}
                onNeed={(address, since) =>
                  change(needFromParameters(Object.fromEntries(new URLSearchParams(address))), false, since)
                }
                onOpen={open}
              />
            )
          ) : opened ? (
            <KeysAwake value={keysAwake}>
              <LightTable key={opened.resource.id} data={opened} assign={assign} />
            </KeysAwake>
          ) : onItsWay ? null : selected !== undefined ? (
            <Empty title="This is not here">
              It was removed, or you do not have access to it. Choose another line.
            </Empty>
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
const formatAsTyped = (read: Need, typed: Need): Need => ({ ...read, words: typed.words });

function NothingFound({
  found,
  need,
  onLeave,
  locale,
}: {
  found: Results["found"];
  need: Need;
  onLeave: (blank: Blank) => void;
  locale: string;
}) {
  return (
    <Empty title="No results for all of this">
      <p>Try without one of these:</p>
      <ul className="grid gap-2">
        {found.loosen.map(({ blank, left }) => (
          <li key={blank} className="flex items-center justify-center gap-3">
            <Button
              className="!shrink min-w-0 max-w-72"
              title={formatBlank(need, blank, found.names)}
              onClick={() => onLeave(blank)}
            >
              <span className="truncate">{formatBlank(need, blank, found.names)}</span>
            </Button>
            <span className="numbers">{left === 0 ? "still nothing" : `gives ${formatCount(left, locale)}`}</span>
          </li>
        ))}
      </ul>
    </Empty>
  );
}
