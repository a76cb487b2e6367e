import type { Metadata } from "next";
import { SharedScreen } from "@/screens/shared/shared-screen";
import { enter } from "@/server/web/page";
import { sharedByHer } from "@/server/share/shared";

export const metadata: Metadata = { title: "Shared by me" };

/** Where each of her things stands with others, and how often it is used. */
export default async function SharedPage() {
  const { db, visitor } = await enter("see own satchel");
  return <SharedScreen things={await sharedByHer(db, visitor)} />;
}
