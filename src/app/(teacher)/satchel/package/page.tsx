import type { Metadata } from "next";
import { PackageScreen } from "@/screens/package/package-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "My satchel as a file" };

export default async function PackagePage() {
  await enter("see own satchel");
  return <PackageScreen />;
}
