"use client";
import type { TrialEnd } from "./use-trial";

const whyHidden = {
  "after due": "Students see how they did once it is due for everyone.",
  never: "Students see no marks.",
} as const;

/** What a student would see after handing in, on a page where nothing is kept. */
export function TrialEnding({ end, onBack, onAgain }: { end: TrialEnd; onBack: () => void; onAgain: () => void }) {
  return (
    <div className="grid justify-items-center gap-4 rounded-card border-2 border-line bg-card p-8 text-center">
      <h2 className="text-2xl font-bold">Handed in</h2>
      {end.outOf > 0 && (
        <p className="numbers text-xl">
          {end.earned} of {end.outOf}
        </p>
      )}
      {end.hidden && <p>{whyHidden[end.hidden]}</p>}
      <p className="text-[14px] text-ink-soft">You are only looking: nothing was saved.</p>
      <div className="flex flex-wrap justify-center gap-3">
        <button type="button" onClick={onBack} className="min-h-12 rounded-card border-2 border-line px-5 font-bold">
          Look at my answers
        </button>
        <button type="button" onClick={onAgain} className="min-h-12 rounded-card border-2 border-line px-5 font-bold">
          Start again
        </button>
      </div>
    </div>
  );
}
