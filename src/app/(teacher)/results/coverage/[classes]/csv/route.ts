import { idFrom, idsFrom } from "@/core/ids";
import { areasOf, branchesOf, gradesAsked } from "@/core/results/branches";
import { coverageRows } from "@/core/results/coverage-rows";
import { classesOf } from "@/data/classes/classes";
import { writeCsv } from "@/formats/csv";
import { coverageData } from "@/server/results/coverage";
import { route } from "@/server/web/route";

export const GET = route(
  "see coverage",
  (params) => ({ classes: idsFrom(decodeURIComponent(params.classes ?? "")) }),
  async ({ db, visitor, now, params, request }) => {
    const said = new URL(request.url).searchParams;
    const ids = idsFrom(decodeURIComponent(params.classes ?? ""));
    const classes = (await classesOf(db, visitor.id, now)).filter(({ id }) => ids.includes(id));
    const asked = { framework: idFrom(said.get("framework")), stretch: said.get("in") ?? undefined, open: null };
    const data = await coverageData(db, visitor, classes, asked, now);
    const areas = areasOf(data.statements);
    const area = areas.find(({ code }) => code === said.get("area")) ?? areas[0] ?? null;
    const branches = branchesOf(data.statements, area?.id ?? null, gradesAsked(said.get("grade"), data.classes));
    return new Response(writeCsv(coverageRows(branches, data.classes, data.coverage)), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="coverage.csv"',
      },
    });
  },
);
