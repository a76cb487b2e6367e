"use client";
import { formatPercent } from "@/core/results/format-percent";
import type { Statement } from "@/core/results/branches";
import { Search, X } from "lucide-react";
import { Link } from "@/ui/link";
import { useCallback, useState } from "react";
import { forTheseAs } from "@/core/assign/for-these";
import { formatDay } from "@/core/calendar/format-moment";
import { formatList } from "@/core/format-list";
import { cellOf, type CoverageCell, type Evidence, type Level } from "@/core/results/coverage";
import { wilson } from "@/core/results/statistics";
import type { Standing } from "@/data/results/coverage";
import type { CoveredClass } from "@/server/results/coverage";
import { buttonClasses } from "@/ui/button";
import { Chart, type Ink } from "@/ui/chart";
import { IconButton } from "@/ui/icon-button";
import { Key } from "@/ui/key";
import { LevelSign, levelNames } from "./level-sign";

/** Who gained less than half of the marks the last time. */
export const missingOf = (standings: readonly Standing[]): Standing[] =>
  standings.filter(({ gained, outOf }) => gained / outOf < 0.5);

/** Find with what is missing: the statement, nothing the class was assigned, for the children who are not there yet. */
export function findFor(standard: Statement, group: number, missing: readonly Standing[]): string {
  const parameters = new URLSearchParams({ standard: standard.code, undone: String(group) });
  if (missing.length > 0) {
    const these = { class: group, students: missing.map(({ student }) => student), follows: null, steps: null };
    parameters.set("for", forTheseAs(these).for!);
  }
  return `/find?${parameters.toString()}`;
}

interface Point {
  at: number;
  title: string;
  share: number;
  low: number;
  high: number;
}

const pointsOf = (evidence: readonly Evidence[]): Point[] =>
  evidence.flatMap(({ opens, title, result }) => {
    if (!result || result.outOf === 0) return [];
    const share = result.gained / result.outOf;
    const [low, high] = wilson(share * result.students, result.students);
    return [{ at: opens.getTime(), title, share, low, high }];
  });

/** How a class did in a statement, time after time, with where the true share may lie. */
function OverTime({ evidence, label }: { evidence: readonly Evidence[]; label: string }) {
  const said = JSON.stringify(pointsOf(evidence).toReversed());
  const option = useCallback(
    (ink: Ink) => {
      const points = JSON.parse(said) as Point[];
      return {
        grid: { left: 44, right: 16, top: 16, bottom: 24 },
        xAxis: {
          type: "time" as const,
          splitNumber: 3,
          axisLabel: { color: ink("ink-soft"), hideOverlap: true, formatter: "{d} {MMM}" },
          splitLine: { show: false },
        },
        yAxis: {
          type: "value" as const,
          min: 0,
          max: 1,
          interval: 0.5,
          axisLabel: { color: ink("ink-soft"), formatter: (value: number) => formatPercent(value) },
          splitLine: { lineStyle: { color: ink("line") } },
        },
        series: [
          {
            type: "custom" as const,
            silent: true,
            data: points.map(({ at, low, high }) => [at, low, high]),
            renderItem: (
              _: unknown,
              api: { value: (at: number) => number | string; coord: (at: unknown[]) => number[] },
            ) => {
              const [x, top] = api.coord([api.value(0), api.value(2)]);
              const [, bottom] = api.coord([api.value(0), api.value(1)]);
              return {
                type: "rect" as const,
                shape: { x: x! - 3, y: top!, width: 6, height: bottom! - top! },
                style: { fill: ink("green"), opacity: 0.4 },
              };
            },
          },
          {
            type: "line" as const,
            symbol: "circle",
            symbolSize: 8,
            data: points.map(({ at, share }) => [at, share]),
            lineStyle: { color: ink("ink"), width: 2 },
            itemStyle: { color: ink("ink") },
            label: {
              show: true,
              position: "bottom" as const,
              color: ink("ink"),
              formatter: ({ value }: { value?: unknown }) => formatPercent((value as number[])[1]!),
            },
            markLine: {
              silent: true,
              symbol: "none",
              data: [{ yAxis: 0.8 }],
              lineStyle: { color: ink("green"), type: "dashed" as const },
              label: { formatter: "four fifths", position: "insideStartTop" as const, color: ink("green") },
            },
          },
        ],
      } as never;
    },
    [said],
  );
  const points = {
    series: 1,
    said: (JSON.parse(said) as Point[]).map(({ title, share }) => `${title}: ${formatPercent(share)}`),
  };
  return <Chart {...{ option, label, points }} className="mt-3 h-44 w-full" />;
}

const levelAlone = (one: Evidence, now: Date): Level => cellOf([one], now).level;

