import { availability } from "@/core/assign/door";
import { answeredOf, answersNotice } from "@/core/live/answered";
import type { Disguise } from "@/core/question/disguise";
import type { Question, ResponseValue } from "@/core/question/question";
import { responseSchemas } from "@/core/question/schema";
import { allQuestions, type Document } from "@/core/resource/document";
import type { Db } from "@/data/engine/db";
import type { OwnAssignment } from "@/data/student/work";
import type { Visitor } from "../web/session";
import type { SentAnswer, Taken } from "./keep-answers";
import { disguiseFor, assignedDocument } from "./student-work";
import { writeTogether } from "./write-together";

/** What somebody was allowed to answer, as it was then. */
interface Allowed {
  visitor: Visitor;
  assigned: OwnAssignment;
  document: Document;
  questions: Map<string, { step: string; question: Question }>;
  disguised: Disguise;
}

const MOST_REMEMBERED = 3_000;
const allowed = new WeakMap<Db, Map<string, Allowed>>();
const nameOf = (session: string, assignment: number) => `${session} ${assignment}`;

/**
 * Remembers that the table of permissions has let somebody answer this. It is never believed alone: the statement that keeps an
 * answer asks again whether the session, the work and the try are as they were (workStamp), and where they are not, everything is
 * asked anew.
 */
export async function rememberAllowed(
  db: Db,
  session: string,
  visitor: Visitor,
  assigned: OwnAssignment,
): Promise<void> {
  const document = await assignedDocument(db, assigned);
  const remembered = allowed.get(db) ?? new Map<string, Allowed>();
  allowed.set(db, remembered);
  const name = nameOf(session, assigned.assignment);
  remembered.delete(name);
  remembered.set(name, {
    visitor,
    assigned,
    document,
    questions: new Map(allQuestions(document).map(({ step, question }) => [question.id, { step: step.id, question }])),
    disguised: await disguiseFor(db, assigned.recipient),
  });
  if (remembered.size > MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
}

/**
 * Keeps answers in the one statement in which those of a whole class are kept. Null where that is not enough, and nothing is kept
 * then: the first answer of a try, questions with a time, work that is closed, something that changed, an answer that cannot be read.
 */
export async function keepQuickly(
  db: Db,
  of: {
    session: string;
    assignment: number;
    recipient: number;
    number: number;
    items: readonly SentAnswer[];
    now: Date;
  },
): Promise<Taken | null> {
  const known = allowed.get(db)?.get(nameOf(of.session, of.assignment));
  if (!known || known.assigned.recipient !== of.recipient) return null;
  const { visitor, assigned, document, questions, disguised } = known;
  if (!availability(assigned, visitor.zone, of.now).open) return null;
  const items = [];
  for (const { key, question, value, age, after = [] } of of.items) {
    const asked = questions.get(question);
    if (!asked || asked.question.seconds !== undefined) return null;
    const read = responseSchemas[asked.question.type].safeParse(disguised.back(asked.question, value));
    if (!read.success) return null;
    items.push({
      key,
      step: asked.step,
      question,
      value: read.data as ResponseValue,
      age,
      after,
      asked: asked.question,
    });
  }
  const kept = await writeTogether(db, {
    session: of.session,
    student: visitor.id,
    recipient: of.recipient,
    stamp: assigned.stamp,
    number: of.number,
    at: of.now,
    items: items.map(({ asked: _asked, ...item }) => item),
    notice: answersNotice(of.assignment, {
      student: visitor.id,
      number: of.number,
      at: of.now.getTime(),
      answers: items.map(({ asked, value }) => answeredOf(asked, value, document.languages)),
    }),
  });
  if (!kept) {
    allowed.get(db)!.delete(nameOf(of.session, of.assignment));
    return null;
  }
  const shown = Object.entries(kept.newer).map(([id, value]) => [
    id,
    disguised.value(questions.get(id)!.question, value as ResponseValue),
  ]);
  return {
    kept: items.map(({ key }) => key),
    refused: [],
    outOfTime: [],
    late: false,
    newer: Object.fromEntries(shown),
  };
}
