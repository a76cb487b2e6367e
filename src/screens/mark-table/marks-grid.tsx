"use client";
import { clsx } from "clsx";
import { ArrowDown, ArrowUp } from "lucide-react";
import { Link } from "@/ui/link";
import { formatDay } from "@/core/calendar/format-moment";
import { formatPercent } from "@/core/results/format-percent";
import type { Got, MarkColumn, MarkRow } from "@/core/results/mark-table";
import { Menu, MenuItem } from "@/ui/menu";

const weights = [0, 50, 100, 150, 200, 300];
const cellClasses = "border-b border-line px-2 py-1 text-center";

export interface MarkSort {
  by: "name" | "total";
  down: boolean;
}

const said = { missing: "–", "to come": "", "not read": "to mark", excused: "excused" } as const;
const saidLong = {
  missing: "not handed in",
  "to come": "not due yet",
  "not read": "not marked yet",
  excused: "excused",
} as const;

function Cell({
  row,
  column,
  onAnswers,
  onExcuse,
}: {
  row: MarkRow;
  column: MarkColumn;
  onAnswers: (row: MarkRow, column: MarkColumn) => void;
  onExcuse: (row: MarkRow, column: MarkColumn, excused: boolean) => void;
}) {
  const { work } = column;
  const got: Got | undefined = row.cells[work.id];
  if (!got) return <td className={clsx(cellClasses, "bg-shade/50")} title="does not have it" />;
  const dropped = row.dropped.includes(work.id);
  const marks = got.kind === "marks";
  const text = marks ? formatPercent(got.gained / got.outOf) : said[got.kind];
  const long = marks
    ? `${got.gained} of ${got.outOf}${dropped ? ", among the lowest: left out" : ""}`
    : saidLong[got.kind];
  return (
    <td className={cellClasses}>
      <Menu
        align="start"
        trigger={
          <button
            type="button"
            title={long}
            aria-label={`${row.student.name}, ${work.title}: ${long}`}
            className={clsx(
              "numbers min-h-6 w-full rounded px-1 hover:bg-shade",
              dropped && "text-ink-soft line-through",
              !marks && "text-[12px] text-ink-soft",
            )}
          >
            {text || <span aria-hidden>·</span>}
          </button>
        }
      >
        <MenuItem onSelect={() => onAnswers(row, column)}>{row.student.name.split(" ")[0]}’s answers</MenuItem>
        <MenuItem onSelect={() => onExcuse(row, column, got.kind !== "excused")}>
          {got.kind === "excused" ? "Not excused" : "Excuse from this"}
        </MenuItem>
      </Menu>
    </td>
  );
}

/** Students by pieces of work, the total first. */
export function MarksGrid({
  rows,
  columns,
  sort,
  group,
  zone,
  now,
  onSort,
  onAnswers,
  onWeight,
  onExcuse,
}: {
  rows: readonly MarkRow[];
  columns: readonly MarkColumn[];
  sort: MarkSort;
  group: number;
  zone: string;
  now: Date;
  onSort: (by: MarkSort["by"]) => void;
  onAnswers: (row: MarkRow, column: MarkColumn) => void;
  onWeight: (column: MarkColumn, weight: number) => void;
  onExcuse: (row: MarkRow, column: MarkColumn, excused: boolean) => void;
}) {
  const head = (by: MarkSort["by"], text: string) => (
    <button type="button" className="inline-flex items-center gap-1 font-semibold" onClick={() => onSort(by)}>
      {text}
      {sort.by === by && (sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
    </button>
  );
  const sorted = (by: MarkSort["by"]) => (sort.by === by ? (sort.down ? "descending" : "ascending") : undefined);
  return (
    <table className="border-separate border-spacing-0 text-[14px]">
      <caption className="heard">Marks of each student in each piece of work</caption>
      <thead>
        <tr>
          <th
            scope="col"
            aria-sort={sorted("name")}
            className="sticky top-0 left-0 z-20 border-b border-line bg-paper px-4 py-2 text-left align-bottom"
          >
            {head("name", "Student")}
          </th>
          <th
            scope="col"
            aria-sort={sorted("total")}
            className="sticky top-0 z-10 border-b border-line bg-paper px-3 py-2 text-right align-bottom"
          >
            {head("total", "Total")}
          </th>
          {columns.map((column) => {
            const { work } = column;
            return (
              <th
                key={work.id}
                scope="col"
                className="sticky top-0 z-10 w-28 max-w-28 border-b border-line bg-paper px-2 py-2 align-bottom font-normal"
              >
                <Link
                  href={`/results?assignment=${work.id}`}
                  title={work.title}
                  className="line-clamp-3 text-[13px] leading-tight font-semibold hover:underline"
                >
                  {work.title}
                </Link>
                <span className="block text-[12px] text-ink-soft">{formatDay(work.due, zone, now)}</span>
                <select
                  aria-label={`Weight of ${work.title}`}
                  value={work.weight}
                  onChange={(event) => onWeight(column, Number(event.target.value))}
                  className="numbers not-printed mt-1 max-w-full rounded border border-line bg-card px-1 text-[12px] [field-sizing:content]"
                >
                  {[...new Set([...weights, work.weight])]
                    .toSorted((one, other) => one - other)
                    .map((weight) => (
                      <option key={weight} value={weight}>
                        {weight === 0 ? "does not count" : `× ${weight / 100}`}
                      </option>
                    ))}
                </select>
              </th>
            );
          })}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.student.id}>
            <th
              scope="row"
              className="sticky left-0 z-10 border-b border-line bg-paper px-4 py-1 text-left font-normal whitespace-nowrap"
            >
              <Link href={`/results/student?class=${group}&student=${row.student.id}`} className="hover:underline">
                {row.student.name}
              </Link>
            </th>
            <td className="numbers border-b border-line px-3 py-1 text-right font-semibold">
              {row.total === null ? "–" : `${row.total}%`}
            </td>
            {columns.map((column) => (
              <Cell key={column.work.id} {...{ row, column, onAnswers, onExcuse }} />
            ))}
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr>
          <th
            scope="row"
            className="sticky bottom-0 left-0 z-20 border-t border-line-strong bg-paper px-4 py-2 text-left"
          >
            Class average
          </th>
          <td className="sticky bottom-0 z-10 border-t border-line-strong bg-paper" />
          {columns.map(({ work, average, students }) => (
            <td
              key={work.id}
              title={`${students} with marks`}
              className="numbers sticky bottom-0 z-10 border-t border-line-strong bg-paper px-2 py-2 text-center font-semibold"
            >
              {average === null ? (
                <span className="text-[12px] font-normal text-ink-soft">{students === 0 ? "" : "too few"}</span>
              ) : (
                formatPercent(average)
              )}
            </td>
          ))}
        </tr>
      </tfoot>
    </table>
  );
}
