import type { Metadata } from "next";
import { invitationBy } from "@/data/student/front-door";
import { WelcomeScreen } from "@/screens/sign-in/welcome-screen";
import { enter } from "@/server/web/page";
import { tokenHash } from "@/server/web/secrets";

export const metadata: Metadata = { title: "Welcome", robots: { index: false } };

export default async function WelcomePage({ params }: { params: Promise<{ token: string }> }) {
  const { db, now } = await enter("accept an invitation");
  const { token } = await params;
  const invited = await invitationBy(db, tokenHash(token), now);
  return <WelcomeScreen token={token} invited={invited ?? null} />;
}
