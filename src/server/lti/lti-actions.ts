"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { schoolClock } from "@/core/calendar/school-calendar";
import { pastDues, pastOpenings } from "@/core/hand-over/compare";
import { classesOf } from "@/data/classes/classes";
import { courseById, linkCourse, removeSystem, systemById } from "@/data/lti/systems";
import { schoolOf } from "../office/school-of";
import { act, ActionError } from "../web/act";
import { baseAddress } from "../web/base-address";
import { NoAnswer } from "../web/ask-elsewhere";
import { handOver } from "./hand-over";
import { register } from "./register";

const Id = z.number().int().positive();
const Items = z.array(z.string().max(60)).max(400);

/** A person who waits is told in words what the other system did. */
async function inWords<Value>(work: () => Promise<Value>): Promise<Value> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof NoAnswer) throw new ActionError({ problem: error.message });
    throw error;
  }
}

export const connectSystem = act(
  "connect another system",
  z.object({ configuration: z.url().max(2000), token: z.string().max(4000).nullable() }),
  async ({ db, visitor, now }, input) =>
    inWords(async () =>
      register(db, { school: schoolOf(visitor), by: visitor.id, base: await baseAddress(), now }, input),
    ),
);

/** Nobody comes in from it any more, and nothing goes to it. What is there stays there. */
export const disconnectSystem = act(
  "connect another system",
  z.object({ system: Id }),
  async ({ db, visitor }, { system }) => {
    await removeSystem(db, schoolOf(visitor), system);
    return {};
  },
);

/** Which class a course there is. */
export const linkCourseToClass = act(
  "link a course",
  z.object({ course: Id, class: Id }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    const course = await courseById(db, input.course);
    const system = course && (await systemById(db, course.system));
    const group = (await classesOf(db, visitor.id, now)).find(({ id }) => id === input.class);
    if (!course || !system || !group || system.school !== group.school) throw new ActionError("notThere");
    await db.transaction((tx) => linkCourse(tx, course.id, group.id));
    return {};
  },
);

const Sent = z.object({
  class: Id,
  pastDue: z.enum(pastDues),
  pastOpening: z.enum(pastOpenings),
  items: Items,
  overwrite: Items,
});

/** Weeks of a class's plan go to its course. */
export const sendToCourse = act(
  "hand over to a course",
  Sent.extend({ from: PlainDate, weeks: z.number().int().min(1).max(18) }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) =>
    inWords(async () => handOver(db, visitor, input, { base: await baseAddress(), now })),
);

/** A pocket goes to the course of a class. */
export const sendPocketToCourse = act(
  "hand over a pocket to a course",
  Sent.extend({ pocket: Id }),
  (input) => ({ class: input.class, pocket: input.pocket }),
  async ({ db, visitor, now }, input) =>
    inWords(async () => {
      const asked = { ...input, from: schoolClock(now, visitor.zone).date, weeks: 1 };
      return handOver(db, visitor, asked, { base: await baseAddress(), now });
    }),
);
