"use client";
import { Printer } from "lucide-react";
import { useState } from "react";
import type { PlainChange } from "@/core/plain-words/plain-words";
import { creditLine, licenceNames } from "@/core/licence/licence";
import { clockTime } from "@/core/media/captions";
import type { Document, Step } from "@/core/resource/document";
import { forPaper } from "@/core/resource/paper";
import { withTexts } from "@/core/resource/texts";
import { allQuestions, titleOf } from "@/core/resource/document";
import { inLanguage, readFirst } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { formatAnswer } from "@/core/question/format";
import { papers, type Paper } from "@/core/report/report";
import { Button } from "@/ui/button";
import { inputClasses } from "@/ui/field";
import { useHydrated } from "@/ui/hydrated";
import { Segmented } from "@/ui/segmented";
import { BlockView } from "../step/block-view";
import { LanguageSwitch } from "../step/language-switch";
import { Rich } from "../step/rich";
import { useAddress } from "../use-address";
import { PdfButton } from "../results/pdf-button";
import { AddChildLink, ChildLinkOnPaper, type ChildLink } from "./child-link";
import { FamilyEnd, FamilyHead, type FamilyWords } from "./family-part";
import { PaperQuestion } from "./paper-question";
import { PlainerPanel } from "./plainer-panel";

/** Questions are numbered through the whole, so that the key says the same numbers. */
const numbersOf = (document: Document): Map<string, number> =>
  new Map(allQuestions(document).map(({ question }, at) => [question.id, at + 1]));

function Asked({
  question,
  number,
  languages,
  marks,
}: {
  question: Extract<Step["blocks"][number], { type: "question" }>["question"];
  number: number;
  languages: readonly string[];
  /** What it is worth is said. */
  marks: boolean;
}) {
  return (
    <section className="grid break-inside-avoid gap-3">
      <div className="flex gap-2 font-bold">
        <span className="numbers">{number}.</span>
        <Rich text={inLanguage(question.prompt, languages)} className="flex-1" />
        {marks && question.marks > 0 && (
          <span className="numbers shrink-0 font-normal">
            {question.marks === 1 ? "1 mark" : `${question.marks} marks`}
          </span>
        )}
      </div>
      <PaperQuestion question={question} languages={languages} />
    </section>
  );
}

function StepOnPaper({
  step,
  numbers,
  languages,
  marks,
  words,
}: {
  step: Step;
  numbers: ReadonlyMap<string, number>;
  languages: readonly string[];
  marks: boolean;
  words: FamilyWords;
}) {
  const instructions = inLanguage(step.instructions, languages);
  return (
    <section className="mt-7 grid grid-cols-1 gap-4">
      <h2 className="break-after-avoid text-[1.2em] font-bold">{inLanguage(step.title, languages)}</h2>
      {instructions && <Rich text={instructions.text} />}
      {step.blocks.map((block) =>
        block.type === "question" ? (
          <Asked
            key={block.id}
            question={block.question}
            number={numbers.get(block.question.id)!}
            {...{ languages, marks }}
          />
        ) : block.type === "film" ? (
          <div key={block.id} className="grid gap-3">
            <p className="italic">
              {words.film}
              {block.title && `: “${inLanguage(block.title, languages)}”`}.
            </p>
            {block.stops.map(
              (stop) =>
                stop.question && (
                  <div key={stop.id}>
                    <p className="numbers text-[0.85em]">at {clockTime(stop.at)}</p>
                    <Asked question={stop.question} number={numbers.get(stop.question.id)!} {...{ languages, marks }} />
                  </div>
                ),
            )}
          </div>
        ) : block.type === "sound" ? (
          <p key={block.id} className="italic">
            {inLanguage(block.transcript, languages) ?? words.recording}
          </p>
        ) : (
          <BlockView key={block.id} block={block} languages={languages} />
        ),
      )}
    </section>
  );
}

/** Right answers by number, and what the teacher is told. */
function AnswerKey({ document, languages }: { document: Document; languages: readonly string[] }) {
  const numbers = numbersOf(document);
  const general = inLanguage(document.teacherNotes, languages);
  return (
    <section aria-labelledby="key">
      <h2 id="key" className="text-[1.2em] font-bold">
        Answer key
      </h2>
      {general && <Rich text={general} className="mt-2" />}
      {document.steps.map((step) => {
        const asked = allQuestions({ ...document, steps: [step] });
        const notes = inLanguage(step.teacherNotes, languages);
        if (asked.length === 0 && !notes) return null;
        return (
          <section key={step.id} className="mt-4 break-inside-avoid">
            <h3 className="font-bold">{inLanguage(step.title, languages)}</h3>
            <ul className="mt-1 grid gap-1">
              {asked.map(({ question }) => (
                <li key={question.id} className="flex gap-2">
                  <span className="numbers w-7 shrink-0 text-right">{numbers.get(question.id)}.</span>
                  <span>
                    <span className="text-[0.85em]">{plainText(inLanguage(question.prompt, languages))}</span>{" "}
                    <strong>{formatAnswer(question, languages)}</strong>
                  </span>
                </li>
              ))}
            </ul>
            {notes && <Rich text={notes} className="mt-1 text-[0.9em] italic" />}
          </section>
        );
      })}
    </section>
  );
}

