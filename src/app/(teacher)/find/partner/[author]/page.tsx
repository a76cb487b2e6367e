import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { PartnerScreen } from "@/screens/find/partner-screen";
import { enter } from "@/server/web/page";
import { partnerPage } from "@/server/find/partner";

export const metadata: Metadata = { title: "Partner" };

export default async function PartnerPage({ params }: { params: Promise<{ author: string }> }) {
  const { db, visitor, now } = await enter("find resources");
  const data = await partnerPage(db, visitor, idFrom((await params).author) ?? -1);
  if (!data) notFound();
  return <PartnerScreen data={data} zone={visitor.zone} now={now} />;
}
