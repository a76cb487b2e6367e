import type { Metadata } from "next";
import { NoClasses } from "@/screens/plan/no-classes";
import { StudentScreen } from "@/screens/student-results/student-screen";
import { studentAsked } from "@/server/classes/student-asked";
import { studentData } from "@/server/results/student";
import { noteLook } from "@/data/keep/about-child";
import { enter } from "@/server/web/page";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "A student" };

export default async function StudentResultsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const caller = await enter("see assignments");
  const asked = await studentAsked(caller, await searchParams);
  if (!asked) return <NoClasses />;
  const { student, shown } = asked;
  if (student === null) return <Empty title="Nobody is in this class yet">Add students under Classes.</Empty>;
  const { db, visitor, now } = await enter("see how a student is doing", { class: shown.group, students: [student] });
  await noteLook(db, { student, by: visitor.id, what: "progress", at: now });
  return (
    <StudentScreen data={await studentData(db, visitor, student, now)} me={visitor.id} {...{ student, ...shown }} />
  );
}
