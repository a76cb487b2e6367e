"use client";
import { clsx } from "clsx";
import { Eraser, Undo2 } from "lucide-react";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { PAGE_WIDTH } from "@/core/drawing/vocabulary";
import { inLanguage } from "@/core/content/language";
import type { Stroke } from "@/core/question/question";
import { inks } from "@/core/content/vocabulary";
import { DrawnParts, inkColours } from "../drawn";
import { mediaAddress } from "../media";
import type { QuestionProps } from "./props";
import { useTranslations } from "use-intl";

const WIDTH = 640;
const BLANK_HEIGHT = 420;
const thousandths = (share: number) => Math.round(Math.max(0, Math.min(1, share)) * 1000) / 1000;
const pathOf = ({ points }: Stroke, height: number) =>
  points.reduce(
    (path, one, at) => (at % 2 === 0 ? `${path}${at === 0 ? "M" : "L"} ${one * WIDTH} ` : `${path}${one * height} `),
    "",
  );
const FARTHEST = 3998;

/** A sheet to draw on, over a picture, over the teacher's drawing or blank; a pen for finger and mouse, and one for the arrow keys. */
export function SketchView({
  question,
  value = [],
  onChange,
  readOnly,
  languages,
  labelledBy,
}: QuestionProps<"sketch">) {
  const t = useTranslations("question");
  const inkName = useTranslations("ink");
  const under = question.on;
  const height = under ? (under.height / PAGE_WIDTH) * WIDTH : BLANK_HEIGHT;
  const [ink, setInk] = useState<Stroke["ink"]>("black");
  const [drawing, setDrawing] = useState<Stroke | null>(null);
  const [pen, setPen] = useState({ x: 0.5, y: 0.5, down: false, shown: false });
  const sheet = useRef<SVGSVGElement>(null);
  const begin = (x: number, y: number): Stroke => ({ ink, width: 4, points: [x, y, x, y] });
  const goOn = (stroke: Stroke, x: number, y: number): Stroke =>
    stroke.points.length > FARTHEST ? stroke : { ...stroke, points: [...stroke.points, x, y] };
  const at = (event: PointerEvent) => {
    const box = sheet.current!.getBoundingClientRect();
    return [
      thousandths((event.clientX - box.left) / box.width),
      thousandths((event.clientY - box.top) / box.height),
    ] as const;
  };
  const finish = () => {
    if (drawing) onChange([...value, drawing]);
    setDrawing(null);
  };
  const onKey = (event: KeyboardEvent) => {
    const by = { ArrowRight: [0.02, 0], ArrowLeft: [-0.02, 0], ArrowUp: [0, -0.02], ArrowDown: [0, 0.02] }[event.key];
    if (readOnly || (!by && event.key !== " ")) return;
    event.preventDefault();
    if (!by) {
      if (pen.down) finish();
      else setDrawing(begin(pen.x, pen.y));
      return setPen({ ...pen, down: !pen.down });
    }
    const to = { ...pen, x: thousandths(pen.x + by[0]!), y: thousandths(pen.y + by[1]!) };
    setPen(to);
    if (pen.down) setDrawing((stroke) => (stroke ? goOn(stroke, to.x, to.y) : stroke));
  };
  const strokes = drawing ? [...value, drawing] : value;
  return (
    <div className="grid max-w-2xl gap-2">
      <div
        role="application"
        aria-roledescription={t("drawingSheet")}
        aria-labelledby={labelledBy}
        tabIndex={readOnly ? -1 : 0}
        onKeyDown={onKey}
        onFocus={() => setPen({ ...pen, shown: true })}
        onBlur={() => {
          finish();
          setPen({ ...pen, shown: false, down: false });
        }}
        className="relative rounded-card"
      >
        <svg
          ref={sheet}
          viewBox={`0 0 ${WIDTH} ${height}`}
          role="img"
          aria-label={[
            inLanguage(under?.description ?? question.description, languages),
            t("linesDrawn", { count: value.length }),
          ]
            .filter(Boolean)
            .join(", ")}
          className={clsx(
            "w-full touch-none rounded-card border-2 border-line-strong bg-white select-none",
            !readOnly && "cursor-crosshair",
          )}
          onPointerDown={(event) => {
            if (readOnly) return;
            event.currentTarget.setPointerCapture(event.pointerId);
            setDrawing(begin(...at(event)));
          }}
          onPointerMove={(event) => drawing && !pen.down && setDrawing(goOn(drawing, ...at(event)))}
          onPointerUp={() => !pen.down && finish()}
        >
          {question.over && (
            <image
              href={mediaAddress(question.over)}
              width={WIDTH}
              height={height}
              preserveAspectRatio="xMidYMid meet"
            />
          )}
          {under && (
            <g transform={`scale(${WIDTH / PAGE_WIDTH})`}>
              <DrawnParts drawing={under} languages={languages} />
            </g>
          )}
          {strokes.map((stroke, nth) => (
            <path
              key={nth}
              d={pathOf(stroke, height)}
              fill="none"
              stroke={inkColours[stroke.ink]}
              strokeWidth={stroke.width}
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          ))}
          {pen.shown && !readOnly && (
            <circle
              cx={pen.x * WIDTH}
              cy={pen.y * height}
              r={pen.down ? 5 : 9}
              fill="none"
              stroke={inkColours[ink]}
              strokeWidth={2}
            />
          )}
        </svg>
      </div>
      {!readOnly && (
        <div className="flex flex-wrap items-center gap-1">
          {inks.map((one) => (
            <button
              key={one}
              type="button"
              aria-label={t("drawIn", { ink: inkName(one) })}
              aria-pressed={ink === one}
              onClick={() => setInk(one)}
              className={clsx(
                "grid h-12 w-12 place-items-center rounded-card border-2",
                ink === one ? "border-green" : "border-line",
              )}
            >
              <span className="h-6 w-6 rounded-full" style={{ background: inkColours[one] }} />
            </button>
          ))}
          <button
            type="button"
            disabled={value.length === 0}
            onClick={() => onChange(value.slice(0, -1))}
            className="ml-2 inline-flex min-h-12 items-center gap-2 px-3 disabled:opacity-40"
          >
            <Undo2 size={18} aria-hidden /> {t("undoLine")}
          </button>
          <button
            type="button"
            disabled={value.length === 0}
            onClick={() => onChange([])}
            className="inline-flex min-h-12 items-center gap-2 px-3 disabled:opacity-40"
          >
            <Eraser size={18} aria-hidden /> {t("blankSheet")}
          </button>
        </div>
      )}
    </div>
  );
}
