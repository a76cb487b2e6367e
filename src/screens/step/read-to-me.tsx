"use client";
import { Volume2 } from "lucide-react";
import { useEffect, type RefObject } from "react";
import type { Step } from "@/core/resource/document";
import { formatStep } from "@/core/student/read-aloud";
import { useReading } from "./use-reading";
import { useTranslations } from "use-intl";

/**
 * Reads everything on the step aloud: what somebody spoke in her own voice, the rest in the device's voice of the language
 * that is read; says so where there is neither.
 */
export function ReadToMe({
  step,
  languages,
  within,
}: {
  step: Step;
  languages: readonly string[];
  /** Where the step stands: the word that is said is marked there. */
  within?: RefObject<HTMLElement | null>;
}) {
  const t = useTranslations("read");
  const { say, stop, speaking, hasVoice } = useReading(languages[0]!, within);
  useEffect(() => stop, [step.id, stop]);
  const all = formatStep(step, languages);
  const silent = !hasVoice && !all.some((said) => "recording" in said);
  return (
    <button
      type="button"
      onClick={() => (speaking ? stop() : say(all))}
      disabled={silent}
      title={silent ? t("noVoiceWhy") : undefined}
      className="inline-flex min-h-12 items-center gap-2 rounded-card border-2 border-line bg-card px-3 disabled:opacity-50"
    >
      <Volume2 size={20} aria-hidden />{" "}
      <span className="max-sm:heard">{t(speaking ? "stop" : silent ? "noVoice" : "readToMe")}</span>
    </button>
  );
}
