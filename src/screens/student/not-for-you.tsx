"use client";
import { Link } from "@/ui/link";
import { useTranslations } from "use-intl";
import { Empty } from "@/ui/empty";

/** A piece of work that a child has not been given, or not any more. */
export function NotForYou() {
  const t = useTranslations("notForYou");
  const common = useTranslations("common");
  return (
    <main className="finger-size mx-auto max-w-xl px-4 py-10 font-child text-[17px]">
      <Empty title={t("title")}>
        <p>{t("text")}</p>
        <Link
          href="/student"
          className="inline-grid min-h-12 place-items-center rounded-card border-2 border-green px-6 font-bold text-green"
        >
          {common("myWork")}
        </Link>
      </Empty>
    </main>
  );
}
