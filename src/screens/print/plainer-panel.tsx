"use client";
import type { PlainChange } from "@/core/plain-words/plain-words";
import type { Document } from "@/core/resource/document";
import { Button } from "@/ui/button";
import { Fold } from "@/ui/fold";
import { ChangeLine, whereIn } from "../adapt/change-line";

/** Plainer words and shorter sentences for a family's sheet: the sheet changes as they are ticked, the resource does not. */
export function PlainerPanel({
  document,
  changes,
  chosen,
  onChosen,
}: {
  document: Document;
  changes: readonly PlainChange[];
  chosen: ReadonlySet<string>;
  onChosen: (chosen: ReadonlySet<string>) => void;
}) {
  const open = changes.filter(({ to }) => to !== null);
  if (changes.length === 0) return null;
  const all = open.length > 0 && open.every(({ id }) => chosen.has(id));
  return (
    <div className="w-full">
      <Fold title={`Plainer words and shorter sentences (${changes.length})`}>
        <div className="rounded-card border border-line bg-card">
          {open.length > 0 && (
            <p className="px-4 py-2">
              <Button
                size="small"
                aria-pressed={all}
                onClick={() => onChosen(all ? new Set() : new Set(open.map(({ id }) => id)))}
              >
                {all ? "None of these" : "All of these"}
              </Button>
            </p>
          )}
          <ul className="max-h-72 overflow-auto" tabIndex={0} aria-label="Plainer words and shorter sentences">
            {changes.map((one) => (
              <ChangeLine
                key={one.id}
                change={one}
                chosen={chosen.has(one.id)}
                note={
                  one.kind === "sentence" && `${one.words} words${one.to === null ? ": shorten it when you adapt" : ""}`
                }
                place={whereIn(document, one)}
                onChosen={(on) => {
                  const next = new Set(chosen);
                  if (on) next.add(one.id);
                  else next.delete(one.id);
                  onChosen(next);
                }}
              />
            ))}
          </ul>
        </div>
      </Fold>
    </div>
  );
}
