"use server";
import { z } from "zod";
import { effectsOfRules, effectsOfVersion, nobodyBegan, Rules } from "@/core/assign/afterwards";
import { withExtraTime } from "@/core/assign/extra-time";
import { schoolClock } from "@/core/calendar/school-calendar";
import { fromWallClock } from "@/core/calendar/wall-clock";
import * as assignments from "@/data/assign/assignments";
import { calendarOf } from "@/data/plan/calendar";
import type { Db } from "@/data/engine/db";
import { recipientsOf } from "@/data/assign/recipients";
import { resourceById, revisionById } from "@/data/adapt/resources";
import { stepsOf } from "@/data/assign/split";
import { begunAmong, dueForAll } from "@/data/student/work";
import { workOfStudent, workWithLastAnswers } from "@/data/results/work-of-class";
import { problemOfSharing } from "@/core/review/sharing";
import { keptStepWork, setRecipient, setRules, workAsItIs, type WorkWas } from "@/data/assign/work-rules";
import { act, ActionError } from "../web/act";
import { audienceOf } from "./audience";
import { changeWork } from "./change-work";
import { versionsFor } from "./resources-to-assign";
import { problemOf } from "../web/problem";
import type { Visitor } from "../web/session";

const Id = z.number().int().positive();

const rulesOf = ({ id: _, recipients: __, stepWork, ...rules }: WorkWas): Rules => ({
  ...rules,
  stepWork: Object.entries(stepWork ?? {}).map(([step, work]) => ({ step, work })),
});

/** How a piece of work works now, and what the form to change it chooses from. */
export const rulesFor = act(
  "change assignment",
  z.object({ assignment: Id }),
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const assignment = (await assignments.assignmentById(db, input.assignment))!;
    const [work, { steps }, audience] = await Promise.all([
      workAsItIs(db, input.assignment),
      stepsOf(db, input.assignment),
      audienceOf(db, visitor, [assignment.resource], now, null),
    ]);
    return {
      rules: rulesOf(work),
      students: work.recipients.map(({ student }) => student),
      audience: {
        ...audience,
        steps: audience.steps.filter(({ id }) => !steps || steps.includes(id)),
      },
    };
  },
);

const MOST_GOALS = 8;
const MOST_SAID = 40;
const Goals = Rules.shape.goals;
const ChangedRules = z.object({
  assignments: z.array(Id).min(1).max(400, "You can change up to 400 assignments at once. Nothing was changed."),
  rules: Rules.partial(),
  /** Of several, each keeps its other goals. */
  addGoals: Goals.default([]),
  removeGoals: Goals.default([]),
});

/** The rules as they would be. */
function changedBy(before: Rules, { rules, addGoals, removeGoals }: z.infer<typeof ChangedRules>): Rules {
  const goals = (rules.goals ?? before.goals).filter((goal) => !removeGoals.includes(goal));
  return { ...before, ...rules, goals: [...new Set([...goals, ...addGoals])] };
}

/** What the change does to answers, said before it is made: for several, a sentence names the work it is about. */
export const lookAtRules = act(
  "change assignments",
  ChangedRules,
  (input) => ({ assignments: input.assignments }),
  async ({ db, now }, input) => {
    const many = input.assignments.length > 1;
    const begun = await begunAmong(db, input.assignments);
    if (begun.length === 0) return { effects: [nobodyBegan] };
    const effects: string[] = [];
    const zones = new Map<number, string>();
    for (const id of begun) {
      const { school, title } = (await assignments.assignmentById(db, id))!;
      if (!zones.has(school)) zones.set(school, (await calendarOf(db, school)).zone);
      const before = rulesOf(await workAsItIs(db, id));
      const found = effectsOfRules(before, changedBy(before, input), {
        works: await workWithLastAnswers(db, id),
        over: (await dueForAll(db, id)) <= now,
        today: schoolClock(now, zones.get(school)!).date,
      });
      effects.push(...(many ? found.map((text) => `“${title}”: ${text}`) : found));
    }
    const unbegun = input.assignments.length - begun.length;
    return {
      effects: [
        ...effects.slice(0, MOST_SAID),
        ...(effects.length > MOST_SAID ? [`And ${effects.length - MOST_SAID} more like these.`] : []),
        ...(unbegun > 0 ? [`Nobody has begun ${unbegun === 1 ? "one" : unbegun} of them.`] : []),
      ],
    };
  },
);

