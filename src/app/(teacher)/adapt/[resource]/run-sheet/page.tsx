import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { RunSheetScreen } from "@/screens/run-sheet/run-sheet-screen";
import { adaptData } from "@/server/adapt/adapt";
import { chosenClass } from "@/server/classes/chosen-class";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Run sheet" };

/** Minutes of a lesson where no class says it. */
const USUAL_PERIOD = 45;

export default async function RunSheetPage({ params }: { params: Promise<{ resource: string }> }) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor, now } = await enter("edit resource", { resource });
  const [data, { current }] = await Promise.all([adaptData(db, visitor, resource, now), chosenClass(db, visitor, now)]);
  if (!data) notFound();
  return (
    <RunSheetScreen key={resource} data={data} period={current?.periodMinutes ?? USUAL_PERIOD} zone={visitor.zone} />
  );
}
