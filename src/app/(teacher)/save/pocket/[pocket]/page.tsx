import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { SaveAsScreen } from "@/screens/hand-over/save-as-screen";
import { previewOf } from "@/server/hand-over/preview";
import { gatherPocket } from "@/server/hand-over/what";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Save as a file" };

export default async function SavePocketPage({ params }: { params: Promise<{ pocket: string }> }) {
  const pocket = idFrom((await params).pocket) ?? -1;
  const { db, visitor } = await enter("save pocket as a file", { pocket });
  const preview = previewOf(await gatherPocket(db, visitor, pocket));
  return <SaveAsScreen preview={preview} address={`/save/pocket/${pocket}/file?`} />;
}
