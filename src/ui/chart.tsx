"use client";
import { clsx } from "clsx";
import type { EChartsOption } from "echarts";
import type { EChartsType } from "echarts/core";
import { useEffect, useRef, useState } from "react";

/** A colour of the theme, by its name: "ink", "green". */
export type Ink = (name: string) => string;

const inkOf: Ink = (name) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** What is said of each point, in their order, and the series they are in: the arrow keys go from one to the next. */
export interface ChartPoints {
  series: number;
  said: readonly string[];
}

/** Where the keys are in a chart; what is said of the point is heard, and shown as pointing at it shows it. */
function PointKeys({ points, show }: { points: ChartPoints; show: (at: number | null) => void }) {
  const last = points.said.length - 1;
  const [at, setAt] = useState(last);
  const here = Math.min(at, last);
  const go = (to: number) => {
    setAt(to);
    show(to);
  };
  const keys: Record<string, number> = {
    ...{ ArrowRight: Math.min(last, here + 1), ArrowLeft: Math.max(0, here - 1), Home: 0, End: last },
    ...{ ArrowDown: Math.min(last, here + 1), ArrowUp: Math.max(0, here - 1) },
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Points of the chart"
      aria-valuemin={1}
      aria-valuemax={last + 1}
      aria-valuenow={here + 1}
      aria-valuetext={points.said[here]}
      className="pointer-events-none absolute inset-0 rounded-card"
      onFocus={() => show(here)}
      onBlur={() => show(null)}
      onKeyDown={(event) => {
        const to = keys[event.key];
        if (to === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        go(to);
      }}
    />
  );
}

/**
 * A chart in the colours of the theme, drawn anew when that changes. The code for it is loaded when the first one is shown. What it
 * says stands in a table beside or behind it: for ears the chart is one picture with a name, and its points are gone through by the
 * arrow keys.
 */
export function Chart({
  option,
  label,
  points,
  className,
}: {
  /** Kept the same between renderings, or it is drawn anew. */
  option: (ink: Ink) => EChartsOption;
  label: string;
  points?: ChartPoints;
  className?: string;
}) {
  const place = useRef<HTMLDivElement>(null);
  const drawn = useRef<EChartsType>(undefined);
  useEffect(() => {
    let gone = false;
    let chart: EChartsType | undefined;
    const draw = () =>
      chart?.setOption(
        {
          animation: false,
          textStyle: { fontFamily: getComputedStyle(document.body).fontFamily, color: inkOf("ink") },
          ...option(inkOf),
        },
        true,
      );
    const sized = new ResizeObserver(() => chart?.resize());
    const themed = new MutationObserver(draw);
    void import("./chart-parts").then(({ initChart }) => {
      if (gone || !place.current) return;
      chart = initChart(place.current, null, { renderer: "svg" });
      drawn.current = chart;
      draw();
      sized.observe(place.current);
      themed.observe(document.documentElement, { attributes: true, attributeFilter: ["data-theme"] });
    });
    return () => {
      gone = true;
      sized.disconnect();
      themed.disconnect();
      chart?.dispose();
    };
  }, [option]);
  const show = (at: number | null) =>
    drawn.current?.dispatchAction(
      at === null ? { type: "hideTip" } : { type: "showTip", seriesIndex: points?.series ?? 0, dataIndex: at },
    );
  return (
    <div className={clsx("relative", className)}>
      <div ref={place} role="img" aria-label={label} className="h-full w-full" />
      {points && points.said.length > 0 && <PointKeys points={points} show={show} />}
    </div>
  );
}
