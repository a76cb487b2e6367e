import { notFound } from "next/navigation";
import { keptOf } from "@/data/keep/consent";
import { OwnPortfolio } from "@/screens/portfolio/own-portfolio";
import { portfolioOf } from "@/server/portfolio/portfolio";
import { screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";

export const generateMetadata = () => screenTitle("portfolio");

export default async function OwnPortfolioPage() {
  const { db, visitor, now } = await enter("keep own portfolio");
  // By the class's code anybody can press any name.
  if (visitor.joinedAt !== null) notFound();
  const [pieces, { voice }] = await Promise.all([portfolioOf(db, visitor.id), keptOf(db, visitor.id)]);
  return <OwnPortfolio pieces={pieces} speaks={voice} zone={visitor.zone} now={now} />;
}
