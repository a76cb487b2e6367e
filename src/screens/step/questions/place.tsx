"use client";
import { clsx } from "clsx";
import { X } from "lucide-react";
import { useState, type KeyboardEvent, type MouseEvent } from "react";
import { inLanguage } from "@/core/content/language";
import { COLUMNS, middleOf, ROWS, squareAt } from "@/core/question/types/place/squares";
import { mediaAddress } from "../media";
import { MapGrid } from "./map-grid";
import type { QuestionProps } from "./props";
import { useTranslations } from "use-intl";

type Point = [number, number];
const arrows: Record<string, Point> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
const share = (value: number) => Math.round(Math.max(0, Math.min(1, value)) * 1000) / 1000;
/** Pressed twice at one spot is one mark; nearer than this nobody can tell two apart. */
const NEAR = 0.03;
const isNear = ([x, y]: Point, [left, top]: Point) => Math.hypot(x - left, y - top) < NEAR;
/** A tenth of a square. */
const fine = ([x, y]: Point, [right, down]: Point): Point => [
  share(x + right / COLUMNS / 10),
  share(y + down / ROWS / 10),
];

/** A map or picture to mark places on: pressed; or with the arrow keys by squares (with Shift a little), and the space bar. */
export function PlaceView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  parts,
  labelledBy,
}: QuestionProps<"place">) {
  const t = useTranslations("question");
  const { most } = question;
  const [cursor, setCursor] = useState<Point>(middleOf([0.5, 0.5]));
  const [seen, setSeen] = useState(false);
  const full = most > 1 && value.length >= most;
  const put = (point: Point) => {
    if (readOnly || full || (most > 1 && value.some((one) => isNear(one, point)))) return;
    onChange(most === 1 ? [point] : [...value, point]);
  };
  const remove = (at: number) => onChange(value.filter((_, nth) => nth !== at));
  // A whole press, not its beginning: a finger that scrolls the page over a map marks nothing.
  const press = (event: MouseEvent<HTMLDivElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const point: Point = [share((event.clientX - box.left) / box.width), share((event.clientY - box.top) / box.height)];
    setCursor(point);
    put(point);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = arrows[event.key];
    if (readOnly || (!by && event.key !== " " && event.key !== "Enter")) return;
    event.preventDefault();
    if (!by) return put(cursor);
    setCursor(event.shiftKey ? fine(cursor, by) : middleOf(cursor, by[0], by[1]));
  };
  return (
    <div className="grid gap-2">
      {/* A picture to mark places on has no role of its own; it is worked with arrows and space, and says where it is. */}
      <div
        role="application"
        aria-roledescription={t("markingSheet")}
        aria-labelledby={labelledBy}
        tabIndex={readOnly ? -1 : 0}
        onKeyDown={onKey}
        onFocus={() => setSeen(true)}
        onBlur={() => setSeen(false)}
        onClick={press}
        className={clsx("relative w-fit max-w-full rounded-card", !readOnly && "cursor-crosshair touch-manipulation")}
      >
        {/* eslint-disable-next-line @next/next/no-img-element -- stored files are served as they are */}
        <img
          src={mediaAddress(question.media)}
          alt={inLanguage(question.description, languages) ?? ""}
          draggable={false}
          className="max-h-[28rem] min-h-48 max-w-full rounded-card border border-line bg-white select-none"
        />
        {question.grid && <MapGrid />}
        {seen && !readOnly && (
          <span
            aria-hidden
            style={{ left: `${cursor[0] * 100}%`, top: `${cursor[1] * 100}%` }}
            className="pointer-events-none absolute h-8 w-8 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-green bg-card/30"
          />
        )}
        {value.map(([x, y], at) => (
          <span
            key={at}
            aria-hidden
            style={{ left: `${x * 100}%`, top: `${y * 100}%` }}
            className={clsx(
              "numbers pointer-events-none absolute grid h-8 w-8 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-[3px] bg-card font-bold text-ink",
              parts[at] === false ? "border-dashed border-clay" : parts[at] ? "border-green" : "border-slate",
            )}
          >
            {most > 1 ? at + 1 : <X size={16} aria-hidden />}
          </span>
        ))}
      </div>
      <p className="heard" aria-live="polite">
        {seen && !readOnly && t("square", { square: squareAt(cursor) })}
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <span className="numbers text-[0.9em] text-ink-soft">
          {value.length === 0
            ? most === 1
              ? t("markPlace")
              : t("markPlaces", { most })
            : most > 1
              ? t(full && !readOnly ? "markedAll" : "markedOf", { count: value.length, most })
              : t("marked")}
        </span>
        {value.map((point, at) =>
          readOnly ? (
            <span key={at} className="numbers font-semibold">
              {squareAt(point)}
            </span>
          ) : (
            <button
              key={at}
              type="button"
              aria-label={t("takeSquare", { square: squareAt(point) })}
              onClick={() => remove(at)}
              className="numbers inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line-strong bg-card px-3 font-semibold"
            >
              {squareAt(point)} <X size={18} aria-hidden />
            </button>
          ),
        )}
      </div>
    </div>
  );
}
