"use client";
import type { ReactNode } from "react";
import { Check, X } from "lucide-react";
import { inLanguage } from "@/core/content/language";
import { explainFinding, mustBeLookedAt, nameFinding } from "@/core/results/format-item";
import type { Analysis, ChosenAnswer, Item } from "@/core/results/items";
import { kindOf } from "@/core/question/kinds";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { Rich } from "../step/rich";

const capital = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** How many squares of a group are drawn; of a large class the number says it. */
const MOST_SQUARES = 10;

/** How many of a group gave an answer: filled for the stronger, hatched for the weaker, and the number beside it. */
function Group({ count, of, drawn, stronger }: { count: number; of: number; drawn: boolean; stronger: boolean }) {
  const ink = stronger ? "bg-ink" : "bg-[repeating-linear-gradient(135deg,var(--ink)_0_2px,transparent_2px_4px)]";
  return (
    <span className="flex items-center justify-end gap-1">
      {drawn && (
        <span aria-hidden className="flex gap-px max-xl:hidden">
          {Array.from({ length: of }, (_, at) => (
            <span
              key={at}
              className={`h-3 w-[7px] border ${at < count ? `border-ink ${ink}` : "border-line-strong"}`}
            />
          ))}
        </span>
      )}
      <strong className="numbers w-5 text-right">{count}</strong>
    </span>
  );
}

function Answer({ answer, compared }: { answer: ChosenAnswer; compared: Analysis["compared"] }) {
  const { said, right, students, stronger, weaker } = answer;
  const drawn = compared !== null && Math.max(compared.stronger, compared.weaker) <= MOST_SQUARES;
  return (
    <tr className="align-top">
      <th scope="row" className="border-b border-line py-2 pr-2 text-left font-normal">
        <span className="font-child [overflow-wrap:anywhere]">{said || "left blank"}</span>
        {right && (
          <span className="ml-2 inline-flex items-center gap-0.5 text-[12px] font-semibold text-green">
            <Check size={13} aria-hidden /> right
          </span>
        )}
        <span className="block text-[12px] text-ink-soft">
          {students.length === 0 ? "nobody" : students.map(({ name }) => name.split(" ")[0]).join(", ")}
        </span>
      </th>
      {compared && stronger !== null && weaker !== null && (
        <>
          <td className="border-b border-line py-2 pl-3">
            <Group count={stronger} of={compared.stronger} drawn={drawn} stronger />
          </td>
          <td className="border-b border-line py-2 pl-3">
            <Group count={weaker} of={compared.weaker} drawn={drawn} stronger={false} />
          </td>
        </>
      )}
      <td className="numbers border-b border-line py-2 pl-2 text-right">{students.length}</td>
    </tr>
  );
}

/** One question: what is to be noticed about it, and who gave which answer. */
export function QuestionPanel({
  item,
  compared,
  onClose,
  children,
}: {
  item: Item;
  compared: Analysis["compared"];
  onClose: () => void;
  /** Below the answers. */
  children?: ReactNode;
}) {
  const { question, findings, answers } = item;
  const languages = Object.keys(question.prompt);
  const groups = compared !== null && answers.some(({ stronger }) => stronger !== null);
  return (
    <aside
      aria-label={`Question ${item.nth}`}
      tabIndex={0}
      className="w-[440px] shrink-0 overflow-auto border-line bg-paper p-5 max-xl:w-96 max-md:w-full md:border-l"
    >
      <div className="flex items-start gap-2">
        <div className="min-w-0 flex-1">
          <h2 className="font-serif text-[19px]">Question {item.nth}</h2>
          <p className="text-[13px] text-ink-soft">
            {item.label} · {kindOf(question).name} · {question.marks === 1 ? "1 mark" : `${question.marks} marks`}
          </p>
        </div>
        <Key>k</Key>
        <Key>j</Key>
        <IconButton name="Close" small onClick={onClose}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      <Rich text={inLanguage(question.prompt, languages)} className="mt-2 font-child font-semibold" />
      {findings.map((finding) => (
        <p
          key={finding.kind}
          className={`mt-3 border-l-3 pl-3 text-[13px] ${mustBeLookedAt(finding) ? "border-clay" : "border-line-strong"}`}
        >
          <strong>{capital(nameFinding(finding))}.</strong> {explainFinding(finding, item)}
        </p>
      ))}
      {answers.length > 0 && (
        <table className="mt-4 w-full text-[14px]">
          <thead>
            <tr className="text-left text-[12px] text-ink-soft [&>*]:border-b [&>*]:border-line [&>*]:py-1 [&>*]:font-normal">
              <th scope="col">Answer, and by whom</th>
              {groups && (
                <>
                  <th scope="col" className="pl-3 text-right whitespace-nowrap">
                    stronger {compared.stronger}
                  </th>
                  <th scope="col" className="pl-3 text-right whitespace-nowrap">
                    weaker {compared.weaker}
                  </th>
                </>
              )}
              <th scope="col" className="pl-2 text-right">
                all
              </th>
            </tr>
          </thead>
          <tbody>
            {answers.map((answer) => (
              <Answer key={answer.said} answer={answer} compared={groups ? compared : null} />
            ))}
          </tbody>
        </table>
      )}
      {children}
    </aside>
  );
}
