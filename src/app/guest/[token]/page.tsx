import type { Metadata } from "next";
import { notFound, redirect } from "next/navigation";
import { guestDoor, guestOf } from "@/data/classes/guests";
import { GuestScreen } from "@/screens/student/guest-screen";
import { InOwnLanguage } from "@/app/in-own-language";
import { screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";
import { tokenHash } from "@/server/web/secrets";

export const generateMetadata = async (): Promise<Metadata> => ({
  ...(await screenTitle("guest")),
  robots: { index: false },
});

export default async function GuestPage({ params }: { params: Promise<{ token: string }> }) {
  const { db, now, visitor } = await enter("come as a guest");
  const { token } = await params;
  const door = await guestDoor(db, tokenHash(token), now);
  if (!door) notFound();
  // A guest who goes Back is the same guest, and not another one. Nobody may be there at all.
  const here = visitor as { id: number } | null;
  if (here && (await guestOf(db, here.id)) === door.assignment) redirect(`/student/${door.assignment}`);
  return (
    <InOwnLanguage>
      <GuestScreen token={token} title={door.title} teacher={door.teacher} />
    </InOwnLanguage>
  );
}
