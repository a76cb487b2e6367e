import type { Metadata } from "next";
import { Link } from "@/ui/link";
import { HelpScreen } from "@/screens/shell/help-screen";
import { Brand } from "@/screens/shell/brand";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Help" };

export default async function HelpPage() {
  await enter("read help");
  return (
    <main className="mx-auto max-w-3xl px-6 py-8">
      <Link href="/">
        <Brand />
      </Link>
      <HelpScreen />
    </main>
  );
}
