"use client";
import { useCallback } from "react";
import { countLevels, levels, nothingKnown, type Coverage, type Level } from "@/core/results/coverage";
import type { CoveredClass } from "@/server/results/coverage";
import { Chart, type Ink } from "@/ui/chart";
import type { Branch } from "@/core/results/branches";
import { levelNames } from "./level-sign";

/** Told apart by pattern as well as by colour. */
const looks: Record<Level, { colour: string; symbol: string; turn: number }> = {
  done: { colour: "green", symbol: "none", turn: 0 },
  "half or more": { colour: "slate", symbol: "rect", turn: 45 },
  "under half": { colour: "clay", symbol: "rect", turn: -45 },
  "too few": { colour: "brass", symbol: "circle", turn: 0 },
  taught: { colour: "ink-soft", symbol: "circle", turn: 0 },
  planned: { colour: "line-strong", symbol: "rect", turn: 90 },
  nothing: { colour: "line", symbol: "none", turn: 0 },
};

/** For each class and branch, how many statements stand at each level. The table beside it says the same. */
export function CoverageChart({
  branches,
  classes,
  coverage,
}: {
  branches: readonly Branch[];
  classes: readonly CoveredClass[];
  coverage: Coverage;
}) {
  const bars = branches.flatMap(({ heading, statements }) =>
    classes.map((group) => ({
      name: `${heading?.statement ?? ""}\n${group.name}`,
      counts: countLevels(statements.map(({ id }) => coverage[group.id]?.[id] ?? nothingKnown)),
    })),
  );
  const said = JSON.stringify(bars);
  const option = useCallback(
    (ink: Ink) => {
      const all = JSON.parse(said) as typeof bars;
      return {
        // The name it has is ours; of what ECharts does for reading, the patterns are taken.
        aria: { enabled: true, label: { enabled: false }, decal: { show: true } },
        grid: { left: 150, right: 30, top: 50, bottom: 30 },
        legend: { top: 8, textStyle: { color: ink("ink") }, itemWidth: 22 },
        tooltip: { trigger: "axis" as const, axisPointer: { type: "shadow" as const } },
        xAxis: {
          type: "value" as const,
          minInterval: 1,
          name: "statements",
          axisLabel: { color: ink("ink-soft") },
          splitLine: { lineStyle: { color: ink("line") } },
        },
        yAxis: {
          type: "category" as const,
          inverse: true,
          data: all.map(({ name }) => name),
          axisLabel: { color: ink("ink"), lineHeight: 15 },
        },
        series: levels.map((level) => ({
          name: levelNames[level],
          type: "bar" as const,
          stack: "all",
          barMaxWidth: 26,
          data: all.map(({ counts }) => counts[level]),
          itemStyle: {
            color: ink(looks[level].colour),
            borderColor: ink("card"),
            borderWidth: 1,
            decal: {
              symbol: looks[level].symbol,
              rotation: (looks[level].turn * Math.PI) / 180,
              dashArrayX: [1, 0],
              dashArrayY: [2, 5],
              color: ink("card"),
            },
          },
        })),
      };
    },
    [said],
  );
  return (
    <Chart
      option={option}
      points={{
        series: 0,
        said: (JSON.parse(said) as typeof bars).map(
          ({ name, counts }) =>
            `${name.replace("\n", ", ")}: ${levels
              .filter((level) => counts[level] > 0)
              .map((level) => `${counts[level]} ${levelNames[level]}`)
              .join(", ")}`,
        ),
      }}
      label={`How many statements of each branch stand at each level, for ${classes.map(({ name }) => name).join(" and ")}. The table says the same.`}
      className="h-full min-h-96 w-full"
    />
  );
}
