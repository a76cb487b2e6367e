"use client";
import { clsx } from "clsx";
import { ArrowUp, Check, Plus, X } from "lucide-react";
import { useState } from "react";
import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { stepTitle } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import type { LineSource, RunSheet } from "@/core/run-sheet/schema";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";
import { TextInput } from "@/ui/field";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { phaseNames } from "./looks";

type From = Omit<LineSource, "said">;
export interface TakeActs {
  onLine: (from: From) => void;
  onAs: (phase: "open" | "close", from: From) => void;
  onWord: (term: string, explained: boolean) => void;
  onMaterials: (materials: RunSheet["materials"]) => void;
  onShort: (short: string[]) => void;
}

/** Where something of the resource stands in the script: "opener, day 1". */
function placeOf(sheet: RunSheet, from: From): string | null {
  for (const [day, { parts }] of sheet.days.entries())
    for (const { phase, lines } of parts)
      if (lines.some((line) => line.from?.step === from.step && line.from.block === from.block && line.from.block))
        return `${phaseNames[phase].toLowerCase()}, day ${day + 1}`;
  return null;
}

/** The questions of the resource, the step in sight first among equals. */
function Questions({
  document,
  sheet,
  step,
  acts,
}: {
  document: Document;
  sheet: RunSheet;
  step: string | null;
  acts: TakeActs;
}) {
  const { languages } = document;
  const asked = document.steps.flatMap((one, nth) =>
    one.blocks.flatMap((block) =>
      block.type === "question"
        ? [
            {
              from: { step: one.id, block: block.id },
              nth: nth + 1,
              prompt: plainText(inLanguage(block.question.prompt, languages)),
            },
          ]
        : [],
    ),
  );
  return (
    <ul>
      {asked.map(({ from, nth, prompt }) => {
        const place = placeOf(sheet, from);
        return (
          <li
            key={from.block}
            className={clsx(
              "flex gap-2 border-b border-line px-4 py-1.5",
              step === from.step && "bg-card shadow-[inset_3px_0_0_var(--ink)]",
            )}
          >
            <span className="numbers grid h-5 w-5 shrink-0 place-items-center rounded-[4px] bg-shade text-[12px]">
              {nth}
            </span>
            <div className="min-w-0 flex-1 text-[13px]">
              <p className="line-clamp-2 [overflow-wrap:anywhere]">{prompt || "A question"}</p>
              {place ? (
                <p className="flex items-center gap-1 font-semibold text-green">
                  <Check size={13} aria-hidden /> {place}
                </p>
              ) : (
                <div className="mt-1 flex flex-wrap gap-1">
                  <Button size="small" onClick={() => acts.onAs("open", from)}>
                    as opener
                  </Button>
                  <Button size="small" onClick={() => acts.onAs("close", from)}>
                    as exit question
                  </Button>
                  <Button size="small" onClick={() => acts.onLine(from)}>
                    as a line
                  </Button>
                </div>
              )}
            </div>
          </li>
        );
      })}
    </ul>
  );
}

