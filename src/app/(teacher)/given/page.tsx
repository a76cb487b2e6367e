import type { Metadata } from "next";
import { givenTo } from "@/data/share/shares";
import { GivenScreen } from "@/screens/given/given-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Given to me" };

/** What colleagues gave her. */
export default async function GivenPage() {
  const { db, visitor, now } = await enter("see what was given");
  return <GivenScreen given={await givenTo(db, visitor.id)} zone={visitor.zone} now={now} />;
}
