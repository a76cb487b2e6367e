import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { classesOf } from "@/data/classes/classes";
import { courseById, systemById } from "@/data/lti/systems";
import { CourseScreen } from "@/screens/lti/course-screen";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Which class is it?" };

/** A course there that is no class here yet. */
export default async function CoursePage({ params }: { params: Promise<{ course: string }> }) {
  const { db, visitor, now } = await enter("see a course there");
  const course = await courseById(db, idFrom((await params).course) ?? -1);
  const system = course && (await systemById(db, course.system));
  if (!course || !system || system.school !== visitor.school) notFound();
  const classes = (await classesOf(db, visitor.id, now)).filter(({ school }) => school === system.school);
  return <CourseScreen course={{ id: course.id, title: course.title }} classes={classes} />;
}
