"use client";
import { ArrowLeft, ArrowRight, Check, Library } from "lucide-react";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { useTranslations } from "use-intl";
import { titleOf, type Document } from "@/core/resource/document";
import { finishReading } from "@/screens/acts/reading";
import { useProblem } from "../language/use-problem";
import { GlossaryProvider } from "../step/glossary";
import { ReadToMe } from "../step/read-to-me";
import { StepView } from "../step/step-view";
import { ChildHeader } from "../student/child-header";
import { useReadingLanguage } from "../student/use-reading-language";
import { useReadingMinutes } from "./use-reading-minutes";

const nothing = () => undefined;

/** A reading, part by part; where she stopped is where she goes on. */
export function ReadScreen({
  resource,
  document,
  start,
}: {
  resource: number;
  /** Without questions: it is read for its own sake. */
  document: Document;
  /** The part she stopped at, from 0. */
  start: number;
}) {
  const t = useTranslations("reading");
  const problemText = useProblem();
  const router = useRouter();
  const [at, setAt] = useState(start);
  const [problem, setProblem] = useState<string | null>(null);
  const [reads] = useReadingLanguage(document.languages);
  const languages = [reads, ...document.languages.filter((one) => one !== reads)];
  const sheet = useRef<HTMLDivElement>(null);
  const step = document.steps[at];
  useReadingMinutes(resource, step?.id);
  const last = at === document.steps.length - 1;
  const go = (to: number) => {
    setAt(to);
    sheet.current?.focus();
    window.scrollTo({ top: 0 });
  };
  const finish = async () => {
    const outcome = await finishReading({ reading: resource });
    if (!outcome.ok) return setProblem(problemText(outcome));
    router.push("/student/reading");
    router.refresh();
  };
  const button = "inline-flex min-h-12 items-center gap-2 rounded-card border-2 px-5 font-bold disabled:opacity-50";
  return (
    <main className="finger-size mx-auto max-w-3xl px-4 pt-3 pb-28 font-child text-(length:--child-text)">
      <ChildHeader
        back={{ href: "/student/reading", name: t("toShelf"), icon: <Library size={20} aria-hidden /> }}
        title={titleOf(document)}
        line={t("part", { at: at + 1, of: document.steps.length })}
      >
        {step && <ReadToMe key={step.id} step={step} languages={languages} within={sheet} />}
      </ChildHeader>
      <div ref={sheet} tabIndex={-1} className="mt-4 rounded-card border border-line bg-card p-5 outline-none sm:p-7">
        {step && (
          <GlossaryProvider vocabulary={document.vocabulary} languages={languages}>
            <StepView
              key={step.id}
              step={step}
              languages={languages}
              values={{}}
              marks={{}}
              onChange={nothing}
              readOnly
            />
          </GlossaryProvider>
        )}
      </div>
      {problem && (
        <p role="alert" className="mt-3 rounded-card bg-clay-wash px-4 py-3 font-bold text-clay">
          {problem}
        </p>
      )}
      <footer className="fixed inset-x-0 bottom-0 border-t border-line bg-paper">
        <div className="mx-auto flex max-w-3xl items-center justify-between gap-3 px-4 py-2.5">
          <button
            type="button"
            disabled={at === 0}
            aria-label={t("back")}
            onClick={() => go(at - 1)}
            className={`${button} border-line`}
          >
            <ArrowLeft size={20} aria-hidden />
          </button>
          {last ? (
            <button
              type="button"
              onClick={() => void finish()}
              className={`${button} border-green bg-green text-on-green`}
            >
              <Check size={20} aria-hidden /> {t("end")}
            </button>
          ) : (
            <button
              type="button"
              onClick={() => go(at + 1)}
              className={`${button} border-green bg-green text-on-green`}
            >
              {t("goOn")} <ArrowRight size={20} aria-hidden />
            </button>
          )}
        </div>
      </footer>
    </main>
  );
}
