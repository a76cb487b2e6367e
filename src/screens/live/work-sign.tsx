"use client";
import { Users } from "lucide-react";
import { useTranslations } from "use-intl";
import { worksWith, type LessonView } from "@/core/live/lesson";
import type { Step } from "@/core/resource/document";

/** How a step is worked on, and with whom; nothing where everybody works alone. */
export function WorkSign({ step, lesson, student }: { step: Step; lesson: LessonView | null; student: number }) {
  const t = useTranslations("work");
  const changed = lesson?.phase === "running" ? lesson.work[step.id] : undefined;
  const mode = changed?.mode ?? step.work;
  if (mode === "alone") return null;
  const others = changed && lesson ? worksWith(lesson, step.id, student) : [];
  return (
    <p
      role={changed ? "status" : undefined}
      className="mb-3 inline-flex items-center gap-2 rounded-card bg-shade px-3 py-1 font-bold"
    >
      <Users size={18} aria-hidden className="shrink-0" />{" "}
      {others.length > 0 ? t("with", { how: t(mode), names: others.join(", ") }) : t(mode)}
    </p>
  );
}