/** Steps and pictures, to be taken as a line. */
function Others({ document, acts }: { document: Document; acts: TakeActs }) {
  const { languages } = document;
  const others = document.steps.flatMap((step, nth) => [
    { from: { step: step.id } as From, text: `${nth + 1}. ${stepTitle(step, languages)}` },
    ...step.blocks.flatMap((block) =>
      block.type === "picture" && !block.decorative
        ? [
            {
              from: { step: step.id, block: block.id } as From,
              text: `Picture: ${inLanguage(block.description, languages) ?? ""}`,
            },
          ]
        : [],
    ),
  ]);
  return (
    <details className="px-4 py-2 text-[13px]">
      <summary className="cursor-pointer font-semibold">Steps and pictures</summary>
      <ul className="mt-1 grid gap-1">
        {others.map(({ from, text }) => (
          <li key={`${from.step} ${from.block ?? ""}`}>
            <button
              type="button"
              className="flex w-full gap-1.5 text-left hover:underline"
              onClick={() => acts.onLine(from)}
            >
              <Plus size={13} aria-hidden className="mt-0.5 shrink-0" /> <span className="line-clamp-2">{text}</span>
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

function Materials({
  materials,
  onMaterials,
}: {
  materials: RunSheet["materials"];
  onMaterials: TakeActs["onMaterials"];
}) {
  const [text, setText] = useState("");
  return (
    <section aria-labelledby="materials" className="px-4 py-2 text-[13px]">
      <h3 id="materials" className="font-semibold">
        Materials
      </h3>
      <ul className="mt-1 grid gap-1">
        {materials.map((one, at) => (
          <li key={at} className="flex items-center gap-2">
            <Checkbox
              label={one.text}
              checked={one.ready}
              onChange={(ready) => onMaterials(materials.with(at, { ...one, ready }))}
            />
            <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{one.text}</span>
            <IconButton name={`Remove ${one.text}`} small onClick={() => onMaterials(materials.toSpliced(at, 1))}>
              <X size={13} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      <form
        className="not-printed mt-1"
        onSubmit={(event) => {
          event.preventDefault();
          if (!text.trim()) return;
          onMaterials([...materials, { text: text.trim(), ready: false }]);
          setText("");
        }}
      >
        <TextInput
          aria-label="Something to have ready"
          placeholder="Something to have ready, then Enter"
          maxLength={200}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </form>
    </section>
  );
}

/** What she can take from the resource, what to have ready, and what to leave out when time is short. */
export function ToTake({
  document,
  sheet,
  step,
  acts,
}: {
  document: Document;
  sheet: RunSheet;
  /** The step in sight. */
  step: string | null;
  acts: TakeActs;
}) {
  const parts = new Map(sheet.days.flatMap((day) => day.parts.map((part) => [part.id, part])));
  const short = sheet.short.flatMap((id) => parts.get(id) ?? []);
  return (
    <>
      <h2 className="flex items-center justify-between px-4 py-2 text-[13px] font-semibold">
        To take from the resource
        <span className="not-printed flex items-center gap-1 font-normal text-ink-soft">
          the one in sight <Key>t</Key>
        </span>
      </h2>
      <Questions {...{ document, sheet, step, acts }} />
      <Others {...{ document, acts }} />
      {document.vocabulary.length > 0 && (
        <section aria-labelledby="words-to-explain" className="px-4 py-2 text-[13px]">
          <h3 id="words-to-explain" className="font-semibold">
            Words to explain
          </h3>
          <div className="mt-1 flex flex-wrap gap-1">
            {document.vocabulary.map(({ term }) => {
              const on = sheet.words.includes(term);
              return (
                <Button key={term} size="small" aria-pressed={on} onClick={() => acts.onWord(term, !on)}>
                  {on && <Check size={13} aria-hidden />} {term}
                </Button>
              );
            })}
          </div>
        </section>
      )}
      <Materials materials={sheet.materials} onMaterials={acts.onMaterials} />
      {short.length > 0 && (
        <section aria-labelledby="short" className="px-4 py-2 text-[13px]">
          <h3 id="short" className="font-semibold">
            When time is short, leave out in this order
          </h3>
          <ol className="mt-1 grid gap-1">
            {short.map((part, at) => {
              const title = document.steps.find(({ id }) => id === part.step);
              const name = `${phaseNames[part.phase]}${title ? `: ${stepTitle(title, document.languages)}` : ""}`;
              return (
                <li key={part.id} className="flex items-center gap-2">
                  <span className="numbers grid h-5 w-5 shrink-0 place-items-center rounded-full border border-line-strong text-[11px]">
                    {at + 1}
                  </span>
                  <span className="min-w-0 flex-1 truncate">{name}</span>
                  <span className="numbers text-ink-soft">{part.minutes} min</span>
                  <span className="not-printed flex">
                    <IconButton
                      name={`${name}: leave out earlier`}
                      small
                      disabled={at === 0}
                      onClick={() => {
                        const ids = short.map(({ id }) => id);
                        ids.splice(at - 1, 0, ...ids.splice(at, 1));
                        acts.onShort(ids);
                      }}
                    >
                      <ArrowUp size={13} aria-hidden />
                    </IconButton>
                    <IconButton
                      name={`${name}: do not leave out`}
                      small
                      onClick={() => acts.onShort(short.flatMap(({ id }) => (id === part.id ? [] : [id])))}
                    >
                      <X size={13} aria-hidden />
                    </IconButton>
                  </span>
                </li>
              );
            })}
          </ol>
        </section>
      )}
    </>
  );
}
