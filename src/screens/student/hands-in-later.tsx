"use client";
import { CloudOff } from "lucide-react";
import { useTranslations } from "use-intl";

/** It is handed in when the network is back; until then she can change her mind. */
export function HandsInLater({ onNotYet }: { onNotYet: () => void }) {
  const t = useTranslations("offline");
  return (
    <div role="status" className="mb-4 flex flex-wrap items-center gap-3 rounded-card bg-slate-wash px-5 py-4">
      <CloudOff size={22} aria-hidden className="shrink-0" />
      <p className="min-w-48 flex-1">
        <strong>{t("later")}</strong> {t("laterMore")}
      </p>
      <button
        type="button"
        onClick={onNotYet}
        className="min-h-12 rounded-card border-2 border-line bg-card px-4 font-bold"
      >
        {t("notYet")}
      </button>
    </div>
  );
}
