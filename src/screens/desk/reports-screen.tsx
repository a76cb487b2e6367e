"use client";
import { Link } from "@/ui/link";
import { useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { reportKindNames, reportOutcomeNames, reportOutcomes, type ReportOutcome } from "@/core/sharing/report";
import { decideReport } from "@/screens/acts/report";
import type { DeskReport } from "@/server/share/desk";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Field, inputClasses } from "@/ui/field";
import { useDone } from "../use-done";
import { useOnce } from "../use-once";
import { DeskLists } from "./desk-lists";

function OpenReport({ report, own }: { report: DeskReport; own: boolean }) {
  const [answer, setAnswer] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, start] = useOnce();
  const done = useDone();
  const decide = (outcome: ReportOutcome) =>
    start(async () => {
      setProblem(null);
      const decided = await decideReport({ report: report.id, outcome, answer });
      if (!decided.ok) return setProblem(decided.problem);
      done(`Decided. ${report.authorName} and ${report.byName} get a message.`, decided.value.event);
    });
  if (own) return <p className="mt-2 text-ink-soft">This is about your own work, so another curator decides.</p>;
  return (
    <div className="mt-2 grid gap-2">
      <Field label="Your message to the author and the reader" problem={problem ?? undefined}>
        {(control) => (
          <textarea
            {...control}
            rows={2}
            maxLength={2000}
            value={answer}
            onChange={(event) => setAnswer(event.target.value)}
            className={inputClasses}
          />
        )}
      </Field>
      <div className="flex flex-wrap gap-2">
        {reportOutcomes.map((outcome) => (
          <Button
            key={outcome}
            size="small"
            look={outcome === "removed" ? "clay" : "plain"}
            disabled={busy}
            onClick={() => decide(outcome)}
          >
            {reportOutcomeNames[outcome]}
          </Button>
        ))}
      </div>
    </div>
  );
}

/** What readers reported of things on the shelves curators keep, and what came of it. */
export function ReportsScreen({
  reports,
  me,
  zone,
  now,
}: {
  reports: DeskReport[];
  me: number;
  zone: string;
  now: Date;
}) {
  return (
    <div className="flex h-full min-h-0 flex-col">
      <header className="flex flex-wrap items-center gap-4 border-b border-line px-5 py-3">
        <h1 className="font-serif text-[22px]">What readers report</h1>
        <DeskLists list="reports" reports={reports.filter(({ outcome }) => outcome === null).length} />
      </header>
      <div className="min-h-0 flex-1 overflow-auto px-5 py-4">
        {reports.length === 0 ? (
          <Empty title="No reports">Mistakes that readers report on your shelves appear here.</Empty>
        ) : (
          <ul aria-label="Reports" className="grid max-w-4xl gap-3">
            {reports.map((report) => (
              <li key={report.id} aria-label={report.title} className="rounded-card border border-line bg-card p-4">
                <Link
                  href={`/find?open=${report.resource}${report.stepNumber ? `&step=${report.stepNumber}` : ""}`}
                  className="font-serif text-[18px] hover:underline"
                >
                  {report.title}
                </Link>
                <p className="text-[13px] text-ink-soft">
                  {report.authorName} · reported by {report.byName}, {formatDay(report.at, zone, now)}
                </p>
                <p className="mt-1">
                  {report.stepNumber && `Step ${report.stepNumber}: `}
                  {reportKindNames[report.kind]}
                  {report.note && `. “${report.note}”`}
                </p>
                {report.outcome === null ? (
                  <OpenReport report={report} own={report.author === me} />
                ) : (
                  <p className="mt-2 text-green">
                    {reportOutcomeNames[report.outcome]}: {report.decidedByName}
                    {report.answer && `, “${report.answer}”`}
                  </p>
                )}
              </li>
            ))}
          </ul>
        )}
      </div>
    </div>
  );
}
