"use client";
import { formatPercent } from "@/core/results/format-percent";
import { clsx } from "clsx";
import { Link } from "@/ui/link";
import { byStandard, type ChildsShare, type StandardResult } from "@/core/results/by-standard";
import { formatList } from "@/core/format-list";
import { sortedRows } from "@/core/results/sort-rows";
import type { ResultTable } from "@/core/results/table";
import type { Around } from "@/server/results/around";
import { Empty } from "@/ui/empty";
import { ShareBar } from "./question-list";

const cell = "border-b border-line px-3 py-2 align-top";

/** Each child as a small bar: who has less than half comes first and is named. */
function Children({ children, onStudent }: { children: readonly ChildsShare[]; onStudent: (id: number) => void }) {
  const missing = children.filter(({ gained, outOf }) => gained / outOf < 0.5);
  return (
    <>
      <p className="text-[13px]">
        {missing.length === 0
          ? "Everyone has half or more."
          : `${missing.length} of ${children.length} have less than half:`}
      </p>
      <p className="flex flex-wrap gap-x-3 text-[13px]">
        {missing.map(({ student, gained, outOf }) => (
          <button key={student.id} type="button" className="hover:underline" onClick={() => onStudent(student.id)}>
            <strong>{student.name.split(" ")[0]}</strong>{" "}
            <span className="numbers text-ink-soft">
              {gained} of {outOf}
            </span>
          </button>
        ))}
      </p>
    </>
  );
}

function Row({
  result,
  statement,
  group,
  onStudent,
}: {
  result: StandardResult;
  statement: string | undefined;
  group: number;
  onStudent: (id: number) => void;
}) {
  const { code, questions, share, between, children } = result;
  return (
    <tr>
      <th scope="row" className={clsx(cell, "w-2/5 pl-5 text-left font-normal")}>
        <Link
          href={`/results/coverage?classes=${group}&code=${encodeURIComponent(code)}`}
          className="font-semibold underline"
        >
          {code}
        </Link>{" "}
        {statement}
        <span className="numbers block text-[12px] text-ink-soft">
          {questions.length === 1 ? "question" : "questions"} {formatList(questions.map(String))}
        </span>
      </th>
      <td className={clsx(cell, "numbers whitespace-nowrap")}>
        {share === null || !between ? (
          <span className="text-ink-soft">{children.length === 0 ? "–" : "too few to say"}</span>
        ) : (
          <>
            <span className="flex items-center gap-2">
              <ShareBar share={share} between={between} />
              <strong>{formatPercent(share)}</strong>
            </span>
            <span className="text-[12px] text-ink-soft">
              {children.length} children · {Math.round(between[0] * 100)} to {formatPercent(between[1])}
            </span>
          </>
        )}
      </td>
      <td className={cell}>{children.length > 0 && <Children onStudent={onStudent}>{children}</Children>}</td>
    </tr>
  );
}

/** A piece of work by the standards it asks about, and by the goals it is collected under. */
export function StandardsView({
  table,
  around,
  goals,
  group,
  onStudent,
}: {
  table: ResultTable;
  around: Around;
  /** Goal tags of the work. */
  goals: readonly string[];
  group: number;
  onStudent: (student: number) => void;
}) {
  const results = byStandard(table, around);
  const done = sortedRows(
    table.rows.filter(({ state, outOf }) => state === "handed in" && outOf > 0),
    { column: "marks" },
    false,
  ).map(({ student, marks, outOf }) => ({ student, gained: marks, outOf }));
  if (results.length === 0 && goals.length === 0)
    return (
      <Empty title="No standards and no goals">
        Say in the editor which standards it is about, or track it under a goal when you assign it.
      </Empty>
    );
  return (
    <table className="w-full border-separate border-spacing-0 bg-card text-[13px]">
      <caption className="heard">Standards and goals of this work</caption>
      <thead>
        <tr className="text-left text-[12px] text-ink-soft [&>*]:border-b [&>*]:border-line [&>*]:bg-shade [&>*]:px-3 [&>*]:py-1.5 [&>*]:font-normal">
          <th scope="col" className="!pl-5">
            Standard or goal
          </th>
          <th scope="col">Right, may lie between</th>
          <th scope="col">Children</th>
        </tr>
      </thead>
      <tbody>
        {results.map((result) => (
          <Row key={result.code} result={result} statement={around.statements[result.code]} {...{ group, onStudent }} />
        ))}
        {goals.map((goal) => (
          <tr key={goal}>
            <th scope="row" className={clsx(cell, "pl-5 text-left font-normal")}>
              Goal: <strong>{goal}</strong>
            </th>
            <td className={cell}>
              {done.length} {done.length === 1 ? "result" : "results"}
            </td>
            <td className={cell}>{done.length > 0 && <Children onStudent={onStudent}>{done}</Children>}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
