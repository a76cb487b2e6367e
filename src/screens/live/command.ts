"use client";
import english from "@/messages/en.json";
import type { LessonCommand } from "@/core/live/lesson";
import type { Obeyed } from "@/server/live/obey";

type Pointed = { do: "point"; on: string | null; x: number; y: number };

/** Does something for all screens; what came of it, or why it was not done. */
export async function command(assignment: number, asked: LessonCommand | Pointed): Promise<Obeyed> {
  try {
    const response = await fetch(`/lead/${assignment}/command`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(asked),
    });
    return (await response.json()) as Obeyed;
  } catch {
    return { problem: english.problem.unreachable };
  }
}
