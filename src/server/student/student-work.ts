import { createHmac } from "node:crypto";
import { availability } from "@/core/assign/door";
import { partOf } from "@/core/plan/parts";
import { disguise, type Disguise } from "@/core/question/disguise";
import { readByPerson } from "@/core/question/mark";
import { allQuestions, withQuestions, type Document } from "@/core/resource/document";
import { checkingOf, feedbackFor, marksAreOpen } from "@/core/question/feedback";
import type { Question, ResponseValue } from "@/core/question/question";
import { withWork } from "@/core/resource/work";
import { studentDocument } from "@/core/resource/student-view";
import { veiled } from "@/core/question/without-answers";
import { corrected, isVoided } from "@/core/results/correction";
import { lastResponses } from "@/core/results/table";
import { mark, type Mark } from "@/core/question/mark";
import { formatResponse } from "@/core/question/format";
import { readResponse } from "@/core/question/read-response";
import { timeLimits, type TimeLimit } from "@/core/resource/time-limit";
import type { Db, Queryable } from "@/data/engine/db";
import { installationKey } from "@/data/engine/installation";
import { readRevision } from "@/data/engine/read-once";
import {
  attemptsOf,
  dueForAll,
  questionsBegun,
  lastResponsesOf,
  ownAssignment,
  type Attempt,
  type OwnAssignment,
} from "@/data/student/work";
import { correctionsOf } from "@/data/results/corrections";
import { ownMarks } from "../marking/own-marks";
import { keptOf } from "@/data/keep/consent";
import { pagesSharedBy } from "@/data/live/shared-pages";
import { mineOf } from "@/data/portfolio/pieces";
import { fromBefore, seenByCode } from "./by-code";
import { ownReview, type OwnReview } from "../review/own-review";
import type { Visitor } from "../web/session";

/** What a student was given: the revision, or the part of it, as the class does it. */
export async function assignedDocument(
  db: Queryable,
  assigned: Pick<OwnAssignment, "revision" | "steps" | "stepWork">,
): Promise<Document> {
  return withWork(partOf((await readRevision(db, assigned.revision))!.document, assigned.steps), assigned.stepWork);
}

/** How what a student, or those who share a page, choose from is named to them: see core/question/disguise.ts. */
export async function disguiseFor(db: Queryable, recipient: number | `page ${string}`): Promise<Disguise> {
  const key = await installationKey(db, "disguise");
  return disguise((question, list, id) =>
    createHmac("sha256", key).update(`${recipient} ${question} ${list} ${id}`).digest("hex").slice(0, 12),
  );
}

/** What a student's page shows: never an answer, and marks only where they may be seen. */
export interface StudentWorkData {
  assigned: OwnAssignment;
  document: Document;
  attempt: Attempt | null;
  values: Record<string, ResponseValue>;
  /** Handed in before she came in by the class's code: what was answered, and how it went, her own card opens. */
  hidden: boolean;
  /** Where they may be seen by now; null while the try is open and nothing of it was checked. */
  marks: Record<string, Mark> | null;
  /** When marks that wait until it was due for everybody are to be seen; null when none wait. */
  marksFrom: Date | null;
  /** Questions that have a time, while the try is open. */
  limits: Record<string, TimeLimit>;
  /** Questions that may be checked while working. */
  mayCheck: string[];
  triesLeft: boolean;
  /** What is looked at or shown of it; null where nothing is. */
  review: OwnReview | null;
  /** Steps of which she has shared a page with others in the last lesson. */
  sharedPages: string[];
  /** Whether she has chosen it as hers to keep. */
  mine: boolean;
  /** What her school may keep of her. */
  kept: { voice: boolean; picture: boolean };
  /** Handed in and put away: it stays between the child and the teacher. */
  putAway: boolean;
}

const withDisguise = (document: Document, { question }: Disguise): Document => ({
  ...document,
  steps: document.steps.map((step) => withQuestions(step, question)),
});

/** What a question with a time asks stays here until the student begins it. */
const unopened = (document: Document, limits: StudentWorkData["limits"]): Document => ({
  ...document,
  steps: document.steps.map((step) =>
    withQuestions(step, (question) => (limits[question.id]?.left === null ? veiled(question) : question)),
  ),
});

/** What is written about answers, where it may be seen by now. */
const withFeedback = (document: Document, told: ReadonlyMap<string, Question["feedback"]>): Document => ({
  ...document,
  steps: document.steps.map((step) =>
    withQuestions(step, (question) => {
      const feedback = told.get(question.id);
      return feedback ? { ...question, feedback } : question;
    }),
  ),
});

