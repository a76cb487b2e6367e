import type { Document, Recording, Step } from "./document";
import { richText } from "./rich-text";

/** Whose voice speaks the instructions, and what has to be decided about it before it goes out. */

/** "theirs": somebody else's, and nobody has said yet whether it stays; "kept": it was said that it stays, with the name. */
export const voiceOf = (recording: Recording, owner: number): "mine" | "theirs" | "kept" =>
  recording.by === owner ? "mine" : recording.kept ? "kept" : "theirs";

/** A step with another voice in a language, or none. */
export function withVoice(step: Step, language: string, recording: Recording | null): Step {
  const { recording: _old, ...written } = step.instructions[language] ?? { text: richText("") };
  return {
    ...step,
    instructions: { ...step.instructions, [language]: recording ? { ...written, recording } : written },
  };
}

/** Voices of others a version would send out without anybody having chosen so: the step and whose it is. */
export function undecidedVoices(document: Document, owner: number): { step: string; name: string; language: string }[] {
  return document.steps.flatMap((step) =>
    Object.entries(step.instructions).flatMap(([language, { recording }]) =>
      recording && voiceOf(recording, owner) === "theirs" ? [{ step: step.id, name: recording.name, language }] : [],
    ),
  );
}

/** A step taken over from somebody: whether its voices stay is to be chosen anew. */
export const voicesAside = (step: Step): Step => ({
  ...step,
  instructions: Object.fromEntries(
    Object.entries(step.instructions).map(([language, said]) => [
      language,
      said.recording ? { ...said, recording: { ...said.recording, kept: false } } : said,
    ]),
  ),
});

/** A step without the voices of others, in every language. */
export const stepWithoutOthers = (step: Step, owner: number): Step =>
  Object.entries(step.instructions).reduce(
    (now, [language, { recording }]) => (recording && recording.by !== owner ? withVoice(now, language, null) : now),
    step,
  );

/** Whether anybody but the owner speaks in it. */
export const othersSpeak = (document: Document, owner: number): boolean =>
  document.steps.some((step) =>
    Object.values(step.instructions).some(({ recording }) => recording && recording.by !== owner),
  );

/** The same document without the voices of others, those that were said to stay among them. */
export const withoutOthersVoices = (document: Document, owner: number): Document => ({
  ...document,
  steps: document.steps.map((step) => stepWithoutOthers(step, owner)),
});

/** The same document with no voice in it whose stay nobody has chosen: what a student hears is always meant to be heard. */
export function withoutUndecidedVoices(document: Document, owner: number): Document {
  if (undecidedVoices(document, owner).length === 0) return document;
  const steps = document.steps.map((step) =>
    Object.entries(step.instructions).reduce(
      (now, [language, { recording }]) =>
        recording && voiceOf(recording, owner) === "theirs" ? withVoice(now, language, null) : now,
      step,
    ),
  );
  return { ...document, steps };
}
