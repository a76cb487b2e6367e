"use client";
import { useRef, useState, type PointerEvent } from "react";

/** Lines of x, y, x, y … in thousandths of the sheet's width and height. */
export type Lines = number[][];

const pathOf = (line: readonly number[]) =>
  line.reduce((path, value, at) => `${path}${at % 2 === 0 ? (at === 0 ? "M" : "L") : " "}${value}`, "");
const MOST_LINES = 60;
const LONGEST = 598;

/** A small sheet to draw an answer on, or, without `onChange`, to look at one. */
export function QuickSheet({
  lines,
  onChange,
  label,
}: {
  lines: Lines;
  onChange?: (lines: Lines) => void;
  label: string;
}) {
  const sheet = useRef<SVGSVGElement>(null);
  const [line, setLine] = useState<number[] | null>(null);
  const at = (event: PointerEvent): [number, number] => {
    const box = sheet.current!.getBoundingClientRect();
    const part = (value: number) => Math.max(0, Math.min(1000, Math.round(value * 1000)));
    return [part((event.clientX - box.left) / box.width), part((event.clientY - box.top) / box.height)];
  };
  const end = () => {
    if (line && lines.length < MOST_LINES) onChange?.([...lines, line]);
    setLine(null);
  };
  return (
    <svg
      ref={sheet}
      viewBox="0 0 1000 1000"
      preserveAspectRatio="none"
      role="img"
      aria-label={label}
      className={`h-64 w-full rounded-card border-2 border-line-strong bg-white ${onChange ? "touch-none" : ""}`}
      onPointerDown={(event) => {
        if (!onChange) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        setLine([...at(event), ...at(event)]);
      }}
      onPointerMove={(event) => line && line.length < LONGEST && setLine([...line, ...at(event)])}
      onPointerUp={end}
      onPointerCancel={end}
    >
      {[...lines, ...(line ? [line] : [])].map((one, nth) => (
        <path
          key={nth}
          d={pathOf(one)}
          fill="none"
          stroke="#23211d"
          strokeWidth={4}
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
