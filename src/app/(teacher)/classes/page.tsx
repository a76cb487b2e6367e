import type { Metadata } from "next";
import { z } from "zod";
import { classSaid, pastClassesOf, workOfPast } from "@/data/classes/class-said";
import { joinCodeOf, studentsOf, teachersOf } from "@/data/classes/classes";
import { hasFeed } from "@/data/classes/feeds";
import { pairsApart, seatsOf } from "@/data/classes/groups";
import { groupsOf, studentGoals } from "@/data/plan/plan";
import { ClassScreen } from "@/screens/classes/class-screen";
import { classViews } from "@/screens/classes/class-views";
import { shelfPage } from "@/server/reading/shelf";
import { baseAddress } from "@/server/web/base-address";
import { lastResultsOf } from "@/server/classes/last-results";
import { chosenClass } from "@/server/classes/chosen-class";
import { idFrom } from "@/core/ids";
import { enter } from "@/server/web/page";
import { permit } from "@/server/web/permissions";

export const metadata: Metadata = { title: "Classes" };

export default async function ClassesPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see own classes");
  const { classes, current } = await chosenClass(db, visitor, now);
  const parameters = await searchParams;
  const asked = idFrom(parameters.class);
  if (asked !== undefined) await enter("see class", { class: asked });
  const past = idFrom(parameters.past);
  if (past !== undefined) await enter("bring a class back", { class: past });
  const view = z.enum(classViews).catch("roster").parse(parameters.view);
  const group = classes.find((one) => one.id === asked) ?? current;
  const id = group?.id ?? -1;
  const [students, code, teachers, keeps, groups, apart, seats, feed, lastResults, base, ...rest] = await Promise.all([
    studentsOf(db, id),
    joinCodeOf(db, id, now),
    teachersOf(db, id, now),
    permit(db, visitor, "change roster", { class: id }, now),
    groupsOf(db, [id]),
    pairsApart(db, id),
    seatsOf(db, id),
    hasFeed(db, { class: id, person: visitor.id }),
    view === "groups" ? lastResultsOf(db, id, now) : {},
    baseAddress(),
    view === "reading" && group ? shelfPage(db, visitor, group.id, now) : null,
    pastClassesOf(db, visitor.id),
    group ? classSaid(db, group.id) : null,
  ]);
  const [shelf, pastClasses, said] = rest;
  const shown = pastClasses.find((one) => one.id === past);
  const goals = await studentGoals(
    db,
    students.map((student) => student.id),
  );
  return (
    <ClassScreen
      shelf={shelf}
      classes={classes}
      group={group}
      view={view}
      students={students}
      goals={goals}
      groups={groups}
      apart={apart}
      lastResults={lastResults}
      seats={seats}
      teachers={teachers}
      keeps={keeps}
      said={said}
      pastClasses={pastClasses}
      past={shown ? { ...shown, work: await workOfPast(db, shown.id) } : null}
      now={now}
      code={code}
      feed={feed}
      zone={visitor.zone}
      joinLink={`${base}/join`}
    />
  );
}
