import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { AdaptScreen } from "@/screens/adapt/adapt-screen";
import { adaptData } from "@/server/adapt/adapt";
import { chosenClass } from "@/server/classes/chosen-class";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Adapt" };

/** `?show=changes`: opens with what changed. */
export default async function AdaptPage({
  params,
  searchParams,
}: {
  params: Promise<{ resource: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const resource = idFrom((await params).resource) ?? -1;
  const { db, visitor, now } = await enter("edit resource", { resource });
  const [data, { current }] = await Promise.all([adaptData(db, visitor, resource, now), chosenClass(db, visitor, now)]);
  if (!data) notFound();
  return (
    <AdaptScreen
      key={resource}
      data={data}
      showChanges={(await searchParams).show === "changes"}
      periodMinutes={current?.periodMinutes ?? null}
      zone={visitor.zone}
      now={now}
    />
  );
}
