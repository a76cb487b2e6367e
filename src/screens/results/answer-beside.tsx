"use client";
import { Check, CircleDashed, Minus, PenLine, Text, X } from "lucide-react";
import { inLanguage } from "@/core/content/language";
import type { ResultTable } from "@/core/results/table";
import { formatAnswer } from "@/core/question/format";
import { markedByPerson } from "@/core/question/mark";
import { Button } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { PutInPortfolio } from "../portfolio/put-in";
import { AnswerView } from "../step/question-view";
import { Rich } from "../step/rich";
import { useLetCount } from "./use-let-count";

export const looks = {
  right: { icon: Check, name: "right", className: "text-green" },
  partly: { icon: CircleDashed, name: "partly right", className: "text-slate" },
  wrong: { icon: X, name: "wrong", className: "text-clay" },
  blank: { icon: Minus, name: "blank", className: "text-ink-soft" },
  "to read": { icon: Text, name: "to read", className: "text-slate" },
} as const;

/** One answer, beside the table it stands in. */
export function AnswerBeside({
  assignment,
  group,
  table,
  opened,
  onMark,
  onClose,
}: {
  assignment: number;
  /** Its class. */
  group: number;
  table: ResultTable;
  opened: { student: number; question: string };
  /** Marks it by hand. */
  onMark: () => void;
  onClose: () => void;
}) {
  const letCount = useLetCount(assignment);
  const row = table.rows.find((one) => one.student.id === opened.student);
  const entry = table.questions.find((one) => one.id === opened.question);
  const cell = row?.cells[opened.question];
  if (!row || !entry || !cell) return null;
  const languages = Object.keys(entry.question.prompt);
  const { name } = looks[cell.mark.verdict];
  return (
    <aside
      aria-label="One answer"
      className="w-80 shrink-0 overflow-auto border-line bg-paper p-5 max-md:w-full md:border-l"
    >
      <div className="flex items-start justify-between gap-2">
        <h2 className="font-serif text-[19px]">{row.student.name}</h2>
        <IconButton name="Close" small onClick={onClose}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      <p className="text-[13px] text-ink-soft">{entry.label}</p>
      <Rich text={inLanguage(entry.question.prompt, languages)} className="mt-3 font-child font-semibold" />
      {cell.made !== null && cell.mark.verdict !== "blank" ? (
        <div className="mt-3 font-child">
          <AnswerView question={entry.question} value={cell.made} languages={languages} name={cell.said} />
        </div>
      ) : (
        <p className="mt-3 font-child whitespace-pre-wrap [overflow-wrap:anywhere]">{cell.said || "No answer."}</p>
      )}
      <p className="mt-2 text-[13px]">
        <strong>{name}</strong>
        {cell.mark.marks !== null && ` · ${cell.mark.marks} of ${cell.mark.outOf}`}
        {cell.checks > 1 && ` · checked ${cell.checks} times`}
      </p>
      {row.state === "handed in" && (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          {markedByPerson(entry.question.type) && (
            <Button size="small" onClick={onMark}>
              <PenLine size={14} aria-hidden /> {cell.mark.marks === null ? "Mark it" : "Look at the mark"}
            </Button>
          )}
          {cell.mark.verdict !== "blank" && (
            <PutInPortfolio
              {...{ group, assignment }}
              student={row.student.id}
              name={row.student.name}
              question={{ id: entry.id, nth: table.questions.indexOf(entry) + 1 }}
            />
          )}
        </div>
      )}
      {cell.late && (
        <div className="mt-2 grid gap-2 rounded-card bg-shade px-3 py-2 text-[13px]">
          <p className="[overflow-wrap:anywhere]">
            After the time was up: {cell.late}. {cell.lateCounts ? "You chose to count it." : "It does not count."}
          </p>
          <Button
            size="small"
            onClick={() =>
              void letCount([{ student: row.student.id, question: entry.id, number: row.tryNumber! }], !cell.lateCounts)
            }
          >
            {cell.lateCounts ? "Do not count it" : "Count it"}
          </Button>
        </div>
      )}
      <h3 className="mt-4 text-[13px] font-bold">Right answer</h3>
      <p className="text-[13px]">{formatAnswer(entry.question, languages)}</p>
    </aside>
  );
}
