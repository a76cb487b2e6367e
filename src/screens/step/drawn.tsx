import {
  arrowHead,
  LINE_HEIGHT,
  wordsOf,
  type Drawing,
  type DrawnItem,
  type DrawnItemOf,
} from "@/core/drawing/drawing";
import { PAGE_WIDTH, type fills } from "@/core/drawing/vocabulary";
import { inLanguage } from "@/core/content/language";
import type { inks } from "@/core/content/vocabulary";
import { mediaAddress } from "./media";

/** Drawings lie on white paper in both themes, so their colours do not change with it. */
export const inkColours: Record<(typeof inks)[number], string> = {
  black: "#23211d",
  blue: "#2f5f8a",
  green: "#235444",
  red: "#a8482b",
  brown: "#7a5a3a",
};

export const fillColours: Record<(typeof fills)[number], string> = {
  none: "none",
  white: "#ffffff",
  sand: "#f1e3c4",
  sky: "#d6e6f2",
  leaf: "#d5e8dc",
  rose: "#f4d9d0",
};

const pairs = (points: readonly (readonly [number, number])[]) => points.map((point) => point.join(",")).join(" ");
const turned = (turn: number, x: number, y: number) => (turn === 0 ? undefined : `rotate(${turn} ${x} ${y})`);

function ShapePart({ item }: { item: DrawnItemOf<"shape"> }) {
  const { x, y, width, height } = item;
  const look = {
    fill: fillColours[item.fill],
    stroke: inkColours[item.ink],
    strokeWidth: item.thick,
    strokeLinejoin: "round" as const,
    transform: turned(item.turn, x + width / 2, y + height / 2),
  };
  if (item.form === "rectangle") return <rect {...look} x={x} y={y} width={width} height={height} />;
  if (item.form === "ellipse")
    return <ellipse {...look} cx={x + width / 2} cy={y + height / 2} rx={width / 2} ry={height / 2} />;
  const corners = [
    [x + width / 2, y],
    [x + width, y + height],
    [x, y + height],
  ] as const;
  return <polygon {...look} points={pairs(corners)} />;
}

function LinePart({ item }: { item: DrawnItemOf<"line"> }) {
  const colour = inkColours[item.ink];
  const end = item.heads === "none" ? null : arrowHead(item.from, item.to, item.thick);
  const start = item.heads === "both" ? arrowHead(item.to, item.from, item.thick) : null;
  const [fromX, fromY] = start?.neck ?? item.from;
  const [toX, toY] = end?.neck ?? item.to;
  return (
    <g fill={colour}>
      <line
        {...{ x1: fromX, y1: fromY, x2: toX, y2: toY }}
        stroke={colour}
        strokeWidth={item.thick}
        strokeLinecap={item.dashed || item.heads !== "none" ? "butt" : "round"}
        strokeDasharray={item.dashed ? `${item.thick * 3} ${item.thick * 2}` : undefined}
      />
      {[start, end].map((head, at) => head && <polygon key={at} points={pairs(head.corners)} />)}
    </g>
  );
}

function WordsPart({ item, languages }: { item: DrawnItemOf<"words">; languages: readonly string[] }) {
  return (
    <text
      x={item.x}
      fontSize={item.size}
      fill={inkColours[item.ink]}
      transform={turned(item.turn, item.x, item.y)}
      style={{ fontFamily: "var(--font-child)" }}
    >
      {wordsOf(item, languages)
        .split("\n")
        .map((line, at) => (
          // The baseline of Andika lies one letter height below the upper edge of its line.
          <tspan key={at} x={item.x} y={item.y + item.size * (1 + at * LINE_HEIGHT)}>
            {line}
          </tspan>
        ))}
    </text>
  );
}

function Part({ item, languages }: { item: DrawnItem; languages: readonly string[] }) {
  switch (item.type) {
    case "shape":
      return <ShapePart item={item} />;
    case "line":
      return <LinePart item={item} />;
    case "words":
      return <WordsPart item={item} languages={languages} />;
    case "pen":
      return (
        <polyline
          points={item.points.join(" ")}
          fill="none"
          stroke={inkColours[item.ink]}
          strokeWidth={item.thick}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      );
  }
}

/** The things of a drawing in units of its page, for an `svg` of somebody else's. */
export function DrawnParts({ drawing, languages }: { drawing: Drawing; languages: readonly string[] }) {
  return (
    <>
      {drawing.over && (
        <image
          href={mediaAddress(drawing.over)}
          width={PAGE_WIDTH}
          height={drawing.height}
          preserveAspectRatio="xMidYMid meet"
        />
      )}
      {drawing.items.map((item) => (
        <Part key={item.id} item={item} languages={languages} />
      ))}
    </>
  );
}

/** A drawing as everybody sees it: made of its numbers, never of markup that came from somewhere. */
export function DrawingView({ drawing, languages }: { drawing: Drawing; languages: readonly string[] }) {
  return (
    <svg
      viewBox={`0 0 ${PAGE_WIDTH} ${drawing.height}`}
      role="img"
      aria-label={inLanguage(drawing.description, languages) ?? "Drawing"}
      className="max-h-[28rem] w-full max-w-2xl rounded-card border border-line bg-white"
    >
      <DrawnParts drawing={drawing} languages={languages} />
    </svg>
  );
}
