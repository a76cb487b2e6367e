"use client";
import { stepTitle } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { sameStep, type Field } from "@/core/resource/merge";
import { stepInFull } from "@/core/resource/step-in-full";
import { Button } from "@/ui/button";
import { Notice } from "@/ui/notice";
import { fieldNames } from "../field-names";
import type { Met } from "../draft/use-draft";
import { WordsChangedView } from "./words-changed-view";

/** Another window saved meanwhile: what was taken in from there, and what both changed, to choose from. */
export function MetNotice({
  met,
  document,
  onTake,
  onTakeField,
  onClose,
}: {
  met: Met;
  document: Document;
  onTake: (step: string) => void;
  onTakeField: (field: Field) => void;
  onClose: () => void;
}) {
  const { languages } = document;
  const taken = met.taken.length + met.takenFields.length;
  // Once what stands here is what stands there, there is nothing left to choose.
  const open = met.conflicts.filter((one) => {
    const now = document.steps.find(({ id }) => id === one.step);
    return one.field ? document[one.field] !== met.theirs[one.field] : !sameStep(now, one.theirs ?? undefined);
  });
  return (
    <Notice tone={open.length > 0 ? "warning" : "information"} className="m-3 max-h-[40vh] overflow-auto">
      <p>
        This was also changed in another window.{" "}
        {taken > 0 && `${taken} ${taken === 1 ? "change" : "changes"} from there are in this one now. `}
        {open.length > 0
          ? "Both changed the following; what you have here stays unless you choose the other."
          : "Nothing of either was lost."}{" "}
        <button type="button" className="font-semibold underline" onClick={onClose}>
          {open.length > 0 ? "Keep all of mine" : "Good"}
        </button>
      </p>
      <ul className="mt-2 grid gap-2">
        {open.map((one) => {
          const shown = one.mine ?? one.theirs;
          return (
            <li key={one.step ?? one.field} className="rounded-card border border-line bg-card p-2">
              <div className="flex items-center gap-2">
                <strong className="flex-1">{shown ? stepTitle(shown, languages) : fieldNames[one.field!]}</strong>
                <Button size="small" onClick={() => (one.step ? onTake(one.step) : onTakeField(one.field!))}>
                  {one.theirs === null && one.step ? "Delete it here too" : "Take the other"}
                </Button>
              </div>
              {one.step && (
                <WordsChangedView
                  before={one.mine ? stepInFull(one.mine, languages) : ""}
                  after={one.theirs ? stepInFull(one.theirs, languages) : ""}
                />
              )}
            </li>
          );
        })}
      </ul>
    </Notice>
  );
}
