import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { InOwnLanguage } from "@/app/in-own-language";
import { countPortfolioOpened } from "@/data/portfolio/portfolio-links";
import { ShownPortfolio } from "@/screens/portfolio/shown-portfolio";
import { openPortfolio } from "@/server/portfolio/open-portfolio";
import { atLink, portfolioForOthers } from "@/server/portfolio/portfolio";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "A portfolio", robots: { index: false, follow: false } };

/** What a teacher lets a family look at, for anybody who has the address, until its day. */
export default async function PortfolioPage({ params }: { params: Promise<{ token: string }> }) {
  const { db } = await enter("open a portfolio");
  const { token } = await params;
  const link = await openPortfolio(db, token);
  if (!link) notFound();
  const pieces = atLink(await portfolioForOthers(db, link.student, link.pieces), token);
  await countPortfolioOpened(db, link.id);
  return (
    <InOwnLanguage>
      <ShownPortfolio name={link.givenName} pieces={pieces} until={new Date(link.until.getTime() - 1)} />
    </InOwnLanguage>
  );
}
