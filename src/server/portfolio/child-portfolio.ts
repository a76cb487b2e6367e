import type { PortfolioPiece } from "@/core/portfolio/piece";
import type { Db } from "@/data/engine/db";
import { portfolioLinks, type PortfolioLink } from "@/data/portfolio/portfolio-links";
import { portfolioForOthers, portfolioOf } from "./portfolio";

/** A child's portfolio as her teachers keep it: as it is, and as others would see it. */
export interface ChildPortfolio {
  pieces: PortfolioPiece[];
  /** The pieces that can be shown, as others would see them. */
  forOthers: PortfolioPiece[];
  links: PortfolioLink[];
}

export async function childPortfolio(db: Db, student: number): Promise<ChildPortfolio> {
  const [pieces, forOthers, links] = await Promise.all([
    portfolioOf(db, student),
    portfolioForOthers(db, student, null),
    portfolioLinks(db, student),
  ]);
  return { pieces, forOthers, links };
}
