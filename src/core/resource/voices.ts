import type { Block, BlockOf } from "./block";
import type { Document, Recording, Step } from "./document";
import { richText } from "../content/rich-text";

/** Whose voice speaks in the instructions and the sounds, and what has to be decided about it before it goes out. */

/**
 * "theirs": somebody else's, and nobody has said yet whether it stays; "kept": it was said that it stays, with the name.
 * `voiceOf({ by: 3, kept: true }, 4)` gives `"kept"`.
 */
export const voiceOf = (recording: Pick<Recording, "by" | "kept">, owner: number): "mine" | "theirs" | "kept" =>
  recording.by === owner ? "mine" : recording.kept ? "kept" : "theirs";

/**
 * A step with another voice in a language, or none.
 * `withVoice(lesson.steps[0], "en", null).instructions.en` gives `{ text: { type: "doc", content: [] } }`.
 */
export function withVoice(step: Step, language: string, recording: Recording | null): Step {
  const { recording: _old, ...written } = step.instructions[language] ?? { text: richText("") };
  return {
    ...step,
    instructions: { ...step.instructions, [language]: recording ? { ...written, recording } : written },
  };
}

/** Who speaks where in a step: in the instructions of a language, or in a sound. */
const voicesIn = (step: Step) => [
  ...Object.entries(step.instructions).flatMap(([language, { recording }]) =>
    recording ? [{ ...recording, language, block: null }] : [],
  ),
  ...step.blocks.flatMap((block) =>
    block.type === "sound" && block.speaker ? [{ ...block.speaker, language: null, block: block.id }] : [],
  ),
];

/**
 * A sound without the voice in it: what it says as text, or nothing where that is not written down.
 * `soundAsText({ id: "s", type: "sound", transcript: {} })` gives `[]`.
 */
export function soundAsText(sound: BlockOf<"sound">): Block[] {
  const written = Object.entries(sound.transcript ?? {}).filter(([, text]) => text.trim());
  if (written.length === 0) return [];
  return [
    {
      id: sound.id,
      type: "text",
      text: Object.fromEntries(written.map(([language, text]) => [language, richText(text)])),
    },
  ];
}

/** A step without the sounds whose speaker is such a one. */
const withoutSounds = (step: Step, goes: (speaker: NonNullable<BlockOf<"sound">["speaker"]>) => boolean): Step =>
  step.blocks.some((block) => block.type === "sound" && block.speaker && goes(block.speaker))
    ? {
        ...step,
        blocks: step.blocks.flatMap((block) =>
          block.type === "sound" && block.speaker && goes(block.speaker) ? soundAsText(block) : [block],
        ),
      }
    : step;

/**
 * Voices of others a version would send out without anybody having chosen so: where, and whose it is.
 * `undecidedVoices(lesson, 1)` gives `[]`.
 */
export function undecidedVoices(
  document: Document,
  owner: number,
): { step: string; block: string | null; name: string; language: string | null }[] {
  return document.steps.flatMap((step) =>
    voicesIn(step)
      .filter((voice) => voiceOf(voice, owner) === "theirs")
      .map(({ name, language, block }) => ({ step: step.id, block, name, language })),
  );
}

/**
 * A step taken over from somebody: whether its voices stay is to be chosen anew.
 * `voicesAside(lesson.steps[0])` gives `lesson.steps[0]`.
 */
export const voicesAside = (step: Step): Step => ({
  ...step,
  blocks: step.blocks.map((block) =>
    block.type === "sound" && block.speaker ? { ...block, speaker: { ...block.speaker, kept: false } } : block,
  ),
  instructions: Object.fromEntries(
    Object.entries(step.instructions).map(([language, said]) => [
      language,
      said.recording ? { ...said, recording: { ...said.recording, kept: false } } : said,
    ]),
  ),
});

/**
 * A step without the voices of others in its instructions, in every language.
 * `stepWithoutOthers(lesson.steps[0], 1)` gives `lesson.steps[0]`.
 */
export const stepWithoutOthers = (step: Step, owner: number): Step =>
  Object.entries(step.instructions).reduce(
    (now, [language, { recording }]) => (recording && recording.by !== owner ? withVoice(now, language, null) : now),
    step,
  );

/** Whether anybody but the owner speaks in it. `othersSpeak(lesson, 1)` gives `false`. */
export const othersSpeak = (document: Document, owner: number): boolean =>
  document.steps.some((step) => voicesIn(step).some(({ by }) => by !== owner));

/**
 * The same document without the voices of others, those that were said to stay among them.
 * `withoutOthersVoices(lesson, 1)` gives `lesson`.
 */
export const withoutOthersVoices = (document: Document, owner: number): Document => ({
  ...document,
  steps: document.steps.map((step) => withoutSounds(stepWithoutOthers(step, owner), ({ by }) => by !== owner)),
});

/**
 * The same document with no voice in it whose stay nobody has chosen: what a student hears is always meant to be heard.
 * `withoutUndecidedVoices(lesson, 1)` gives `lesson`.
 */
export function withoutUndecidedVoices(document: Document, owner: number): Document {
  if (undecidedVoices(document, owner).length === 0) return document;
  const steps = document.steps.map((step) =>
    Object.entries(step.instructions).reduce(
      (now, [language, { recording }]) =>
        recording && voiceOf(recording, owner) === "theirs" ? withVoice(now, language, null) : now,
      withoutSounds(step, (speaker) => voiceOf(speaker, owner) === "theirs"),
    ),
  );
  return { ...document, steps };
}
