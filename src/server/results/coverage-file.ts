import { idFrom, idsFrom } from "@/core/ids";
import { areasOf, branchesOf, gradesAsked } from "@/core/results/branches";
import { coverageRows } from "@/core/results/coverage-rows";
import { classesOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import type { Visitor } from "../web/session";
import { coverageData } from "./coverage";

/** What classes have covered as rows of a file, as its address asks. */
export async function coverageFile(
  db: Db,
  visitor: Visitor,
  classIds: string | undefined,
  said: URLSearchParams,
  now: Date,
): Promise<{ title: string; stretch: string; rows: (string | number)[][] }> {
  const ids = idsFrom(decodeURIComponent(classIds ?? ""));
  const classes = (await classesOf(db, visitor.id, now)).filter(({ id }) => ids.includes(id));
  const asked = { framework: idFrom(said.get("framework")), stretch: said.get("in") ?? undefined, open: null };
  const data = await coverageData(db, visitor, classes, asked, now);
  const areas = areasOf(data.statements);
  const area = areas.find(({ code }) => code === said.get("area")) ?? areas[0] ?? null;
  const branches = branchesOf(data.statements, area?.id ?? null, gradesAsked(said.get("grade"), data.classes));
  return {
    title: [area?.statement ?? "Coverage", ...data.classes.map(({ name }) => name)].join(", "),
    stretch: data.stretch.name,
    rows: coverageRows(branches, data.classes, data.coverage),
  };
}
