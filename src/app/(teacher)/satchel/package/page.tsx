import type { Metadata } from "next";
import { PackageScreen } from "@/screens/package/package-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Take it along, bring it in" };

export default async function PackagePage() {
  await enter("see own satchel");
  return <PackageScreen />;
}
