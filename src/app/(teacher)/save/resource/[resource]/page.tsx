import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { SaveAsScreen } from "@/screens/hand-over/save-as-screen";
import { previewOf } from "@/server/hand-over/preview";
import { gatherResource } from "@/server/hand-over/what";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Save as a file" };

export default async function SaveResourcePage({ params }: { params: Promise<{ resource: string }> }) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor } = await enter("save resource as a file", { resource });
  const preview = previewOf(await gatherResource(db, visitor, resource));
  return <SaveAsScreen preview={preview} address={`/save/resource/${resource}/file?`} />;
}
