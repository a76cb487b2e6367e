import type { Metadata } from "next";
import { pocketsOf, satchelOf } from "@/data/satchel";
import { SatchelScreen } from "@/screens/satchel/satchel-screen";
import { assignContext } from "@/server/assign-context";
import { classProfile } from "@/server/fit";
import { lightTable } from "@/server/light-table";
import { enter, idFrom } from "@/server/page";

export const metadata: Metadata = { title: "Satchel" };

export default async function SatchelPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see own satchel");
  const parameters = await searchParams;
  const [items, pockets] = await Promise.all([satchelOf(db, visitor), pocketsOf(db, visitor.id)]);
  const asked = idFrom(parameters.pocket);
  const pocket =
    parameters.pocket === "none" ? ("none" as const) : (pockets.find((one) => one.id === asked)?.id ?? null);
  const shown = items.filter((item) =>
    pocket === null ? true : pocket === "none" ? item.pockets.length === 0 : item.pockets.includes(pocket),
  );
  const open = idFrom(parameters.open) ?? shown[0]?.id;
  const assign = await assignContext(db, visitor, now);
  const current = assign.classes.find((group) => group.id === assign.current) ?? null;
  const opened = await lightTable(db, visitor, open, now, await classProfile(db, current, now));
  return <SatchelScreen items={items} pockets={pockets} pocket={pocket} opened={opened} assign={assign} />;
}
