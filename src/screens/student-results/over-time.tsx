"use client";
import { formatPercent } from "@/core/results/format-percent";
import { useCallback } from "react";
import type { Progress } from "@/core/results/progress";
import { Chart, type Ink } from "@/ui/chart";
import { shareOverTime } from "../results/share-over-time";

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
        ...shareOverTime(ink, 6),
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
  const points = {
    series: 1,
    said: progress.points.map(({ title, share }) => `${title}: ${formatPercent(share)}`),
  };
  return <Chart {...{ option, label, points }} className="h-56 w-full" />;
}
