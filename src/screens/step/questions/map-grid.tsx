import { COLUMNS, ROWS } from "@/core/question/types/place/squares";

const halo = { paintOrder: "stroke", stroke: "#fff", strokeWidth: 3 } as const;

/** The squares of a map over a picture: letters along the top, numbers down the left. It lies over a picture, whatever its colours. */
export function MapGrid() {
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 h-full w-full">
      {Array.from({ length: COLUMNS - 1 }, (_, at) => `${((at + 1) / COLUMNS) * 100}%`).map((x) => (
        <line key={x} x1={x} x2={x} y1="0" y2="100%" stroke="#233" strokeOpacity={0.35} />
      ))}
      {Array.from({ length: ROWS - 1 }, (_, at) => `${((at + 1) / ROWS) * 100}%`).map((y) => (
        <line key={y} y1={y} y2={y} x1="0" x2="100%" stroke="#233" strokeOpacity={0.35} />
      ))}
      {Array.from({ length: COLUMNS }, (_, at) => (
        <text
          key={at}
          x={`${((at + 0.5) / COLUMNS) * 100}%`}
          y={12}
          textAnchor="middle"
          fontSize={12}
          fill="#122"
          {...halo}
        >
          {String.fromCharCode(65 + at)}
        </text>
      ))}
      {Array.from({ length: ROWS }, (_, at) => (
        <text
          key={at}
          x={5}
          y={`${((at + 0.5) / ROWS) * 100}%`}
          dy={at === 0 ? 10 : 5}
          fontSize={12}
          fill="#122"
          {...halo}
        >
          {at + 1}
        </text>
      ))}
    </svg>
  );
}
