import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { StudentWorkScreen } from "@/screens/student/work-screen";
import { enter, idFrom } from "@/server/page";
import { studentWork } from "@/server/student-work";

export const metadata: Metadata = { title: "My work" };

export default async function StudentWorkPage({ params }: { params: Promise<{ assignment: string }> }) {
  const assignment = idFrom((await params).assignment) ?? -1;
  const { db, visitor, now } = await enter("do assignment", { assignment });
  const data = await studentWork(db, visitor, assignment, now);
  if (!data) notFound();
  return <StudentWorkScreen key={data.attempt?.id ?? 0} data={data} zone={visitor.zone} now={now} />;
}
