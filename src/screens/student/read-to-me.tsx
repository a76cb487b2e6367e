"use client";
import { Volume2 } from "lucide-react";
import { useEffect, useState, useSyncExternalStore } from "react";
import { stepTitle } from "@/core/resource/changes";
import type { Step } from "@/core/resource/document";
import { inLanguage } from "@/core/resource/language";
import { plainText } from "@/core/resource/rich-text";

const noVoices = () => () => {};

/** Reads instructions, texts and questions aloud, where the device has a voice; says so where it has none. */
export function ReadToMe({ step, languages }: { step: Step; languages: readonly string[] }) {
  const [speaking, setSpeaking] = useState(false);
  const voices = useSyncExternalStore(
    (changed) => {
      if (!("speechSynthesis" in window)) return noVoices();
      speechSynthesis.addEventListener("voiceschanged", changed);
      return () => speechSynthesis.removeEventListener("voiceschanged", changed);
    },
    () => ("speechSynthesis" in window ? speechSynthesis.getVoices().length : 0),
    () => 0,
  );
  useEffect(() => () => window.speechSynthesis?.cancel(), [step.id]);
  const read = () => {
    speechSynthesis.cancel();
    if (speaking) return setSpeaking(false);
    const parts = [
      stepTitle(step, languages),
      plainText(inLanguage(step.instructions, languages)?.text),
      ...step.blocks.map((block) =>
        block.type === "text"
          ? plainText(inLanguage(block.text, languages))
          : block.type === "question"
            ? plainText(inLanguage(block.question.prompt, languages))
            : "",
      ),
    ];
    const words = new SpeechSynthesisUtterance(parts.filter(Boolean).join(". "));
    words.lang = languages[0]!;
    words.onend = () => setSpeaking(false);
    setSpeaking(true);
    speechSynthesis.speak(words);
  };
  return (
    <button
      type="button"
      onClick={read}
      disabled={voices === 0}
      title={voices === 0 ? "This device has no reading voice." : undefined}
      className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-3 disabled:opacity-50"
    >
      <Volume2 size={20} aria-hidden />{" "}
      <span className="max-sm:heard">{speaking ? "Stop" : voices === 0 ? "No voice here" : "Read to me"}</span>
    </button>
  );
}
