import { notFound } from "next/navigation";
import { ChooseScreen } from "@/screens/reading/choose-screen";
import { readingPlace } from "@/server/reading/choose";
import { screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";

export const generateMetadata = () => screenTitle("chooseReading");

export default async function ReadingPage() {
  const { db, visitor, now } = await enter("see own work");
  const place = visitor.joinedAt === null ? await readingPlace(db, visitor, now) : null;
  if (!place) notFound();
  return <ChooseScreen place={place} name={visitor.givenName} />;
}
