import type { Metadata } from "next";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { workFilters } from "@/core/assign/work-filter";
import { mondayOf, schoolClock } from "@/core/calendar/school-calendar";
import { assignmentsOf, assignmentsWith, countDueBefore } from "@/data/assign/assignments";
import { namesOfClasses } from "@/data/classes/classes";
import { pocketsOf } from "@/data/satchel/pockets";
import { NoClasses } from "@/screens/plan/no-classes";
import { PlanScreen } from "@/screens/plan/plan-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";
import { planOf } from "@/server/plan/plan";
import { workDetails } from "@/server/assign/work-details";

export const metadata: Metadata = { title: "Plan" };

/** How long finished work stays in the list, unless more is asked for: by the end of a year there are hundreds of pieces. */
const RECENT_DAYS = 21;

/** What cannot be read in an address counts as not said. */
const Asked = z.object({
  from: PlainDate.optional().catch(undefined),
  weeks: z.coerce.number().int().min(1).max(18).catch(2),
  view: z.enum(["days", "list"]).catch("days"),
});

export default async function PlanPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see assignments");
  const parameters = await searchParams;
  const { from, weeks, view } = Asked.parse(parameters);
  const { classes, current } = await chosenClass(db, visitor, now);
  if (classes.length === 0) return <NoClasses />;
  const ids = classes.map((group) => group.id);
  // What is looked for may be of last autumn.
  const everything = ["earlier", ...workFilters].some((name) => parameters[name] !== undefined);
  const recent = new Date(now.getTime() - RECENT_DAYS * 86_400_000);
  const [plan, all, earlier, students, pockets, details] = await Promise.all([
    planOf(db, visitor, classes, mondayOf(from ?? schoolClock(now, visitor.zone).date), weeks, now),
    view === "list" ? assignmentsOf(db, visitor.id, ids, now, everything ? undefined : recent) : [],
    view === "list" && !everything ? countDueBefore(db, visitor.id, ids, now, recent) : 0,
    view === "list" ? namesOfClasses(db, ids) : [],
    pocketsOf(db, visitor.id),
    view === "days" ? workDetails(db, visitor, idFrom(parameters.item), now) : null,
  ]);
  const student = idFrom(parameters.student);
  // Whose work alone is asked for: of all others nothing is sent.
  const theirs =
    student === undefined || view !== "list"
      ? null
      : await assignmentsWith(
          db,
          all.map(({ id }) => id),
          student,
        );
  const assignments = theirs ? all.filter(({ id }) => theirs.has(id)) : all;
  return (
    <PlanScreen
      plan={plan}
      view={view}
      assignments={assignments}
      earlier={earlier}
      classes={classes}
      students={students}
      current={current?.id ?? null}
      pockets={pockets}
      details={details}
      zone={visitor.zone}
      now={now}
    />
  );
}