export async function studentWork(
  db: Db,
  visitor: Visitor,
  assignment: number,
  now: Date,
): Promise<StudentWorkData | null> {
  const assigned = await ownAssignment(db, visitor.id, assignment, visitor.joinedClass);
  if (!assigned || !seenByCode(visitor, assigned, now)) return null;
  const attempts = await attemptsOf(db, assigned.recipient);
  const attempt = attempts.at(-1) ?? null;
  const open = availability(assigned, visitor.zone, now).open;
  // What was handed in can be looked at again at any time; what was not, only while the door is open.
  if (!open && !attempt?.handedIn) return null;
  const putAway = Boolean(assigned.sharing?.putAway && attempt?.handedIn);
  const hidden = putAway || (attempt !== null && fromBefore(visitor, attempt));
  const working = attempt !== null && !attempt.handedIn;
  // None of these depends on another. Asked one after another, each would wait in the database’s queue again.
  const [document, responses, begun, disguised, corrections, review, sharedPages, kept, mine] = await Promise.all([
    assignedDocument(db, assigned),
    attempt && !hidden ? lastResponsesOf(db, [attempt.id]) : [],
    working ? questionsBegun(db, attempt.id) : new Map<string, Date>(),
    disguiseFor(db, assigned.recipient),
    correctionsOf(db, assignment),
    hidden ? null : ownReview(db, assigned, now),
    putAway ? [] : pagesSharedBy(db, assignment, visitor.id),
    keptOf(db, visitor.id),
    mineOf(db, visitor.id),
  ]);
  const values = Object.fromEntries(
    [...lastResponses(responses).values()].map(({ question, value }) => [question, value as ResponseValue]),
  );
  const limits = attempt?.handedIn ? {} : timeLimits(document, { factor: assigned.factor, begun, now });
  const questions = allQuestions(document).map(({ question }) => question);
  const asSeen = Object.fromEntries(
    questions.flatMap((question) =>
      values[question.id] === undefined ? [] : [[question.id, disguised.value(question, values[question.id]!)]],
    ),
  );
  const checked = new Set([...lastResponses(responses).values()].flatMap((one) => (one.checked ? [one.question] : [])));
  const waits = questions.some((question) => checkingOf(question.checked, assigned.checking) === "after due");
  const allDue = waits ? await dueForAll(db, assigned.assignment) : assigned.due;
  const handedIn = Boolean(attempt?.handedIn);
  const isOpen = (question: Question) =>
    // A question that no rule can mark is never checked; what a person gave is seen as the assignment says.
    marksAreOpen(readByPerson(question.type) ? assigned.checking : checkingOf(question.checked, assigned.checking), {
      checked: checked.has(question.id),
      ...{ handedIn, allDue, now },
    });
  // Writing is never marked by rule; that a person reads it may always be said.
  const shown = questions.filter((question) => (readByPerson(question.type) ? handedIn : isOpen(question)));
  const byPerson =
    handedIn && !hidden && shown.some(({ type }) => readByPerson(type))
      ? await ownMarks(db, { assignment, student: visitor.id, number: attempt!.number })
      : new Map<string, Mark>();
  const seen = hidden
    ? []
    : // What was left out says nothing of the child any more.
      shown
        .filter(({ id }) => !isVoided(corrections[id]))
        .map((question) => {
          const value = readResponse(question, values[question.id]);
          const said = formatResponse(question, value, document.languages);
          const read = isOpen(question) ? byPerson.get(question.id) : undefined;
          const marked = read ?? mark(question, value, document.languages[0]);
          return { question, found: corrected(marked, said, corrections[question.id]) };
        });
  const told = new Map(seen.map(({ question, found }) => [question.id, feedbackFor(question, found.verdict)]));
  return {
    assigned,
    document: putAway
      ? { ...studentDocument(document), steps: [] }
      : withFeedback(unopened(studentDocument(withDisguise(document, disguised)), limits), told),
    attempt,
    values: asSeen,
    limits,
    hidden,
    marks:
      attempt && !hidden && (handedIn || seen.length > 0)
        ? Object.fromEntries(seen.map(({ question, found }) => [question.id, disguised.mark(question, found)]))
        : null,
    marksFrom: handedIn && waits && now < allDue ? allDue : null,
    mayCheck: questions
      .filter((question) => checkingOf(question.checked, assigned.checking) === "at once")
      .map((question) => question.id),
    review,
    putAway,
    sharedPages,
    kept,
    mine: mine.includes(assigned.assignment),
    triesLeft: open && (assigned.tries === null || attempts.length < assigned.tries),
  };
}
