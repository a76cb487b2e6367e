"use client";
import { canonical, changesBetween } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import { formatField } from "@/core/resource/format-field";
import { merge, placeStepAs, sameStep, takeField, takeStep } from "@/core/resource/merge";
import { Button } from "@/ui/button";
import { tell } from "@/ui/toast";
import type { DocumentChange } from "../draft/use-draft";
import { fieldNames } from "../field-names";
import { changedFields, differences, Item, says, textOf } from "./differences";
import { WordsChangedView } from "./words-changed-view";

/**
 * What was published since by the author of what she adapted, or changed in the file she brought in: each change by itself, or all that do not
 * touch what she changed.
 */
export function NewSince({
  title,
  theirs,
  done,
  base,
  newer,
  document,
  onDone,
  onChange,
}: {
  title: string;
  /** Above their words beside hers: "Mercy Adeyemi’s". */
  theirs: string;
  /** On the button that says she has looked. */
  done: string;
  base: Document;
  newer: Document;
  document: Document;
  onDone: () => void;
  onChange: (to: DocumentChange) => void;
}) {
  const merged = merge(base, document, newer);
  const mayTakeAll = merged.taken.length + merged.takenFields.length > 0;
  const mineNow = (id: string) => document.steps.find((step) => step.id === id);
  const incoming = differences(base, newer);
  /** A step they only moved is taken when it stands where theirs stands. */
  const movedThere = (id: string) => changesBetween(newer, document).steps[id] !== "moved" && mineNow(id) !== undefined;
  const about = changedFields(base, newer);
  return (
    <section aria-labelledby="new-since" className="grid gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 id="new-since" className="flex-1 font-serif text-[19px]">
          {title}
        </h2>
        <Button
          disabled={!mayTakeAll}
          onClick={() => {
            onChange((now) => merge(base, now, newer).document);
            tell("Done. Your own changes are as they were.");
          }}
        >
          Use everything that leaves mine unchanged
        </Button>
        <Button look="main" onClick={onDone}>
          {done}
        </Button>
      </div>
      <ul className="grid gap-2">
        {incoming.map((one) => {
          const mine = mineNow(one.step);
          const moved = one.what === "moved";
          const taken = moved ? movedThere(one.step) : sameStep(mine, one.after);
          const conflict = merged.conflicts.find(({ step }) => step === one.step);
          return (
            <Item
              key={one.step}
              title={one.title}
              what={taken ? "in yours already" : conflict ? `${says[one.what]}; you changed it too` : says[one.what]}
              action={
                !taken && (
                  <Button
                    size="small"
                    onClick={() =>
                      onChange((now) => (moved ? placeStepAs(now, newer, one.step) : takeStep(now, newer, one.step)))
                    }
                    aria-label={`Take “${one.title}”`}
                  >
                    {moved
                      ? "Move it too"
                      : one.after
                        ? conflict
                          ? "Use theirs instead"
                          : "Take it"
                        : "Delete it too"}
                  </Button>
                )
              }
            >
              {!taken && !moved && conflict && (
                // Both changed it: each beside the other, with what it was struck through.
                <div className="grid grid-cols-2 gap-4 max-md:grid-cols-1">
                  <div>
                    <h4 className="text-[13px] font-bold">Yours</h4>
                    <WordsChangedView
                      before={textOf(one.before, document.languages)}
                      after={textOf(mine, document.languages)}
                    />
                  </div>
                  <div>
                    <h4 className="text-[13px] font-bold">{theirs}</h4>
                    <WordsChangedView
                      before={textOf(one.before, document.languages)}
                      after={textOf(one.after, document.languages)}
                    />
                  </div>
                </div>
              )}
              {!taken && !moved && !conflict && (
                <WordsChangedView
                  before={textOf(one.before, document.languages)}
                  after={textOf(one.after, document.languages)}
                />
              )}
            </Item>
          );
        })}
        {about.map((field) => {
          const taken = canonical(document[field] ?? null) === canonical(newer[field] ?? null);
          return (
            <Item
              key={field}
              title={fieldNames[field]}
              what={taken ? "in yours already" : "changed"}
              action={
                !taken && (
                  <Button
                    size="small"
                    onClick={() => onChange((now) => takeField(now, newer, field))}
                    aria-label={`Take ${fieldNames[field].toLowerCase()}`}
                  >
                    Take it
                  </Button>
                )
              }
            >
              {!taken && <WordsChangedView before={formatField(document, field)} after={formatField(newer, field)} />}
            </Item>
          );
        })}
      </ul>
    </section>
  );
}
