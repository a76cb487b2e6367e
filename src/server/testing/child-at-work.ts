import { plainForm } from "@/core/assign/plain-form";
import type { AssignForm } from "@/core/assign/form";
import { allQuestions } from "@/core/resource/document";
import { POST as sendResponses } from "@/app/student/[assignment]/responses/route";
import type { Db } from "@/data/engine/db";
import { freshDatabase } from "@/data/testing/database";
import { lesson, publishFor, smallWorld, type World } from "@/data/testing/world";
import { ownAssignment } from "@/data/student/work";
import { workOf } from "@/data/results/work-of-class";
import { assignResources } from "../assign/assign-actions";
import { checkAnswer } from "../student/student-actions";
import { disguiseFor } from "../student/student-work";
import { actAs, answerFrom, value, visitorOf } from "./as";

/** The small world with a lesson of one choice (right: "a") to give, and what a child and a teacher do with it. */
export const document = lesson("Tides");
export const { question } = allQuestions(document)[0]!;

export let db: Db;
export let world: World;
export async function openSchool(): Promise<void> {
  db = await freshDatabase();
  world = await smallWorld(db);
  answerFrom(db);
}

export const teacher = () => visitorOf({ id: world.ines, district: world.district, school: world.here });
export const child = (at = 0) =>
  visitorOf({ id: world.students[at]!, district: world.district, school: world.here }, { kind: "student", roles: [] });
export const later = (hours: number) => new Date(Date.now() + hours * 3_600_000).toISOString().slice(0, 16);

export const formFor = (resource: number, students = world.students): AssignForm =>
  plainForm(
    { resources: [resource], to: [{ class: world.class, students }] },
    { opens: { kind: "now" }, due: { kind: "at", at: later(48) } },
  );

/** Gives the lesson, or another, to the class now; the first child is the one who asks from then on. */
export async function newAssignment(more: object = {}, lessonAssigned = document): Promise<number> {
  actAs(teacher());
  const { id } = await publishFor(db, world.ines, lessonAssigned);
  const { assignments } = value(await assignResources({ ...formFor(id), ...more }));
  actAs(child());
  return assignments[0]!;
}

/** Under which name a child is shown one of the options "a" and "b". */
export const seenAs = async (assignment: number, answer: string, at = 0): Promise<string> => {
  const assigned = await ownAssignment(db, world.students[at]!, assignment, null);
  return (await disguiseFor(db, assigned?.recipient ?? 0)).value(question, answer) as string;
};
export const check = async (assignment: number, answer: string, key = `key-${Math.random()}`) =>
  checkAnswer({ assignment, question: question.id, key, value: await seenAs(assignment, answer) });

/** What a device sends: an answer to the one question, written this many seconds ago. */
export async function send(
  assignment: number,
  answer: string,
  more: { ago?: number; recipient?: number; number?: number; key?: string; after?: string[] } = {},
) {
  const [own] = await db.query<{ id: number }>(
    "select id from recipient where assignment_id = $1 and student_id = $2",
    [assignment, world.students[0]],
  );
  const items = [
    {
      key: more.key ?? `key-${Math.random()}`,
      question: question.id,
      value: await seenAs(assignment, answer),
      age: (more.ago ?? 0) * 1000,
      after: more.after ?? [],
    },
  ];
  const request = new Request(`http://satchel.example/student/${assignment}/responses`, {
    method: "POST",
    headers: { "content-type": "application/json", "sec-fetch-site": "same-origin" },
    body: JSON.stringify({ recipient: more.recipient ?? own!.id, number: more.number ?? 1, items }),
  });
  const response = await sendResponses(request, { params: Promise.resolve({ assignment: String(assignment) }) });
  const said = (await response.json()) as {
    kept: string[];
    refused: string[];
    late: boolean;
    newer: object;
    why: string;
  };
  return { status: response.status, ...said };
}

/** As if the try had been begun this long ago. */
export const startedAgo = (assignment: number, seconds: number) =>
  db.query(
    `update attempt set started = now() - make_interval(secs => $2)
      where recipient_id in (select id from recipient where assignment_id = $1)`,
    [assignment, seconds],
  );
/** Which option counts. */
export const stands = async (assignment: number) =>
  (await workOf(db, assignment))[0]!.tries[0]!.responses.filter(({ late }) => !late).at(-1)?.value;
