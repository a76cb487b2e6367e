"use client";
import { clsx } from "clsx";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import {
  angleAt,
  DAY_MINUTES,
  elapsed,
  handsAt,
  heightAt,
  jumps,
  lengthBetween,
  turnedTo,
  type Place,
} from "@/core/manipulative/compute";
import { inLanguage } from "@/core/content/language";
import { marksOf, numberedMarks, shareAlong } from "@/core/content/scale";
import { mediaAddress } from "../media";
import { NumberLine, PLOT, pointedAt, said, UprightScale } from "../plot";
import { useTranslations } from "use-intl";
import { press, type ManipulativeProps } from "./props";

export function NumberLineTool({ tool, languages, onNumber }: ManipulativeProps<"number line">) {
  const t = useTranslations("tool");
  const [value, setValue] = useState<number | undefined>();
  return (
    <NumberLine
      aria-label={t("number line")}
      axis={tool.axis}
      value={value}
      languages={languages}
      onChange={(next) => {
        setValue(next);
        onNumber(next);
      }}
    />
  );
}

const formatTime = (minute: number, language: string | undefined) =>
  new Date(Date.UTC(2000, 0, 1, 0, minute)).toLocaleTimeString(language, {
    hour: "numeric",
    minute: "2-digit",
    timeZone: "UTC",
  });
const formatLength = (minutes: number) =>
  [Math.floor(minutes / 60) && `${Math.floor(minutes / 60)} h`, minutes % 60 && `${minutes % 60} min`]
    .filter(Boolean)
    .join(" ") || "0 min";

function Face({ minute, readOnly, onTurn }: { minute: number; readOnly: boolean; onTurn?: (degrees: number) => void }) {
  const hands = handsAt(minute);
  const turn = (event: PointerEvent<SVGSVGElement>) => {
    if (readOnly || (event.type === "pointermove" && event.buttons === 0)) return;
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    onTurn?.((Math.atan2(x, -y) * 180) / Math.PI);
  };
  const hand = (degrees: number, length: number, width: number) => (
    <line
      x1={100}
      y1={100}
      x2={100}
      y2={100 - length}
      stroke="#23211d"
      strokeWidth={width}
      strokeLinecap="round"
      transform={`rotate(${degrees} 100 100)`}
    />
  );
  return (
    <svg
      viewBox="0 0 200 200"
      aria-hidden
      onPointerDown={turn}
      onPointerMove={turn}
      className={clsx("w-full max-w-56 touch-none select-none", !readOnly && "cursor-grab")}
    >
      <circle cx={100} cy={100} r={95} fill="white" stroke="#23211d" strokeWidth={3} />
      {Array.from({ length: 60 }, (_, at) => (
        <line
          key={at}
          x1={100}
          x2={100}
          y1={8}
          y2={at % 5 === 0 ? 18 : 12}
          stroke="#23211d"
          strokeWidth={at % 5 === 0 ? 2.5 : 1}
          transform={`rotate(${at * 6} 100 100)`}
        />
      ))}
      {Array.from({ length: 12 }, (_, at) => {
        const angle = ((at + 1) * Math.PI) / 6;
        return (
          <text
            key={at}
            x={100 + 70 * Math.sin(angle)}
            y={106 - 70 * Math.cos(angle)}
            textAnchor="middle"
            fontSize={17}
            fill="#23211d"
          >
            {at + 1}
          </text>
        );
      })}
      {hand(hands.hour, 44, 6)}
      {hand(hands.minute, 74, 4)}
      <circle cx={100} cy={100} r={5} fill="#23211d" />
    </svg>
  );
}

