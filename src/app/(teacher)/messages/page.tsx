import type { Metadata } from "next";
import { messagesBy, messagesTo } from "@/data/office/outbox";
import { MessagesScreen } from "@/screens/messages/messages-screen";
import { sendsMail } from "@/server/office/mail";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Messages" };

export default async function MessagesPage() {
  const { db, visitor, now } = await enter("read own messages");
  const [sent, received] = await Promise.all([messagesBy(db, visitor.id), messagesTo(db, visitor.id)]);
  return <MessagesScreen sent={sent} received={received} mails={sendsMail()} zone={visitor.zone} now={now} />;
}
