"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState, type ReactNode } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import { canonical, changesBetween, stepTitle, type StepChange } from "@/core/resource/changes";
import type { Document, Step } from "@/core/resource/document";
import { fields, merge, placeStepAs, sameStep, takeField, takeStep, type Field } from "@/core/resource/merge";
import { formatField } from "@/core/resource/format-field";
import { stepInFull } from "@/core/resource/step-in-full";
import { goOnFromSource } from "@/screens/acts/adapt";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";
import { fieldNames } from "../field-names";
import type { DocumentChange } from "../draft/use-draft";
import { WordsChangedView } from "./words-changed-view";

const says: Record<StepChange | "removed", string> = {
  new: "new",
  changed: "changed",
  moved: "moved",
  removed: "removed",
};

interface Difference {
  step: string;
  title: string;
  what: StepChange | "removed";
  before: Step | undefined;
  after: Step | undefined;
}

/** Step by step from one document to another: those of the newer in its order, then what was removed. */
function differences(from: Document, to: Document): Difference[] {
  const changes = changesBetween(from, to);
  const was = (id: string) => from.steps.find((step) => step.id === id);
  const found = to.steps.flatMap((step): Difference[] => {
    const what = changes.steps[step.id];
    return what
      ? [{ step: step.id, title: stepTitle(step, to.languages), what, before: was(step.id), after: step }]
      : [];
  });
  const removed = changes.removed.map((id): Difference => {
    const before = was(id)!;
    return { step: id, title: stepTitle(before, from.languages), what: "removed", before, after: undefined };
  });
  return [...found, ...removed];
}

const changedFields = (from: Document, to: Document): Field[] =>
  fields.filter((field) => canonical(from[field] ?? null) !== canonical(to[field] ?? null));

function Item({
  title,
  what,
  action,
  children,
}: {
  title: string;
  what: string;
  action?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <li className="rounded-card border border-line bg-card">
      <div className="flex min-h-10 items-center gap-3 border-b border-line px-3 py-1">
        <h3 className="min-w-0 flex-1 truncate font-semibold" title={title}>
          {title}
        </h3>
        <span className="text-[13px] text-ink-soft">{what}</span>
        {action}
      </div>
      {children && <div className="px-3 py-2">{children}</div>}
    </li>
  );
}

const textOf = (step: Step | undefined, languages: readonly string[]) => (step ? stepInFull(step, languages) : "");

/** What the author published since: each change by itself, or all that do not touch what she changed. */
function NewFromAuthor({
  data,
  document,
  onChange,
}: {
  data: AdaptData;
  document: Document;
  onChange: (to: DocumentChange) => void;
}) {
  const router = useRouter();
  const source = data.source!;
  const newer = source.newer!;
  const merged = merge(source.document, document, newer.document);
  const mayTakeAll = merged.taken.length + merged.takenFields.length > 0;
  const goOn = async () => {
    const outcome = await goOnFromSource({ resource: data.resource, revision: newer.revision });
    if (!outcome.ok) return tellProblem(outcome.problem);
    tell(`Your version is now based on revision ${outcome.value.number} now.`);
    router.refresh();
  };
  const mineNow = (id: string) => document.steps.find((step) => step.id === id);
  const incoming = differences(source.document, newer.document);
  /** A step they only moved is taken when it stands where theirs stands. */
  const movedThere = (id: string) =>
    changesBetween(newer.document, document).steps[id] !== "moved" && mineNow(id) !== undefined;
  const about = changedFields(source.document, newer.document);
  return (
    <section aria-labelledby="new-from-author" className="grid gap-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 id="new-from-author" className="flex-1 font-serif text-[19px]">
          New in {source.author}’s revision {newer.number}
        </h2>
        <Button
          disabled={!mayTakeAll}
          onClick={() => {
            onChange((now) => merge(source.document, now, newer.document).document);
            tell("Done. Your own changes are as they were.");
          }}
        >
          Use everything that leaves mine unchanged
        </Button>
        <Button look="main" onClick={() => void goOn()}>
          Done: go on from revision {newer.number}
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
                      onChange((now) =>
                        moved ? placeStepAs(now, newer.document, one.step) : takeStep(now, newer.document, one.step),
                      )
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
                    <h4 className="text-[13px] font-bold">{source.author}’s</h4>
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
          const taken = canonical(document[field] ?? null) === canonical(newer.document[field] ?? null);
          return (
            <Item
              key={field}
              title={fieldNames[field]}
              what={taken ? "in yours already" : "changed"}
              action={
                !taken && (
                  <Button
                    size="small"
                    onClick={() => onChange((now) => takeField(now, newer.document, field))}
                    aria-label={`Take ${fieldNames[field].toLowerCase()}`}
                  >
                    Take it
                  </Button>
                )
              }
            >
              {!taken && (
                <WordsChangedView before={formatField(document, field)} after={formatField(newer.document, field)} />
              )}
            </Item>
          );
        })}
      </ul>
    </section>
  );
}

