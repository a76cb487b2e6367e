"use client";
import { Undo2 } from "lucide-react";
import { inLanguage } from "@/core/content/language";
import type { Step } from "@/core/resource/document";
import type { Contribution } from "@/core/together/contributions";
import { putPageBack } from "@/screens/acts/lead";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { QuestionAsAnswered } from "../step/question-as-answered";
import { useOnce } from "../use-once";
import type { ReadPage } from "./read-page";

/** Told apart by the line below them as well as by the name in front. */
const pens = ["border-green", "border-clay", "border-slate", "border-ink"] as const;

const count = (number: number, one: string, many: string) => (number === 1 ? `1 ${one}` : `${number} ${many}`);
const said = ({ student, letters, things, removed }: Contribution): string =>
  student === null
    ? "put back an earlier version"
    : [
        letters > 0 && `wrote ${count(letters, "letter", "letters")}`,
        things > 0 && count(things, "change", "changes"),
        removed > 0 && `took away ${removed}`,
      ]
        .filter(Boolean)
        .join(", ");

/** A page that was written together: what stands on it, whose words they are, and what came when. */
export function PageDialog({
  assignment,
  step,
  page,
  title,
  languages,
  nameOf,
  clock,
  onClose,
}: {
  assignment: number;
  step: Step;
  page: ReadPage;
  title: string;
  languages: readonly string[];
  nameOf: (student: number | null) => string;
  clock: (at: number) => string;
  onClose: () => void;
}) {
  const [busy, once] = useOnce();
  const writers = [...new Set(page.words.flatMap(({ parts }) => parts.map(({ student }) => student)))];
  const penOf = (student: number | null) => pens[writers.indexOf(student) % pens.length]!;
  const filled = page.questions.filter(({ id }) => page.values[id] !== undefined);
  return (
    <Dialog
      open
      wide
      onOpenChange={(open) => !open && onClose()}
      title={`${title}: ${inLanguage(step.title, languages)}`}
    >
      <div className="grid grid-cols-[minmax(0,1fr)_17rem] items-start gap-5 max-md:grid-cols-1">
        <div className="grid max-h-[60vh] gap-4 overflow-auto pr-1" tabIndex={0} role="region" aria-label="The page">
          {filled.length === 0 && <p className="text-ink-soft">Nobody has written anything yet.</p>}
          {filled.map((question) => {
            const words = page.words.filter((one) => one.question.id === question.id);
            return (
              <div key={question.id} className="grid gap-2">
                <div className="font-child">
                  <QuestionAsAnswered question={question} value={page.values[question.id]} languages={languages} />
                </div>
                {words.length > 0 && (
                  <p
                    aria-label="Who wrote what"
                    className="rounded-card bg-shade px-3 py-2 leading-7 whitespace-pre-wrap"
                  >
                    {words.map(({ key, parts }) =>
                      parts.map(({ text, client, student }, at) => (
                        <span key={`${key} ${client} ${at}`} className={`border-b-2 ${penOf(student)}`}>
                          {(at === 0 || parts[at - 1]!.student !== student) && (
                            <strong className="mr-1 text-[11px]">{nameOf(student)}:</strong>
                          )}
                          {text}
                        </span>
                      )),
                    )}
                  </p>
                )}
              </div>
            );
          })}
        </div>
        <div>
          <h3 className="mb-1 font-semibold">Who did what</h3>
          <ol className="grid max-h-[56vh] gap-1.5 overflow-auto text-[13px]">
            {[...page.contributions].reverse().map((one) => (
              <li key={one.first} className="flex items-start gap-2">
                <span className="min-w-0 flex-1">
                  <strong>{nameOf(one.student)}</strong> {said(one)}
                  <span className="numbers block text-[12px] text-ink-soft">{clock(one.from)}</span>
                </span>
                <Button
                  size="small"
                  aria-label={`Undo from here: ${nameOf(one.student)} ${said(one)}`}
                  title="Undo this and everything after it"
                  disabled={busy}
                  onClick={() => once(() => putPageBack({ assignment, page: page.id, before: one.first }))}
                >
                  <Undo2 size={14} aria-hidden /> Undo from here
                </Button>
              </li>
            ))}
          </ol>
        </div>
      </div>
    </Dialog>
  );
}
