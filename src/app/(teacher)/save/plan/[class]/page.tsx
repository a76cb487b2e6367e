import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { SaveAsScreen } from "@/screens/hand-over/save-as-screen";
import { previewOf } from "@/server/hand-over/preview";
import { stretchFrom } from "@/server/hand-over/stretch";
import { gatherPlan } from "@/server/hand-over/what";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Save as a file" };

/** A class's plan: `?from=2026-11-23&weeks=2`. */
export default async function SavePlanPage({
  params,
  searchParams,
}: {
  params: Promise<{ class: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const id = idFrom((await params).class) ?? -1;
  const { db, visitor, now } = await enter("save plan as a file", { class: id });
  const { from, weeks } = stretchFrom(await searchParams, visitor, now);
  const base = await baseAddress();
  const preview = previewOf(await gatherPlan(db, visitor, { class: id, from, weeks }, { base, now }));
  return <SaveAsScreen preview={preview} address={`/save/plan/${id}/file?from=${from}&weeks=${weeks}&`} />;
}
