"use client";
import { clsx } from "clsx";
import { Hourglass } from "lucide-react";
import type { Cell, ResultRow, ResultTable } from "@/core/results/table";
import { looks } from "./answer-beside";

function CellButton({
  cell,
  here,
  student,
  nth,
  onOpen,
}: {
  cell: Cell | undefined;
  here: boolean;
  student: string;
  nth: number;
  onOpen: () => void;
}) {
  if (!cell) return <td className="border-b border-line" />;
  const { icon: Icon, name, className } = looks[cell.mark.verdict];
  const { marks, outOf } = cell.mark;
  return (
    <td className="border-b border-line p-0">
      <button
        type="button"
        aria-label={`${student}, question ${nth}: ${name}${marks !== null ? `, ${marks} of ${outOf}` : ""}${cell.late ? ", and answered when the time was over" : ""}`}
        title={[cell.said || name, cell.late && `when the time was over: ${cell.late}`].filter(Boolean).join(" · ")}
        onClick={onOpen}
        className={clsx(
          "flex h-8 w-full items-center justify-center gap-1",
          className,
          here ? "bg-shade outline-2 -outline-offset-2 outline-ink" : "hover:bg-shade",
        )}
      >
        <Icon size={15} strokeWidth={2.25} aria-hidden />
        {cell.late && <Hourglass size={12} aria-hidden className="text-ink-soft" />}
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

/** Students by questions: every mark opens the answer it was given for. */
export function StudentsTable({
  table,
  opened,
  onOpen,
  locale,
}: {
  table: ResultTable;
  opened: { student: number; question: string } | null;
  onOpen: (student: number, question: string) => void;
  locale: string;
}) {
  const percent = new Intl.NumberFormat(locale, { style: "percent", maximumFractionDigits: 0 });
  return (
    <table className="min-w-full border-separate border-spacing-0 bg-card">
      <caption className="heard">Students by questions</caption>
      <thead>
        <tr className="text-left text-[12px] text-ink-soft [&>*]:sticky [&>*]:top-0 [&>*]:z-10 [&>*]:border-b [&>*]:border-line [&>*]:bg-shade [&>*]:px-2 [&>*]:py-1.5 [&>*]:font-normal">
          <th scope="col" className="left-0 !z-20 min-w-40 !pl-4">
            Student
          </th>
          <th scope="col">State</th>
          <th scope="col" className="text-right">
            Marks
          </th>
          <th scope="col" className="text-right">
            Min
          </th>
          {table.questions.map((entry, at) => (
            <th key={entry.id} scope="col" className="w-14 text-center" title={entry.label}>
              <span className="numbers">{at + 1}</span>
              <span className="heard"> {entry.label}</span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {table.rows.map((row) => (
          <tr key={row.student.id} className="hover:bg-shade/40">
            <th
              scope="row"
              className="sticky left-0 h-[33px] border-b border-line bg-card pl-4 text-left font-semibold whitespace-nowrap"
            >
              {row.student.name}
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
                onOpen={() => onOpen(row.student.id, entry.id)}
              />
            ))}
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="text-[12px] text-ink-soft">
          <th scope="row" className="sticky left-0 bg-card py-1.5 pl-4 text-left font-normal" colSpan={1}>
            Marks for what was answered
          </th>
          <td colSpan={3} />
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