/** Other tries, what counts, checking, goals, days or step work; what is not given stays. One act, one undo. */
export const changeRules = act(
  "change assignments",
  ChangedRules,
  (input) => ({ assignments: input.assignments }),
  async ({ db, visitor, now }, input) => {
    const made = { by: visitor.id, at: now, what: "changed how work is done" };
    const { event } = await changeWork(db, made, input.assignments, async (tx) => {
      for (const id of input.assignments) {
        const rules = changedBy(rulesOf(await workAsItIs(tx, id)), input);
        const cannotBe = problemOfSharing(rules.sharing);
        if (cannotBe) throw new ActionError({ problem: cannotBe }, "sharing");
        if (rules.goals.length > MOST_GOALS) throw new ActionError(problemOf("tooManyGoals", { most: MOST_GOALS }));
        await setRules(tx, id, { ...rules, stepWork: keptStepWork(rules.stepWork) });
      }
    });
    return { event, changed: input.assignments.length };
  },
);

const ForStudent = z.object({
  assignment: Id,
  student: Id,
  /** The resource she gets: the one assigned, or another version of it. */
  resource: Id,
  factor: z.number().min(1).max(2),
  /** Her own due moment on the school's clock; empty: the class's, or what her time makes of it. */
  due: z.string().max(30),
});

/** The student's row as the form wants it. Refused where it cannot be. */
async function rowFor(db: Db, visitor: Visitor, input: z.infer<typeof ForStudent>, now: Date) {
  const assignment = (await assignments.assignmentById(db, input.assignment))!;
  const recipient = (await recipientsOf(db, input.assignment)).find(({ student }) => student === input.student);
  if (!recipient) throw new ActionError("studentHasItNot");
  let revision = recipient.revision;
  if (input.resource !== recipient.resource) {
    if (assignment.part) throw new ActionError("onlyPartAssigned", "resource");
    const versions = await versionsFor(db, visitor, assignment.resource);
    const head =
      input.resource === assignment.resource
        ? (await resourceById(db, assignment.resource))?.head
        : versions.find(({ id }) => id === input.resource)?.revision;
    if (!head) throw new ActionError("versionNotPublished", "resource");
    revision = head;
  }
  const typed = input.due === "" ? null : fromWallClock(input.due, visitor.zone);
  if (input.due !== "" && !typed) throw new ActionError("noDateAndTime", "due");
  if (typed && (typed < assignment.due || (typed <= now && typed.getTime() !== recipient.ownDue?.getTime())))
    throw new ActionError("moreTimeLater", "due");
  const own = typed
    ? { due: typed, closes: assignment.closes && typed > assignment.closes ? typed : assignment.closes }
    : input.factor === 1
      ? null
      : withExtraTime(await calendarOf(db, assignment.school), assignment, input.factor);
  return {
    recipient,
    row: {
      student: input.student,
      revision,
      factor: input.factor,
      due: own?.due ?? null,
      closes: own?.closes ?? null,
    },
  };
}

/** What another version or time does to what this student answered. Changes nothing. */
export const lookForStudent = act(
  "change assignment",
  ForStudent,
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const { recipient, row } = await rowFor(db, visitor, input, now);
    const work = (await workOfStudent(db, input.assignment, input.student))!;
    const other = row.revision === recipient.revision ? null : await revisionById(db, row.revision);
    return { effects: other ? effectsOfVersion(work, other.document) : [], due: row.due };
  },
);

/** Another version, time or due moment for one student. Returns what undoes it. */
export const changeForStudent = act(
  "change assignment",
  ForStudent,
  (input) => ({ assignment: input.assignment }),
  async ({ db, visitor, now }, input) => {
    const { row } = await rowFor(db, visitor, input, now);
    const made = { by: visitor.id, at: now, what: "changed what a student gets" };
    const { event } = await changeWork(db, made, [input.assignment], (tx) => setRecipient(tx, input.assignment, row));
    return { event };
  },
);
