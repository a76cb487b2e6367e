"use client";
import { createContext, useContext } from "react";
import { standardsOf } from "@/core/resource/aligned";
import type { Question } from "@/core/question/question";
import type { Document } from "@/core/resource/document";
import { Checkbox } from "@/ui/checkbox";

/** The standards of what is being written. */
export const StandardsWritten = createContext<Document["standards"]>([]);

/** Which of the resource's standards a question is about, where there are several to tell apart. */
export function AboutStandards({ question, onChange }: { question: Question; onChange: (question: Question) => void }) {
  const standards = useContext(StandardsWritten);
  const codes = [...new Set(standards.filter(({ relation }) => relation !== "requires").map(({ code }) => code))];
  if (codes.length < 2) return null;
  const about = standardsOf({ standards }, question).map(({ code }) => code);
  const toggle = (code: string) => {
    const next = about.includes(code) ? about.filter((one) => one !== code) : [...about, code];
    // About all of them, or none: it says nothing of its own.
    onChange({ ...question, standards: next.length === 0 || next.length === codes.length ? undefined : next });
  };
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px]">
      <legend className="float-left mr-2 text-ink-soft">Is about</legend>
      {codes.map((code) => (
        <label key={code} className="flex items-center gap-1.5">
          <Checkbox label={code} checked={about.includes(code)} onChange={() => toggle(code)} />
          {code}
        </label>
      ))}
    </fieldset>
  );
}
