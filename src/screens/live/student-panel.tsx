"use client";
import { LifeBuoy, X } from "lucide-react";
import { useState, type FormEvent } from "react";
import type { Seated } from "@/core/live/room";
import { formatStuck, type Stuck } from "@/core/live/stuck";
import { allQuestions, titleOf, type Document } from "@/core/resource/document";
import { Button } from "@/ui/button";
import { IconButton } from "@/ui/icon-button";
import { inputClasses } from "@/ui/field";
import { helped, writeNote } from "@/screens/acts/lead";
import type { StepNote } from "@/data/live/step-notes";
import { looks } from "../results/answer-beside";

/** One student while she works: what she has answered so far, and whether she needs help. */
export function StudentPanel({
  one,
  document,
  reason,
  assignment,
  notes,
  step,
  onClose,
}: {
  one: Seated;
  document: Document;
  reason: Stuck | undefined;
  assignment: number;
  /** What this child and her teachers have written each other. */
  notes: readonly StepNote[];
  /** The step a note is about. */
  step: string;
  onClose: () => void;
}) {
  const [text, setText] = useState("");
  const write = async (event: FormEvent) => {
    event.preventDefault();
    const outcome = await writeNote({ assignment, student: one.student, step, text });
    if (outcome.ok) setText("");
  };
  return (
    <section aria-label={one.name} className="grid gap-2 border-t border-line pt-2.5 text-[13px]">
      <div className="flex items-center gap-2">
        <h3 className="flex-1 text-[15px] font-semibold">{one.name}</h3>
        {one.asked !== null && (
          <Button size="small" onClick={() => void helped({ assignment, student: one.student })}>
            <LifeBuoy size={14} aria-hidden /> Helped
          </Button>
        )}
        <IconButton name="Close" small onClick={onClose}>
          <X size={15} aria-hidden />
        </IconButton>
      </div>
      {reason && <p className="font-semibold text-clay">Stuck: {formatStuck(reason)}</p>}
      <ol className="grid gap-1">
        {allQuestions(document).map(({ step, question }, at) => {
          const answer = one.answers[question.id];
          const { icon: Icon, name, className } = looks[answer?.verdict ?? "blank"];
          return (
            <li key={question.id} className="flex items-start gap-2">
              <span className="numbers w-4 shrink-0 text-ink-soft">{at + 1}</span>
              <Icon size={14} aria-label={name} className={`mt-0.5 shrink-0 ${className}`} />
              <span className="min-w-0 flex-1 truncate" title={answer?.said}>
                {answer?.said || <span className="text-ink-soft">{titleOf({ ...document, title: step.title })}</span>}
              </span>
              {answer && answer.wrong > 1 && <span className="text-ink-soft">{answer.wrong} wrong tries</span>}
            </li>
          );
        })}
      </ol>
      {notes.length > 0 && (
        <ul aria-label="Notes" className="grid gap-1">
          {notes.map((note) => (
            <li key={note.id} className={note.mine ? "rounded-card bg-slate-wash px-2 py-1" : ""}>
              <strong>{note.by}:</strong> {note.text}
            </li>
          ))}
        </ul>
      )}
      <form onSubmit={(event) => void write(event)} className="flex gap-1">
        <input
          aria-label={`A note to ${one.name}`}
          placeholder={`A note to ${one.name.split(" ")[0]} about this step`}
          maxLength={400}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className={inputClasses}
        />
        <Button type="submit" disabled={!text.trim()}>
          Send
        </Button>
      </form>
    </section>
  );
}
