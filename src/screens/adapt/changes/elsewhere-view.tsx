"use client";
import { useEffect, useState, type ReactNode } from "react";
import { clsx } from "clsx";
import { gradeName, formatGradeSpan } from "@/core/content/grade";
import { licenceNames, formatBeforeTaking, shortLicence } from "@/core/licence/licence";
import { activities } from "@/core/content/vocabulary";
import { questionAlone, type TakenFrom } from "@/core/resource/adopt";
import { stepTitle } from "@/core/resource/changes";
import type { Document, Step } from "@/core/resource/document";
import { inLanguage } from "@/core/content/language";
import type { Question } from "@/core/question/question";
import { plainText } from "@/core/content/rich-text";
import { subjects } from "@/core/content/vocabulary";
import type { Elsewhere, ElsewhereHit, PartHit } from "@/server/adapt/elsewhere";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { Segmented } from "@/ui/segmented";
import { Doing } from "@/screens/find/result-lines";
import { StepView } from "@/screens/step/step-view";
import { PartLines } from "../editors/part-lines";
import { questionKinds } from "@/core/question/kinds";

const PAUSE_MS = 250;

async function asked<Answer extends object>(address: string, signal: AbortSignal): Promise<Answer> {
  const response = await fetch(address, { signal });
  const answer = (await response.json()) as Answer | { problem: string };
  if ("problem" in answer) throw new Error(answer.problem);
  return answer;
}

/** One choice that narrows what is found; `open` says that anything will do. */
function Narrowed({
  label,
  open,
  value,
  onValue,
  width,
  children,
}: {
  label: string;
  open: string;
  value: string;
  onValue: (value: string) => void;
  width: string;
  children: ReactNode;
}) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={(event) => onValue(event.target.value)}
      className={clsx(inputClasses, width)}
    >
      <option value="">{open}</option>
      {children}
    </select>
  );
}

/** One question of a step: into the step that is open, or as a step of its own. */
function TakeQuestion({
  says,
  found,
  closed,
  into,
  onInto,
  onAlone,
}: {
  says: string;
  found: boolean;
  closed: boolean;
  into: string | null;
  onInto: () => void;
  onAlone: (() => void) | null;
}) {
  return (
    <div
      className={clsx("flex flex-wrap items-center gap-2 border-t border-line px-3 py-1.5", found && "bg-brass-wash")}
    >
      <span className="line-clamp-2 basis-full">“{says}”</span>
      {into !== null && (
        <Button size="small" look="quiet" disabled={closed} onClick={onInto} aria-label={`Into “${into}”: ${says}`}>
          <span className="max-w-60 truncate">Into “{into}”</span>
        </Button>
      )}
      {onAlone && (
        <Button size="small" look="quiet" disabled={closed} onClick={onAlone} aria-label={`As a new step: ${says}`}>
          As a new step
        </Button>
      )}
    </div>
  );
}

const formatQuestion = (question: Question, languages: readonly string[]): string =>
  plainText(inLanguage(question.prompt, languages)).trim() || questionKinds[question.type].name;

/** A step put in after the open one or swapped for it, or a question put into the open one. */
export type Taken = { step: Step; from: TakenFrom } & ({ how: "after" | "instead" } | { how: "into"; block: string });

