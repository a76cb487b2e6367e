"use client";
import { LifeBuoy } from "lucide-react";
import { useTranslations } from "use-intl";

/** "I am stuck": the teacher sees it where she looks at the class. Pressed again it is taken back. */
export function HelpButton({ asked, onAsk }: { asked: boolean; onAsk: (asked: boolean) => void }) {
  const t = useTranslations("lesson");
  return (
    <button
      type="button"
      aria-pressed={asked}
      title={asked ? t("stuckSaid") : undefined}
      onClick={() => onAsk(!asked)}
      className={`inline-flex min-h-12 items-center gap-2 rounded-card border-2 bg-card px-4 font-bold ${asked ? "border-clay text-clay" : "border-line"}`}
    >
      <LifeBuoy size={20} aria-hidden /> <span className="max-sm:sr-only">{t("stuck")}</span>
    </button>
  );
}
