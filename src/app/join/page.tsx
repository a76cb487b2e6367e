import type { Metadata } from "next";
import { JoinScreen } from "@/screens/student/join-screen";
import { enter } from "@/server/page";

export const metadata: Metadata = { title: "Come in" };

export default async function JoinPage() {
  await enter("sign in");
  return <JoinScreen />;
}
