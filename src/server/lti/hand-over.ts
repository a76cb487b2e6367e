import { createHash } from "node:crypto";
import { nthMeeting } from "@/core/calendar/school-calendar";
import {
  compareItem,
  datesThere,
  type Compared,
  type DatesThere,
  type PastDue,
  type PastOpening,
} from "@/core/hand-over/compare";
import { targetOf } from "@/core/lti/deep-link";
import { canonical } from "@/core/resource/changes";
import { allQuestions, titleOf } from "@/core/resource/document";
import { mediaOf } from "@/core/resource/stored-files";
import type { Assignment } from "@/data/assign/assignments";
import { classById } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { handedOver, noteHandedOver, notePages, waitingMarks, type HandedOver } from "@/data/lti/handed-over";
import { courseOfClass, systemById, type OtherCourse, type OtherSystem } from "@/data/lti/systems";
import { calendarOf, meetingRulesOf } from "@/data/plan/calendar";
import { writeCartridge } from "@/formats/cartridge/write-cartridge";
import type { Outgoing, OutgoingResource } from "@/formats/outgoing";
import { pocketsOf } from "@/data/satchel/pockets";
import { bytesOf, gather, type Chosen } from "../hand-over/gather";
import { workIn, workOfPocket, type Stretch } from "../hand-over/work-in";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { Visitor } from "../web/session";
import { NoAnswer } from "../web/ask-elsewhere";
import { lookThere, pagesOfSent, thereOf } from "./course-there";
import { addLineItem, changeLineItem, sendCartridge, type LineItem } from "./services";

/** What she says of a hand-over: which weeks or which pocket, and what is done about dates that are over. */
export interface HandOverAsked extends Stretch {
  /** Instead of weeks. */
  pocket?: number | undefined;
  pastDue: PastDue;
  pastOpening: PastOpening;
}

export interface HandOverItem {
  id: string;
  topic: string;
  title: string;
  isMaterial: boolean;
  dates: DatesThere;
  compared: Compared;
  /** The files its page needs, by reference: each goes once, however many need it. */
  files: readonly string[];
  marks: number | null;
}

export interface HandOverView {
  className: string;
  course: Pick<OtherCourse, "title" | "systemName"> & { takesPages: boolean; keepsMarks: boolean };
  items: HandOverItem[];
  left: string[];
  /** When something went last, and how much. */
  last: { at: Date; count: number } | null;
  waiting: { count: number; problem: string | null };
  /** What the other system did not say, in words; null: it answered. */
  problem: string | null;
}

interface Prepared {
  course: OtherCourse;
  system: OtherSystem;
  outgoing: Outgoing;
  items: (HandOverItem & {
    resource: OutgoingResource;
    /** Null: it is only read. */
    assignment: number | null;
    content: string;
    column: LineItem | undefined;
  })[];
  left: string[];
  before: HandedOver[];
  problem: string | null;
  className: string;
}

/** When the class meets next, the end of that meeting; null: it does not. */
async function nextLessonOf(db: Db, classId: number, school: number, now: Date): Promise<Date | null> {
  const [calendar, rules] = await Promise.all([calendarOf(db, school), meetingRulesOf(db, [classId])]);
  return nthMeeting(calendar, rules, now, 1)?.ends ?? null;
}

const undated: DatesThere = { opens: null, due: null, was: { opens: null, due: null }, isLeftOut: false };

/** What is to go: work of these weeks, or what is in a pocket. */
async function chosenFor(
  db: Db,
  visitor: Visitor,
  asked: HandOverAsked,
  { base, now }: { base: string; now: Date },
): Promise<{ chosen: Chosen[]; byId: ReadonlyMap<string, Assignment> }> {
  const { pocket } = asked;
  const work =
    pocket === undefined
      ? await workIn(db, visitor, asked, now)
      : await workOfPocket(db, visitor, { class: asked.class, pocket }, now);
  const name = pocket === undefined ? null : (await pocketsOf(db, visitor.id)).find(({ id }) => id === pocket)?.name;
  const byId = new Map<string, Assignment>();
  const chosen = work.map((one): Chosen => {
    if ("resource" in one) return { resource: one.resource, topic: name ?? "" };
    const { assignment, document, topic } = one;
    const id = `work-${assignment.id}`;
    byId.set(id, assignment);
    const launch = { address: targetOf(base, assignment.id), work: assignment.id };
    return { ...{ resource: assignment.resource, document, id, launch }, topic: name ?? topic };
  });
  return { chosen, byId };
}

