"use client";
import { Scissors, WandSparkles } from "lucide-react";
import { useMemo, useState } from "react";
import { useRouter } from "next/navigation";
import { gradeName } from "@/core/content/grade";
import { plainChanges, type PlainChange } from "@/core/plain-words/plain-words";
import { readingGrade } from "@/core/readability/grade";
import { titleOf, type Document } from "@/core/resource/document";
import { measuredText } from "@/core/resource/student-text";
import { withTexts } from "@/core/resource/texts";
import { lost, shorten, withoutSteps } from "@/core/shorten/shorten";
import { factsOf } from "@/core/resource/facts";
import type { AdaptData } from "@/server/adapt/adapt";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Field, inputClasses, TextInput } from "@/ui/field";
import { tell, tellProblem } from "@/ui/toast";
import { archiveResource, makeVersion } from "../acts/adapt";
import { ChangeGroup, ChangeLine, whereIn } from "../adapt/change-line";
import { DraftHeader } from "../adapt/draft/draft-header";
import { useDraft } from "../adapt/draft/use-draft";
import { useOnce } from "../use-once";
import { StepsToKeep } from "./steps-to-keep";

/** A lesson that is short; common practice. */
const SHORT = 30;

const kinds = { word: "Plainer words", sentence: "Long sentences" } as const;

/** A version that is shorter, easier to read, or both: steps to leave out, plainer words and shorter sentences, each accepted by itself. */
export function VersionScreen({
  data,
  simpler,
  commonSpanish,
  zone,
}: {
  data: AdaptData;
  simpler: [string, string][];
  commonSpanish: readonly string[];
  zone: string;
}) {
  const draft = useDraft(data.resource, data.document, data.counter);
  const { document, change } = draft;
  const router = useRouter();
  const [minutes, setMinutes] = useState(SHORT);
  const [grade, setGrade] = useState(Math.max(0, document.grades.from - 1));
  const [leaveOut, setLeaveOut] = useState<readonly string[]>([]);
  const [picked, setPicked] = useState<Readonly<Record<string, boolean>>>({});
  const [named, setNamed] = useState<string | null>(null);
  const [busy, once] = useOnce();
  const language = document.languages[0]!;
  const proposed = useMemo(() => shorten(document, minutes), [document, minutes]);
  const found = useMemo(
    () => plainChanges(document, { language, grade, simpler: new Map(simpler), commonSpanish }),
    [document, language, grade, simpler, commonSpanish],
  );
  const shown = found.filter(({ step }) => step === null || !leaveOut.includes(step));
  const isChosen = (one: PlainChange) => one.to !== null && (picked[one.id] ?? false);
  const chosen = shown.filter(isChosen);
  const pick = (some: readonly PlainChange[], on: boolean) =>
    setPicked({ ...picked, ...Object.fromEntries(some.map(({ id }) => [id, on])) });
  const made = withoutSteps(withTexts(document, chosen), leaveOut);
  const version = leaveOut.length > 0 ? made : { ...made, minutes: document.minutes };
  const gradeOf = (one: Document) => readingGrade(measuredText(one), language)?.grade ?? null;
  const [before, after] = [gradeOf(document), gradeOf(version)];
  const nothing = leaveOut.length === 0 && chosen.length === 0;
  const how = [leaveOut.length > 0 && "shorter", chosen.length > 0 && "easier"].filter(Boolean).join(" and ");
  const title = named ?? `${titleOf(document)}${how && ` (${how})`}`;

  const changeThis = () => {
    const was = document;
    change(version);
    setPicked({});
    setLeaveOut([]);
    const { minutes: gone } = lost(was, leaveOut);
    tell(
      [chosen.length > 0 && "The words are changed.", leaveOut.length > 0 && `${gone} minutes are left out.`]
        .filter(Boolean)
        .join(" "),
    );
  };
  const make = () =>
    once(async () => {
      const outcome = await makeVersion({ resource: data.resource, title, document: version });
      if (!outcome.ok) return tellProblem(outcome.problem);
      const { resource } = outcome.value;
      tell(
        `“${title}” is in your satchel, ready to be assigned.`,
        () => void archiveResource({ resource, archived: true }),
        { label: "Open", onClick: () => router.push(`/satchel?open=${resource}`) },
      );
      setNamed(null);
    });
  return (
    <div className="flex h-full flex-col">
      <DraftHeader {...{ data, draft, zone }} line={`${factsOf(document).minutes} min`} />
      <div className="flex flex-wrap items-end gap-3 border-b border-line bg-shade px-5 py-2 text-[14px]">
        <Field label="Easier for" className="w-40">
          {(control) => (
            <select
              {...control}
              className={inputClasses}
              value={grade}
              onChange={(event) => setGrade(Number(event.target.value))}
            >
              {Array.from({ length: 9 }, (_, at) => (
                <option key={at} value={at}>
                  grade {gradeName(at)}
                </option>
              ))}
            </select>
          )}
        </Field>
        {before !== null && (
          <p className="numbers self-center">
            Reads at grade {before.toFixed(1)}
            {after !== null && after !== before && (
              <>
                {" "}
                → <strong>{after.toFixed(1)}</strong>
              </>
            )}
          </p>
        )}
        <Field label="Title of the version" className="ml-auto w-72">
          {(control) => (
            <TextInput {...control} maxLength={300} value={title} onChange={(event) => setNamed(event.target.value)} />
          )}
        </Field>
        <Button disabled={nothing} onClick={changeThis}>
          <Scissors size={16} aria-hidden /> Change this one
        </Button>
        <Button
          look="main"
          disabled={nothing || busy || !data.published || title.trim() === ""}
          title={data.published ? undefined : "Publish it first: a version is made of what is published."}
          onClick={make}
        >
          <WandSparkles size={16} aria-hidden /> {busy ? "One moment …" : "Make this version"}
        </Button>
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
        <StepsToKeep {...{ document, minutes, proposed, leaveOut }} onMinutes={setMinutes} onLeaveOut={setLeaveOut} />
        <section aria-label="Words and sentences" tabIndex={0} className="min-h-0 overflow-auto">
          {shown.length === 0 && (
            <Empty title="Nothing to simplify">
              No hard word with a plainer one, and no long sentence, for grade {gradeName(grade)}.
            </Empty>
          )}
          {(["word", "sentence"] as const).map((kind) => {
            const some = shown.filter((one) => one.kind === kind);
            const open = some.filter(({ to }) => to !== null);
            if (some.length === 0) return null;
            const all = open.length > 0 && open.every(isChosen);
            return (
              <ChangeGroup
                key={kind}
                kind={kind}
                name={kinds[kind]}
                count={some.length}
                press={open.length === 0 ? null : { all, text: "All of these", onPress: () => pick(open, !all) }}
              >
                {some.map((one) => (
                  <ChangeLine
                    key={one.id}
                    change={one}
                    chosen={isChosen(one)}
                    note={kind === "sentence" && `${one.words} words${one.to === null ? ": shorten it yourself" : ""}`}
                    place={whereIn(document, one)}
                    onChosen={(on) => pick([one], on)}
                  />
                ))}
              </ChangeGroup>
            );
          })}
        </section>
      </div>
    </div>
  );
}
