"use client";
import { formatPercent } from "@/core/results/format-percent";
import { History, TrendingDown, TrendingUp } from "lucide-react";
import { Link } from "@/ui/link";
import { useState } from "react";
import type { ComparedRow } from "@/core/results/compare-results";
import type { Around } from "@/server/results/around";
import { Button } from "@/ui/button";
import { saysComparison } from "./what-next";

function Row({ student, before, now }: ComparedRow) {
  const Sign = now > before ? TrendingUp : now < before ? TrendingDown : null;
  return (
    <li className="numbers flex items-center gap-1.5">
      <strong>{student.name.split(" ")[0]}</strong> {formatPercent(before)} → {formatPercent(now)}
      {Sign && <Sign size={14} aria-hidden className={now > before ? "text-green" : "text-clay"} />}
    </li>
  );
}

/** Work that came after a result, beside that result: who did better. */
export function Compared({ before }: { before: NonNullable<Around["before"]> }) {
  const [open, setOpen] = useState(false);
  const { rows } = before.comparison;
  return (
    <section aria-label="Compared with before" className="border-t border-line bg-shade/60 px-5 py-2 text-[13px]">
      <div className="flex flex-wrap items-center gap-3">
        <History size={15} aria-hidden className="text-ink-soft" />
        <p className="flex-1">
          After{" "}
          <Link href={`/results?assignment=${before.id}`} className="font-semibold underline">
            {before.title}
          </Link>
          : {saysComparison(before.comparison)}
        </p>
        {rows.length > 0 && (
          <Button size="small" className="not-printed" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? "Hide" : "Child by child"}
          </Button>
        )}
      </div>
      {open && (
        <ul className="mt-1.5 flex flex-wrap gap-x-5 gap-y-1">
          {rows.map((row) => (
            <Row key={row.student.id} {...row} />
          ))}
        </ul>
      )}
    </section>
  );
}
