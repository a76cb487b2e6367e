"use client";
import { formatPercent } from "@/core/results/format-percent";
import { useCallback } from "react";
import type { Progress } from "@/core/results/progress";
import { Chart, type Ink } from "@/ui/chart";

/** Every result as a point, and the level of the last three as a line. The table below says the same. */
export function OverTime({ progress, label }: { progress: Progress; label: string }) {
  const said = JSON.stringify(
    progress.points.map(({ at, share, level, title }) => ({ at: at.getTime(), share, level, title })),
  );
  const option = useCallback(
    (ink: Ink) => {
      const points = JSON.parse(said) as { at: number; share: number; level: number; title: string }[];
      return {
        legend: { top: 0, right: 8, textStyle: { color: ink("ink") } },
        grid: { left: 44, right: 20, top: 32, bottom: 28 },
        tooltip: {
          trigger: "item",
          formatter: ({ dataIndex }: { dataIndex: number }) =>
            `${points[dataIndex]!.title}: ${formatPercent(points[dataIndex]!.share)}`,
        },
        xAxis: {
          type: "time",
          splitNumber: 6,
          axisLabel: { color: ink("ink-soft"), hideOverlap: true, formatter: "{d} {MMM}" },
        },
        yAxis: {
          type: "value",
          min: 0,
          max: 1,
          interval: 0.25,
          axisLabel: { color: ink("ink-soft"), formatter: formatPercent },
          splitLine: { lineStyle: { color: ink("line") } },
        },
        series: [
          {
            name: "level of the last three",
            type: "line",
            symbol: "none",
            data: points.map(({ at, level }) => [at, level]),
            lineStyle: { color: ink("green"), width: 3 },
            itemStyle: { color: ink("green") },
          },
          {
            name: "each result",
            type: "line",
            symbol: "diamond",
            symbolSize: 10,
            data: points.map(({ at, share }) => [at, share]),
            lineStyle: { width: 0 },
            itemStyle: { color: ink("ink") },
          },
        ],
      } as never;
    },
    [said],
  );
  return <Chart option={option} label={label} className="h-56 w-full" />;
}
