"use client";
import { useCallback } from "react";
import { formatPercent } from "@/core/results/format-percent";
import type { MarkColumn } from "@/core/results/mark-table";
import { Chart, type Ink } from "@/ui/chart";
import { shareOverTime } from "../results/share-over-time";
import { Empty } from "@/ui/empty";

const formatMiddle = ({ median, from, to }: { median: number; from: number; to: number }) =>
  `${formatPercent(median)}, middle half ${formatPercent(from)} to ${formatPercent(to)}`;

/** A class over a stretch of the year: the middle child and the middle half in each piece of work. The table says the same. */
export function ClassOverTime({ columns, label }: { columns: readonly MarkColumn[]; label: string }) {
  const said = JSON.stringify(
    columns.flatMap(({ work, middle }) => (middle ? [{ title: work.title, due: work.due.getTime(), ...middle }] : [])),
  );
  const option = useCallback(
    (ink: Ink) => {
      const points = JSON.parse(said) as { title: string; due: number; median: number; from: number; to: number }[];
      const line = (name: string, part: "median" | "from" | "to", look: object) => ({
        name,
        type: "line",
        data: points.map((point) => [point.due, point[part]]),
        ...look,
      });
      const edge = (symbol: string) => ({
        symbol,
        symbolSize: 7,
        lineStyle: { color: ink("slate"), width: 1.5, type: "dashed" },
        itemStyle: { color: ink("slate") },
      });
      return {
        legend: { top: 0, right: 8, textStyle: { color: ink("ink") } },
        grid: { left: 48, right: 24, top: 36, bottom: 30 },
        tooltip: {
          trigger: "axis",
          formatter: (all: { dataIndex: number }[]) => {
            const point = points[all[0]?.dataIndex ?? 0]!;
            return `${point.title}: ${formatMiddle(point)}`;
          },
        },
        ...shareOverTime(ink, 8),
        series: [
          line("a quarter did better", "to", edge("triangle")),
          line("the middle child", "median", {
            symbol: "diamond",
            symbolSize: 11,
            lineStyle: { color: ink("green"), width: 3 },
            itemStyle: { color: ink("green") },
          }),
          line("a quarter did worse", "from", edge("rect")),
        ],
      } as never;
    },
    [said],
  );
  if (said === "[]")
    return <Empty title="Too few results to draw">There must be five children with marks for one piece of work.</Empty>;
  const points = {
    series: 1,
    said: columns.flatMap(({ work, middle }) => (middle ? [`${work.title}: ${formatMiddle(middle)}`] : [])),
  };
  return <Chart {...{ option, label, points }} className="h-full min-h-80 w-full p-4" />;
}
