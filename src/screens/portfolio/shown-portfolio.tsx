"use client";
import { Printer } from "lucide-react";
import { useLocale, useTranslations } from "use-intl";
import { byYear, type PortfolioPiece } from "@/core/portfolio/piece";
import { Button } from "@/ui/button";
import { PieceAnswers, PieceWhy } from "./piece-view";

/** What a family sees: the child's work and why it is there, year by year, and nothing else of the school. */
export function ShownPortfolio({ name, pieces, until }: { name: string; pieces: PortfolioPiece[]; until: Date }) {
  const t = useTranslations("portfolio");
  const locale = useLocale();
  const day = (at: Date) => new Intl.DateTimeFormat(locale, { dateStyle: "long" }).format(at);
  return (
    <main className="mx-auto max-w-3xl px-4 py-6 text-[17px] print:max-w-none print:p-0">
      <header className="flex flex-wrap items-center gap-3">
        <h1 className="flex-1 font-serif text-[28px]">{t("of", { name })}</h1>
        <Button className="not-printed" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> {t("print")}
        </Button>
      </header>
      <p className="not-printed mt-1 text-[14px] text-ink-soft">{t("until", { day: day(until) })}</p>
      {pieces.length === 0 && <p className="mt-8 text-center text-ink-soft">{t("nothingShown")}</p>}
      {byYear(pieces).map(({ year, pieces: some }) => (
        <section key={year} className="mt-6">
          <h2 className="mb-2 text-[20px] font-semibold">{t("year", { year: String(year) })}</h2>
          <ul className="grid gap-4 print:block">
            {some.map((piece) => (
              <li
                key={piece.id}
                className="rounded-card border border-line bg-card p-5 print:mb-4 print:break-inside-avoid print:border-0 print:p-0"
              >
                <h3 className="font-serif text-[21px] [overflow-wrap:anywhere]">{piece.title}</h3>
                <p className="mb-3 text-[14px] text-ink-soft">{day(piece.handedIn)}</p>
                <PieceAnswers piece={piece} />
                <PieceWhy piece={piece} name={t("spokenOf", { name })} />
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="mt-8 text-[13px] text-ink-soft">{t("noNames")}</p>
    </main>
  );
}
