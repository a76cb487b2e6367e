"use client";
import { useState } from "react";
import type { Consent } from "@/data/keep/consent";
import { keepConsent } from "@/screens/acts/child-records";
import { ChoiceField } from "@/ui/choice-field";
import { useKeep } from "./use-keep";

const answers = [
  ["none", "No answer yet"],
  ["yes", "Yes"],
  ["no", "No"],
] as const;
type Answer = (typeof answers)[number][0];
const answerOf = (said: boolean | null): Answer => (said === null ? "none" : said ? "yes" : "no");
const saidBy = (answer: Answer): boolean | null => (answer === "none" ? null : answer === "yes");

/** What a family has said of a child's voice and pictures, where the school asks. */
export function ConsentCard({ student, said: before }: { student: number; said: Consent }) {
  const [said, setSaid] = useState(before);
  const { notice, busy, keep } = useKeep();
  const choose = (what: keyof Consent, answer: Answer) => {
    const next = { ...said, [what]: saidBy(answer) };
    keep(
      () => keepConsent({ ofStudent: student, ...next }),
      () => {
        setSaid(next);
        return "Kept.";
      },
    );
  };
  const choice = (what: keyof Consent, label: string) => (
    <ChoiceField
      label={label}
      value={answerOf(said[what])}
      options={answers}
      disabled={busy}
      onChoose={(answer) => choose(what, answer)}
    />
  );
  return (
    <section aria-labelledby="consent" className="rounded-card border border-line bg-card p-5">
      <h2 id="consent" className="font-semibold">
        What the family has agreed to
      </h2>
      <p className="mt-1 text-ink-soft">
        Without a yes, this child cannot answer with a recording or a photograph. What is already here stays.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        {choice("voice", "Recordings of the child’s voice")}
        {choice("picture", "Photographs the child takes")}
      </div>
      {notice}
    </section>
  );
}
