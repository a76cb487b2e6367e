"use client";
import { Volume2 } from "lucide-react";
import { useReading } from "./use-reading";
import { useTranslations } from "use-intl";

/** Reads one thing aloud that has just been opened; not there where the device has no voice for the language. */
export function ReadThis({ text, language }: { text: string; language: string }) {
  const t = useTranslations("read");
  const { say, stop, speaking, hasVoice } = useReading(language);
  if (!hasVoice) return null;
  return (
    <button
      type="button"
      aria-label={t(speaking ? "stop" : "readIt")}
      onClick={() => (speaking ? stop() : say([{ text }]))}
      className="grid h-12 w-12 shrink-0 place-items-center rounded-card border-2 border-line bg-card"
    >
      <Volume2 size={20} aria-hidden />
    </button>
  );
}
