"use client";
import { formatPercent } from "@/core/results/format-percent";
import { clsx } from "clsx";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState } from "react";
import { nothingKnown, type Coverage, type CoverageCell } from "@/core/results/coverage";
import type { CoveredClass } from "@/server/results/coverage";
import type { Branch, Statement } from "@/core/results/branches";
import { LevelSign, levelNames } from "./level-sign";

const doneOf = (statements: readonly Statement[], cells: Coverage[number] | undefined): string => {
  const done = statements.filter(({ id }) => cells?.[id]?.level === "done").length;
  return `${done === 0 ? "none" : done} of ${statements.length} done`;
};

/** What is said beside the sign of a class that is not the first: there is room for one thing. */
function briefly({ level, taught, planned, students }: CoverageCell): string {
  if (level === "nothing") return "";
  if (level === "too few") return students === 1 ? "one child" : `${students} children`;
  const [count, what] = taught > 0 ? [taught, "lesson"] : [planned, "planned"];
  return what === "planned" ? `${count} planned` : `${count} ${count === 1 ? what : `${what}s`}`;
}

const number = (count: number) => (count === 0 ? "–" : count);

/** The statements of an area and how far each class is with them. Every cell opens what it was counted from. */
export function CoverageTable({
  branches,
  classes,
  coverage,
  opened,
  onOpen,
}: {
  branches: readonly Branch[];
  classes: readonly CoveredClass[];
  coverage: Coverage;
  opened: { class: number; standard: number } | null;
  onOpen: (cell: { class: number; standard: number }) => void;
}) {
  const [closed, setClosed] = useState<ReadonlySet<number>>(new Set());
  const [first, ...others] = classes;
  const cellOf = (group: number, standard: number) => coverage[group]?.[standard] ?? nothingKnown;
  const cellButton = (group: CoveredClass, one: Statement) => {
    const cell = cellOf(group.id, one.id);
    const here = opened?.class === group.id && opened.standard === one.id;
    return (
      <button
        type="button"
        aria-expanded={here}
        aria-label={`${one.code}, ${group.name}: ${levelNames[cell.level]}${cell.share === null ? "" : `, ${formatPercent(cell.share)}`}`}
        onClick={() => onOpen({ class: group.id, standard: one.id })}
        className={clsx(
          "numbers flex h-7 w-full items-center gap-1.5 px-1 font-semibold hover:bg-shade",
          here && "outline-2 -outline-offset-1 outline-ink",
        )}
      >
        <LevelSign level={cell.level} />
        {cell.share !== null && formatPercent(cell.share)}
      </button>
    );
  };
  return (
    <table className="w-full border-separate border-spacing-0 bg-card text-[13px]">
      <caption className="heard">Statements and how far each class is with them</caption>
      <thead>
        <tr className="text-left text-[12px] text-ink-soft [&>*]:sticky [&>*]:top-0 [&>*]:z-10 [&>*]:border-b [&>*]:border-line [&>*]:bg-shade [&>*]:px-3 [&>*]:py-1.5 [&>*]:font-normal">
          <th scope="col" colSpan={2}>
            Statement
          </th>
          {first && (
            <>
              <th scope="col" className="whitespace-nowrap">
                <strong className="block text-ink">{first.name}</strong>how well
              </th>
              <th scope="col" className="text-right align-bottom">
                planned
              </th>
              <th scope="col" className="text-right align-bottom">
                taught
              </th>
              <th scope="col" className="text-right align-bottom">
                assessed
              </th>
            </>
          )}
          {others.map(({ id, name }) => (
            <th key={id} scope="col" colSpan={2} className="whitespace-nowrap">
              <strong className="block text-ink">{name}</strong>how well, taught
            </th>
          ))}
        </tr>
      </thead>
      {branches.map(({ heading, statements }) => {
        const id = heading?.id ?? 0;
        const open = !closed.has(id);
        const Arrow = open ? ChevronDown : ChevronRight;
        return (
          <tbody key={id}>
            <tr className="bg-paper">
              <th scope="rowgroup" colSpan={2} className="border-b border-line py-1.5 pl-4 text-left font-semibold">
                <button
                  type="button"
                  aria-expanded={open}
                  className="inline-flex items-center gap-1.5"
                  onClick={() => {
                    const next = new Set(closed);
                    if (open) next.add(id);
                    else next.delete(id);
                    setClosed(next);
                  }}
                >
                  <Arrow size={14} aria-hidden /> {heading?.code} <span className="ml-2">{heading?.statement}</span>
                </button>
              </th>
              {classes.map((group, at) => (
                <td
                  key={group.id}
                  colSpan={at === 0 ? 4 : 2}
                  className="border-b border-line px-3 text-[12px] text-ink-soft"
                >
                  {doneOf(statements, coverage[group.id])}
                </td>
              ))}
            </tr>
            {open &&
              statements.map((one) => {
                const here = opened?.standard === one.id;
                const cell = first && cellOf(first.id, one.id);
                return (
                  <tr key={one.id} className={here ? "bg-shade" : "hover:bg-shade/40"}>
                    <td
                      className={clsx(
                        "border-b border-line py-1 pl-9 whitespace-nowrap text-ink-soft",
                        here && "shadow-[inset_3px_0_0_var(--ink)]",
                      )}
                    >
                      {one.code}
                    </td>
                    <th scope="row" className="border-b border-line px-3 py-1 text-left font-normal">
                      {one.statement}
                    </th>
                    {first && cell && (
                      <>
                        <td className="w-24 border-b border-line px-2">{cellButton(first, one)}</td>
                        <td className="numbers border-b border-line px-3 text-right">{number(cell.planned)}</td>
                        <td className="numbers border-b border-line px-3 text-right">{number(cell.taught)}</td>
                        <td className="numbers border-b border-line px-3 text-right">{number(cell.assessed)}</td>
                      </>
                    )}
                    {others.flatMap((group) => [
                      <td key={`${group.id} sign`} className="w-20 border-b border-line px-2">
                        {cellButton(group, one)}
                      </td>,
                      <td
                        key={`${group.id} said`}
                        className="border-b border-line pr-3 text-[12px] whitespace-nowrap text-ink-soft"
                      >
                        {briefly(cellOf(group.id, one.id))}
                      </td>,
                    ])}
                  </tr>
                );
              })}
          </tbody>
        );
      })}
    </table>
  );
}
