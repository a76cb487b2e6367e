import { inLanguage } from "@/core/content/language";
import { familyEdition, type FamilyThing } from "@/core/family-edition/family-edition";
import type { Document } from "@/core/resource/document";
import { Rich } from "../step/rich";

/** What a family's sheet says around the activity, in the family's language. */
export type FamilyWords = Record<
  "atHome" | "time" | "ready" | "do" | "well" | "ask" | "praise" | "film" | "recording" | "onScreen" | "scan",
  string
> &
  Record<`thing_${FamilyThing}`, string>;

/** Above the activity: how long, what to have ready, what to do, with boxes to tick; `note`: what the teacher says to families. */
export function FamilyHead({
  document,
  words,
  languages,
}: {
  document: Document;
  words: FamilyWords;
  languages: readonly string[];
}) {
  const { minutes, ready, steps } = familyEdition(document, languages);
  const note = inLanguage(document.familyNote, languages);
  return (
    <section aria-label={words.atHome} className="mt-3 grid gap-3 rounded-card border border-current p-5">
      <p className="font-bold">
        {words.atHome}. {words.time.replace("{minutes}", String(minutes))}
      </p>
      {note && <Rich text={note} />}
      {ready.length > 0 && (
        <p>
          <strong>{words.ready}:</strong> {ready.map((thing) => words[`thing_${thing}`]).join(" · ")}
        </p>
      )}
      <div>
        <p className="font-bold">{words.do}</p>
        <ol className="mt-1 grid gap-1">
          {steps.map(({ id, title, say }) => (
            <li key={id} className="flex gap-2">
              <span aria-hidden className="mt-1 size-4 shrink-0 border border-current" />
              <span>
                <strong>{title}</strong> {say}
              </span>
            </li>
          ))}
        </ol>
      </div>
    </section>
  );
}

/** Below the activity: how to see that it went well. */
export function FamilyEnd({
  document,
  words,
  languages,
}: {
  document: Document;
  words: FamilyWords;
  languages: readonly string[];
}) {
  const { ask } = familyEdition(document, languages);
  return (
    <section aria-label={words.well} className="mt-7 break-inside-avoid rounded-card border border-current p-5">
      <p className="font-bold">{words.well}</p>
      {ask && <p className="mt-1">{words.ask.replace("{question}", ask)}</p>}
      <p className="mt-1">{words.praise}</p>
    </section>
  );
}
