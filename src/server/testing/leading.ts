import type { LessonCommand } from "@/core/live/lesson";
import { POST as commandRoute } from "@/app/lead/[assignment]/command/route";
import type { Outcome } from "../web/act";
import type { Problem } from "../web/problem";
import { actAs } from "./as";
import { teacher } from "./child-at-work";

/** What a teacher's screen sends; as the person who is signed in. */
export async function command(assignment: number, asked: object): Promise<Outcome<unknown>> {
  const request = new Request("http://satchel.example/command", { method: "POST", body: JSON.stringify(asked) });
  const response = await commandRoute(request, { params: Promise.resolve({ assignment: String(assignment) }) });
  const said = (await response.json()) as Problem;
  return response.ok ? { ok: true, value: said } : { ok: false, ...said };
}

/** The same, as the teacher of the class. */
export const lead = (assignment: number, asked: LessonCommand): Promise<Outcome<unknown>> => {
  actAs(teacher());
  return command(assignment, asked);
};
