import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { readOnlyDocument } from "@/core/reading/read-only";
import { studentDocument } from "@/core/resource/student-view";
import { readRevision } from "@/data/engine/read-once";
import { readingsOf } from "@/data/reading/readings";
import { revisionFor } from "@/data/reading/shelves";
import { ReadScreen } from "@/screens/reading/read-screen";
import { screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";

export const generateMetadata = () => screenTitle("reading");

export default async function ReadPage({ params }: { params: Promise<{ resource: string }> }) {
  const reading = idFrom((await params).resource) ?? -1;
  const { db, visitor } = await enter("read from a shelf", { reading });
  const revision = (await revisionFor(db, visitor.id, reading))!;
  const document = readOnlyDocument(studentDocument((await readRevision(db, revision))!.document));
  if (document.steps.length === 0) notFound();
  const before = (await readingsOf(db, visitor.id)).find(({ resource }) => resource === reading);
  const at = before && before.finished === null ? document.steps.findIndex(({ id }) => id === before.step) : 0;
  return <ReadScreen resource={reading} document={document} start={Math.max(0, at)} />;
}
