"use client";
import type { EChartsOption } from "echarts";
import type { EChartsType } from "echarts/core";
import { useEffect, useRef } from "react";

/** A colour of the theme, by its name: "ink", "green". */
export type Ink = (name: string) => string;

const inkOf: Ink = (name) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/**
 * A chart in the colours of the theme, drawn anew when that changes. The code for it is loaded when the first one is shown. What it
 * says stands in a table beside or behind it: for ears and keys the chart is one picture with a name.
 */
export function Chart({
  option,
  label,
  className,
}: {
  /** Kept the same between renderings, or it is drawn anew. */
  option: (ink: Ink) => EChartsOption;
  label: string;
  className?: string;
}) {
  const place = useRef<HTMLDivElement>(null);
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
  return <div ref={place} role="img" aria-label={label} className={className} />;
}
