import type { Level } from "@/core/results/coverage";

/** Each level by its shape as well as its colour: how full the square is. */
export function LevelSign({ level, size = 16 }: { level: Level; size?: number }) {
  if (level === "nothing")
    return (
      <span aria-hidden className="inline-block w-4 text-center text-ink-soft">
        –
      </span>
    );
  const box = { x: 1, y: 1, width: 14, height: 14, rx: 2.5, strokeWidth: 1.5 };
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden className="shrink-0">
      {level === "done" ? (
        <>
          <rect {...box} className="fill-green stroke-green" />
          <path d="M4.5 8.5 7 11l4.5-5.5" fill="none" strokeWidth="2" className="stroke-on-green" />
        </>
      ) : (
        <>
          <rect
            {...box}
            className="fill-card stroke-ink-soft"
            strokeDasharray={level === "planned" ? "2.5 2" : undefined}
          />
          {level === "taught" && <circle cx="8" cy="8" r="2" className="fill-ink" />}
          {level === "too few" && (
            <text x="8" y="11.5" textAnchor="middle" fontSize="10" className="fill-ink">
              ?
            </text>
          )}
          {level === "under half" && <rect x="2.5" y="10.5" width="11" height="3" className="fill-clay" />}
          {level === "half or more" && <rect x="2.5" y="6.5" width="11" height="7" className="fill-green/60" />}
        </>
      )}
    </svg>
  );
}

export const levelNames: Record<Level, string> = {
  done: "done: four fifths or more",
  "half or more": "half or more",
  "under half": "under half",
  "too few": "too few to say",
  taught: "taught",
  planned: "planned",
  nothing: "nothing yet",
};
