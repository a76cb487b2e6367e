"use client";
import { formatPercent } from "@/core/results/format-percent";
import { Check, Info, TriangleAlert } from "lucide-react";
import { clsx } from "clsx";
import { inLanguage } from "@/core/content/language";
import { plainText } from "@/core/content/rich-text";
import { formatAlpha, formatSeconds, formatTellsApart, mustBeLookedAt, nameFinding } from "@/core/results/format-item";
import { readByPerson } from "@/core/question/mark";
import type { Analysis, Item } from "@/core/results/items";

/** Where the share of right answers lies, and where it may truly lie. */
export function ShareBar({ share, between }: { share: number; between: [number, number] }) {
  return (
    <svg viewBox="0 0 100 12" className="h-3 w-24" aria-hidden>
      <line x1="0" x2="100" y1="6" y2="6" className="stroke-line-strong" strokeWidth="1" />
      <rect
        x={between[0] * 100}
        width={Math.max(2, (between[1] - between[0]) * 100)}
        y="3"
        height="6"
        rx="3"
        className="fill-green/45"
      />
      <line x1={share * 100} x2={share * 100} y1="0" y2="12" className="stroke-ink" strokeWidth="3" />
    </svg>
  );
}

/** From what the weaker gained to what the stronger gained: it rises where a question does its work. */
function Slope({ weaker, stronger }: { weaker: number; stronger: number }) {
  const y = (share: number) => 14 - share * 12;
  return (
    <svg viewBox="0 0 32 16" className="h-4 w-8" aria-hidden>
      <line
        x1="4"
        x2="28"
        y1={y(weaker)}
        y2={y(stronger)}
        strokeWidth="2"
        className={stronger > weaker ? "stroke-green" : "stroke-clay"}
      />
      <circle cx="4" cy={y(weaker)} r="2" className="fill-card stroke-ink" strokeWidth="1.5" />
      <circle cx="28" cy={y(stronger)} r="2" className="fill-ink" />
    </svg>
  );
}

export const promptOf = ({ question }: Pick<Item, "question">): string =>
  plainText(inLanguage(question.prompt, Object.keys(question.prompt)));

/** Why there are no figures of a question. */
const unmarked = ({ question, voided }: Item): string =>
  voided
    ? "left out"
    : question.type === "poll"
      ? "asks for an opinion"
      : readByPerson(question.type)
        ? "read by you"
        : "–";

const cell = "border-b border-line px-3 py-1.5 align-top";

