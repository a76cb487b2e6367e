"use client";
import { clsx } from "clsx";
import { Minus, Plus } from "lucide-react";
import { useState, type KeyboardEvent, type PointerEvent } from "react";
import { inLanguage } from "@/core/content/language";
import { marksOf, nearestMark, numberedMarks, shareAlong } from "@/core/content/scale";
import { NumberLine, PLOT, pointedAt, said, UprightScale, valueAt } from "../plot";
import type { QuestionProps } from "./props";
import { useTranslations } from "use-intl";

export function LineView({ question, value, onChange, readOnly, languages, labelledBy }: QuestionProps<"line">) {
  return (
    <NumberLine
      axis={question.axis}
      value={value}
      onChange={onChange}
      readOnly={readOnly}
      languages={languages}
      aria-labelledby={labelledBy}
    />
  );
}

/** Bars to pull to their height: pointed at, or with the buttons below each. */
export function BarsView({
  question,
  value = {},
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"bars">) {
  const t = useTranslations("question");
  const { axis, bars } = question;
  const [width, height] = [400, 230];
  const inner = { width: width - PLOT.left - PLOT.right, height: height - PLOT.top - PLOT.bottom };
  const each = inner.width / bars.length;
  const set = (id: string, to: number) => onChange({ ...value, [id]: nearestMark(axis, to) });
  const point = (event: PointerEvent<SVGSVGElement>) => {
    if (readOnly || (event.type === "pointermove" && event.buttons === 0)) return;
    const { along, up } = pointedAt(event);
    const bar = bars[Math.floor(along * bars.length)];
    if (bar) set(bar.id, valueAt(axis, up));
  };
  return (
    <div role="group" aria-labelledby={labelledBy} className="grid max-w-xl gap-2">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        aria-hidden
        onPointerDown={point}
        onPointerMove={point}
        className="w-full touch-none rounded-card border border-line bg-card select-none"
      >
        <UprightScale axis={axis} width={width} height={height} languages={languages} />
        {bars.map((bar, at) => {
          const drawn = value[bar.id];
          const tall = drawn === undefined ? 0 : shareAlong(axis, drawn) * inner.height;
          return (
            <g key={bar.id}>
              <rect
                x={PLOT.left + at * each + each * 0.18}
                width={each * 0.64}
                y={PLOT.top + inner.height - tall}
                height={tall}
                className={clsx(
                  parts[bar.id] === false
                    ? "fill-clay-wash stroke-clay stroke-2 [stroke-dasharray:6_4]"
                    : parts[bar.id]
                      ? "fill-green"
                      : "fill-slate",
                )}
              />
              <text
                x={PLOT.left + (at + 0.5) * each}
                y={height - 12}
                textAnchor="middle"
                className="fill-ink text-[14px]"
              >
                {inLanguage(bar.text, languages)}
              </text>
            </g>
          );
        })}
        <line
          x1={PLOT.left}
          x2={width - PLOT.right}
          y1={height - PLOT.bottom}
          y2={height - PLOT.bottom}
          className="stroke-ink"
          strokeWidth={2}
        />
      </svg>
      <ul className="flex flex-wrap gap-x-4 gap-y-1">
        {bars.map((bar) => {
          const text = inLanguage(bar.text, languages) ?? "";
          const drawn = value[bar.id];
          return (
            <li key={bar.id} className="flex items-center gap-1">
              <span className="min-w-16">{text}</span>
              <button
                type="button"
                disabled={readOnly || drawn === undefined || drawn <= axis.from}
                aria-label={t("less", { name: text })}
                onClick={() => set(bar.id, (drawn ?? axis.from) - axis.step)}
                className="grid h-12 w-12 place-items-center rounded-card border-2 border-line-strong disabled:opacity-40"
              >
                <Minus size={18} aria-hidden />
              </button>
              <output className="numbers w-12 text-center font-semibold" aria-label={t("standsAt", { name: text })}>
                {drawn === undefined ? "–" : said(drawn, languages)}
              </output>
              <button
                type="button"
                disabled={readOnly || (drawn !== undefined && drawn >= axis.to)}
                aria-label={t("more", { name: text })}
                onClick={() => set(bar.id, (drawn ?? axis.from) + axis.step)}
                className="grid h-12 w-12 place-items-center rounded-card border-2 border-line-strong disabled:opacity-40"
              >
                <Plus size={18} aria-hidden />
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** A grid to set points on: pointed at, or with the arrow keys and the space bar. */
export function PointsView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"points">) {
  const t = useTranslations("question");
  const { x: across, y: upward } = question;
  const [width, height] = [400, 360];
  const numbered = numberedMarks(across);
  const inner = { width: width - PLOT.left - PLOT.right, height: height - PLOT.top - PLOT.bottom };
  const [cursor, setCursor] = useState<readonly [number, number]>([across.from, upward.from]);
  const [seen, setSeen] = useState(false);
  const place = ([x, y]: readonly [number, number]) => ({
    cx: PLOT.left + shareAlong(across, x) * inner.width,
    cy: PLOT.top + (1 - shareAlong(upward, y)) * inner.height,
  });
  const toggle = (at: readonly [number, number]) => {
    const without = value.filter(([x, y]) => x !== at[0] || y !== at[1]);
    onChange(without.length < value.length ? without : [...value, [at[0], at[1]]]);
  };
  const point = (event: PointerEvent<SVGSVGElement>) => {
    if (readOnly) return;
    const { along, up } = pointedAt(event);
    const at = [valueAt(across, along), valueAt(upward, up)] as const;
    setCursor(at);
    toggle(at);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (readOnly || (!by && event.key !== " " && event.key !== "Enter")) return;
    event.preventDefault();
    if (!by) return toggle(cursor);
    setCursor([
      nearestMark(across, cursor[0] + by[0]! * across.step),
      nearestMark(upward, cursor[1] + by[1]! * upward.step),
    ]);
  };
  const saidPoint = ([x, y]: readonly [number, number]) =>
    t("pointAt", { x: said(x, languages), y: said(y, languages) });
  return (
    <div className="grid gap-2">
      {/* A grid of points has no role of its own; it is worked with arrows and space, and says where it is. */}
      <div
        role="application"
        aria-roledescription={t("pointGrid")}
        aria-labelledby={labelledBy}
        tabIndex={readOnly ? -1 : 0}
        onKeyDown={onKey}
        onFocus={() => setSeen(true)}
        onBlur={() => setSeen(false)}
        className="w-full max-w-lg rounded-card"
      >
        <svg
          viewBox={`0 0 ${width} ${height}`}
          aria-hidden
          onPointerDown={point}
          className="w-full touch-none rounded-card border border-line bg-card select-none"
        >
          <UprightScale axis={upward} width={width} height={height} languages={languages} />
          {marksOf(across).map((one) => {
            const { cx } = place([one, upward.from]);
            return (
              <g key={one}>
                <line x1={cx} x2={cx} y1={PLOT.top} y2={height - PLOT.bottom} className="stroke-line" strokeWidth={1} />
                {numbered.has(one) && (
                  <text x={cx} y={height - 12} textAnchor="middle" className="numbers fill-ink text-[14px]">
                    {said(one, languages)}
                  </text>
                )}
              </g>
            );
          })}
          {seen && !readOnly && <circle {...place(cursor)} r={10} className="fill-none stroke-green" strokeWidth={2} />}
          {value.map((one, at) => (
            <circle
              key={one.join()}
              {...place(one)}
              r={6}
              className={clsx(
                parts[at] === false ? "fill-card stroke-clay stroke-[3]" : parts[at] ? "fill-green" : "fill-slate",
              )}
            />
          ))}
        </svg>
      </div>
      <p className="heard" aria-live="polite">
        {seen &&
          (value.some(([x, y]) => x === cursor[0] && y === cursor[1])
            ? t("aPoint", { at: saidPoint(cursor) })
            : saidPoint(cursor))}
      </p>
      <p className="numbers text-[0.9em] text-ink-soft">
        {value.length === 0
          ? t("noPoints")
          : value.map((one) => `(${one.map((n) => said(n, languages)).join(" | ")})`).join(" ")}
      </p>
    </div>
  );
}
