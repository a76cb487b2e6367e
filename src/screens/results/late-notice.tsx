"use client";
import { Hourglass } from "lucide-react";
import type { ResultTable } from "@/core/results/table";
import { Button } from "@/ui/button";
import { useLetCount } from "./use-let-count";

/** Says that answers came when it was over: they are kept aside until the teacher decides. */
export function LateNotice({ assignment, table }: { assignment: number; table: ResultTable }) {
  const letCount = useLetCount(assignment);
  const aside = table.rows.flatMap((row) =>
    Object.entries(row.cells).flatMap(([question, cell]) =>
      cell.late && !cell.lateCounts && row.tryNumber !== null
        ? [{ student: row.student.id, question, number: row.tryNumber }]
        : [],
    ),
  );
  if (aside.length === 0) return null;
  const students = new Set(aside.map(({ student }) => student)).size;
  return (
    <div className="not-printed flex flex-wrap items-center gap-3 border-t border-line bg-shade/60 px-5 py-2 text-[13px]">
      <Hourglass size={15} aria-hidden className="text-ink-soft" />
      <p className="flex-1">
        {aside.length === 1 ? "One answer" : `${aside.length} answers`} from{" "}
        {students === 1 ? "one student" : `${students} students`} came when the time was over. They do not count unless
        you say so.
      </p>
      <Button size="small" onClick={() => void letCount(aside, true)}>
        Count {aside.length === 1 ? "it" : "them all"}
      </Button>
    </div>
  );
}