/** Every question of a piece of work, whether it did its work, and what is to be noticed. */
export function QuestionList({
  analysis,
  opened,
  onOpen,
}: {
  analysis: Analysis;
  opened: string | null;
  onOpen: (question: string) => void;
}) {
  const { items, students, test, compared, outOf } = analysis;
  const toMend = items.filter(({ findings }) => findings.some(mustBeLookedAt)).length;
  return (
    <div className="min-w-0">
      <p className="flex items-start gap-2 px-5 py-2.5 text-[13px]">
        <Info size={15} aria-hidden className="mt-0.5 shrink-0" />
        {students < 5 ? (
          <span>
            <strong>{students === 1 ? "One child has" : `${students} children have`} handed this in.</strong> Figures
            are worked out from five on.
          </span>
        ) : (
          <span>
            <strong>{students} children: read with care.</strong> The bar under “Right” is where the true share may lie,
            95 times in 100.
          </span>
        )}
      </p>
      <table className="w-full border-separate border-spacing-0 bg-card">
        <caption className="heard">Questions and how they did their work</caption>
        <thead>
          <tr className="text-left text-[12px] [&>*]:sticky [&>*]:top-0 [&>*]:z-10 [&>*]:border-b [&>*]:border-line [&>*]:bg-shade [&>*]:px-3 [&>*]:py-1.5">
            <th scope="col" colSpan={2}>
              Question
            </th>
            <th scope="col">
              Right <span className="block font-normal text-ink-soft">of {students} · may lie between</span>
            </th>
            <th scope="col">
              Tells apart <span className="block font-normal text-ink-soft">○ weaker ● stronger</span>
            </th>
            <th scope="col">
              Time <span className="block font-normal text-ink-soft">median, middle half</span>
            </th>
            <th scope="col">
              Finding{" "}
              <span className="block font-normal text-ink-soft">
                {toMend === 0 ? "none to mend" : toMend === 1 ? "one to look at" : `${toMend} to look at`}
              </span>
            </th>
          </tr>
        </thead>
        <tbody>
          {items.map((item) => {
            const here = item.id === opened;
            const first = item.findings[0];
            const Sign = !first ? Check : mustBeLookedAt(first) ? TriangleAlert : Info;
            return (
              <tr
                key={item.id}
                onClick={() => onOpen(item.id)}
                className={clsx("cursor-pointer text-[13px]", here ? "bg-shade" : "hover:bg-shade/50")}
              >
                <td
                  className={clsx(
                    cell,
                    "numbers w-8 text-right text-ink-soft",
                    here && "shadow-[inset_3px_0_0_var(--ink)]",
                  )}
                >
                  {item.nth}
                </td>
                <th scope="row" className={clsx(cell, "max-w-64 min-w-40 text-left font-semibold")}>
                  <button
                    type="button"
                    aria-expanded={here}
                    className="line-clamp-2 text-left [overflow-wrap:anywhere]"
                  >
                    {promptOf(item) || item.label}
                  </button>
                </th>
                <td className={clsx(cell, "numbers whitespace-nowrap")}>
                  {item.difficulty === null || !item.between ? (
                    item.asked === 0 || unmarked(item) !== "–" ? (
                      <span className="text-ink-soft">–</span>
                    ) : (
                      `${item.right} of ${item.asked}`
                    )
                  ) : (
                    <>
                      <span className="flex items-center gap-2">
                        <ShareBar share={item.right / item.asked} between={item.between} />
                        <strong>{formatPercent(item.right / item.asked)}</strong>
                      </span>
                      <span className="text-[12px] text-ink-soft">
                        {item.right} of {item.asked} · {Math.round(item.between[0] * 100)} to{" "}
                        {formatPercent(item.between[1])}
                      </span>
                    </>
                  )}
                </td>
                <td className={clsx(cell, "numbers whitespace-nowrap")}>
                  {item.tellsApart === null || !item.groups ? (
                    <span className="text-ink-soft">–</span>
                  ) : (
                    <>
                      <span className="flex items-center gap-2">
                        <Slope {...item.groups} />
                        <strong>{item.tellsApart.toFixed(2).replace("-", "−")}</strong>
                      </span>
                      <span className="text-[12px] text-ink-soft">{formatTellsApart(item.tellsApart)}</span>
                    </>
                  )}
                </td>
                <td className={clsx(cell, "numbers whitespace-nowrap")}>
                  {item.seconds === null ? (
                    <span className="text-ink-soft">–</span>
                  ) : (
                    <>
                      {formatSeconds(item.seconds.median)}
                      <span className="block text-[12px] text-ink-soft">
                        {formatSeconds(item.seconds.from)} to {formatSeconds(item.seconds.to)}
                      </span>
                    </>
                  )}
                </td>
                <td className={clsx(cell, "min-w-36")}>
                  {item.difficulty === null ? (
                    <span className="text-ink-soft">{unmarked(item)}</span>
                  ) : (
                    <span className="flex items-start gap-1.5">
                      <Sign
                        size={15}
                        aria-hidden
                        className={clsx(
                          "mt-0.5 shrink-0",
                          !first ? "text-green" : mustBeLookedAt(first) && "text-clay",
                        )}
                      />
                      <span className={clsx(first && mustBeLookedAt(first) && "font-semibold")}>
                        {first ? nameFinding(first) : "good"}
                        {item.findings.length > 1 && (
                          <span className="font-normal text-ink-soft"> and {item.findings.length - 1} more</span>
                        )}
                      </span>
                    </span>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {test && <TestLine test={test} outOf={outOf} compared={compared} />}
    </div>
  );
}

function TestLine({
  test,
  outOf,
  compared,
}: Pick<Analysis, "compared" | "outOf"> & { test: NonNullable<Analysis["test"]> }) {
  return (
    <p className="numbers px-5 py-2.5 text-[13px] text-ink-soft">
      On average <strong className="text-ink">{test.mean.toFixed(1)}</strong> of {outOf} marks
      {test.sem !== null && `, give or take ${test.sem.toFixed(1)} for one child`}
      {test.alpha !== null &&
        ` · the questions ${formatAlpha(test.alpha)} (${test.alpha.toFixed(2).replace("-", "−")})`}
      {compared && ` · compared: the ${compared.stronger} strongest and the ${compared.weaker} weakest`}
    </p>
  );
}