/** What a cell was counted from: how well over time, each piece of work, and who is not there yet. */
export function EvidencePanel({
  standard,
  group,
  cell,
  standings,
  zone,
  now,
  onClose,
}: {
  standard: Statement;
  group: CoveredClass;
  cell: CoverageCell;
  standings: readonly Standing[];
  zone: string;
  now: Date;
  onClose: () => void;
}) {
  const [asTable, setAsTable] = useState(false);
  const missing = missingOf(standings);
  const points = pointsOf(cell.evidence);
  return (
    <aside
      aria-label={`${standard.code}, ${group.name}`}
      className="flex w-80 shrink-0 flex-col border-line bg-paper max-md:w-full md:border-l"
    >
      <div
        className="min-h-0 flex-1 overflow-auto p-4"
        tabIndex={0}
        role="region"
        aria-label="What it was counted from"
      >
        <div className="flex items-start gap-2">
          <h2 className="flex-1 font-serif text-[19px]">
            {standard.code} <span className="font-sans text-[13px] text-ink-soft">{group.name}</span>
          </h2>
          <IconButton name="Close" small onClick={onClose}>
            <X size={16} aria-hidden />
          </IconButton>
        </div>
        <p className="mt-1 text-[14px]">{standard.statement}</p>
        <p className="mt-2 flex items-start gap-2 text-[13px]">
          <LevelSign level={cell.level} />
          {cell.share === null ? (
            <span>
              {cell.level === "too few" ? `${cell.students} children: too few to say` : levelNames[cell.level]}
            </span>
          ) : (
            <span>
              <strong>{formatPercent(cell.share)} right</strong> last time, by {cell.students} children: may lie between{" "}
              {Math.round(cell.between![0] * 100)} and {formatPercent(cell.between![1])}
            </span>
          )}
        </p>
        {points.length > 1 && !asTable && (
          <OverTime
            evidence={cell.evidence}
            label={`Right answers over time: ${points
              .toReversed()
              .map(({ share }) => formatPercent(share))
              .join(", ")}. The list below says the same.`}
          />
        )}
        <div className="mt-3 flex items-baseline justify-between">
          <h3 className="text-[13px] font-semibold">Counted from</h3>
          {points.length > 1 && (
            <button type="button" className="text-[12px] text-green underline" onClick={() => setAsTable(!asTable)}>
              {asTable ? "as a chart" : "as a table"}
            </button>
          )}
        </div>
        {cell.evidence.length === 0 ? (
          <p className="text-[13px] text-ink-soft">Nothing has been planned or assigned for it yet.</p>
        ) : (
          <table className="mt-1 w-full text-[13px]">
            <caption className="heard">Work about {standard.code}</caption>
            <tbody>
              {cell.evidence.map((one) => (
                <tr key={one.assignment} className="[&>*]:border-b [&>*]:border-line [&>*]:py-1.5">
                  <td className="w-6">
                    <LevelSign level={levelAlone(one, now)} />
                    <span className="heard">{levelNames[levelAlone(one, now)]}</span>
                  </td>
                  <td className="numbers pr-2 whitespace-nowrap text-ink-soft">{formatDay(one.opens, zone, now)}</td>
                  <th scope="row" className="text-left font-normal">
                    {one.opens > now ? (
                      one.title
                    ) : (
                      <Link href={`/results?assignment=${one.assignment}`} className="underline">
                        {one.title}
                      </Link>
                    )}
                    {asTable && one.result && (
                      <span className="numbers block text-[12px] text-ink-soft">
                        {one.result.gained} of {one.result.outOf} marks, {one.result.students} children
                      </span>
                    )}
                  </th>
                  <td className="numbers text-right font-semibold">
                    {one.result && one.result.outOf > 0 ? formatPercent(one.result.gained / one.result.outOf) : "–"}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
      <div className="flex items-center gap-3 border-t border-line bg-shade/60 p-4">
        <p className="min-w-0 flex-1 text-[13px]">
          {standings.length > 0 && missing.length > 0 ? (
            <>
              <strong>
                {missing.length} of {standings.length} are not there yet
              </strong>
              <span className="block text-[12px] text-ink-soft">
                {formatList(missing.map(({ name }) => name.split(" ")[0]!))}
              </span>
            </>
          ) : standings.length > 0 ? (
            <strong>Everyone has half or more.</strong>
          ) : (
            <span className="text-ink-soft">Not assessed yet.</span>
          )}
        </p>
        <Link href={findFor(standard, group.id, missing)} className={buttonClasses("main")}>
          <Search size={16} aria-hidden /> Find for it <Key>f</Key>
        </Link>
      </div>
    </aside>
  );
}
