import type { Metadata } from "next";
import { BringInScreen } from "@/screens/brought/bring-in-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Bring in" };

export default async function BringInPage() {
  await enter("make resource");
  return <BringInScreen />;
}
