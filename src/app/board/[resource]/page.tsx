import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { BoardScreen } from "@/screens/light-table/board-screen";
import { lightTable } from "@/server/find/light-table";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Board" };

/** A resource as students see it, large, without answers and notes: for the board in the classroom. */
export default async function BoardPage({ params }: { params: Promise<{ resource: string }> }) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor, now } = await enter("look at resource", { resource });
  const data = await lightTable(db, visitor, resource, now);
  if (!data) notFound();
  return <BoardScreen title={data.facts.title} document={data.document} />;
}
