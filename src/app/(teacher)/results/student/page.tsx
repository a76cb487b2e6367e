import type { Metadata } from "next";
import { NoClasses } from "@/screens/plan/no-classes";
import { StudentScreen } from "@/screens/student-results/student-screen";
import { studentAsked } from "@/server/classes/student-asked";
import { studentData } from "@/server/results/student";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "A student" };

export default async function StudentResultsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = await studentAsked(await searchParams, "see how a student is doing");
  if (!asked) return <NoClasses />;
  const { db, visitor, now, student, shown } = asked;
  if (student === null) return <Empty title="Nobody is in this class yet">Add students under Classes.</Empty>;
  return (
    <StudentScreen data={await studentData(db, visitor, student, now)} me={visitor.id} {...{ student, ...shown }} />
  );
}