/** Searches single steps and questions of everything she may see, looks at them as students do, and takes one over. */
export function ElsewhereView({
  resource,
  document,
  current,
  onTake,
}: {
  resource: number;
  document: Document;
  /** The title of the step that is open, after which one is put in, or which is swapped; null without steps. */
  current: string | null;
  onTake: (taken: Taken) => void;
}) {
  const [words, setWords] = useState("");
  const [doing, setDoing] = useState("");
  const [subject, setSubject] = useState("");
  const [grades, setGrades] = useState("");
  const [looking, setLooking] = useState<"parts" | "resources">("parts");
  const [type, setType] = useState("");
  const [hits, setHits] = useState<{ resources?: ElsewhereHit[]; parts?: PartHit[] } | null>(null);
  const [part, setPart] = useState<PartHit | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [found, setFound] = useState<Elsewhere | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  useEffect(() => {
    const abort = new AbortController();
    const timer = setTimeout(() => {
      const parts: Record<string, string> = looking === "parts" ? { parts: type || "any" } : {};
      const address = `/adapt/${resource}/elsewhere?${new URLSearchParams({ words, doing, subject, grades, ...parts })}`;
      asked<{ resources?: ElsewhereHit[]; parts?: PartHit[] }>(address, abort.signal).then(
        (answer) => {
          setHits(answer);
          setProblem(null);
        },
        (error: Error) =>
          error.name !== "AbortError" && setProblem("The search did not answer. What you make is safe."),
      );
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      abort.abort();
    };
  }, [resource, words, doing, subject, grades, looking, type]);

  useEffect(() => {
    if (chosen === null) return;
    const abort = new AbortController();
    asked<Elsewhere>(`/adapt/${resource}/elsewhere?of=${chosen}`, abort.signal).then(setFound, (error: Error) => {
      if (error.name !== "AbortError") setProblem(error.message);
    });
    return () => abort.abort();
  }, [resource, chosen]);
  const open = found?.from.resource === chosen ? found : null;
  const choose = (id: number, one: PartHit | null) => {
    setChosen(id);
    setPart(one);
  };
  // Of a part that was found, its own step comes alone until the others are asked for.
  const shown = open?.steps.filter((step) => part === null || step.id === part.step) ?? [];

  const before = open && !open.closed ? formatBeforeTaking(document, open.from) : null;

  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap gap-2">
        <input
          type="search"
          aria-label="Words to look for elsewhere"
          placeholder="steps about …"
          value={words}
          autoFocus
          maxLength={200}
          onChange={(event) => setWords(event.target.value)}
          className={clsx(inputClasses, "!w-64 flex-1")}
        />
        <Narrowed label="What students do in it" open="any activity" value={doing} onValue={setDoing} width="!w-44">
          {activities.map((activity) => (
            <option key={activity}>{activity}</option>
          ))}
        </Narrowed>
        <Narrowed label="Its subject" open="any subject" value={subject} onValue={setSubject} width="!w-36">
          {subjects.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Narrowed>
        <Narrowed label="Its grade" open="any grade" value={grades} onValue={setGrades} width="!w-32">
          {Array.from({ length: 13 }, (_, grade) => (
            <option key={grade} value={grade}>
              grade {gradeName(grade)}
            </option>
          ))}
        </Narrowed>
        <Segmented
          label="Look for"
          value={looking}
          options={[
            { value: "parts", text: "Steps and questions" },
            { value: "resources", text: "Resources" },
          ]}
          onChange={(next) => {
            setLooking(next);
            setHits(null);
          }}
        />
        {looking === "parts" && (
          <Narrowed label="Type of question" open="any type" value={type} onValue={setType} width="!w-40">
            {Object.entries(questionKinds).map(([value, { name }]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </Narrowed>
        )}
      </div>
      {problem && <Notice tone="warning">{problem}</Notice>}
      <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] items-start gap-4">
        <ul aria-label="Found elsewhere" className="max-h-[70vh] overflow-auto rounded-card border border-line bg-card">
          {hits?.parts && <PartLines parts={hits.parts} chosen={part} onChoose={(one) => choose(one.resource, one)} />}
          {hits?.resources?.map((hit) => (
            <li key={hit.id}>
              <button
                type="button"
                aria-current={hit.id === chosen || undefined}
                onClick={() => choose(hit.id, null)}
                className={clsx(
                  "grid w-full gap-0.5 border-b border-line px-3 py-2 text-left",
                  hit.id === chosen ? "bg-shade" : "hover:bg-shade/60",
                )}
              >
                <span className="font-semibold">{hit.title}</span>
                <span className="flex items-center gap-2 text-[13px] text-ink-soft">
                  <span className="min-w-0 flex-1 truncate">
                    {hit.author} · grades {formatGradeSpan(hit.grades)} · {shortLicence(hit.licence)}
                  </span>
                  <Doing doing={hit.doing} />
                </span>
              </button>
            </li>
          ))}
          {(hits?.parts ?? hits?.resources)?.length === 0 && (
            <li className="p-3 text-ink-soft">No results. Try another word.</li>
          )}
          {hits === null && <li className="p-3 text-ink-soft">Searching …</li>}
        </ul>
        {open ? (
          <div className="grid gap-3">
            {open.closed && <Notice tone="warning">{open.closed}</Notice>}
            <p className="text-[13px]">Under “{licenceNames[open.from.licence]}”.</p>
            {before && <Notice tone="warning">{before}</Notice>}
            {!open.from.own && (
              <p className="text-[13px] text-ink-soft">
                {open.from.author}, {open.from.source}, is named in yours by itself.
              </p>
            )}
            <ul aria-label="Its steps" className="grid gap-3">
              {shown.map((step) => {
                const title = stepTitle(step, open.languages);
                return (
                  <li key={step.id} aria-label={title} className="rounded-card border border-line bg-card">
                    <div className="max-h-72 overflow-auto p-4">
                      <StepView
                        step={step}
                        languages={open.languages}
                        values={{}}
                        marks={{}}
                        onChange={() => undefined}
                        readOnly
                      />
                    </div>
                    <div className="flex flex-wrap gap-2 border-t border-line p-2">
                      <Button
                        size="small"
                        disabled={open.closed !== null}
                        onClick={() => onTake({ step, from: open.from, how: "after" })}
                      >
                        {current === null ? "Put it in" : `Add it after “${current}”`}
                      </Button>
                      {current !== null && (
                        <Button
                          size="small"
                          look="quiet"
                          disabled={open.closed !== null}
                          onClick={() => onTake({ step, from: open.from, how: "instead" })}
                        >
                          Swap them
                        </Button>
                      )}
                    </div>
                    {step.blocks.map(
                      (block) =>
                        block.type === "question" && (
                          <TakeQuestion
                            key={block.id}
                            says={formatQuestion(block.question, open.languages)}
                            found={block.id === part?.block}
                            closed={open.closed !== null}
                            into={current}
                            onInto={() => onTake({ step, from: open.from, how: "into", block: block.id })}
                            onAlone={
                              step.blocks.length > 1
                                ? () => onTake({ step: questionAlone(step, block.id), from: open.from, how: "after" })
                                : null
                            }
                          />
                        ),
                    )}
                  </li>
                );
              })}
            </ul>
            {part !== null && open.steps.length > 1 && (
              <p>
                <Button size="small" look="quiet" onClick={() => setPart(null)}>
                  Show all {open.steps.length} steps of “{open.from.title}”
                </Button>
              </p>
            )}
          </div>
        ) : (
          <Empty title={chosen === null ? "Choose one on the left" : "One moment …"}>
            Its steps are shown as students see them; take any of them.
          </Empty>
        )}
      </div>
    </div>
  );
}
