"use client";
import type { KeyboardEvent, PointerEvent } from "react";
import { inLanguage } from "@/core/content/language";
import { marksOf, nearestMark, numberedMarks, shareAlong, type Axis } from "@/core/content/scale";
import { useTranslations } from "use-intl";

/** Scales as they are drawn and pointed at: for questions about graphs, and for things to find out with. */

export const said = (value: number, languages: readonly string[]) => value.toLocaleString(languages[0]);

/** How far along and how far up a drawing was pointed at, 0 to 1. */
export function pointedAt(event: PointerEvent<SVGSVGElement>): { along: number; up: number } {
  const box = event.currentTarget.getBoundingClientRect();
  const { width, height } = event.currentTarget.viewBox.baseVal;
  const x = ((event.clientX - box.left) / box.width) * width;
  const y = ((event.clientY - box.top) / box.height) * height;
  return {
    along: (x - PLOT.left) / (width - PLOT.left - PLOT.right),
    up: 1 - (y - PLOT.top) / (height - PLOT.top - PLOT.bottom),
  };
}

// Drawn at about the width of a phone, so that its numbers can be read there; larger screens enlarge it.
export const PLOT = { left: 38, right: 16, top: 14, bottom: 30 };
export const valueAt = (axis: Axis, share: number) => nearestMark(axis, axis.from + share * (axis.to - axis.from));

/** A number line: pointed at, dragged along, or moved with the arrow keys. */
export function NumberLine({
  axis,
  value,
  onChange,
  readOnly = false,
  languages,
  ...named
}: {
  axis: Axis;
  value: number | undefined;
  onChange: (value: number) => void;
  readOnly?: boolean;
  languages: readonly string[];
  "aria-labelledby"?: string;
  "aria-label"?: string;
}) {
  const t = useTranslations("question");
  const [width, height] = [400, 84];
  const numbered = numberedMarks(axis);
  const inner = width - PLOT.left - PLOT.right;
  const x = (one: number) => PLOT.left + shareAlong(axis, one) * inner;
  const point = (event: PointerEvent<SVGSVGElement>) => {
    if (readOnly || (event.type === "pointermove" && event.buttons === 0)) return;
    onChange(valueAt(axis, pointedAt(event).along));
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key];
    const to =
      event.key === "Home"
        ? axis.from
        : event.key === "End"
          ? axis.to
          : by && (value === undefined ? axis.from : value + by * axis.step);
    if (readOnly || to === undefined) return;
    event.preventDefault();
    onChange(nearestMark(axis, to));
  };
  return (
    <div className="grid gap-1">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="slider"
        tabIndex={readOnly ? -1 : 0}
        {...named}
        aria-valuemin={axis.from}
        aria-valuemax={axis.to}
        aria-valuenow={value ?? axis.from}
        aria-valuetext={value === undefined ? t("noPlaceYet") : said(value, languages)}
        aria-disabled={readOnly}
        onPointerDown={point}
        onPointerMove={point}
        onKeyDown={onKey}
        className="w-full max-w-xl touch-none rounded-card border border-line bg-card select-none"
      >
        <line x1={PLOT.left - 14} x2={width - 6} y1={46} y2={46} className="stroke-ink" strokeWidth={2} />
        {marksOf(axis).map((one) => (
          <g key={one}>
            <line
              x1={x(one)}
              x2={x(one)}
              y1={numbered.has(one) ? 37 : 41}
              y2={numbered.has(one) ? 55 : 51}
              className="stroke-ink"
              strokeWidth={1.5}
            />
            {numbered.has(one) && (
              <text x={x(one)} y={74} textAnchor="middle" className="numbers fill-ink text-[14px]">
                {said(one, languages)}
              </text>
            )}
          </g>
        ))}
        {value !== undefined && (
          <path
            d={`M ${x(value)} 44 l -9 -17 a 9 9 0 1 1 18 0 z`}
            className="fill-green stroke-card"
            strokeWidth={1.5}
          />
        )}
      </svg>
      <p className="numbers text-[0.9em] text-ink-soft" aria-hidden>
        {value === undefined ? t("pointAtLine") : said(value, languages)}
      </p>
    </div>
  );
}

/** Marks and lines of an upright scale. */
export function UprightScale({
  axis,
  width,
  height,
  languages,
}: {
  axis: Axis;
  width: number;
  height: number;
  languages: readonly string[];
}) {
  const inner = height - PLOT.top - PLOT.bottom;
  // Rules as close as a knitting only confuse: a fine scale has those that bear a number.
  const numbered = numberedMarks(axis);
  const all = marksOf(axis).length <= 16;
  return (
    <g>
      {marksOf(axis).map((one) => {
        const y = PLOT.top + (1 - shareAlong(axis, one)) * inner;
        return (
          <g key={one}>
            {(numbered.has(one) || all) && (
              <line x1={PLOT.left} x2={width - PLOT.right} y1={y} y2={y} className="stroke-line" strokeWidth={1} />
            )}
            {numbered.has(one) && (
              <text x={PLOT.left - 8} y={y + 5} textAnchor="end" className="numbers fill-ink text-[14px]">
                {said(one, languages)}
              </text>
            )}
          </g>
        );
      })}
      {axis.name && (
        <text x={4} y={10} className="fill-ink-soft text-[12px]">
          {inLanguage(axis.name, languages)}
        </text>
      )}
    </g>
  );
}
