"use client";
import { clsx } from "clsx";
import { inLanguage } from "@/core/content/language";
import type { Option } from "@/core/question/question";
import { PieceButton } from "./carry";
import { target } from "./props";
import { useTranslations } from "use-intl";

/** What can be put somewhere by pressing or carrying it; what is somewhere already is paler and says so. */
export function PressList({
  name,
  options,
  languages,
  readOnly,
  idle = false,
  isUsed,
  onPress,
}: {
  name: string;
  options: readonly Option[];
  languages: readonly string[];
  readOnly: boolean;
  /** No place waits for one: they can be carried, but there is nothing to press them for. */
  idle?: boolean;
  isUsed: (id: string) => boolean;
  onPress: (id: string) => void;
}) {
  const t = useTranslations("question");
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label={name}>
      {options.map((option) => {
        const used = isUsed(option.id);
        return (
          <PieceButton
            key={option.id}
            piece={option.id}
            disabled={readOnly}
            aria-disabled={idle || undefined}
            onClick={() => idle || onPress(option.id)}
            className={clsx(target, "py-1", used ? "border-line text-ink-soft opacity-60" : "border-line-strong")}
          >
            {inLanguage(option.text, languages)}
            {used && <span className="heard"> {t("used")}</span>}
          </PieceButton>
        );
      })}
    </div>
  );
}
