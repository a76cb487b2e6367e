"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { linkCourseToClass } from "@/screens/acts/lti";
import { Button } from "@/ui/button";
import { Empty } from "@/ui/empty";
import { Notice } from "@/ui/notice";
import { useOnce } from "../use-once";

/** She says once which of her classes a course there is. */
export function CourseScreen({
  course,
  classes,
}: {
  course: { id: number; title: string };
  classes: readonly { id: number; name: string }[];
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, once] = useOnce();
  const link = (id: number) =>
    once(async () => {
      const outcome = await linkCourseToClass({ course: course.id, class: id });
      if (outcome.ok) router.push(`/hand-over/${id}`);
      else setProblem(outcome.problem);
    });
  if (classes.length === 0)
    return (
      <main className="grid min-h-dvh place-items-center">
        <Empty title="You have no class here yet">
          <p>Ask the school office.</p>
        </Empty>
      </main>
    );
  return (
    <main className="mx-auto grid min-h-dvh max-w-xl content-center gap-4 px-6">
      <h1 className="font-serif text-[26px]">Which of your classes is the course “{course.title}”?</h1>
      <p>We ask only once. Marks go to this course, and you can send your plan to it.</p>
      {problem && <Notice tone="warning">{problem}</Notice>}
      <ul className="grid gap-2">
        {classes.map(({ id, name }) => (
          <li key={id}>
            <Button disabled={busy} onClick={() => void link(id)}>
              {name}
            </Button>
          </li>
        ))}
      </ul>
    </main>
  );
}