/** From one time to another: the second clock is turned, the time between is counted as a child counts it. */
export function ClockView({ tool, languages, onNumber }: ManipulativeProps<"clock">) {
  const t = useTranslations("tool");
  const [to, setTo] = useState(tool.to);
  const set = (minute: number) => {
    const next = ((minute % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
    setTo(next);
    onNumber(elapsed(tool.from, next));
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 60, PageDown: -60 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    set(to + by);
  };
  const time = (minute: number) => formatTime(minute, languages[0]);
  return (
    <div className="grid grid-cols-1 gap-3">
      <div className="flex flex-wrap items-start gap-6">
        <figure className="grid justify-items-center gap-1">
          <Face minute={tool.from} readOnly />
          <figcaption className="numbers">{t("from", { time: time(tool.from) })}</figcaption>
        </figure>
        <figure className="grid justify-items-center gap-1">
          <div
            role="slider"
            tabIndex={0}
            aria-label={t("clockToTurn")}
            aria-valuemin={0}
            aria-valuemax={DAY_MINUTES - 1}
            aria-valuenow={to}
            aria-valuetext={time(to)}
            onKeyDown={onKey}
            className="rounded-full"
          >
            <Face minute={to} readOnly={false} onTurn={(degrees) => set(turnedTo(to, degrees))} />
          </div>
          <figcaption className="numbers">{t("to", { time: time(to) })}</figcaption>
        </figure>
      </div>
      <div className="flex flex-wrap gap-2">
        {[-60, -5, -1, 1, 5, 60].map((by) => (
          <button key={by} type="button" className={clsx(press, "numbers")} onClick={() => set(to + by)}>
            {by > 0 ? "+" : "−"} {formatLength(Math.abs(by))}
          </button>
        ))}
      </div>
      <p role="status" className="numbers">
        <strong>{formatLength(elapsed(tool.from, to))}</strong>{" "}
        {jumps(tool.from, to).length > 1 && (
          <span className="text-ink-soft">
            {jumps(tool.from, to)
              .map((jump) => t("jump", { length: formatLength(jump.minutes), time: time(jump.to) }))
              .join(", ")}
          </span>
        )}
      </p>
    </div>
  );
}

const CURVE_PARTS = 160;
const FINE = 10;

export function GraphReaderView({ tool, languages, onNumber }: ManipulativeProps<"graph reader">) {
  const t = useTranslations("tool");
  const { x, y, points } = tool;
  const [first, last] = [points[0]![0], points.at(-1)![0]];
  const [at, setAt] = useState(first);
  const [width, height] = [440, 240];
  const along = (value: number) => PLOT.left + shareAlong(x, value) * (width - PLOT.left - PLOT.right);
  const up = (value: number) => PLOT.top + (1 - shareAlong(y, value)) * (height - PLOT.top - PLOT.bottom);
  const fine = (value: number, step: number) => Math.round(value / (step / FINE)) * (step / FINE);
  const read = (place: number) => {
    const height = heightAt(tool, place);
    return height === null ? null : Number(fine(height, y.step).toFixed(4));
  };
  const set = (place: number) => {
    const next = Number(Math.max(first, Math.min(last, fine(place, x.step))).toFixed(4));
    setAt(next);
    const height = read(next);
    if (height !== null) onNumber(height);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1 / FINE, ArrowLeft: -1 / FINE, PageUp: 1, PageDown: -1 }[event.key];
    const to = event.key === "Home" ? first : event.key === "End" ? last : by && at + by * x.step;
    if (to === undefined) return;
    event.preventDefault();
    set(to);
  };
  const point = (event: PointerEvent<SVGSVGElement>) => {
    if (event.type === "pointermove" && event.buttons === 0) return;
    set(x.from + pointedAt(event).along * (x.to - x.from));
  };
  const curve = Array.from({ length: CURVE_PARTS + 1 }, (_, part) => {
    const place = first + ((last - first) * part) / CURVE_PARTS;
    return `${along(place)},${up(heightAt(tool, place) ?? 0)}`;
  }).join(" ");
  const value = read(at) ?? 0;
  const reading = `${inLanguage(x.name, languages) ?? t("across")} ${said(at, languages)}: ${inLanguage(y.name, languages) ?? t("up")} ${said(value, languages)}`;
  return (
    <div className="grid gap-2">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="slider"
        tabIndex={0}
        aria-label={t("whereRead")}
        aria-valuemin={first}
        aria-valuemax={last}
        aria-valuenow={at}
        aria-valuetext={reading}
        onKeyDown={onKey}
        onPointerDown={point}
        onPointerMove={point}
        className="w-full max-w-2xl touch-none rounded-card border border-line bg-card select-none"
      >
        <UprightScale axis={y} width={width} height={height} languages={languages} />
        {marksOf(x).map((mark) =>
          numberedMarks(x).has(mark) ? (
            <text
              key={mark}
              x={along(mark)}
              y={height - 9}
              textAnchor="middle"
              className="numbers fill-ink text-[14px]"
            >
              {said(mark, languages)}
            </text>
          ) : null,
        )}
        <polyline points={curve} fill="none" className="stroke-slate" strokeWidth={3} />
        <path
          d={`M ${along(at)} ${height - PLOT.bottom} V ${up(value)} H ${PLOT.left}`}
          fill="none"
          className="stroke-ink"
          strokeDasharray="5 4"
          strokeWidth={1.5}
        />
        <circle cx={along(at)} cy={up(value)} r={7} className="fill-green stroke-card" strokeWidth={2} />
      </svg>
      <p role="status" className="numbers">
        {reading}
      </p>
    </div>
  );
}

const arms = {
  length: [
    { name: "oneEnd", start: { x: 0.25, y: 0.5 } },
    { name: "otherEnd", start: { x: 0.75, y: 0.5 } },
  ],
  angle: [
    { name: "corner", start: { x: 0.3, y: 0.7 } },
    { name: "oneArm", start: { x: 0.75, y: 0.7 } },
    { name: "otherArm", start: { x: 0.55, y: 0.25 } },
  ],
} as const satisfies Record<"length" | "angle", { name: string; start: Place }[]>;

/** A length between two places of a picture, or the angle at a corner. */
export function RulerView({ tool, languages, onNumber }: ManipulativeProps<"ruler">) {
  const t = useTranslations("tool");
  const [aspect, setAspect] = useState(0.66);
  const [places, setPlaces] = useState<Place[]>(arms[tool.measure].map(({ start }) => start));
  const sheet = useRef<SVGSVGElement>(null);
  const [width, height] = [600, 600 * aspect];
  const measured = (at: readonly Place[]) =>
    tool.measure === "length"
      ? Math.round(lengthBetween(at[0]!, at[1]!, aspect, tool.width) * 10) / 10
      : Math.round(angleAt(at[0]!, at[1]!, at[2]!, aspect));
  const move = (nth: number, to: Place) => {
    const inside = { x: Math.max(0, Math.min(1, to.x)), y: Math.max(0, Math.min(1, to.y)) };
    const next = places.map((old, at) => (at === nth ? inside : old));
    setPlaces(next);
    onNumber(measured(next));
  };
  const value = measured(places);
  const reading = tool.measure === "length" ? `${said(value, languages)} ${tool.unit}` : `${said(value, languages)}°`;
  const [first, second, third] = places.map(({ x, y }) => ({ x: x * width, y: y * height }));
  return (
    <div className="grid gap-2">
      <svg
        ref={sheet}
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={inLanguage(tool.description, languages) || t("toMeasure")}
        className="w-full max-w-2xl touch-none rounded-card border border-line bg-card select-none"
      >
        <image href={mediaAddress(tool.media)} width={width} height={height} preserveAspectRatio="none" />
        <path
          d={`M ${second!.x} ${second!.y} L ${first!.x} ${first!.y}${third ? ` L ${third.x} ${third.y}` : ""}`}
          fill="none"
          stroke="#A8482B"
          strokeWidth={3}
        />
        {places.map((place, nth) => (
          <circle
            key={nth}
            role="slider"
            tabIndex={0}
            aria-label={t(arms[tool.measure][nth]!.name)}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(place.x * 100)}
            aria-valuetext={t("placeAt", {
              x: Math.round(place.x * 100),
              y: Math.round(place.y * 100),
              reading,
            })}
            cx={place.x * width}
            cy={place.y * height}
            r={14}
            fill="#FFFDF7"
            fillOpacity={0.7}
            stroke="#A8482B"
            strokeWidth={3}
            className="cursor-move"
            onKeyDown={(event) => {
              const by = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[event.key];
              if (!by) return;
              event.preventDefault();
              const far = event.shiftKey ? 0.05 : 0.005;
              move(nth, { x: place.x + by[0]! * far, y: place.y + (by[1]! * far) / aspect });
            }}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={(event) => {
              if (event.buttons === 0) return;
              const box = sheet.current!.getBoundingClientRect();
              move(nth, { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
            }}
          />
        ))}
      </svg>
      {/* Only for its shape: the drawing above shows it. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img
        src={mediaAddress(tool.media)}
        alt=""
        hidden
        onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
          naturalWidth > 0 && setAspect(naturalHeight / naturalWidth)
        }
      />
      <p role="status" className="numbers">
        {reading}
      </p>
    </div>
  );
}
