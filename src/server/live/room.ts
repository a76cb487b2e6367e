import { answeredOf } from "@/core/live/answered";
import { roomAfter, type Seated } from "@/core/live/room";
import { readResponse } from "@/core/question/read-response";
import { withWork } from "@/core/resource/work";
import { allQuestions, type Document } from "@/core/resource/document";
import { partOf } from "@/core/plan/parts";
import { badgeNumber } from "@/core/student/badge";
import { rowsOfPairs } from "@/core/roster/seating";
import type { Assignment } from "@/data/assign/assignments";
import { recipientsOf, type Recipient } from "@/data/assign/recipients";
import { seatsOf } from "@/data/classes/groups";
import { readRevision } from "@/data/engine/read-once";
import type { Queryable } from "@/data/engine/db";
import { answersSoFar, handedInOf } from "@/data/live/answers-so-far";
import { openedLesson, quickAnswersOf } from "@/data/live/lessons";
import { placesIn } from "@/data/live/places";

/** What most of those who have the work have: what the teacher leads. Undefined: nobody has it. */
export async function ledDocument(
  db: Queryable,
  assignment: Pick<Assignment, "id" | "stepWork">,
): Promise<Document | undefined> {
  const [most] = await db.query<{ revision: number; steps: string[] | null }>(
    `select r.revision_id revision, a.step_ids steps from recipient r join assignment a on a.id = r.assignment_id
      where a.id = $1 group by 1, 2 order by count(*) desc, 1 limit 1`,
    [assignment.id],
  );
  const read = most && (await readRevision(db, most.revision));
  return read && withWork(partOf(read.document, most.steps), assignment.stepWork);
}

/** Everybody who has the work, on the seating plan; who has no desk yet sits behind the others. */
async function seated(
  db: Queryable,
  assignment: Pick<Assignment, "id" | "class">,
): Promise<(Recipient & Pick<Seated, "seat">)[]> {
  const recipients = await recipientsOf(db, assignment.id);
  const seats = new Map((await seatsOf(db, assignment.class)).map(({ student, x, y }) => [student, { x, y }]));
  const standing = recipients.filter(({ student }) => !seats.has(student)).map(({ student }) => student);
  const behind = seats.size === 0 ? 0 : 1 + Math.max(...[...seats.values()].map(({ y }) => y));
  for (const { student, x, y } of rowsOfPairs(standing)) seats.set(student, { x, y: y + behind });
  return recipients.map((one) => ({ ...one, seat: seats.get(one.student) ?? null }));
}

/** Where everybody is and what each has answered, as of now: what the notices that come after it are added to. */
export async function roomOf(db: Queryable, assignment: Pick<Assignment, "id" | "class">): Promise<Seated[]> {
  const people = await seated(db, assignment);
  const { places, visits } = await placesIn(db, assignment.id);
  const placed = new Map(places.map((place) => [place.student, place]));
  const handedIn = new Set(await handedInOf(db, assignment.id));
  const documents = new Map<number, Document>();
  for (const { revision } of people)
    if (!documents.has(revision)) documents.set(revision, (await readRevision(db, revision))!.document);
  let room = people.map(({ student, name, seat, badge }): Seated => {
    const place = placed.get(student);
    return {
      ...{ student, name, seat, badge: badgeNumber(student, badge), handedIn: handedIn.has(student), answers: {} },
      ...{ step: place?.step ?? null, since: place?.since?.getTime() ?? null },
      ...{ seen: place?.seen?.getTime() ?? null, asked: place?.asked?.getTime() ?? null },
      visits: Object.fromEntries(
        visits.flatMap((visit) => (visit.student === student ? [[visit.step, visit.came.getTime()]] : [])),
      ),
    };
  });
  const questions = new Map(
    [...documents].map(([revision, document]) => [
      revision,
      new Map(allQuestions(document).map(({ question }) => [question.id, question])),
    ]),
  );
  const revisionOf = new Map(people.map(({ student, revision }) => [student, revision]));
  const byStudent = new Map<number, Awaited<ReturnType<typeof answersSoFar>>>();
  for (const answer of await answersSoFar(db, assignment.id))
    byStudent.set(answer.student, [...(byStudent.get(answer.student) ?? []), answer]);
  room = room.map((one) => {
    const revision = revisionOf.get(one.student)!;
    const responses = byStudent.get(one.student) ?? [];
    return responses.reduce((so, { question: id, value, at }) => {
      const question = questions.get(revision)!.get(id);
      const read = question && readResponse(question, value);
      if (!question || read === undefined) return so;
      const answers = [answeredOf(question, read, documents.get(revision)!.languages)];
      return roomAfter([so], { kind: "answers", student: one.student, number: 0, at: at.getTime(), answers })[0]!;
    }, one);
  });
  const lesson = await openedLesson(db, assignment.id);
  for (const { question, student, value, at } of lesson ? await quickAnswersOf(db, lesson.id) : [])
    room = roomAfter(room, {
      ...{ kind: "answers", student, number: 0, at: at.getTime() },
      answers: [quickAnswered(question, value, lesson?.state.quick?.options ?? [])],
    });
  return room;
}

/** An answer to a question that was asked on the spot, as it is told. A choice is the place of the option, from 0. */
export function quickAnswered(question: string, value: unknown, options: readonly string[]) {
  const said =
    typeof value === "number" && options[value] !== undefined
      ? options[value]
      : typeof value === "string"
        ? value
        : "drawn";
  return {
    ...{ question, verdict: "to read" as const, said: said.slice(0, 140) },
    ...((typeof value === "number" || typeof value === "string") && { value: String(value).slice(0, 140) }),
  };
}
