"use client";
import { Languages } from "lucide-react";
import { useRouter } from "next/navigation";
import { useLocale, useTranslations } from "use-intl";
import { remember } from "../shell/remember";

/** The language of the screens, each by its own name; remembered on this device. */
export function ScreenLanguageChoice({ languages }: { languages: readonly { code: string; name: string }[] }) {
  const t = useTranslations("common");
  const router = useRouter();
  const now = useLocale();
  return (
    <label className="inline-flex min-h-12 items-center gap-2 text-ink-soft">
      <Languages size={18} aria-hidden />
      <select
        aria-label={t("chooseLanguage")}
        value={now}
        onChange={(event) => {
          remember("language", event.target.value);
          router.refresh();
        }}
        className="min-h-12 rounded-card border-2 border-line bg-card px-2 text-ink"
      >
        {languages.map(({ code, name }) => (
          <option key={code} value={code} lang={code}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
