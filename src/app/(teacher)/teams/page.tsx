import type { Metadata } from "next";
import { PlainDate } from "@/core/calendar/plain-date";
import { idFrom } from "@/core/ids";
import { TeamsScreen } from "@/screens/teams/teams-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { enter } from "@/server/web/page";
import { teamsPage } from "@/server/share/team";

export const metadata: Metadata = { title: "Teams" };

/** Her teams: who makes what for which week. `?team=` which, `?from=` the first week shown. */
export default async function TeamsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see own teams");
  const { team, from } = await searchParams;
  const { current } = await chosenClass(db, visitor, now);
  const date = PlainDate.safeParse(from);
  const data = await teamsPage(db, visitor, idFrom(team) ?? undefined, date.success ? date.data : null, now);
  return <TeamsScreen key={data.board?.team.id} data={data} current={current?.id ?? null} now={now} />;
}
