"use server";
import { redirect } from "next/navigation";
import { z } from "zod";
import { doorOf } from "@/core/assign/door";
import { allQuestions } from "@/core/resource/document";
import { checkingOf, feedbackFor } from "@/core/resource/feedback";
import type { Question } from "@/core/resource/question";
import { responseSchemas } from "@/core/resource/schema/question";
import { withoutAnswers } from "@/core/resource/student-view";
import { mark, type Mark } from "@/core/scoring/mark";
import { wordSecret } from "@/core/roster/secret";
import { PicturePassword, pictureSecret } from "@/core/student/pictures";
import { readJoinCode } from "@/core/student/join-code";
import { allowedSeconds, secondsLeft, standing } from "@/core/resource/time-limit";
import { classByJoinCode, isEnrolled, studentsOf } from "@/data/classes";
import { credentialsBySignInName } from "@/data/people";
import * as work from "@/data/work";
import { act, Refused, type Caller } from "../act";
import { callerAddress } from "../client-address";
import { allowJoin, allowSignIn, forgetAttempts, forgetJoin } from "../limits";
import { After, writtenAt } from "../keep-answers";
import { disguiseFor, taskDocument } from "../student-work";
import { secretIsRight } from "../secrets";
import { signIn } from "../session";

const Id = z.number().int().positive();
const waitABit = (minutes: number) =>
  new Refused(`That was too many tries. Wait ${minutes} minutes, or ask your teacher.`);

/** Where a student goes who has come in: to the piece of work a link led to, else home. */
const home = (to: number | null) => (to === null ? "/student" : `/student/${to}`);

export const signInWithPictures = act(
  "sign in",
  z.object({ name: z.string().max(80), pictures: PicturePassword, to: Id.nullable().default(null) }),
  async ({ db }, given) => {
    const address = await callerAddress();
    const allowed = await allowSignIn(given.name, address);
    if (!allowed.allowed) throw waitABit(allowed.minutes);
    const found = await credentialsBySignInName(db, given.name);
    if (!(await secretIsRight(found?.hash, pictureSecret(given.pictures)))) {
      throw new Refused("The name and the pictures do not fit together. Try again, or ask your teacher.");
    }
    await forgetAttempts(given.name, address);
    await signIn(found!.id, "student", null);
    redirect(home(given.to));
  },
);

export const signInWithWords = act(
  "sign in",
  z.object({ name: z.string().max(80), words: z.string().max(80), to: Id.nullable().default(null) }),
  async ({ db }, given) => {
    const address = await callerAddress();
    const allowed = await allowSignIn(given.name, address);
    if (!allowed.allowed) throw waitABit(allowed.minutes);
    const found = await credentialsBySignInName(db, given.name);
    if (!(await secretIsRight(found?.hash, wordSecret(given.words)))) {
      throw new Refused("The name and the words do not fit together. Try again, or ask your teacher.");
    }
    await forgetAttempts(given.name, address);
    await signIn(found!.id, "student", null);
    redirect(home(given.to));
  },
);

