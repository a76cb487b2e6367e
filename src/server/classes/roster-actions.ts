"use server";
import { randomInt } from "node:crypto";
import { z } from "zod";
import { changesNothing } from "@/core/roster/import-plan";
import { rosterFields } from "@/core/roster/read-roster";
import { newSecret, wordSecret, type LoginCard } from "@/core/roster/secret";
import { pictureSecret, type Picture } from "@/core/student/pictures";
import { classById, studentsOf } from "@/data/classes/classes";
import {
  addEnrolments,
  addStudentGoal,
  changeStudentGoal,
  applyImport,
  removeEnrolments,
  secretsOf,
  setSecrets,
  setSignInName,
  setStudentFacts,
} from "@/data/office/rosters";
import { isTaken } from "@/data/engine/db";
import { addEvent } from "@/data/engine/events";
import { GoalChange, NewGoal, SignInName, StudentFacts } from "@/core/roster/student-input";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { changeSchool } from "../office/change-school";
import type { PlanState } from "../plan/move-work";
import { planPasted, readPasted } from "./pasted-roster";
import { hashSecret } from "../web/secrets";
import { tellOfNewCards } from "../plan/tell-teachers";

const Id = z.number().int().positive();
const Pasted = z.object({
  class: Id,
  text: z.string().min(1, "Paste or type some names first.").max(1_000_000, "This is too long for a roster."),
  columns: z.array(z.enum(rosterFields).nullable()).max(60).nullable(),
});

/** How a pasted table was understood, line by line, and what bringing it in would do. Changes nothing. */
export const lookAtPasted = act(
  "change roster",
  Pasted,
  (input) => ({ class: input.class }),
  async ({ db, visitor }, input) => {
    const group = (await classById(db, input.class))!;
    const { read, plan } = await planPasted(db, visitor.id, await readPasted(input, group), group);
    return {
      columns: read.columns,
      headings: read.headings,
      sample: read.students.slice(0, 6),
      students: read.students.length,
      problems: read.problems.slice(0, 60),
      problemCount: read.problems.length,
      fresh: plan.addStudents.length,
      changed: plan.changeStudents.map(({ givenName, familyName }) => `${givenName} ${familyName}`),
      joining: plan.enrol.length - plan.addStudents.length,
      nothing: changesNothing(plan),
    };
  },
);

/** Brings in the lines that could be read, all of them or none. */
export const bringInPasted = act(
  "change roster",
  Pasted,
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    const group = (await classById(db, input.class))!;
    const made = {
      by: visitor.id,
      at: now,
      what: "brought in a pasted roster",
      school: group.school,
      class: input.class,
    };
    const pasted = await readPasted(input, group);
    const { event, value } = await changeSchool(db, made, async (tx) => {
      const { read, plan } = await planPasted(tx, visitor.id, pasted, group);
      const [problem] = read.problems;
      if (read.students.length === 0) throw new ActionError(problemOf("noLineRead", { why: problem?.text ?? "" }));
      await applyImport(tx, { district: visitor.district, school: group.school, year: now.getFullYear() }, plan);
      return {
        added: plan.addStudents.length,
        changed: plan.changeStudents.length,
        enrolled: plan.enrol.length,
        leftOut: read.problems.length,
      };
    });
    return { event, ...value };
  },
);

async function nameFree<Result>(work: () => Promise<Result>): Promise<Result> {
  try {
    return await work();
  } catch (error) {
    if (isTaken(error, "person_sign_in_name_key")) throw new ActionError("signInNameTaken", "signInName");
    throw error;
  }
}

/** What is known of a student: to plan with, seen by her teachers only. */
export const changeStudent = act(
  "change a student",
  z.object({
    class: Id,
    students: z.array(Id).length(1),
    facts: StudentFacts,
    signInName: SignInName.optional(),
    goal: NewGoal,
    /** Her goals as they are to be from now on. */
    goals: z.array(GoalChange).max(100).default([]),
  }),
  (input) => ({ class: input.class, students: input.students }),
  async ({ db, now }, input) => {
    const [student] = input.students;
    await nameFree(() =>
      db.transaction(async (tx) => {
        await setStudentFacts(tx, student!, input.facts);
        if (input.signInName) await setSignInName(tx, student!, input.signInName);
        for (const goal of input.goals) {
          const found = await changeStudentGoal(tx, student!, { ...goal, closed: goal.closed ? now : null });
          if (!found) throw new ActionError("notThere");
        }
        if (input.goal) await addStudentGoal(tx, student!, now.getFullYear(), input.goal);
      }),
    );
    return {};
  },
);

/** Takes a student out of the class; her work is kept. */
export const leaveClass = act(
  "change a student",
  z.object({ class: Id, students: z.array(Id).min(1).max(400) }),
  (input) => ({ class: input.class, students: input.students }),
  async ({ db }, input) => {
    await db.transaction(async (tx) => {
      await removeEnrolments(
        tx,
        input.students.map((student) => ({ class: input.class, student })),
      );
    });
    return {};
  },
);

/** Puts students who were once in the class into it again: what undoes taking them out. */
export const rejoinClass = act(
  "put back into class",
  z.object({ class: Id, students: z.array(Id).min(1).max(400) }),
  (input) => ({ class: input.class, students: input.students }),
  async ({ db }, input) => {
    await addEnrolments(db, input.class, input.students);
    return {};
  },
);

/** New passwords for students of a class, shown this once to be printed: only hashes are kept. */
export const makeCards = act(
  "change a student",
  z.object({ class: Id, students: z.array(Id).min(1).max(60), kind: z.enum(["pictures", "words"]) }),
  (input) => ({ class: input.class, students: input.students }),
  async ({ db, visitor, now }, input): Promise<{ cards: LoginCard[]; event: number }> => {
    const roster = (await studentsOf(db, input.class)).filter(({ id }) => input.students.includes(id));
    const cards = roster.map((student) => ({
      id: student.id,
      card: {
        name: `${student.givenName} ${student.familyName}`,
        signInName: student.signInName,
        kind: input.kind,
        secret: newSecret(input.kind, (below) => randomInt(below)),
      },
    }));
    const secrets = await Promise.all(
      cards.map(async ({ id, card }) => ({
        student: id,
        hash: await hashSecret(
          input.kind === "pictures" ? pictureSecret(card.secret as Picture[]) : wordSecret(card.secret.join(" ")),
        ),
      })),
    );
    const ids = secrets.map(({ student }) => student);
    const event = await db.transaction(async (tx) => {
      const before = await secretsOf(tx, ids);
      await setSecrets(tx, secrets);
      await tellOfNewCards(tx, visitor, roster, now);
      return addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "made cards" },
        before: { places: [], cards: { class: input.class, secrets: before } },
        after: { places: [], cards: { class: input.class, secrets: await secretsOf(tx, ids) } },
      });
    });
    return { cards: cards.map(({ card }) => card), event };
  },
);
