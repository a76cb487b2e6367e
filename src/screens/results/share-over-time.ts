import { formatPercent } from "@/core/results/format-percent";
import type { Ink } from "@/ui/chart";

/** The axes of a chart of shares over time: dates below, none to all at the side. */
export const shareOverTime = (ink: Ink, splitNumber: number) => ({
  xAxis: {
    type: "time",
    splitNumber,
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
});
