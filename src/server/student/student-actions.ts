"use server";
import { redirect } from "next/navigation";
import { z } from "zod";
import { availability } from "@/core/assign/door";
import { allQuestions } from "@/core/resource/document";
import { checkingOf, feedbackFor } from "@/core/question/feedback";
import type { Question } from "@/core/question/question";
import { responseSchemas } from "@/core/question/schema";
import { withoutAnswers } from "@/core/question/without-answers";
import { formatResponse } from "@/core/question/format";
import { mark, type Mark } from "@/core/question/mark";
import { corrected } from "@/core/results/correction";
import { badgeNumber } from "@/core/student/badge";
import { wordSecret } from "@/core/roster/secret";
import { PicturePassword, pictureSecret } from "@/core/student/pictures";
import { readJoinCode } from "@/core/student/join-code";
import { allowedSeconds, secondsLeft } from "@/core/resource/time-limit";
import { classByJoinCode, isEnrolled, studentsOf } from "@/data/classes/classes";
import { credentialsBySignInName } from "@/data/office/people";
import { correctionsOf } from "@/data/results/corrections";
import * as work from "@/data/student/work";
import { act, ActionError, type Caller } from "../web/act";
import { problemOf } from "../web/problem";
import { callerAddress } from "../web/client-address";
import { allowJoin, allowSignIn, forgetAttempts, forgetJoin } from "../web/limits";
import { After, keepAnswers } from "./keep-answers";
import { disguiseFor, assignedDocument } from "./student-work";
import { sendPieces } from "../review/send-pieces";
import { secretIsRight } from "../web/secrets";
import { signIn } from "../web/session";

const Id = z.number().int().positive();
const waitABit = (minutes: number) => new ActionError(problemOf("tooManyTries", { minutes }));

/** Where a student goes who has come in: to the piece of work a link led to, else home. */
const home = (to: number | null) => (to === null ? "/student" : `/student/${to}`);

export const signInWithPictures = act(
  "sign in",
  z.object({ name: z.string().max(80), pictures: PicturePassword, to: Id.nullable().default(null) }),
  async ({ db }, input) => {
    const address = await callerAddress();
    const allowed = await allowSignIn(input.name, address);
    if (!allowed.allowed) throw waitABit(allowed.minutes);
    const found = await credentialsBySignInName(db, input.name);
    if (!(await secretIsRight(found?.hash, pictureSecret(input.pictures)))) {
      throw new ActionError("picturesDoNotMatch");
    }
    await forgetAttempts(input.name, address);
    await signIn(found!.id, "student", null);
    redirect(home(input.to));
  },
);

export const signInWithWords = act(
  "sign in",
  z.object({ name: z.string().max(80), words: z.string().max(80), to: Id.nullable().default(null) }),
  async ({ db }, input) => {
    const address = await callerAddress();
    const allowed = await allowSignIn(input.name, address);
    if (!allowed.allowed) throw waitABit(allowed.minutes);
    const found = await credentialsBySignInName(db, input.name);
    if (!(await secretIsRight(found?.hash, wordSecret(input.words)))) {
      throw new ActionError("wordsDoNotMatch");
    }
    await forgetAttempts(input.name, address);
    await signIn(found!.id, "student", null);
    redirect(home(input.to));
  },
);

/** The names to choose from after a join code: given name and the first letter of the family name, no more. */
export const readCode = act("sign in", z.object({ code: z.string().max(40) }), async ({ db, now }, input) => {
  const address = await callerAddress();
  const allowed = await allowJoin(address);
  if (!allowed.allowed) throw waitABit(allowed.minutes);
  const group = await classByJoinCode(db, readJoinCode(input.code), now);
  if (!group) throw new ActionError("codeOpensNothing");
  await forgetJoin(address);
  const students = await studentsOf(db, group.id);
  return {
    class: group.name,
    students: students.map(({ id, givenName, familyName, badge }) => ({
      id,
      name: `${givenName} ${familyName[0]}.`,
      badge: badgeNumber(id, badge),
    })),
  };
});

export const joinClass = act(
  "sign in",
  z.object({ code: z.string().max(40), student: Id, to: Id.nullable().default(null) }),
  async ({ db, now }, input) => {
    const address = await callerAddress();
    const allowed = await allowJoin(address);
    if (!allowed.allowed) throw waitABit(allowed.minutes);
    const group = await classByJoinCode(db, readJoinCode(input.code), now);
    if (!group || !(await isEnrolled(db, input.student, group.id))) throw new ActionError("codeRanOut");
    await forgetJoin(address);
    await signIn(input.student, "student", group.id);
    redirect(home(input.to));
  },
);

