import { z } from "zod";
import { availability, takesLate } from "@/core/assign/door";
import { answeredOf, answersNotice } from "@/core/live/answered";
import { allQuestions } from "@/core/resource/document";
import type { ResponseValue } from "@/core/question/question";
import { responseSchemas } from "@/core/question/schema";
import { standing } from "@/core/resource/time-limit";
import { questionsSentBack } from "@/core/review/piece";
import { lastResponses } from "@/core/results/table";
import type { Db, Queryable } from "@/data/engine/db";
import { piecesBy } from "@/data/review/pieces";
import {
  addResponses,
  announceAnswers,
  announceWork,
  attemptsOf,
  openAttempt,
  questionsBegun,
  lastResponsesOf,
  writtenOf,
  type Attempt,
  type SentResponse,
  type OwnAssignment,
} from "@/data/student/work";
import { log } from "../web/log";
import { fromBefore } from "./by-code";
import { disguiseFor, assignedDocument } from "./student-work";

/** Keys of answers to the same question that left the same page before. */
export const After = z.array(z.string().max(60)).max(10).default([]);

/** An answer as a device sends it. `age`: milliseconds since it was written, by the device's own clock. */
export interface SentAnswer {
  key: string;
  question: string;
  value?: unknown;
  age: number;
  after?: readonly string[];
  /** The student asked whether it is right: it counts as a try at the question. */
  checked?: boolean;
}

/** Why answers are not taken. What was written stays on the device. */
export type NotTaken = { why: "not open" | "handed in"; problem: string };

export interface Taken {
  kept: string[];
  /** These can never be kept: the queue is not to send them for ever. */
  refused: string[];
  /** Came when the time of their question was over: kept aside too. */
  outOfTime: string[];
  /** It was over: they are kept aside, and count only if the teacher says so. */
  late: boolean;
  /** What counts where something was written later elsewhere. */
  newer: Record<string, ResponseValue>;
}

/** Invalid text, number, date …: the value's fault (SQLSTATE class 22), and not the database's. */
const isDataFault = (error: unknown) => /^22/.test((error as { code?: string }).code ?? "");

/** Keeps what a device sends. Each answer is settled by itself: one that cannot be kept keeps none of the others back. */
export async function keepAnswers(
  db: Db,
  of: {
    student: number;
    assigned: OwnAssignment;
    zone: string;
    now: Date;
    number: number | null;
    items: readonly SentAnswer[];
    /** When the child came in by the class's code; null: by her own card. */
    joinedAt?: Date | null;
  },
): Promise<Taken | NotTaken> {
  const { assigned, zone, now, items } = of;
  const door = availability(assigned, zone, now);
  // What the teacher has sent back is corrected in the try that was handed in, whatever the door says.
  const corrected = await tryToCorrect(db, of);
  if (!door.open && !corrected && !takesLate(assigned, zone, now))
    return {
      why: "not open",
      problem: assigned.opens > now ? "This has not started yet." : "This is closed. What you answered before is kept.",
    };
  const document = await assignedDocument(db, assigned);
  const questions = new Map(allQuestions(document).map((found) => [found.question.id, found]));
  const disguised = await disguiseFor(db, assigned.recipient);
  const read = items.flatMap(({ key, question, value, age, after = [], checked = false }) => {
    const found = questions.get(question);
    const parsed = found && responseSchemas[found.question.type].safeParse(disguised.back(found.question, value));
    return found && parsed?.success
      ? [{ key, step: found.step.id, value: parsed.data, asked: found.question, age, after, checked }]
      : [];
  });

  /** Keeps these, all or none; null where there is no try to keep them in. */
  const keep = (some: typeof read) =>
    db.transaction(async (tx): Promise<{ attempt: Attempt; kept: SentResponse[] } | null> => {
      // Late answers go to a try that was begun in time; none is begun behind a closed door.
      const attempt =
        corrected ??
        (door.open
          ? await openAttempt(tx, assigned, now, of.number)
          : (await attemptsOf(tx, assigned.recipient)).find((one) => !one.handedIn));
      if (!attempt || (of.number !== null && attempt.number !== of.number)) return null;
      const begun = await questionsBegun(tx, attempt.id);
      const earlier = await writtenOf(
        tx,
        attempt.id,
        some.flatMap(({ after }) => after),
      );
      // Nobody can have answered what was never opened; what comes after its time is kept and does not count.
      const kept = some.flatMap(({ asked, age, after, ...one }): SentResponse[] => {
        const stands = corrected ? "in time" : standing(asked, { factor: assigned.factor, begun, now });
        return stands === "not begun"
          ? []
          : [
              {
                ...one,
                question: asked.id,
                late: stands === "late" || (!door.open && !corrected),
                written: writtenAt(age, attempt, now, earlier, after),
              },
            ];
      });
      return (await addResponses(tx, attempt.id, kept, now, corrected !== null)) ? { attempt, kept } : null;
    });

  const kept: SentResponse[] = [];
  let attempt: Attempt | null = null;
  const batches = await keep(read)
    .then((done) => [done])
    .catch(async (error) => {
      if (!isDataFault(error)) throw error;
      log.warn({ error: (error as Error).message }, "one answer of several cannot be kept");
      const each = [];
      for (const one of read)
        each.push(
          await keep([one]).catch((fault) => {
            if (!isDataFault(fault)) throw fault;
            return undefined;
          }),
        );
      return each;
    });
  for (const done of batches) {
    if (done === null) return { why: "handed in", problem: "This has been handed in already." };
    attempt = done?.attempt ?? attempt;
    kept.push(...(done?.kept ?? []));
  }
  if (attempt && door.open && !corrected)
    await announceAnswers(
      db,
      answersNotice(assigned.assignment, {
        student: of.student,
        number: attempt.number,
        at: now.getTime(),
        answers: kept.flatMap(({ question, value, late }) =>
          late ? [] : [answeredOf(questions.get(question)!.question, value as ResponseValue, document.languages)],
        ),
      }),
    );
  else await announceWork(db, assigned.assignment, of.student);
  const shown = (values: Record<string, ResponseValue>) =>
    Object.fromEntries(
      Object.entries(values).map(([id, value]) => [id, disguised.value(questions.get(id)!.question, value)]),
    );
  const keys = new Set(kept.map(({ key }) => key));
  return {
    kept: [...keys],
    refused: items.filter(({ key }) => !keys.has(key)).map(({ key }) => key),
    outOfTime: kept.filter(({ late }) => late).map(({ key }) => key),
    late: !door.open && !corrected,
    newer: attempt && (door.open || corrected) ? shown(await newerThan(db, attempt.id, kept)) : {},
  };
}

