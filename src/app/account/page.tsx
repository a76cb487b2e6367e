import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { formatMoment } from "@/core/calendar/format-moment";
import { credentialsById } from "@/data/office/people";
import { recoveryCodesLeft, sessionsOf, totpOf } from "@/data/office/second-step";
import { AccountScreen } from "@/screens/account/account-screen";
import { enter } from "@/server/web/page";
import { sessionHash } from "@/server/web/session";

export const metadata: Metadata = { title: "My account" };

export default async function AccountPage() {
  const { db, visitor, now } = await enter("keep own account");
  const known = visitor.kind === "adult" ? await credentialsById(db, visitor.id) : undefined;
  if (!known) notFound();
  const [here, sessions, totp, left] = await Promise.all([
    sessionHash(),
    sessionsOf(db, visitor.id, now),
    totpOf(db, visitor.id),
    recoveryCodesLeft(db, visitor.id),
  ]);
  return (
    <AccountScreen
      email={known.email}
      sessions={sessions.map(({ tokenHash, device, created }) => ({
        ...{ device: device ?? "A browser", since: formatMoment(created, visitor.zone, now) },
        isThis: tokenHash === here,
      }))}
      recoveryLeft={totp ? left : null}
    />
  );
}