/** The student's assignment, begun; permission has been asked already. */
async function openAssignment({ db, visitor, now }: Caller, assignment: number): Promise<work.OwnAssignment> {
  const assigned = (await work.ownAssignment(db, visitor.id, assignment, visitor.joinedClass))!;
  const door = availability(assigned, visitor.zone, now);
  if (!door.open)
    throw new ActionError(
      door.why === "later"
        ? problemOf("notStarted")
        : door.why === "closed"
          ? problemOf("closed")
          : door.why === "waits"
            ? problemOf("handInFirst", { title: assigned.waitsFor ?? "" })
            : problemOf("notToday"),
    );
  return assigned;
}

/** Keeps an answer and says whether it is right, where checking at once is allowed. */
export const checkAnswer = act(
  "do assignment",
  z.object({
    assignment: Id,
    question: z.string().max(40),
    key: z.string().min(8).max(60),
    value: z.unknown(),
    /** Milliseconds since it was written. */
    age: z
      .number()
      .min(0)
      .max(31 * 86_400_000)
      .default(0),
    after: After,
  }),
  (input) => ({ assignment: input.assignment }),
  async (caller, input): Promise<{ mark: Mark; feedback: Question["feedback"] }> => {
    const { db, now } = caller;
    const assigned = await openAssignment(caller, input.assignment);
    const document = await assignedDocument(db, assigned);
    const found = allQuestions(document).find(({ question }) => question.id === input.question);
    if (!found || checkingOf(found.question.checked, assigned.checking) !== "at once")
      throw new ActionError("notChecked");
    const disguised = await disguiseFor(db, assigned.recipient);
    const value = responseSchemas[found.question.type].safeParse(disguised.back(found.question, input.value));
    if (!value.success) throw new ActionError("unreadable");
    const taken = await keepAnswers(db, {
      ...{ student: caller.visitor.id, assigned, zone: caller.visitor.zone, now, number: null },
      items: [{ ...input, checked: true }],
    });
    if ("why" in taken) throw new ActionError("handedInAlready");
    if (taken.outOfTime.includes(input.key)) throw new ActionError("timeUp");
    if (taken.refused.length > 0) throw new ActionError("beginFirst");
    const corrections = await correctionsOf(db, input.assignment);
    const result = corrected(
      mark(found.question, value.data, document.languages[0]),
      formatResponse(found.question, value.data, document.languages),
      corrections[input.question],
    );
    return {
      mark: disguised.mark(found.question, result),
      feedback: feedbackFor(found.question, result.verdict),
    };
  },
);

/** Opens a question that has a time: from now on it runs. Opened before, elsewhere too, what is left is said. */
export const beginQuestion = act(
  "do assignment",
  z.object({ assignment: Id, question: z.string().max(40) }),
  (input) => ({ assignment: input.assignment }),
  async (caller, input): Promise<{ question: Question; left: number }> => {
    const { db, now } = caller;
    const assigned = await openAssignment(caller, input.assignment);
    const document = await assignedDocument(db, assigned);
    const found = allQuestions(document).find(({ question }) => question.id === input.question);
    const seconds = found && allowedSeconds(found.question, assigned.factor);
    if (!found || !seconds) throw new ActionError("noTimeLimit");
    const begun = await db.transaction(async (tx) => {
      const attempt = await work.openAttempt(tx, assigned, now);
      if (!attempt) throw new ActionError("handedInAlready");
      return work.beginQuestion(tx, attempt.id, input.question, now);
    });
    await work.announceWork(db, assigned.assignment, caller.visitor.id);
    const disguised = await disguiseFor(db, assigned.recipient);
    return { question: withoutAnswers(disguised.question(found.question)), left: secondsLeft(seconds, begun, now) };
  },
);

/** Hands in a try: the one that is open or, where a device remembered which, that one and no later one. */
export const handIn = act(
  "do assignment",
  z.object({ assignment: Id, number: Id.optional() }),
  (input) => ({ assignment: input.assignment }),
  async (caller, input) => {
    const { db, now } = caller;
    const assigned = await openAssignment(caller, input.assignment);
    const attempts = await work.attemptsOf(db, assigned.recipient);
    await db.transaction(async (tx) => {
      // What only is to be read has nothing that begins a try: handing it in does.
      const open = attempts.length === 0 ? await work.openAttempt(tx, assigned, now) : attempts.at(-1);
      if (!open || open.handedIn || open.number !== (input.number ?? open.number)) return;
      await work.handIn(tx, open.id, now);
      await sendPieces(tx, assigned, await assignedDocument(tx, assigned), open, null, now);
      await work.announceWork(tx, assigned.assignment, caller.visitor.id);
    });
    return {};
  },
);

/** Begins another try, where one is left. */
export const tryAgain = act(
  "do assignment",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async (caller, input) => {
    const { db, now } = caller;
    const assigned = await openAssignment(caller, input.assignment);
    const attempt = await db.transaction((tx) => work.openAttempt(tx, assigned, now));
    if (!attempt) throw new ActionError("noTriesLeft");
    return {};
  },
);
