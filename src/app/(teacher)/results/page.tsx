import type { Metadata } from "next";
import { resultTable } from "@/core/results/table";
import { assignmentsOf } from "@/data/assign/assignments";
import { guestsAt, notBegun } from "@/data/classes/guests";
import { classesOf } from "@/data/classes/classes";
import { standingCorrections } from "@/data/results/corrections";
import { workOf } from "@/data/student/work";
import { ResultsScreen } from "@/screens/results/results-screen";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Results" };

export default async function ResultsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see assignments");
  const classes = await classesOf(db, visitor.id, now);
  const assignments = (
    await assignmentsOf(
      db,
      visitor.id,
      classes.map((group) => group.id),
      now,
    )
  ).filter((assignment) => assignment.opens <= now);
  const asked = idFrom((await searchParams).assignment);
  if (asked !== undefined) await enter("see results", { assignment: asked });
  const assignment = assignments.find((one) => one.id === asked) ?? assignments.find((one) => one.begun > 0) ?? null;
  const table = assignment && resultTable(await workOf(db, assignment.id), assignment.keep);
  const guests = assignment ? await guestsAt(db, assignment.id) : [];
  const free = assignment && guests.length > 0 ? await notBegun(db, assignment.id) : [];
  return (
    <ResultsScreen
      assignments={assignments}
      assignment={assignment}
      table={table}
      corrections={assignment ? await standingCorrections(db, assignment.id) : []}
      guests={guests}
      free={free}
      zone={visitor.zone}
      now={now}
      locale={visitor.locale}
    />
  );
}
