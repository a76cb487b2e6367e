import { formatClock } from "@/core/calendar/format-moment";
import { Check, CloudOff, Loader2 } from "lucide-react";
import { useState } from "react";
import type { SaveState } from "./use-draft";

/** Honest, always: saved and when, being saved, or not saved and why. */
export function SaveSign({ state, savedBefore, zone }: { state: SaveState; savedBefore: Date | null; zone: string }) {
  const [now] = useState(() => new Date());
  const at = state.kind === "saved" ? (state.at ?? savedBefore) : null;
  return (
    <p role="status" className="flex shrink-0 items-center gap-1.5 text-[13px] text-ink-soft">
      {state.kind === "saved" && at && (
        <>
          <Check size={14} aria-hidden /> saved {formatClock(at, zone, now)}
        </>
      )}
      {(state.kind === "waiting" || state.kind === "saving") && (
        <>
          <Loader2 size={14} aria-hidden className="animate-spin" /> saving …
        </>
      )}
      {state.kind === "failed" && (
        <span className="flex items-center gap-1.5 text-clay">
          <CloudOff size={14} aria-hidden className="shrink-0" />
          {/* Two lines at most: the title beside it keeps its room, and the whole of it is in the tip. */}
          <span className="line-clamp-2 max-w-56" title={state.problem}>
            not saved: {state.problem}
          </span>
        </span>
      )}
    </p>
  );
}
