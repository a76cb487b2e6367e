"use client";
import { X } from "lucide-react";
import type { Said } from "@/server/find/understand";

/** What the words were taken for; each is just words again with one press. And what was shown instead of a slip. */
export function UnderstoodWords({
  says,
  corrected,
  typed,
  onWords,
}: {
  says: readonly Said[];
  corrected: string | null;
  typed: string;
  onWords: (words: string) => void;
}) {
  if (says.length === 0 && !corrected) return null;
  return (
    <div className="flex min-w-0 flex-wrap items-center gap-x-3 gap-y-1 text-[13px]" role="status">
      {says.map(({ text, asWords }) => (
        <span key={text} className="inline-flex max-w-xl min-w-0 items-center gap-1 text-ink-soft">
          <span className="truncate" title={text}>
            {text}
          </span>
          {asWords !== null && (
            <button
              type="button"
              aria-label={`Search for these words instead: ${text}`}
              title="Search for these words instead"
              onClick={() => onWords(asWords)}
              className="rounded p-0.5 text-slate hover:bg-shade"
            >
              <X size={13} aria-hidden />
            </button>
          )}
        </span>
      ))}
      {corrected && (
        <span>
          No results for “{typed}”. Showing “{corrected}”.{" "}
          <button type="button" className="font-semibold text-green underline" onClick={() => onWords(corrected)}>
            Use this spelling
          </button>
        </span>
      )}
    </div>
  );
}
