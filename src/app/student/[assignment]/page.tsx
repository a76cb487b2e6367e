import { notFound } from "next/navigation";
import { ownAssignment } from "@/data/student/work";
import { NotNow } from "@/screens/student/not-now";
import { StudentWorkScreen } from "@/screens/student/work-screen";
import { idFrom } from "@/core/ids";
import { seenByCode } from "@/server/student/by-code";
import { screenTitle } from "@/server/web/screen-language";
import { enter } from "@/server/web/page";
import { studentWork } from "@/server/student/student-work";

export const generateMetadata = () => screenTitle("myWork");

export default async function StudentWorkPage({ params }: { params: Promise<{ assignment: string }> }) {
  const assignment = idFrom((await params).assignment) ?? -1;
  const { db, visitor, now } = await enter("do assignment", { assignment });
  const data = await studentWork(db, visitor, assignment, now);
  if (!data) {
    // Given, but not to be done now: that is said, and what she answered is said to be kept.
    const assigned = await ownAssignment(db, visitor.id, assignment, visitor.joinedClass);
    return assigned && seenByCode(visitor, assigned, now) ? (
      <NotNow assigned={assigned} student={visitor.id} zone={visitor.zone} now={now} />
    ) : (
      notFound()
    );
  }
  return (
    <StudentWorkScreen
      // Another try is another screen. One that is only begun by now is not: the child stays where she is.
      key={data.attempt?.number ?? 1}
      data={data}
      student={visitor.id}
      name={visitor.givenName}
      zone={visitor.zone}
      now={now}
    />
  );
}
