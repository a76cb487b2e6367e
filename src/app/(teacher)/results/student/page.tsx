import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { studentsOf } from "@/data/classes/classes";
import { NoClasses } from "@/screens/plan/no-classes";
import { StudentScreen } from "@/screens/student-results/student-screen";
import { chosenClass } from "@/server/classes/chosen-class";
import { studentData } from "@/server/results/student";
import { enter } from "@/server/web/page";
import { Empty } from "@/ui/empty";

export const metadata: Metadata = { title: "A student" };

export default async function StudentResultsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const parameters = await searchParams;
  const { db, visitor, now } = await enter("see assignments");
  const { classes, current } = await chosenClass(db, visitor, now);
  if (!current) return <NoClasses />;
  const group = classes.find(({ id }) => id === (idFrom(parameters.class) ?? current.id));
  if (!group) notFound();
  const students = await studentsOf(db, group.id);
  const asked = idFrom(parameters.student) ?? students[0]?.id;
  if (asked === undefined) return <Empty title="Nobody is in this class yet">Add students under Classes.</Empty>;
  await enter("see how a student is doing", { class: group.id, students: [asked] });
  return (
    <StudentScreen
      data={await studentData(db, visitor, asked, now)}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      group={group.id}
      students={students.map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` }))}
      student={asked}
      me={visitor.id}
      zone={visitor.zone}
      now={now}
    />
  );
}
