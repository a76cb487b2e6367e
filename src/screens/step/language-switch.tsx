"use client";
import { Segmented } from "@/ui/segmented";
import { nativeLanguageName } from "../media/native-language-name";
import { useTranslations } from "use-intl";

/** The languages something is written in, each by its own name; nothing where there is only one. */
export function LanguageSwitch({
  languages,
  reads,
  onReads,
  className,
}: {
  languages: readonly string[];
  reads: string;
  onReads: (language: string) => void;
  className?: string;
}) {
  const t = useTranslations("common");
  if (languages.length < 2) return null;
  return (
    <Segmented
      label={t("chooseLanguage")}
      value={reads}
      onChange={onReads}
      options={languages.map((one) => ({ value: one, text: nativeLanguageName(one) }))}
      {...(className && { className })}
    />
  );
}
