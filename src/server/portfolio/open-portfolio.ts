import type { Db } from "@/data/engine/db";
import { portfolioByHash, type OpenPortfolio } from "@/data/portfolio/portfolio-links";
import { foundByToken } from "../web/found-by-token";

/** Where an address leads; null: nowhere, or nowhere any more, which look the same. */
export const openPortfolio = (db: Db, token: string): Promise<OpenPortfolio | null> =>
  foundByToken(token, (hash) => portfolioByHash(db, hash));
