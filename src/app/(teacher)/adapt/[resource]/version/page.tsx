import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { VersionScreen } from "@/screens/version/version-screen";
import { adaptData } from "@/server/adapt/adapt";
import { commonSpanish, simplerWords } from "@/server/find/word-files";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "A shorter or easier version" };

export default async function VersionPage({ params }: { params: Promise<{ resource: string }> }) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor, now } = await enter("edit resource", { resource });
  const data = await adaptData(db, visitor, resource, now);
  if (!data) notFound();
  const language = data.document.languages[0]!;
  return (
    <VersionScreen
      key={resource}
      data={data}
      simpler={[...simplerWords(language)]}
      commonSpanish={language.startsWith("es") ? commonSpanish() : []}
      zone={visitor.zone}
    />
  );
}
