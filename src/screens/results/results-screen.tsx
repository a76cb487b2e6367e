"use client";
import { clsx } from "clsx";
import { Download, Presentation, Printer, Link2 } from "lucide-react";
import Link from "next/link";
import { useMemo, useState } from "react";
import { formatDay, formatMoment } from "@/core/calendar/format-moment";
import { analyse } from "@/core/results/items";
import type { ResultTable } from "@/core/results/table";
import type { Assignment } from "@/data/assign/assignments";
import { Button, buttonClasses } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { useKeys } from "@/ui/keys";
import { Segmented } from "@/ui/segmented";
import { useAddress } from "../use-address";
import { AnswerBeside } from "./answer-beside";
import { showLinks } from "../assign/assignment-link";
import { GuestNotice } from "./guest-notice";
import { LateNotice } from "./late-notice";
import { QuestionList } from "./question-list";
import type { KeptCorrection } from "@/data/results/corrections";
import { MendQuestion } from "./mend-question";
import { QuestionPanel } from "./question-panel";
import { StudentsTable } from "./students-table";
import { useLive } from "../use-live";

const views = [
  { value: "students", text: "Students" },
  { value: "questions", text: "Questions" },
] as const;
type View = (typeof views)[number]["value"];

export interface ResultsScreenProps {
  assignments: Assignment[];
  assignment: Assignment | null;
  table: ResultTable | null;
  /** What was changed about its questions since. */
  corrections: readonly KeptCorrection[];
  /** Guests who did it, and students who have it and have not begun. */
  guests: readonly { id: number; name: string }[];
  free: readonly { id: number; name: string }[];
  zone: string;
  now: Date;
  locale: string;
}

/** What came back: students by questions, up to date while they work; every mark opens the answer it was given for. */
export function ResultsScreen({
  assignments,
  assignment,
  table,
  corrections,
  guests,
  free,
  zone,
  now,
  locale,
}: ResultsScreenProps) {
  const { go, parameters } = useAddress();
  const view: View = parameters.get("view") === "questions" ? "questions" : "students";
  const analysis = useMemo(() => (table && view === "questions" ? analyse(table) : null), [table, view]);
  const [question, setQuestion] = useState<string | null>(null);
  const at = analysis?.items.findIndex(({ id }) => id === question) ?? -1;
  const item = analysis?.items[at];
  const openNth = (nth: number) => {
    const next = analysis?.items[nth];
    if (next) setQuestion(next.id);
  };
  const show = (next: View) => go({ view: next === "students" ? null : next }, "push");
  useKeys({
    1: () => show("students"),
    2: () => show("questions"),
    ...(analysis && {
      j: () => openNth(at + 1),
      k: () => openNth(at < 0 ? 0 : at - 1),
      Escape: () => setQuestion(null),
    }),
  });
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
                    setQuestion(null);
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
          <Segmented label="What is shown" value={view} options={views} onChange={show} />
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
            // On a phone what is opened takes the place of what it was opened from.
            className={clsx(
              "min-w-0 flex-1 overflow-auto print:overflow-visible",
              (analysis ? item : opened) && "max-md:hidden print:block",
            )}
            tabIndex={0}
            role="region"
            aria-label="Results"
          >
            {analysis ? (
              <QuestionList
                analysis={analysis}
                opened={question}
                onOpen={(id) => setQuestion(question === id ? null : id)}
              />
            ) : (
              <StudentsTable
                table={table}
                opened={opened}
                locale={locale}
                onOpen={(student, asked) => setOpened({ student, question: asked })}
              />
            )}
          </div>
          {item && analysis && (
            <QuestionPanel item={item} compared={analysis.compared} onClose={() => setQuestion(null)}>
              <MendQuestion
                key={item.id}
                {...{ item, zone, now }}
                assignment={assignment.id}
                corrections={corrections.filter((one) => one.question === item.id)}
              />
            </QuestionPanel>
          )}
          {opened && !analysis && (
            <AnswerBeside assignment={assignment.id} table={table} opened={opened} onClose={() => setOpened(null)} />
          )}
        </div>
      </div>
    </div>
  );
}