export interface FamilyTools {
  resource: number;
  /** Whether it is hers: then she can make an address for the child. */
  mine: boolean;
  /** Plainer words in the language that is read. */
  plainer: readonly PlainChange[];
  /** The last day of an address that is made now, ISO 8601. */
  linkUntil: string;
}

export interface PaperScreenProps {
  author: string;
  /** What a teacher can do for a family's sheet; null: somebody only reads. */
  tools: FamilyTools | null;
  /** The whole of it, for the key. */
  document: Document;
  /** As students get it on paper. */
  paper: Document;
  what: "students" | "key" | "both" | "family";
  /** What stands around the activity, in the language that is read. */
  words: FamilyWords;
  /** False: there is no key to print. */
  withKey?: boolean;
  reads: string;
}

/** A resource on paper: for students, the answer key, or both. */
export function PaperScreen({
  author,
  tools,
  document: whole,
  paper: wholePaper,
  what,
  words,
  reads,
  withKey = true,
}: PaperScreenProps) {
  const { go } = useAddress();
  const hydrated = useHydrated();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [size, setSize] = useState<Paper>("A4");
  const [link, setLink] = useState<ChildLink | null>(null);
  const family = what === "family";
  const plainer = (family && tools?.plainer) || [];
  const picked = plainer.filter(({ id }) => chosen.has(id));
  const document = withTexts(whole, picked);
  const paper = picked.length > 0 ? forPaper(document) : wholePaper;
  const languages = readFirst(document.languages, reads);
  const numbers = numbersOf(paper);
  const title = titleOf({ title: document.title, languages });
  // A question of a step for teachers is not on the students' sheet, so it has no number in the key either.
  const keyed = { ...document, steps: document.steps.filter(({ id }) => paper.steps.some((step) => step.id === id)) };
  return (
    <main className="paper mx-auto max-w-3xl px-8 py-6 font-child text-[17px]" lang={languages[0]}>
      <div className="not-printed mb-6 flex flex-wrap items-center gap-3 font-sans text-[15px]">
        {withKey && (
          <Segmented
            label="What is printed"
            disabled={!hydrated}
            value={what}
            onChange={(next) => go({ print: next === "students" ? null : next })}
            options={[
              { value: "students", text: "for students" },
              { value: "key", text: "answer key" },
              { value: "both", text: "both" },
              ...(tools ? [{ value: "family" as const, text: "for a family" }] : []),
            ]}
          />
        )}
        <LanguageSwitch
          languages={document.languages}
          reads={reads}
          onReads={(next) => go({ reads: next === document.languages[0] ? null : next })}
        />
        <span className="flex-1" />
        {family && tools && (
          <>
            <select
              aria-label="Paper"
              className={`${inputClasses} !w-24`}
              value={size}
              onChange={(event) => setSize(event.target.value as Paper)}
            >
              {papers.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </select>
            <style>{`@page { size: ${size}; }`}</style>
            {tools.mine && !link && (
              <AddChildLink resource={tools.resource} name={title} until={tools.linkUntil} onLink={setLink} />
            )}
            <PdfButton
              address={`/print/${tools.resource}/family/pdf?${new URLSearchParams({
                reads: languages[0]!,
                plain: plainer.flatMap(({ id }, at) => (chosen.has(id) ? at : [])).join(","),
                paper: size,
              })}`}
              name={title}
            />
          </>
        )}
        <Button look="main" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print
        </Button>
        {family && <PlainerPanel document={whole} changes={plainer} {...{ chosen }} onChosen={setChosen} />}
      </div>
      <h1 className="text-[1.5em] font-bold">{title}</h1>
      {what !== "key" && (
        <>
          <p className={`mt-3 gap-8 ${family ? "hidden" : "flex"}`}>
            <span className="flex flex-1 gap-2">
              Name <span className="flex-1 border-b border-current" />
            </span>
            <span className="flex w-56 gap-2">
              Date <span className="flex-1 border-b border-current" />
            </span>
          </p>
          {family && <FamilyHead {...{ document, words, languages }} />}
          {paper.steps.map((step) => (
            <StepOnPaper key={step.id} {...{ step, numbers, languages, words }} marks={!family} />
          ))}
          {family && <FamilyEnd {...{ document, words, languages }} />}
          {family && link && <ChildLinkOnPaper {...{ link, words }} language={languages[0]!} />}
        </>
      )}
      {what === "both" && <div className="mt-10 break-before-page" />}
      {(what === "key" || what === "both") && <AnswerKey document={keyed} languages={languages} />}
      <footer className="mt-8 border-t border-current pt-2 text-[0.75em]">
        <p>
          “{title}” by {author}. {licenceNames[document.licence]}.
        </p>
        {document.credits.map((credit, at) => (
          <p key={at}>{creditLine(credit)}</p>
        ))}
      </footer>
    </main>
  );
}
