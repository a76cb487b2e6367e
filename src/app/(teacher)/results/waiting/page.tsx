import type { Metadata } from "next";
import type { QueuePart } from "@/data/review/queue";
import { QueueScreen } from "@/screens/review/queue-screen";
import { reviewQueue } from "@/server/review/review-queue";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Work held back" };

const parts: readonly QueuePart[] = ["waiting", "sent back", "shown"];

export default async function WaitingPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see work that waits");
  const asked = (await searchParams).part;
  const part = parts.find((one) => one === asked) ?? "waiting";
  const queue = await reviewQueue(db, visitor.id, now, part);
  return <QueueScreen key={part} queue={queue} zone={visitor.zone} now={now} />;
}
