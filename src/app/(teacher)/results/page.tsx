import type { Metadata } from "next";
import { idFrom } from "@/core/ids";
import { historyOf } from "@/core/results/one-student";
import { resultTable } from "@/core/results/table";
import { ownsAll } from "@/data/adapt/resources";
import { openedAssignments, type Assignment } from "@/data/assign/assignments";
import { classesOf } from "@/data/classes/classes";
import { guestsAt, notBegun } from "@/data/classes/guests";
import type { Db } from "@/data/engine/db";
import { groupsOf } from "@/data/plan/plan";
import { standingCorrections } from "@/data/results/corrections";
import { workOfStudent, workWithLastAnswers } from "@/data/results/work-of-class";
import { ResultsScreen, type Shown } from "@/screens/results/results-screen";
import { markingOf } from "@/server/marking/marking";
import { noteLook } from "@/data/keep/about-child";
import { aroundResult } from "@/server/results/around";
import { enter } from "@/server/web/page";
import type { Visitor } from "@/server/web/session";

export const metadata: Metadata = { title: "Results" };

async function shownOf(
  db: Db,
  visitor: Visitor,
  assignment: Assignment,
  now: Date,
  asked: { view: string; student: number | undefined },
): Promise<Shown> {
  const [works, guests] = await Promise.all([workWithLastAnswers(db, assignment.id), guestsAt(db, assignment.id)]);
  const table = resultTable(works, assignment.keep);
  const found = asked.view === "student" ? (works.find((work) => work.student.id === asked.student) ?? works[0]) : null;
  // One child's page shows every answer as it was written.
  const student = found && (await workOfStudent(db, assignment.id, found.student.id));
  if (student) await noteLook(db, { student: student.student.id, by: visitor.id, what: "answers", at: now });
  const [free, corrections, around, groups, marking, owns] = await Promise.all([
    guests.length > 0 ? notBegun(db, assignment.id) : [],
    standingCorrections(db, assignment.id),
    aroundResult(db, visitor, assignment, table, now),
    groupsOf(db, [assignment.class]),
    asked.view === "marking" ? markingOf(db, visitor, assignment.id) : null,
    ownsAll(db, visitor.id, [assignment.resource]),
  ]);
  return {
    ...{ assignment, table, guests, free, corrections, around, groups, marking },
    own: owns ? assignment.resource : null,
    one: student ? { student: student.student.id, tries: historyOf(student, assignment.keep) } : null,
  };
}

/** How many pieces of work are listed at first, and at most. */
const LATEST = 60;
const MOST = 5_000;

export default async function ResultsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { db, visitor, now } = await enter("see assignments");
  const parameters = await searchParams;
  const classes = await classesOf(db, visitor.id, now);
  const asked = idFrom(parameters.assignment);
  if (asked !== undefined) await enter("see results", { assignment: asked });
  const opened = (most: number) =>
    openedAssignments(
      db,
      visitor.id,
      classes.map((group) => group.id),
      now,
      { most, also: asked ?? null },
    );
  const chosen = (list: readonly Assignment[]) =>
    list.find(({ id }) => id === asked) ?? list.find(({ begun }) => begun > 0) ?? null;
  const latest = await opened(parameters.earlier === undefined ? LATEST : MOST);
  const more = parameters.earlier === undefined && latest.length >= LATEST;
  // Where nothing of the latest is begun, there may be earlier work to show.
  const assignments = more && !chosen(latest) ? await opened(MOST) : latest;
  const assignment = chosen(assignments);
  return (
    <ResultsScreen
      assignments={assignments}
      more={more && assignments === latest}
      shown={
        assignment &&
        (await shownOf(db, visitor, assignment, now, {
          view: String(parameters.view ?? ""),
          student: idFrom(parameters.student),
        }))
      }
      zone={visitor.zone}
      now={now}
      locale={visitor.locale}
    />
  );
}
