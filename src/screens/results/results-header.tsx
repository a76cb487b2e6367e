"use client";
import { clsx } from "clsx";
import { Download, Link2, Presentation, Printer } from "lucide-react";
import { Link } from "@/ui/link";
import type { ReactNode } from "react";
import { formatMoment } from "@/core/calendar/format-moment";
import type { Assignment } from "@/data/assign/assignments";
import { Button, buttonClasses } from "@/ui/button";
import { Menu, MenuItem } from "@/ui/menu";
import { Segmented } from "@/ui/segmented";
import { saveFile } from "./pdf-button";
import { showLinks } from "../assign/assignment-link";

const views = [
  { value: "students", text: "Students" },
  { value: "questions", text: "Questions" },
  { value: "student", text: "One student" },
  { value: "standards", text: "Standards and goals" },
  { value: "marking", text: "Marking" },
] as const;
export type ResultsView = (typeof views)[number]["value"];

export const resultsView = (text: string | null): ResultsView =>
  views.find(({ value }) => value === text)?.value ?? "students";

const saysTries = ({ tries, keep }: Assignment) =>
  tries === 1 ? "one try" : `${tries === null ? "as many tries as wanted" : `${tries} tries`}, the ${keep} counts`;

export function ResultsHeader({
  assignment,
  view,
  marked,
  onView,
  zone,
  now,
  children,
}: {
  assignment: Assignment;
  view: ResultsView;
  /** Whether there is something that only a person can mark. */
  marked: boolean;
  onView: (view: ResultsView) => void;
  zone: string;
  now: Date;
  /** Beside the views. */
  children?: ReactNode;
}) {
  const files = `/results/${assignment.id}`;
  return (
    <header className="flex min-w-0 flex-wrap items-center gap-x-3 gap-y-2 px-5 pt-3 pb-2 max-md:px-3">
      <div className="min-w-64 flex-1 max-md:basis-full">
        <h1 className="truncate font-serif text-[21px]" title={assignment.title}>
          {assignment.title}
          {assignment.part && <span className="text-[16px] text-ink-soft">, {assignment.part}</span>}
        </h1>
        <p className="numbers text-[13px] text-ink-soft">
          {assignment.className} · due {formatMoment(assignment.due, zone, now)} · {assignment.handedIn} of{" "}
          {assignment.recipients} handed in · {saysTries(assignment)}
        </p>
      </div>
      <div className="flex flex-wrap gap-2">
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
        <Menu
          trigger={
            <button type="button" className={clsx(buttonClasses(), "not-printed")}>
              <Download size={16} aria-hidden /> Export
            </button>
          }
        >
          <MenuItem onSelect={() => void saveFile(`${files}/csv`, "results.csv")}>CSV</MenuItem>
          <MenuItem onSelect={() => void saveFile(`${files}/pdf`, "results.pdf")}>PDF: students</MenuItem>
          <MenuItem onSelect={() => void saveFile(`${files}/pdf?names=none`, "results.pdf")}>
            PDF: students, without names
          </MenuItem>
          <MenuItem onSelect={() => void saveFile(`${files}/pdf?view=questions`, "questions.pdf")}>
            PDF: questions
          </MenuItem>
          <MenuItem onSelect={() => void saveFile(`${files}/xapi`, "results.xapi.json")}>
            xAPI, for a learning record store
          </MenuItem>
        </Menu>
      </div>
      <div className="flex min-w-0 basis-full flex-wrap items-center gap-3">
        <Segmented
          label="What is shown"
          value={view}
          options={views.filter(({ value }) => value !== "marking" || marked)}
          onChange={onView}
        />
        {children}
      </div>
    </header>
  );
}
