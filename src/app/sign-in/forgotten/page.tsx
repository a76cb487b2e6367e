import type { Metadata } from "next";
import { ForgottenScreen } from "@/screens/sign-in/forgotten-screen";
import { sendsMail } from "@/server/office/mail";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Forgotten password" };

export default async function ForgottenPage() {
  await enter("sign in");
  // The demo's messages are kept to be read, as if they had been sent.
  return <ForgottenScreen sends={sendsMail() || process.env.DEMO === "1"} />;
}
