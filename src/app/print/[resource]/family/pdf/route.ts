import { readFirst } from "@/core/content/language";
import { familyReport } from "@/core/report/family-report";
import { forPaper } from "@/core/resource/paper";
import { withTexts } from "@/core/resource/texts";
import { catalogues } from "@/messages/catalogues";
import { chooseLanguage } from "@/messages/choose-language";
import { lightTable } from "@/server/find/light-table";
import { plainerForFamilies } from "@/server/find/plainer";
import { sendPdf } from "@/server/web/make-paper";
import { numberFrom, route } from "@/server/web/route";

/** A family's sheet as a PDF. `?reads=es` one of its languages, `plain=0,2` which of the plainer words go in, by their place, `paper=letter` on North America's paper. */
export const GET = route(
  "look at resource",
  (params) => ({ resource: numberFrom(params, "resource") }),
  async ({ db, visitor, now, params, request }) => {
    const data = await lightTable(db, visitor, numberFrom(params, "resource"), now);
    if (!data) return new Response(null, { status: 404 });
    const said = new URL(request.url).searchParams;
    const { document } = data;
    const read = document.languages.find((one) => one === said.get("reads")) ?? document.languages[0]!;
    const chosen = new Set(said.get("plain")?.split(","));
    const plain = plainerForFamilies(document, read).filter((_, at) => chosen.has(String(at)));
    return sendPdf(
      familyReport(forPaper(withTexts(document, plain)), {
        languages: readFirst(document.languages, read),
        words: catalogues[chooseLanguage(undefined, read)].familySheet,
        author: data.resource.ownerName,
        paper: said.get("paper") === "letter" ? "letter" : "A4",
      }),
      "family",
    );
  },
);
