"use client";
import { useVirtualizer } from "@tanstack/react-virtual";
import { ArrowDown } from "lucide-react";
import { clsx } from "clsx";
import { useEffect, useRef, type ReactNode } from "react";
import { formatVersions } from "@/core/find/format";
import { COMMONS, DISTRICT, SATCHEL, STAFFROOM } from "@/core/find/facets";
import { formatGradeSpan, formatReadingGrade } from "@/core/content/grade";
import type { LineFacts } from "@/core/resource/facts";
import type { Activity } from "@/core/content/vocabulary";
import type { Sort } from "@/core/find/order";
import type { FoundLine } from "@/server/find/find-page";
import { countryName, type Country } from "@/core/locale/names";
import { Grip } from "../shell/grip";
import { Line, lineColumns } from "@/ui/line";
import { ActivityIcon } from "../step/activity-icon";

const columns: { sort: Sort; text: string; className: string }[] = [
  { sort: "title", text: "What", className: "text-left" },
  { sort: "grades", text: "Grades", className: "text-left" },
  { sort: "minutes", text: "Min", className: "text-right" },
  { sort: "reading", text: "Reads at", className: "text-right" },
  { sort: "used", text: "Used here", className: "text-right" },
];

/** What students do, each once, in the order it first comes; at most four. */
export function Doing({ doing }: { doing: readonly Activity[] }) {
  const distinct = [...new Set(doing)];
  const shown = distinct.length > 4 ? distinct.slice(0, 3) : distinct;
  return (
    <span className="flex gap-1 text-ink-soft">
      {shown.map((activity) => (
        <ActivityIcon key={activity} activity={activity} name />
      ))}
      {distinct.length > shown.length && <span className="text-[12px]">+{distinct.length - shown.length}</span>}
    </span>
  );
}

export function FactCells({ facts }: { facts: LineFacts }) {
  return (
    <>
      <Doing doing={facts.doing} />
      <span className="numbers">{formatGradeSpan(facts.grades)}</span>
      <span className="numbers text-right">{facts.minutes}</span>
      <span
        className={clsx(
          "numbers text-right",
          facts.readingGrade !== null && facts.readingGrade > facts.grades.to + 1 && "font-semibold text-clay",
        )}
      >
        {facts.readingGrade === null ? "–" : formatReadingGrade(facts.readingGrade)}
        {facts.readingGrade !== null && facts.languages[0] !== "en" && (
          <span className="text-[11px]"> {facts.languages[0]}</span>
        )}
      </span>
    </>
  );
}

/** `last` names the last column where it is not how often a thing was used here. */
export function LinesHead({
  sort,
  onSort,
  byFit = false,
  last,
}: {
  sort: Sort | null;
  onSort?: (sort: Sort) => void;
  /** Whether there is a class to order by fit for. */
  byFit?: boolean;
  last?: string;
}) {
  const heading = (column: (typeof columns)[number]) =>
    onSort ? (
      <button
        key={column.sort}
        type="button"
        aria-pressed={sort === column.sort}
        onClick={() => onSort(sort === column.sort ? "best" : column.sort)}
        className={clsx(
          "whitespace-nowrap hover:text-ink",
          column.className,
          sort === column.sort && "font-semibold text-ink",
        )}
      >
        {column.text}
        {sort === column.sort && <ArrowDown size={11} aria-label="sorted" className="ml-0.5 inline" />}
      </button>
    ) : (
      <span key={column.sort} className={clsx("whitespace-nowrap", column.className)}>
        {column.sort === "used" ? (last ?? column.text) : column.text}
      </span>
    );
  const [what, ...rest] = columns;
  return (
    <div
      className={clsx(lineColumns, "h-7 shrink-0 border-b border-line bg-shade pr-3 pl-4 text-[12px] text-ink-soft")}
    >
      <span className="flex gap-3">
        {heading(what!)}
        {onSort && byFit && heading({ sort: "fit", text: "Fit", className: "text-left" })}
      </span>
      <span>Students</span>
      {rest.map(heading)}
    </div>
  );
}

function formatShelf(reach: number): string {
  if (reach & STAFFROOM) return "Staffroom";
  if (reach & DISTRICT) return "District";
  return reach & COMMONS ? "Commons" : "only mine";
}

/** Nothing is taller than three of these; what is not in sight is reckoned with one. */
const LINE_HEIGHT = 54;

