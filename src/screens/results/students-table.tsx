"use client";
import { clsx } from "clsx";
import { ChevronDown, ChevronUp, Hourglass } from "lucide-react";
import type { ReactNode } from "react";
import type { Pace } from "@/core/results/pace";
import { averageOf, type SortBy } from "@/core/results/sort-rows";
import type { Cell, ResultRow, ResultTable } from "@/core/results/table";
import { looks } from "./answer-beside";
import { paceLooks } from "./one-student";

function CellButton({
  cell,
  here,
  student,
  nth,
  pace,
  onOpen,
}: {
  cell: Cell | undefined;
  here: boolean;
  student: string;
  nth: number;
  pace: Pace | undefined;
  onOpen: () => void;
}) {
  if (!cell) return <td className="border-b border-line" />;
  const { icon: Icon, name, className } = looks[cell.mark.verdict];
  const { marks, outOf } = cell.mark;
  const Sign = pace && paceLooks[pace].icon;
  return (
    <td className="border-b border-line p-0">
      <button
        type="button"
        aria-label={`${student}, question ${nth}: ${name}${marks !== null ? `, ${marks} of ${outOf}` : ""}${cell.late ? ", and answered when the time was over" : ""}${pace ? `, ${paceLooks[pace].text}` : ""}`}
        title={[cell.said || name, cell.late && `when the time was over: ${cell.late}`, pace && paceLooks[pace].text]
          .filter(Boolean)
          .join(" · ")}
        onClick={onOpen}
        className={clsx(
          "flex h-8 w-full items-center justify-center gap-1",
          className,
          here ? "bg-shade outline-2 -outline-offset-2 outline-ink" : "hover:bg-shade",
        )}
      >
        <Icon size={15} strokeWidth={2.25} aria-hidden />
        {cell.late && <Hourglass size={12} aria-hidden className="text-ink-soft" />}
        {Sign && <Sign size={13} aria-hidden className="text-slate" />}
        {marks !== null && cell.mark.verdict === "partly" && <span className="numbers text-[12px]">{marks}</span>}
      </button>
    </td>
  );
}

const saysState: Record<ResultRow["state"], string> = {
  "not begun": "not begun",
  working: "at work",
  "handed in": "handed in",
};

/** A column's heading that sorts by it: once upwards, once more downwards. */
function Sorting({
  by,
  sort,
  onSort,
  className,
  children,
}: {
  by: SortBy["column"];
  sort: Sort;
  onSort: (sort: Sort) => void;
  className?: string;
  children: ReactNode;
}) {
  const here = sort.by.column === by;
  const Arrow = sort.down ? ChevronDown : ChevronUp;
  return (
    <th scope="col" aria-sort={here ? (sort.down ? "descending" : "ascending") : "none"} className={className}>
      <button
        type="button"
        className={clsx("inline-flex items-center gap-0.5 hover:text-ink", here && "font-semibold text-ink")}
        onClick={() => onSort({ by: { column: by } as SortBy, down: here && !sort.down })}
      >
        {children}
        {here && <Arrow size={13} aria-hidden />}
      </button>
    </th>
  );
}

export interface Sort {
  by: SortBy;
  down: boolean;
}

