import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { DeskScreen } from "@/screens/desk/desk-screen";
import { deskList, deskOffer, deskStates, type DeskList } from "@/server/desk";
import { enter } from "@/server/page";

export const metadata: Metadata = { title: "Desk" };

/** What is offered to the shelves a curator keeps. */
export default async function DeskPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("keep the desk");
  const asked = await searchParams;
  const list = (Object.keys(deskStates) as DeskList[]).find((one) => one === asked.list) ?? "waiting";
  const lines = await deskList(db, visitor, list, now);
  const opened = await deskOffer(db, visitor, idFrom(asked.offer) ?? lines[0]?.id ?? -1);
  return <DeskScreen list={list} lines={lines} opened={opened} me={visitor.id} zone={visitor.zone} now={now} />;
}
