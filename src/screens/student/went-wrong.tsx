"use client";
import { Link } from "@/ui/link";
import { useTranslations } from "use-intl";
import { Empty } from "@/ui/empty";

const look = "inline-grid min-h-12 place-items-center rounded-card border-2 border-green px-6 font-bold";

/** Something went wrong on a child's page: what she answered is on the device or has been sent already. */
export function WentWrong({ reset }: { error: Error; reset: () => void }) {
  const t = useTranslations("wrong");
  const common = useTranslations("common");
  return (
    <main className="finger-size mx-auto max-w-xl px-4 py-10 font-child text-[17px]">
      <Empty title={t("title")}>
        <p>{t("text")}</p>
        <span className="flex flex-wrap justify-center gap-2">
          <button type="button" onClick={reset} className={`${look} bg-green text-on-green`}>
            {t("again")}
          </button>
          <Link href="/student" className={`${look} text-green`}>
            {common("myWork")}
          </Link>
        </span>
      </Empty>
    </main>
  );
}
