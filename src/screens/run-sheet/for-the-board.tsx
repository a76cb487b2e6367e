import { inLanguage } from "@/core/content/language";
import type { Document } from "@/core/resource/document";
import { studentStep } from "@/core/resource/student-view";
import type { RunSheet } from "@/core/run-sheet/schema";
import { StepView } from "../step/step-view";

/** On paper only: each step of the script as students see it, large, a page each, to be shown or hung up. */
export function BoardSlides({ document, sheet }: { document: Document; sheet: RunSheet }) {
  const wanted = new Set(sheet.days.flatMap(({ parts }) => parts.flatMap(({ step }) => step ?? [])));
  const steps = document.steps.filter(({ id, audience }) => wanted.has(id) && audience !== "teacher");
  return (
    <div className="hidden print:block">
      {steps.map((step) => (
        <section key={step.id} className="break-after-page font-child text-[26px]">
          <StepView
            step={studentStep(step)}
            languages={document.languages}
            values={{}}
            marks={{}}
            onChange={() => undefined}
            readOnly
          />
        </section>
      ))}
    </div>
  );
}

/** On paper only: the words to explain as cards to cut out, six a page. */
export function WordCards({ document, sheet }: { document: Document; sheet: RunSheet }) {
  const words = document.vocabulary.filter(({ term }) => sheet.words.includes(term));
  return (
    <div className="hidden font-child print:block">
      <ul className="grid grid-cols-2">
        {(words.length > 0 ? words : document.vocabulary).map(({ term, meaning }) => (
          <li
            key={term}
            className="flex h-[80mm] break-inside-avoid flex-col items-center justify-center border border-dashed border-current p-4 text-center"
          >
            <strong className="text-[34px] [overflow-wrap:anywhere]">{term}</strong>
            <span className="mt-3 text-[18px]">{inLanguage(meaning, document.languages)}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}