/** What changed since the source, or since a revision of her own; any of it can be put back. */
export function ChangesView({
  data,
  document,
  zone,
  onChange,
}: {
  data: AdaptData;
  document: Document;
  zone: string;
  onChange: (to: DocumentChange) => void;
}) {
  const { source, revisions } = data;
  const [fetched, setFetched] = useState<Record<number, Document>>({});
  const [chosen, setChosen] = useState(source ? "source" : String(revisions[0]?.id ?? ""));
  const against = chosen === "source" ? source?.document : fetched[Number(chosen)];
  const fetchRevision = useCallback(
    async (id: number) => {
      try {
        const response = await fetch(`/adapt/${data.resource}/revision?id=${id}`);
        const answer = (await response.json()) as { document: Document } | { problem: string };
        if ("problem" in answer) tellProblem(answer.problem);
        else setFetched((old) => ({ ...old, [id]: answer.document }));
      } catch {
        tellProblem("No connection: that revision could not be read. Nothing was changed.");
      }
    },
    [data.resource],
  );
  const wanted = against ? null : Number(chosen) || null;
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what was fetched arrives later, not in the effect
    if (wanted) void fetchRevision(wanted);
  }, [wanted, fetchRevision]);
  const found = against ? differences(against, document) : [];
  const about = against ? changedFields(against, document) : [];
  const restore = () => {
    const before = document;
    // Credits and licence are not taken back: what was used stays named.
    const restored = { ...against!, credits: before.credits, licence: before.licence };
    onChange(restored);
    // What was written since stays: only putting back is taken back.
    tell("It is as it was then.", () => onChange((now) => merge(restored, now, before).document));
  };
  return (
    <div className="mx-auto grid max-w-3xl gap-6">
      {source?.newer && <NewFromAuthor data={data} document={document} onChange={onChange} />}
      <section aria-labelledby="what-changed" className="grid gap-3">
        <div className="flex flex-wrap items-center gap-2">
          <h2 id="what-changed" className="font-serif text-[19px]">
            What changed since
          </h2>
          <select
            aria-label="Since which revision"
            value={chosen}
            onChange={(event) => setChosen(event.target.value)}
            className={`${inputClasses} !w-auto`}
          >
            {source && (
              <option value="source">
                {source.author}’s revision {source.number}
              </option>
            )}
            {revisions.map((revision) => (
              <option key={revision.id} value={revision.id}>
                my revision {revision.number}, {formatDay(revision.created, zone, new Date())}
              </option>
            ))}
          </select>
          <span className="flex-1" />
          <Button disabled={!against || found.length + about.length === 0} onClick={restore}>
            Put all of it back
          </Button>
        </div>
        {against && found.length + about.length === 0 && (
          <Empty title="Nothing changed">It is as it was then, word for word.</Empty>
        )}
        {source?.newer === null && <Notice tone="information">Its author has published nothing newer.</Notice>}
        <ul className="grid gap-2">
          {about.map((field) => (
            <Item
              key={field}
              title={fieldNames[field]}
              what="changed"
              action={
                <Button
                  size="small"
                  onClick={() => onChange((now) => takeField(now, against!, field))}
                  aria-label={`Put back ${fieldNames[field].toLowerCase()}`}
                >
                  Put back
                </Button>
              }
            >
              <WordsChangedView before={formatField(against!, field)} after={formatField(document, field)} />
            </Item>
          ))}
          {found.map((one) => (
            <Item
              key={one.step}
              title={one.title}
              what={says[one.what]}
              action={
                <Button
                  size="small"
                  onClick={() =>
                    onChange((now) =>
                      one.what === "moved" ? placeStepAs(now, against!, one.step) : takeStep(now, against!, one.step),
                    )
                  }
                  aria-label={one.what === "new" ? `Take “${one.title}” out` : `Put back “${one.title}”`}
                >
                  {one.what === "new" ? "Take out" : one.what === "moved" ? "Move it back" : "Put back"}
                </Button>
              }
            >
              {one.what !== "moved" && (
                <WordsChangedView
                  before={textOf(one.before, document.languages)}
                  after={textOf(one.after, document.languages)}
                />
              )}
            </Item>
          ))}
        </ul>
      </section>
    </div>
  );
}
