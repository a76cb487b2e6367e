import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { LeadScreen } from "@/screens/live/lead-screen";
import { leadPage } from "@/server/live/lead-page";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Lead" };

export default async function LeadPage({ params }: { params: Promise<{ assignment: string }> }) {
  const assignment = idFrom((await params).assignment) ?? -1;
  const { db, visitor, now } = await enter("lead a lesson", { assignment });
  const data = await leadPage(db, visitor, assignment, now);
  if (!data) notFound();
  return <LeadScreen key={assignment} {...data} joinLink={`${await baseAddress()}/join`} zone={visitor.zone} />;
}
