import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { openReports } from "@/data/share/reports";
import { DeskScreen } from "@/screens/desk/desk-screen";
import { setsOf } from "@/data/find/sets";
import { ReportsScreen } from "@/screens/desk/reports-screen";
import { SetsScreen } from "@/screens/desk/sets-screen";
import { deskList, deskOffer, deskReports, deskStates, type DeskList } from "@/server/share/desk";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Desk" };

/** What is offered to the shelves a curator keeps. */
export default async function DeskPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("keep the desk");
  const asked = await searchParams;
  if (asked.list === "reports")
    return <ReportsScreen reports={await deskReports(db, visitor)} me={visitor.id} zone={visitor.zone} now={now} />;
  if (asked.list === "sets")
    return (
      <SetsScreen
        sets={await setsOf(db, visitor.district)}
        opened={idFrom(asked.set) ?? null}
        reports={await openReports(db, visitor.district)}
      />
    );
  const list = (Object.keys(deskStates) as DeskList[]).find((one) => one === asked.list) ?? "waiting";
  const lines = await deskList(db, visitor, list, now);
  const opened = await deskOffer(db, visitor, idFrom(asked.offer) ?? lines[0]?.id ?? -1, idFrom(asked.beside) ?? null);
  const reports = await openReports(db, visitor.district);
  return (
    <DeskScreen
      {...{ list, lines, opened, reports, now }}
      teaches={visitor.roles.includes("teacher")}
      me={visitor.id}
      zone={visitor.zone}
    />
  );
}
