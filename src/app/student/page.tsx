import type { Metadata } from "next";
import { tasksOf } from "@/data/work";
import { StudentHome } from "@/screens/student/home";
import { enter } from "@/server/page";

export const metadata: Metadata = { title: "My work" };

export default async function StudentPage() {
  const { db, visitor, now } = await enter("see own work");
  const tasks = await tasksOf(db, visitor.id, visitor.joinedClass);
  return <StudentHome student={visitor.id} name={visitor.givenName} tasks={tasks} zone={visitor.zone} now={now} />;
}
