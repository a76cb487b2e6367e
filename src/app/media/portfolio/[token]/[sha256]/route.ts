import { openPortfolio } from "@/server/portfolio/open-portfolio";
import { atLink, portfolioForOthers } from "@/server/portfolio/portfolio";
import { route } from "@/server/web/route";
import { sendFile } from "@/server/web/send-file";

/** A picture or a recording in what a link to a portfolio shows, as long as the link leads there. */
export const GET = route(
  "open a portfolio",
  () => ({}),
  async ({ db, params, request }) => {
    const [token, sha256] = [params.token ?? "", params.sha256 ?? ""];
    const link = await openPortfolio(db, token);
    const pieces = link ? atLink(await portfolioForOthers(db, link.student, link.pieces), token) : [];
    const shown = JSON.stringify(pieces).includes(`"portfolio/${token}/${sha256}"`);
    return sendFile(db, shown ? sha256 : "", request);
  },
);