/** The lines, of which only those in sight are there, and what follows the last. */
export function ResultLines({
  hits,
  selected,
  late,
  onOpen,
  inTheWay,
  home,
  compared,
  since,
  onUnfold,
  onAlike,
  children,
}: {
  hits: readonly FoundLine[];
  selected: number | null;
  /** These lines answer an earlier question, others are on their way. */
  late: boolean;
  onOpen: (id: number) => void;
  /** By resource: what would spoil the lesson for the class chosen. */
  inTheWay: Readonly<Record<number, string>>;
  /** Her country: what is made for another says so. */
  home: Country;
  compared: readonly number[];
  /** What became findable after this moment is marked as new. */
  since: number | null;
  onUnfold: (family: number | null) => void;
  /** Look-alikes by their leader: on lines of their own, or folded again. */
  onAlike: (leader: number | null) => void;
  children: ReactNode;
}) {
  const unfolded = hits.find((hit) => hit.folded && hit.family !== 0)?.family;
  const alikeOpen = hits.find((hit) => hit.folded && hit.leader !== hit.id)?.leader;
  const box = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state by design
  const lines = useVirtualizer({
    count: hits.length,
    getScrollElement: () => box.current,
    getItemKey: (at) => hits[at]!.id,
    estimateSize: () => LINE_HEIGHT,
    overscan: 5,
    // What the server sends is as long as the window is likely to be.
    initialRect: { width: 560, height: 600 },
  });
  const foreignTo = ({ facts: { country } }: FoundLine) =>
    country === "any" || country === home ? null : `for ${countryName(country)}`;
  const at = hits.findIndex((hit) => hit.id === selected);
  // Brought into sight when it is chosen, and left alone when the list around it becomes another; but not into that of a
  // list which is about to go, as after coming back from another page.
  const broughtHere = useRef<number | null>(null);
  useEffect(() => {
    if (at < 0 || late || broughtHere.current === selected) return;
    broughtHere.current = selected;
    lines.scrollToIndex(at, { align: "auto" });
  }, [at, selected, late, lines]);
  const rows = lines.getVirtualItems();
  const [above, below] = [rows[0]?.start ?? 0, lines.getTotalSize() - (rows.at(-1)?.end ?? 0)];
  const line = (hit: FoundLine, at: number) => (
    <Line
      key={hit.id}
      place={{ at, of: hits.length, measure: lines.measureElement }}
      title={hit.facts.title}
      fromText={[inTheWay[hit.id], foreignTo(hit), hit.author, formatShelf(hit.reach)].filter(Boolean).join(" · ")}
      from={
        <>
          {since !== null && hit.fresh.getTime() > since && <strong className="text-green">new · </strong>}
          {/* What would be a reason not to take it comes first: the rest of the line may be cut off. */}
          {inTheWay[hit.id] && <span className="text-clay">{inTheWay[hit.id]} · </span>}
          {foreignTo(hit) && `${foreignTo(hit)} · `}
          {compared.includes(hit.id) && "to compare · "}
          {hit.mine ? "mine" : hit.author} · {formatShelf(hit.reach)}
        </>
      }
      after={
        (hit.versions > 1 || hit.alike > 0) &&
        !hit.folded && (
          <span className="flex gap-3 text-[12px] text-slate">
            {hit.versions > 1 && (
              <button
                type="button"
                aria-expanded={unfolded === hit.family}
                onClick={() => onUnfold(unfolded === hit.family ? null : hit.family)}
                className="hover:underline"
              >
                {formatVersions(hit)}
              </button>
            )}
            {hit.alike > 0 && (
              <button
                type="button"
                aria-expanded={alikeOpen === hit.leader}
                onClick={() => onAlike(alikeOpen === hit.leader ? null : hit.leader)}
                className="hover:underline"
              >
                {hit.alike} more like this
              </button>
            )}
          </span>
        )
      }
      before={
        <span className="-mr-3 -ml-4">
          <Grip id={hit.id} title={hit.facts.title} />
        </span>
      }
      indented={hit.folded}
      mine={(hit.reach & SATCHEL) !== 0}
      selected={hit.id === selected}
      onOpen={() => onOpen(hit.id)}
    >
      <FactCells facts={hit.facts} />
      <span className="numbers text-right">{hit.usedHere > 0 ? `${hit.usedHere}×` : "–"}</span>
    </Line>
  );
  return (
    <div ref={box} className="min-h-0 flex-1 overflow-auto">
      <ul aria-label="Results" style={{ paddingTop: above, paddingBottom: below }}>
        {rows.map(({ index }) => line(hits[index]!, index))}
      </ul>
      {children}
    </div>
  );
}
