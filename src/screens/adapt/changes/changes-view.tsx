"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { formatDay } from "@/core/calendar/format-moment";
import type { Document } from "@/core/resource/document";
import { merge, placeStepAs, takeField, takeStep } from "@/core/resource/merge";
import { formatField } from "@/core/resource/format-field";
import { goOnFromFile, goOnFromSource } from "@/screens/acts/adapt";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { inputClasses } from "@/ui/field";
import { Notice } from "@/ui/notice";
import { tell, tellProblem } from "@/ui/toast";
import { fieldNames } from "../field-names";
import type { DocumentChange } from "../draft/use-draft";
import { changedFields, differences, Item, says, textOf } from "./differences";
import { NewSince } from "./new-since";
import { WordsChangedView } from "./words-changed-view";

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
  const { source, file, revisions } = data;
  const router = useRouter();
  const goOn = async (revision: number) => {
    const outcome = await goOnFromSource({ resource: data.resource, revision });
    if (!outcome.ok) return tellProblem(outcome.problem);
    tell(`Your version is based on revision ${outcome.value.number} now.`);
    router.refresh();
  };
  const lookedAtFile = async () => {
    const outcome = await goOnFromFile({ resource: data.resource });
    if (!outcome.ok) return tellProblem(outcome.problem);
    tell("Done. Bring the file in again whenever it changes.");
    router.refresh();
  };
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
      {source?.newer && (
        <NewSince
          title={`New in ${source.author}’s revision ${source.newer.number}`}
          theirs={`${source.author}’s`}
          done={`Done: go on from revision ${source.newer.number}`}
          base={source.document}
          newer={source.newer.document}
          onDone={() => void goOn(source.newer!.revision)}
          {...{ document, onChange }}
        />
      )}
      {file && (
        <NewSince
          title={`New in “${file.name}”`}
          theirs="In the file"
          done="Done"
          base={file.document}
          newer={file.newer}
          onDone={() => void lookedAtFile()}
          {...{ document, onChange }}
        />
      )}
      {(source || revisions.length > 0) && (
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
      )}
    </div>
  );
}
