import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { courseOfClass } from "@/data/lti/systems";
import { SaveAsScreen } from "@/screens/hand-over/save-as-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { previewOf } from "@/server/hand-over/preview";
import { gatherPocket } from "@/server/hand-over/what";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Save as a file" };

export default async function SavePocketPage({ params }: { params: Promise<{ pocket: string }> }) {
  const pocket = idFrom((await params).pocket) ?? -1;
  const { db, visitor, now } = await enter("save pocket as a file", { pocket });
  const preview = previewOf(await gatherPocket(db, visitor, pocket));
  const { current } = await chosenClass(db, visitor, now);
  const course = current && (await courseOfClass(db, current.id));
  return (
    <SaveAsScreen
      preview={preview}
      address={`/save/pocket/${pocket}/file?`}
      course={course ? { address: `/hand-over/${current.id}/pocket/${pocket}`, name: course.systemName } : null}
    />
  );
}
