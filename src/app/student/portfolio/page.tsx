import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { OwnPortfolio } from "@/screens/portfolio/own-portfolio";
import { portfolioOf } from "@/server/portfolio/portfolio";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "My portfolio" };

export default async function OwnPortfolioPage() {
  const { db, visitor, now } = await enter("keep own portfolio");
  // By the class's code anybody can press any name.
  if (visitor.joinedAt !== null) notFound();
  return <OwnPortfolio pieces={await portfolioOf(db, visitor.id)} zone={visitor.zone} now={now} />;
}