/** The names to choose from after a join code: given name and the first letter of the family name, no more. */
export const readCode = act("sign in", z.object({ code: z.string().max(40) }), async ({ db, now }, given) => {
  const address = await callerAddress();
  const allowed = await allowJoin(address);
  if (!allowed.allowed) throw waitABit(allowed.minutes);
  const group = await classByJoinCode(db, readJoinCode(given.code), now);
  if (!group) throw new Refused("This code does not open a class now. Look at the board again, or ask for a new one.");
  await forgetJoin(address);
  const students = await studentsOf(db, group.id);
  return {
    class: group.name,
    students: students.map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName[0]}.` })),
  };
});

export const joinClass = act(
  "sign in",
  z.object({ code: z.string().max(40), student: Id, to: Id.nullable().default(null) }),
  async ({ db, now }, given) => {
    const address = await callerAddress();
    const allowed = await allowJoin(address);
    if (!allowed.allowed) throw waitABit(allowed.minutes);
    const group = await classByJoinCode(db, readJoinCode(given.code), now);
    if (!group || !(await isEnrolled(db, given.student, group.id)))
      throw new Refused("The code has run out. Ask your teacher for a new one.");
    await forgetJoin(address);
    await signIn(given.student, "student", group.id);
    redirect(home(given.to));
  },
);

/** The student's task, begun; permission has been asked already. */
async function openTask({ db, visitor, now }: Caller, assignment: number): Promise<work.Task> {
  const task = (await work.taskOf(db, visitor.id, assignment, visitor.joinedClass))!;
  const door = doorOf(task, visitor.zone, now);
  if (!door.open)
    throw new Refused(
      door.why === "later"
        ? "This has not begun yet."
        : door.why === "closed"
          ? "This is closed. What you answered is kept."
          : door.why === "waits"
            ? `First hand in ${task.waitsFor}.`
            : "This is not open today. What you answered is kept.",
    );
  return task;
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
  (given) => ({ assignment: given.assignment }),
  async (caller, given): Promise<{ mark: Mark; feedback: Question["feedback"] }> => {
    const { db, now } = caller;
    const task = await openTask(caller, given.assignment);
    const document = await taskDocument(db, task);
    const found = allQuestions(document).find(({ question }) => question.id === given.question);
    if (!found || checkingOf(found.question.checked, task.checking) !== "at once")
      throw new Refused("This is not checked now.");
    const disguised = await disguiseFor(db, task.recipient);
    const value = responseSchemas[found.question.type].safeParse(disguised.back(found.question, given.value));
    if (!value.success) throw new Refused("This answer could not be read.");
    await db.transaction(async (tx) => {
      const attempt = await work.openAttempt(tx, task, now);
      const begun = attempt ? await work.questionsBegun(tx, attempt.id) : new Map<string, Date>();
      const stands = standing(found.question, { factor: task.factor, begun, now });
      if (stands === "not begun") throw new Refused("Begin this question first.");
      if (stands === "late")
        throw new Refused("The time for this question is over. What you answered in time is kept.");
      if (!attempt) throw new Refused("This has been handed in already.");
      const one = {
        key: given.key,
        step: found.step.id,
        question: given.question,
        value: value.data,
        checked: true,
        late: false,
        written: writtenAt(given.age, attempt, now, await work.writtenOf(tx, attempt.id, given.after), given.after),
      };
      if (!(await work.addResponses(tx, attempt.id, [one], now))) throw new Refused("This has been handed in already.");
      await work.announceWork(tx, task.assignment);
    });
    const result = mark(found.question, value.data, document.languages[0]);
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
  (given) => ({ assignment: given.assignment }),
  async (caller, given): Promise<{ question: Question; left: number }> => {
    const { db, now } = caller;
    const task = await openTask(caller, given.assignment);
    const document = await taskDocument(db, task);
    const found = allQuestions(document).find(({ question }) => question.id === given.question);
    const seconds = found && allowedSeconds(found.question, task.factor);
    if (!found || !seconds) throw new Refused("This question has no time.");
    const begun = await db.transaction(async (tx) => {
      const attempt = await work.openAttempt(tx, task, now);
      if (!attempt) throw new Refused("This has been handed in already.");
      return work.beginQuestion(tx, attempt.id, given.question, now);
    });
    await work.announceWork(db, task.assignment);
    const disguised = await disguiseFor(db, task.recipient);
    return { question: withoutAnswers(disguised.question(found.question)), left: secondsLeft(seconds, begun, now) };
  },
);

export const handIn = act(
  "do assignment",
  z.object({ assignment: Id }),
  (given) => ({ assignment: given.assignment }),
  async (caller, given) => {
    const { db, now } = caller;
    const task = await openTask(caller, given.assignment);
    const attempts = await work.attemptsOf(db, task.recipient);
    await db.transaction(async (tx) => {
      // What only is to be read has nothing that begins a try: handing it in does.
      const open = attempts.length === 0 ? await work.openAttempt(tx, task, now) : attempts.at(-1);
      if (!open || open.handedIn) return;
      await work.handIn(tx, open.id, now);
      await work.announceWork(tx, task.assignment);
    });
    return {};
  },
);

/** Begins another try, where one is left. */
export const tryAgain = act(
  "do assignment",
  z.object({ assignment: Id }),
  (given) => ({ assignment: given.assignment }),
  async (caller, given) => {
    const { db, now } = caller;
    const task = await openTask(caller, given.assignment);
    const attempt = await db.transaction((tx) => work.openAttempt(tx, task, now));
    if (!attempt) throw new Refused("All your tries are used.");
    return {};
  },
);
