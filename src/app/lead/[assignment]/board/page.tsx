import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idFrom } from "@/core/ids";
import { titleOf } from "@/core/resource/document";
import { studentDocument } from "@/core/resource/student-view";
import { joinCodeOf } from "@/data/classes/classes";
import { assignmentById } from "@/data/assign/assignments";
import { LessonBoard } from "@/screens/live/board-screen";
import { ledDocument } from "@/server/live/room";
import { baseAddress } from "@/server/web/base-address";
import { enter } from "@/server/web/page";

export const metadata: Metadata = { title: "Board" };

/** The window for the projector. Answers and notes do not leave the server for it. */
export default async function LessonBoardPage({
  params,
  searchParams,
}: {
  params: Promise<{ assignment: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const id = idFrom((await params).assignment) ?? -1;
  const { db, now } = await enter("lead a lesson", { assignment: id });
  const assignment = (await assignmentById(db, id))!;
  const document = await ledDocument(db, assignment);
  if (!document) notFound();
  return (
    <LessonBoard
      assignment={id}
      title={titleOf(document)}
      document={studentDocument(document)}
      code={await joinCodeOf(db, assignment.class, now)}
      joinLink={`${await baseAddress()}/join`}
      asStudent={(await searchParams).as === "student"}
    />
  );
}