async function prepare(
  db: Db,
  visitor: Visitor,
  asked: HandOverAsked,
  { base, now }: { base: string; now: Date },
): Promise<Prepared | null> {
  const course = await courseOfClass(db, asked.class);
  const system = course && (await systemById(db, course.system));
  const group = await classById(db, asked.class);
  if (!course || !system || !group) return null;
  const { chosen, byId } = await chosenFor(db, visitor, asked, { base, now });
  const { outgoing, left } = await gather(db, visitor, { id: `class-${asked.class}`, title: group.name }, chosen);
  const [before, nextLesson] = await Promise.all([
    handedOver(db, course.id),
    asked.pastDue === "next lesson" ? nextLessonOf(db, asked.class, group.school, now) : null,
  ]);
  let problem: string | null = null;
  const going = new Set(outgoing.topics.flatMap(({ resources }) => resources.map(({ id }) => id)));
  const sent = new Map(before.map((one) => [one.item, one.sent]));
  const compares = [...sent].flatMap(([item, { page }]) => (page && going.has(item) ? [item] : []));
  const there = await lookThere(db, { system, course }, compares).catch((error: unknown) => {
    if (!(error instanceof NoAnswer)) throw error;
    problem = error.message;
    return null;
  });
  const items = outgoing.topics.flatMap((topic) =>
    topic.resources.map((resource) => {
      const own = byId.get(resource.id);
      const isMaterial = resource.isMaterial || !own;
      const planned = own ? datesThere(own, { ...asked, now, nextLesson }) : undated;
      const dates = isMaterial ? { ...planned, due: null, was: { opens: null, due: null }, isLeftOut: false } : planned;
      const title = titleOf(resource.document);
      const content = createHash("sha256").update(canonical(resource.document)).digest("hex");
      const mine = { title, opens: dates.opens, due: dates.due, content };
      const marks = allQuestions(resource.document).reduce((sum, { question }) => sum + question.marks, 0);
      return {
        ...{ id: resource.id, topic: topic.title, title, isMaterial, dates, content, resource },
        ...{ assignment: own?.id ?? null, column: there?.lineItems.get(resource.id) },
        compared: compareItem(mine, sent.get(resource.id) ?? null, thereOf(there, resource.id, isMaterial)),
        files: resource.isLinkOnly ? [] : mediaOf(resource.document).filter((file) => outgoing.files.has(file)),
        marks: isMaterial || marks === 0 ? null : marks,
      };
    }),
  );
  return { course, system, outgoing, items, left, before, problem, className: group.name };
}

/** What would go over, item by item, against what is there. Null: this class is no course there yet. */
export async function handOverView(
  db: Db,
  visitor: Visitor,
  asked: HandOverAsked,
  of: { base: string; now: Date },
): Promise<HandOverView | null> {
  const prepared = await prepare(db, visitor, asked, of);
  if (!prepared) return null;
  const { course, items, left, before, problem, className } = prepared;
  const newest = Math.max(0, ...before.map(({ sentAt }) => sentAt.getTime()));
  return {
    ...{ className, left, problem },
    course: {
      ...{ title: course.title, systemName: course.systemName },
      ...{ takesPages: course.cartridgeUrl !== null, keepsMarks: course.lineItemsUrl !== null },
    },
    items: items.map(({ id, topic, title, isMaterial, dates, compared, files, marks }) => ({
      ...{ id, topic, title, isMaterial, dates, compared, files, marks },
    })),
    last:
      newest === 0
        ? null
        : { at: new Date(newest), count: before.filter(({ sentAt }) => sentAt.getTime() === newest).length },
    waiting: await waitingMarks(db, course.id),
  };
}

/**
 * Sends what she chose: pages, files and links as one cartridge, then a column for marks for each piece of work. What was changed over there
 * goes only when she says so.
 *
 * @throws ActionError when the other system does not take it; what it took stays noted, and sending again goes on from there
 */
export async function handOver(
  db: Db,
  visitor: Visitor,
  asked: HandOverAsked & { items: readonly string[]; overwrite: readonly string[] },
  of: { base: string; now: Date },
): Promise<{ sent: number }> {
  const prepared = await prepare(db, visitor, asked, of);
  if (!prepared) throw new ActionError("classNoCourse");
  const { course, system, outgoing } = prepared;
  if (prepared.problem) throw new ActionError(problemOf("notPrepared", { problem: prepared.problem }));
  const going = prepared.items.filter(
    ({ id, compared, dates }) =>
      asked.items.includes(id) &&
      !dates.isLeftOut &&
      (compared.standing !== "changed there" || asked.overwrite.includes(id)),
  );
  if (going.length === 0) throw new ActionError("chooseToSend");
  const ids = new Set(going.map(({ id }) => id));
  const needed = new Set(going.flatMap(({ files }) => files));
  const chosen: Outgoing = {
    ...outgoing,
    files: new Map([...outgoing.files].filter(([reference]) => needed.has(reference))),
    topics: outgoing.topics
      .map((topic) => ({
        ...topic,
        resources: topic.resources.filter(({ id }) => ids.has(id)),
      }))
      .filter(({ resources }) => resources.length > 0),
  };
  let done = 0;
  try {
    const pieces: Uint8Array[] = [];
    for await (const piece of writeCartridge(chosen, "1.3", bytesOf)) pieces.push(piece);
    await sendCartridge(db, system, course, Uint8Array.from(Buffer.concat(pieces)));
    for (const item of going) {
      const { title, dates, content, column, marks } = item;
      let lineItemUrl = column?.id ?? null;
      if (marks !== null && course.lineItemsUrl) {
        const said = {
          ...{ label: title, scoreMaximum: marks, resourceId: item.id },
          ...{ startDateTime: dates.opens, endDateTime: dates.due },
        };
        if (column) await changeLineItem(db, system, { ...column, ...said });
        else lineItemUrl = (await addLineItem(db, system, course, said)).id;
      }
      await noteHandedOver(db, course.id, {
        ...{ item: item.id, assignment: item.assignment, lineItemUrl, by: visitor.id, at: of.now },
        sent: { title, opens: dates.opens, due: dates.due, content },
      });
      done += 1;
    }
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error;
    throw new ActionError(
      done === 0
        ? problemOf("notSent", { message: error.message })
        : problemOf("someSent", { message: error.message, done, count: going.length }),
    );
  }
  // How it stands there now is what a change over there is told by.
  await notePages(db, course.id, await pagesOfSent(db, { system, course }, [...ids]));
  return { sent: done };
}
