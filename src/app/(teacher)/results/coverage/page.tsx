import type { Metadata } from "next";
import { notFound, redirect } from "next/navigation";
import { idFrom, idsFrom } from "@/core/ids";
import { CoverageScreen } from "@/screens/coverage/coverage-screen";
import { NoClasses } from "@/screens/plan/no-classes";
import { chosenClass } from "@/server/classes/chosen-class";
import { coverageData, placeOfStandard } from "@/server/results/coverage";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Coverage" };

const MOST_CLASSES = 8;

export default async function CoveragePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const parameters = await searchParams;
  const { db, visitor, now } = await enter("see assignments");
  const { classes, current } = await chosenClass(db, visitor, now);
  if (!current) return <NoClasses />;
  const asked = idsFrom(parameters.classes).slice(0, MOST_CLASSES);
  const ids = asked.length > 0 ? asked : [current.id];
  await enter("see coverage", { classes: ids });
  const shown = ids.flatMap((id) => classes.find((group) => group.id === id) ?? []);
  if (shown.length === 0) notFound();
  if (typeof parameters.code === "string") {
    const place = await placeOfStandard(db, visitor, shown[0]!.id, parameters.code);
    if (place) redirect(place);
  }
  const [group, standard] = String(parameters.cell ?? "")
    .split(".")
    .map((text) => idFrom(text));
  const data = await coverageData(
    db,
    visitor,
    shown,
    {
      framework: idFrom(parameters.framework),
      stretch: [parameters.in].flat()[0],
      open: group !== undefined && standard !== undefined ? { class: group, standard } : null,
    },
    now,
  );
  return <CoverageScreen data={data} classes={classes.map(({ id, name }) => ({ id, name }))} now={now} />;
}
