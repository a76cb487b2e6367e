"use client";
import { clsx } from "clsx";
import { useState } from "react";
import { useTranslations } from "use-intl";
import { badge as badgeOf, badgePictures, BADGES } from "@/core/student/badge";
import { chooseBadge } from "@/screens/acts/badge";
import { useProblem } from "../language/use-problem";
import { BadgeIcon } from "./badge-icon";

/** The pictures a child may choose to be known by. */
export function BadgeChoice({ badge, onChoose }: { badge: number; onChoose: (badge: number) => void }) {
  const t = useTranslations("comfort");
  const pictures = useTranslations("badge");
  const problemText = useProblem();
  const [problem, setProblem] = useState<string | null>(null);
  const choose = async (next: number) => {
    onChoose(next);
    const outcome = await chooseBadge({ badge: next });
    if (!outcome.ok) onChoose(badge);
    setProblem(outcome.ok ? null : problemText(outcome));
  };
  return (
    <fieldset className="grid gap-1.5">
      <legend className="mb-1 font-bold">{t("badge")}</legend>
      <div className="flex max-h-44 flex-wrap gap-1 overflow-auto p-1">
        {Array.from({ length: BADGES }, (_, n) => (
          <button
            key={n}
            type="button"
            aria-label={`${pictures(badgeOf(n).picture)} ${Math.floor(n / badgePictures.length) + 1}`}
            aria-pressed={n === badge}
            onClick={() => void choose(n)}
            className={clsx(
              "grid h-12 w-12 place-items-center rounded-card border-2",
              n === badge ? "border-ink" : "border-transparent",
            )}
          >
            <BadgeIcon n={n} />
          </button>
        ))}
      </div>
      {problem && <p role="alert">{problem}</p>}
    </fieldset>
  );
}
