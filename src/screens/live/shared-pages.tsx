"use client";
import { Lock, LockOpen, Maximize2 } from "lucide-react";
import { useState } from "react";
import type { LiveWork } from "@/core/live/lesson";
import type { Seated } from "@/core/live/room";
import type { Document, Step } from "@/core/resource/document";
import { Button } from "@/ui/button";
import { PageDialog } from "./page-dialog";
import type { ReadPage } from "./read-page";
import { useWatchedPages } from "./use-watched-pages";

/** As much of a page as is seen beside the class. Letters. */
const GLIMPSE = 120;
const glimpse = (page: ReadPage): string => {
  const text = page.words.map(({ parts }) => parts.map((part) => part.text).join("")).join(" · ");
  return text.length > GLIMPSE ? `… ${text.slice(-GLIMPSE)}` : text;
};

/** What groups, or the whole class, write together on a step: seen as they write, paused, put back. */
export function SharedPages({
  assignment,
  step,
  document,
  room,
  names,
  work,
  written,
  led,
  clock,
  onWork,
}: {
  assignment: number;
  step: Step;
  document: Document;
  room: readonly Seated[];
  /** Whether names are shown. */
  names: boolean;
  /** How it is worked on now; null: as the lesson says. */
  work: LiveWork | null;
  written: number;
  /** Whether a lesson is led or was. */
  led: boolean;
  clock: (at: number) => string;
  onWork: (work: LiveWork) => void;
}) {
  const pages = useWatchedPages(assignment, step.id, led, written);
  const [opened, setOpened] = useState<number | null>(null);
  if (!work?.shared && pages.length === 0) return null;
  const first = new Map(room.map(({ student, name }) => [student, name.split(" ")[0]!]));
  const nameOf = (student: number | null) =>
    student === null ? "A teacher" : names ? (first.get(student) ?? "somebody") : "somebody";
  const title = (page: ReadPage, at: number) =>
    page.members === null ? "The whole class" : names ? page.members.map(nameOf).join(", ") : `Group ${at + 1}`;
  const one = pages.findIndex(({ id }) => id === opened);
  return (
    <section aria-label="Written together" className="grid gap-2 border-t border-line pt-2.5 text-[13px]">
      <div className="flex items-center gap-2">
        <h3 className="flex-1 text-[15px] font-semibold">Written together</h3>
        {work?.shared && (
          <Button size="small" aria-pressed={work.frozen} onClick={() => onWork({ ...work, frozen: !work.frozen })}>
            {work.frozen ? <LockOpen size={14} aria-hidden /> : <Lock size={14} aria-hidden />}
            {work.frozen ? "Let them write" : "Pause writing"}
          </Button>
        )}
      </div>
      {pages.length === 0 && <p className="text-ink-soft">Nobody has written anything yet.</p>}
      <ul className="grid gap-1.5">
        {pages.map((page, at) => (
          <li key={page.id}>
            <button
              type="button"
              onClick={() => setOpened(page.id)}
              className="grid w-full gap-0.5 rounded-card border border-line bg-card px-3 py-2 text-left"
            >
              <span className="flex items-center gap-2 font-semibold">
                <span className="min-w-0 flex-1 truncate">{title(page, at)}</span>
                <Maximize2 size={13} aria-hidden className="shrink-0" />
              </span>
              <span className="line-clamp-2 text-ink-soft">{glimpse(page) || "No words yet."}</span>
            </button>
          </li>
        ))}
      </ul>
      {one >= 0 && (
        <PageDialog
          {...{ assignment, step, nameOf, clock }}
          page={pages[one]!}
          title={title(pages[one]!, one)}
          languages={document.languages}
          onClose={() => setOpened(null)}
        />
      )}
    </section>
  );
}
