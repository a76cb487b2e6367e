import type { ReactElement } from "react";
import { inLanguage } from "@/core/content/language";
import { letterAt } from "@/core/resource/paper";
import { type Gap, type Option, type Question } from "@/core/question/question";
import { passageParts } from "@/core/question/passage";
import { mediaAddress } from "../step/media";
import { AnswerView } from "../step/question-view";

const empty = "inline-block border-b border-current align-baseline";

function Blank({ wide = false }: { wide?: boolean }) {
  return <span className={`${empty} ${wide ? "w-72" : "w-28"}`}>&nbsp;</span>;
}

function Picked({ option, languages }: { option: Option; languages: readonly string[] }) {
  return (
    <>
      {option.picture && (
        // eslint-disable-next-line @next/next/no-img-element
        <img
          src={mediaAddress(option.picture)}
          alt={inLanguage(option.text, languages) ?? ""}
          className="mr-2 inline-block max-h-28 align-middle"
        />
      )}
      {inLanguage(option.text, languages)}
    </>
  );
}

/** Choices with a box or a circle before each. */
function Options({ options, round, languages }: { options: Option[]; round: boolean; languages: readonly string[] }) {
  return (
    <ul className="grid gap-2">
      {options.map((option) => (
        <li key={option.id} className="flex items-center gap-2">
          <span aria-hidden className={`size-4 shrink-0 border border-current ${round ? "rounded-full" : ""}`} />
          <Picked option={option} languages={languages} />
        </li>
      ))}
    </ul>
  );
}

function Lines({ count }: { count: number }) {
  return (
    <div aria-hidden>
      {Array.from({ length: count }, (_, at) => (
        <div key={at} className="h-9 border-b border-current" />
      ))}
    </div>
  );
}

/** A gap to fill; what it may be chosen from stands in brackets behind it. */
function GapOnPaper({ gap, languages }: { gap: Gap | undefined; languages: readonly string[] }) {
  const options = inLanguage(gap?.optionsIn, languages) ?? gap?.options;
  return (
    <>
      <Blank />
      {options && <span className="text-[0.85em]"> ({options.join(" / ")})</span>}
    </>
  );
}

/** What a question asks for, to be filled in with a pencil. */
function answerPlace(question: Question, languages: readonly string[]): ReactElement {
  switch (question.type) {
    case "choice":
    case "poll":
      return <Options options={question.options} round languages={languages} />;
    case "choices":
      return <Options options={question.options} round={false} languages={languages} />;
    case "shortText":
      return <Blank wide />;
    case "number":
      return (
        <p className="flex flex-wrap gap-x-6 gap-y-3">
          {question.parts.map((part) => (
            <span key={part.id}>
              <Blank /> {part.unit ?? part.units?.map(({ name }) => name).join(" / ")}
            </span>
          ))}
        </p>
      );
    case "gaps":
      return (
        <p className="leading-[2.2] whitespace-pre-wrap">
          {passageParts(inLanguage(question.passage, languages) ?? "").map((part, at) =>
            "text" in part ? (
              <span key={at}>{part.text}</span>
            ) : (
              <GapOnPaper key={at} gap={question.gaps.find(({ id }) => id === part.gap)} languages={languages} />
            ),
          )}
        </p>
      );
    case "cells":
      return (
        <table className="border-collapse">
          <tbody>
            {(inLanguage(question.rows, languages) ?? []).map((row, at) => (
              <tr key={at}>
                {row.map((cell, nth) => (
                  <td key={nth} className="h-9 min-w-20 border border-current px-2 py-1">
                    {passageParts(cell).map((part, where) =>
                      "text" in part ? part.text : <span key={where}>&nbsp;</span>,
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      );
    case "match":
      return (
        <div className="grid grid-cols-2 gap-8">
          <ol className="grid content-start gap-3">
            {question.left.map((option, at) => (
              <li key={option.id} className="flex items-baseline gap-2">
                <span className={`${empty} w-8 shrink-0`}>&nbsp;</span> {at + 1}.{" "}
                <span>
                  <Picked option={option} languages={languages} />
                </span>
              </li>
            ))}
          </ol>
          <ul className="grid content-start gap-3">
            {question.right.map((option, at) => (
              <li key={option.id}>
                {letterAt(at)}) <Picked option={option} languages={languages} />
              </li>
            ))}
          </ul>
        </div>
      );
    case "order":
      return (
        <ul className="grid gap-3">
          {question.items.map((option) => (
            <li key={option.id} className="flex items-center gap-3">
              <span aria-hidden className="size-7 shrink-0 border border-current" />
              <Picked option={option} languages={languages} />
            </li>
          ))}
        </ul>
      );
    case "groups":
      return (
        <>
          <p className="mb-3">{question.items.map((option) => inLanguage(option.text, languages)).join(" · ")}</p>
          <div className="grid grid-cols-[repeat(auto-fit,minmax(9rem,1fr))] gap-3">
            {question.groups.map((group) => (
              <div key={group.id} className="min-h-32 border border-current p-2">
                <p className="font-bold">
                  <Picked option={group} languages={languages} />
                </p>
              </div>
            ))}
          </div>
        </>
      );
    case "labels":
      return (
        <div className="flex flex-wrap gap-6">
          <div className="relative w-96">
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img
              src={mediaAddress(question.media)}
              alt={inLanguage(question.description, languages) ?? ""}
              className="w-full"
            />
            {question.spots.map((spot, at) => (
              <span
                key={spot.id}
                className="absolute grid size-6 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border border-[black] bg-[white] text-[13px] text-[black]"
                style={{ left: `${spot.x * 100}%`, top: `${spot.y * 100}%` }}
              >
                {at + 1}
              </span>
            ))}
          </div>
          <div>
            <ol className="grid gap-3">
              {question.spots.map((spot, at) => (
                <li key={spot.id}>
                  {at + 1}. <Blank />
                </li>
              ))}
            </ol>
            <p className="mt-3 max-w-xs">
              {question.labels.map((option) => inLanguage(option.text, languages)).join(" · ")}
            </p>
          </div>
        </div>
      );
    case "highlight":
      return <p className="leading-[2.2] whitespace-pre-wrap">{inLanguage(question.passage, languages)}</p>;
    case "longText":
      return (
        <>
          <Lines count={question.lines} />
          {question.checklist && (
            <ul className="mt-3 grid gap-1">
              {question.checklist.map((point) => (
                <li key={point.id} className="flex items-center gap-2">
                  <span aria-hidden className="size-4 shrink-0 border border-current" />{" "}
                  {inLanguage(point.text, languages)}
                </li>
              ))}
            </ul>
          )}
        </>
      );
    case "photo":
      return <p>Take a photograph with a device, or draw what you see on the back.</p>;
    case "speech":
      return <p>Say it to your teacher or a partner, or record it on a device.</p>;
    case "clip":
      return <p>Film it with a device, or show it to your teacher or a partner.</p>;
    case "line":
    case "bars":
    case "points":
    case "place":
    case "sketch":
    case "notePage":
      return (
        <div className="paper-picture">
          <AnswerView question={question} value={undefined} languages={languages} name="" />
        </div>
      );
  }
}

export function PaperQuestion({ question, languages }: { question: Question; languages: readonly string[] }) {
  return <>{answerPlace(question, languages)}</>;
}
