"use client";
import { clsx } from "clsx";
import { Download, Hourglass, Presentation, Printer, Link2 } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { formatDay, formatMoment } from "@/core/calendar/format-moment";
import type { Cell, ResultRow, ResultTable } from "@/core/results/table";
import type { Assignment } from "@/data/assign/assignments";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useAddress } from "../use-address";
import { AnswerBeside, looks } from "./answer-beside";
import { showLinks } from "../assign/assignment-link";
import { GuestNotice } from "./guest-notice";
import { LateNotice } from "./late-notice";
import { useLive } from "../use-live";

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

function Table({
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

export interface ResultsScreenProps {
  assignments: Assignment[];
  assignment: Assignment | null;
  table: ResultTable | null;
  /** Guests who did it, and students who have it and have not begun. */
  guests: readonly { id: number; name: string }[];
  free: readonly { id: number; name: string }[];
  zone: string;
  now: Date;
  locale: string;
}

/** What came back: students by questions, up to date while they work; every mark opens the answer it was given for. */
export function ResultsScreen({ assignments, assignment, table, guests, free, zone, now, locale }: ResultsScreenProps) {
  const { go } = useAddress();
  const [opened, setOpened] = useState<{ student: number; question: string } | null>(null);
  // Late work counts too: whatever was not called back may still come in.
  useLive(assignment && !assignment.calledBack ? `/results/${assignment.id}/live` : null);
  if (!assignment || !table) {
    return (
      <Empty title="No answers yet">
        <p>When students answer, their work appears here as they go.</p>
        <Link href="/plan" className={buttonClasses()}>
          What my classes have
        </Link>
      </Empty>
    );
  }
  return (
    <div className="grid h-full grid-cols-[230px_minmax(0,1fr)] max-md:grid-cols-1 max-md:grid-rows-[auto_minmax(0,1fr)] print:block">
      <nav aria-label="Assignments" className="not-printed overflow-auto bg-shade/60 p-2 max-md:max-h-32">
        <ul className="grid grid-cols-1 gap-0.5">
          {assignments.map((one) => {
            const here = one.id === assignment.id;
            return (
              <li key={one.id}>
                <button
                  type="button"
                  aria-current={here || undefined}
                  onClick={() => {
                    setOpened(null);
                    go({ assignment: one.id }, "push");
                  }}
                  className={clsx(
                    "block w-full rounded-card px-3 py-1.5 text-left",
                    here ? "bg-card font-semibold shadow-[inset_2px_0_0_var(--ink)]" : "hover:bg-card/60",
                  )}
                >
                  <span className="block truncate" title={one.title}>
                    {one.title}
                  </span>
                  <span className="numbers block text-[12px] font-normal text-ink-soft">
                    {one.className} · {one.handedIn} of {one.recipients} · {formatDay(one.due, zone, now)}
                  </span>
                </button>
              </li>
            );
          })}
        </ul>
      </nav>
      <div className="flex min-h-0 flex-col">
        <header className="flex items-center gap-3 px-5 py-3 max-md:flex-wrap max-md:px-3">
          <div className="min-w-0 flex-1 max-md:basis-full">
            <h1 className="truncate font-serif text-[21px]" title={assignment.title}>
              {assignment.title}
            </h1>
            <p className="numbers text-[13px] text-ink-soft">
              {assignment.className} · due {formatMoment(assignment.due, zone, now)} · {assignment.handedIn} of{" "}
              {assignment.recipients} handed in ·{" "}
              {assignment.tries === null
                ? "as many tries as wanted"
                : assignment.tries === 1
                  ? "one try"
                  : `${assignment.tries} tries`}
              , the {assignment.keep} counts
            </p>
          </div>
          {!assignment.calledBack && (
            <Link href={`/lead/${assignment.id}`} className={clsx(buttonClasses(), "not-printed")}>
              <Presentation size={16} aria-hidden /> Live
            </Link>
          )}
          <Button className="not-printed" onClick={() => showLinks([{ id: assignment.id, title: assignment.title }])}>
            <Link2 size={16} aria-hidden /> Link …
          </Button>
          <Button className="not-printed" onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Print
          </Button>
          <a href={`/results/${assignment.id}/csv`} className={clsx(buttonClasses(), "not-printed")} download>
            <Download size={16} aria-hidden /> CSV
          </a>
        </header>
        <LateNotice assignment={assignment.id} table={table} />
        <GuestNotice assignment={assignment.id} guests={guests} free={free} />
        <div className="flex min-h-0 flex-1 border-t border-line">
          <div
            className="min-w-0 flex-1 overflow-auto print:overflow-visible"
            tabIndex={0}
            role="region"
            aria-label="Results"
          >
            <Table
              table={table}
              opened={opened}
              locale={locale}
              onOpen={(student, question) => setOpened({ student, question })}
            />
          </div>
          {opened && (
            <AnswerBeside assignment={assignment.id} table={table} opened={opened} onClose={() => setOpened(null)} />
          )}
        </div>
      </div>
    </div>
  );
}
