import type { Metadata } from "next";
import { CodeScreen } from "@/screens/sign-in/code-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "The code from your app" };

export default async function CodePage() {
  await enter("sign in");
  return <CodeScreen />;
}