/** The try that was handed in and in which all of these answers correct what the teacher has sent back; null: there is none. */
async function tryToCorrect(
  db: Db,
  { assigned, number, items, joinedAt = null }: Parameters<typeof keepAnswers>[1],
): Promise<Attempt | null> {
  const last = (await attemptsOf(db, assigned.recipient)).at(-1);
  if (!last?.handedIn || last.number !== number || fromBefore({ joinedAt }, last)) return null;
  const open = new Set(questionsSentBack(await piecesBy(db, assigned.recipient)));
  return items.every(({ question }) => open.has(question)) ? last : null;
}

/** What counts of a try that is open, as the student sees it; nothing where there is no such try. */
export async function openValues(
  db: Db,
  assigned: OwnAssignment,
  number: number,
): Promise<Record<string, ResponseValue>> {
  const attempt = (await attemptsOf(db, assigned.recipient)).find((one) => !one.handedIn && one.number === number);
  if (!attempt) return {};
  const values = lastResponses(await lastResponsesOf(db, [attempt.id]));
  const disguised = await disguiseFor(db, assigned.recipient);
  return Object.fromEntries(
    allQuestions(await assignedDocument(db, assigned)).flatMap(({ question }) => {
      const found = values.get(question.id);
      return found ? [[question.id, disguised.value(question, found.value as ResponseValue)]] : [];
    }),
  );
}

/**
 * The moment on the server's clock at which an answer of this age was written: within the try, and not to come; and after those that
 * left the same page before it, for a slow way to the server makes an answer seem younger than it is.
 */
export function writtenAt(
  age: number,
  attempt: Pick<Attempt, "started">,
  now: Date,
  earlier: ReadonlyMap<string, Date>,
  after: readonly string[],
): Date {
  const byAge = Math.min(now.getTime(), Math.max(attempt.started.getTime(), now.getTime() - age));
  return new Date(Math.max(byAge, ...after.map((key) => (earlier.get(key)?.getTime() ?? 0) + 1)));
}

/** Of the questions just answered, those to which something written later stands. */
async function newerThan(
  db: Queryable,
  attempt: number,
  kept: readonly SentResponse[],
): Promise<Record<string, ResponseValue>> {
  const last = lastResponses(await lastResponsesOf(db, [attempt]));
  return Object.fromEntries(
    kept.flatMap(({ question, key, late }) => {
      const stands = last.get(question);
      return !late && stands && stands.key !== key && !kept.some((one) => one.key === stands.key)
        ? [[question, stands.value as ResponseValue]]
        : [];
    }),
  );
}