/** Students by questions: every mark opens the answer it was given for, a name that child, a number that question. */
export function StudentsTable({
  table,
  rows,
  sort,
  pace,
  opened,
  question,
  onSort,
  onOpen,
  onStudent,
  onQuestion,
  locale,
}: {
  table: ResultTable;
  /** Those shown, in their order. */
  rows: readonly ResultRow[];
  sort: Sort;
  pace: Readonly<Record<string, Readonly<Record<number, Pace>>>>;
  opened: { student: number; question: string } | null;
  /** The question that is open beside. */
  question: string | null;
  onSort: (sort: Sort) => void;
  onOpen: (student: number, question: string) => void;
  onStudent: (student: number) => void;
  onQuestion: (question: string) => void;
  locale: string;
}) {
  const average = averageOf(rows);
  const percent = new Intl.NumberFormat(locale, { style: "percent", maximumFractionDigits: 0 });
  return (
    <table className="min-w-full border-separate border-spacing-0 bg-card">
      <caption className="heard">Students by questions</caption>
      <thead>
        <tr className="text-left text-[12px] text-ink-soft [&>*]:sticky [&>*]:top-0 [&>*]:z-10 [&>*]:border-b [&>*]:border-line [&>*]:bg-shade [&>*]:px-2 [&>*]:py-1.5 [&>*]:font-normal">
          <Sorting by="name" {...{ sort, onSort }} className="left-0 !z-20 min-w-40 !pl-4">
            Student
          </Sorting>
          <Sorting by="state" {...{ sort, onSort }}>
            State
          </Sorting>
          <Sorting by="marks" {...{ sort, onSort }} className="text-right">
            Marks
          </Sorting>
          <Sorting by="minutes" {...{ sort, onSort }} className="text-right">
            Min
          </Sorting>
          {table.questions.map((entry, at) => (
            <th key={entry.id} scope="col" className="w-14 !p-0 text-center" title={entry.label}>
              <button
                type="button"
                aria-expanded={question === entry.id}
                className={clsx(
                  "w-full py-1.5 hover:bg-card",
                  question === entry.id && "bg-card font-semibold text-ink shadow-[inset_0_-2px_0_var(--ink)]",
                )}
                onClick={() => onQuestion(entry.id)}
              >
                <span className="numbers">{at + 1}</span>
                <span className="heard"> {entry.label}</span>
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.student.id} className="hover:bg-shade/40">
            <th
              scope="row"
              className="sticky left-0 h-[33px] border-b border-line bg-card pl-4 text-left font-semibold whitespace-nowrap"
            >
              <button type="button" className="hover:underline" onClick={() => onStudent(row.student.id)}>
                {row.student.name}
              </button>
            </th>
            <td
              className={clsx(
                "border-b border-line px-2 text-[13px] whitespace-nowrap",
                row.state === "not begun" && "text-ink-soft",
              )}
            >
              {saysState[row.state]}
              {row.tries > 1 && <span className="text-ink-soft"> · try {row.tryNumber}</span>}
            </td>
            <td className="numbers border-b border-line px-2 text-right whitespace-nowrap">
              {row.state === "not begun" ? "–" : `${row.marks} of ${row.outOf}`}
              {row.toRead > 0 && <span className="text-slate"> +{row.toRead} to read</span>}
            </td>
            <td className="numbers border-b border-line px-2 text-right text-ink-soft">
              {row.state === "not begun" ? "–" : Math.round(row.minutes)}
            </td>
            {table.questions.map((entry, at) => (
              <CellButton
                key={entry.id}
                cell={row.cells[entry.id]}
                here={opened?.student === row.student.id && opened.question === entry.id}
                student={row.student.name}
                nth={at + 1}
                pace={pace[entry.id]?.[row.student.id]}
                onOpen={() => onOpen(row.student.id, entry.id)}
              />
            ))}
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="text-[12px] text-ink-soft">
          <th scope="row" className="sticky left-0 bg-card py-1.5 pl-4 text-left font-normal" colSpan={1}>
            On average
          </th>
          <td className="px-2 whitespace-nowrap">of {average.students}</td>
          <td className="numbers px-2 text-right font-semibold text-ink">
            {average.share === null ? "–" : percent.format(average.share)}
          </td>
          <td className="numbers px-2 text-right">{average.students === 0 ? "–" : Math.round(average.minutes)}</td>
          {table.questions.map((entry) => (
            <td
              key={entry.id}
              className={clsx(
                "numbers text-center",
                entry.share !== null && entry.share < 0.5 && "font-semibold text-clay",
              )}
            >
              {entry.share === null ? "–" : percent.format(entry.share)}
            </td>
          ))}
        </tr>
      </tfoot>
    </table>
  );
}
