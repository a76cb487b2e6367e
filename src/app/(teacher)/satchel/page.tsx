import type { Metadata } from "next";
import { filterFromParameters, filterSatchel, inPocket, pocketFrom } from "@/core/satchel/filter";
import { pocketsOf } from "@/data/satchel/pockets";
import { satchelOf, seePacked, withdrawnFrom } from "@/data/satchel/satchel";
import { countGiven } from "@/data/share/shares";
import { SatchelScreen } from "@/screens/satchel/satchel-screen";
import { assignContext } from "@/server/assign/assign-context";
import { classProfile } from "@/server/find/fit";
import { lightTable } from "@/server/find/light-table";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Satchel" };

export default async function SatchelPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see own satchel");
  const parameters = await searchParams;
  const [items, pockets, withdrawn, given] = await Promise.all([
    satchelOf(db, visitor),
    pocketsOf(db, visitor.id),
    withdrawnFrom(db, visitor),
    countGiven(db, visitor.id),
  ]);
  const pocket = pocketFrom(parameters.pocket, pockets);
  const filter = filterFromParameters(parameters);
  const shown = filterSatchel(inPocket(items, pockets, pocket), filter, now);
  const open = idFrom(parameters.open) ?? shown[0]?.id;
  const assign = await assignContext(db, visitor, now);
  const current = assign.classes.find((group) => group.id === assign.current) ?? null;
  const opened = await lightTable(db, visitor, open, now, await classProfile(db, current, now));
  // What she chose to look at is revised no longer; what lies open by itself she has not chosen.
  if (opened?.packed && idFrom(parameters.open) !== undefined) await seePacked(db, visitor.id, opened.resource.id);
  return (
    <SatchelScreen
      filter={filter}
      items={items}
      withdrawn={withdrawn}
      pockets={pockets}
      pocket={pocket}
      opened={opened}
      given={given}
      assign={assign}
    />
  );
}
