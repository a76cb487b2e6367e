import { startAdaptation } from "../licence/licence";
import { adoptStep } from "./adopt";
import type { Document, Recording, Step } from "./document";
import { lessonOf } from "./testing/documents";
import { newStep } from "./edit";
import { factsOf } from "./facts";
import { richText } from "../content/rich-text";
import { unfinished } from "./unfinished";
import {
  othersSpeak,
  undecidedVoices,
  voiceOf,
  withoutOthersVoices,
  withoutUndecidedVoices,
  withVoice,
} from "./voices";

const [author, adapter] = [1, 2];
let n = 0;
const newId = () => `v${(n += 1)}`;
const recording: Recording = {
  media: "sound:watch-the-film-en",
  by: author,
  name: "Ines Halloran",
  seconds: 8,
  kept: false,
};
const spoken: Step = {
  ...newStep("en", "Watch", newId),
  instructions: { en: { text: richText("Watch the film."), recording }, es: { text: richText("Mira la película.") } },
};
const document = lessonOf([spoken, newStep("en", "Silent", newId)], { languages: ["en", "es"] });
const from = { resource: 9, revision: 12, title: "Tides", author: "Ines Halloran", source: "Lighthouse Road Primary" };
const voiceIn = (of: Document, language = "en") => of.steps[0]!.instructions[language]?.recording;

describe("the voice in the instructions", () => {
  test("is her own, somebody's she keeps, or somebody's she has not decided about", () => {
    expect(voiceOf(recording, author)).toBe("mine");
    expect(voiceOf(recording, adapter)).toBe("theirs");
    expect(voiceOf({ ...recording, kept: true }, adapter)).toBe("kept");
  });

  test("needs no leave in the author's own resource", () => {
    expect(undecidedVoices(document, author)).toEqual([]);
    expect(unfinished(document, author)).toEqual([]);
  });

  test("keeps a version back until its stay is chosen: kept with the name, or taken out", () => {
    const version = startAdaptation(document, from);
    expect(unfinished(version, adapter)).toEqual([
      { step: spoken.id, problem: "Ines Halloran speaks here: record yours, keep theirs, or take it out." },
    ]);
    const kept = {
      ...version,
      steps: [withVoice(version.steps[0]!, "en", { ...recording, kept: true }), version.steps[1]!],
    };
    const silent = { ...version, steps: [withVoice(version.steps[0]!, "en", null), version.steps[1]!] };
    expect(unfinished(kept, adapter)).toEqual([]);
    expect(unfinished(silent, adapter)).toEqual([]);
    expect(voiceIn(kept)?.name).toBe("Ines Halloran");
  });

  test("kept by one is not kept by the next who adapts it", () => {
    const kept = { ...document, steps: [withVoice(spoken, "en", { ...recording, kept: true }), document.steps[1]!] };
    expect(undecidedVoices(startAdaptation(kept, from), adapter)).toMatchObject([
      { name: "Ines Halloran", language: "en" },
    ]);
  });

  test("comes along with a step taken from elsewhere, and is asked about there too; one's own is not", () => {
    const empty: Document = { ...document, steps: [] };
    const taken = { ...from, licence: "CC-BY-4.0" as const, own: false };
    const kept = withVoice(spoken, "en", { ...recording, kept: true });
    expect(undecidedVoices(adoptStep(empty, kept, taken, { at: 0 }, newId).document, adapter)).toHaveLength(1);
    expect(voiceIn(adoptStep(empty, kept, { ...taken, own: true }, { at: 0 }, newId).document)?.kept).toBe(true);
  });

  test("undecided, it is not heard in the preview; the words stay", () => {
    const heard = withoutUndecidedVoices(document, adapter);
    expect(voiceIn(heard)).toBeUndefined();
    expect(heard.steps[0]!.instructions.en!.text).toEqual(richText("Watch the film."));
    expect(withoutUndecidedVoices(document, author)).toBe(document);
  });

  test("is one for each language: taking one out leaves the other", () => {
    const both = withVoice(spoken, "es", { ...recording, media: "sound:watch-the-film-es" });
    const left = withVoice(both, "en", null);
    expect(left.instructions.en?.recording).toBeUndefined();
    expect(left.instructions.es?.recording?.media).toBe("sound:watch-the-film-es");
  });

  test("can be there before there are words in that language", () => {
    const french = withVoice(spoken, "fr", recording);
    expect(french.instructions.fr?.recording).toBe(recording);
    expect(french.instructions.fr?.text).toEqual(richText(""));
  });

  test("counts into what there is to listen to", () => {
    expect(factsOf(document).audioSeconds).toBe(8);
    expect(factsOf({ ...document, steps: [withVoice(spoken, "en", null)] }).audioSeconds).toBe(0);
  });
});

test("without the voices of others nobody but the owner speaks, in any language, also where a voice was said to stay", () => {
  const kept = { ...recording, kept: true };
  const hers = { ...recording, by: adapter };
  const both: Step = {
    ...spoken,
    instructions: { en: { text: richText("Watch."), recording: kept }, es: { text: richText("Mira."), recording } },
  };
  const of = lessonOf(
    [both, { ...newStep("en", "Say", newId), instructions: { en: { text: richText("Say."), recording: hers } } }],
    {
      languages: ["en", "es"],
    },
  );
  expect(othersSpeak(of, adapter)).toBe(true);
  const silent = withoutOthersVoices(of, adapter);
  expect(othersSpeak(silent, adapter)).toBe(false);
  expect([voiceIn(silent), voiceIn(silent, "es")]).toEqual([undefined, undefined]);
  expect(silent.steps[1]!.instructions.en!.recording).toEqual(hers);
  expect(silent.steps[0]!.instructions.es!.text).toEqual(richText("Mira."));
});

describe("a sound somebody recorded", () => {
  const sound = {
    id: "s1",
    type: "sound" as const,
    media: "a".repeat(64),
    seconds: 9,
    transcript: { en: "The sea is calm.", es: "El mar está en calma." },
    speaker: { by: author, name: "Ines Halloran", kept: true },
  };
  const song = {
    id: "s2",
    type: "sound" as const,
    media: "b".repeat(64),
    seconds: 30,
    transcript: { en: "A shanty." },
  };
  const wordless = { ...sound, id: "s3", transcript: undefined };
  const of = lessonOf([{ ...newStep("en", "Listen", newId), blocks: [sound, song, wordless] }], {
    languages: ["en", "es"],
  });
  const version = startAdaptation(of, from);

  test("is a voice like any other: another's version does not go out before its stay is chosen", () => {
    expect(unfinished(of, author)).toEqual([]);
    expect(undecidedVoices(version, adapter).map(({ block }) => block)).toEqual(["s1", "s3"]);
    expect(unfinished(version, adapter)[0]).toMatchObject({
      block: "s1",
      problem: expect.stringContaining("speaks here"),
    });
    expect(othersSpeak(version, adapter)).toBe(true);
  });

  test("without the voice, its words stay as text in every language; what nobody is named for stays", () => {
    const silent = withoutOthersVoices(version, adapter);
    const [text, kept, ...rest] = silent.steps[0]!.blocks;
    expect(text).toEqual({
      id: "s1",
      type: "text",
      text: { en: richText("The sea is calm."), es: richText("El mar está en calma.") },
    });
    expect(kept).toMatchObject({ id: "s2", type: "sound" });
    expect(rest).toEqual([]);
    expect(othersSpeak(silent, adapter)).toBe(false);
    expect(withoutUndecidedVoices(version, adapter).steps[0]!.blocks).toEqual(silent.steps[0]!.blocks);
  });
});
