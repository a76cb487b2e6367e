import { z } from "zod";
import { plainForm } from "@/core/assign/plain-form";
import { lastLook } from "@/core/assign/last-look";
import { contentItem, deepLinkResponse } from "@/core/lti/deep-link";
import { PlainDate } from "@/core/calendar/plain-date";
import { allQuestions } from "@/core/resource/document";
import { element, openInHtml, writeMarkup } from "@/formats/markup";
import { assignmentById } from "@/data/assign/assignments";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { choiceOf, endChoice } from "@/data/lti/logins";
import { courseById, linkCourse, systemById } from "@/data/lti/systems";
import { prepareAssigning } from "../assign/assigning";
import { ledDocument } from "../live/room";
import { giveWork } from "../plan/move-work";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { baseAddress } from "../web/base-address";
import { permit } from "../web/permissions";
import { newToken, tokenHash } from "../web/secrets";
import type { Visitor } from "../web/session";
import { signed } from "./keys";

const Chosen = z.object({
  for: z.string().min(20).max(100),
  class: z.coerce.number().int().positive(),
  due: PlainDate,
  resources: z.array(z.coerce.number().int().positive()).min(1, "Choose at least one thing.").max(30),
});

/** What a piece of work is worth; null: nothing in it is marked. */
async function worthOf(db: Db, assignment: number): Promise<number | null> {
  const document = await ledDocument(db, { id: assignment, stepWork: null });
  const marks = document ? allQuestions(document).reduce((sum, { question }) => sum + question.marks, 0) : 0;
  return marks > 0 ? marks : null;
}

/**
 * Assigns what she chose to the class this course is, and gives the links back to the course site: a page with one form that sends itself.
 *
 * @throws ActionError in words when nothing came of it; nothing is assigned then
 */
export async function returnChoice(
  db: Db,
  visitor: Visitor,
  said: URLSearchParams,
  { now, nonce }: { now: Date; nonce: string },
): Promise<string> {
  const read = Chosen.safeParse({ ...Object.fromEntries(said), resources: said.getAll("resource") });
  if (!read.success)
    throw new ActionError(
      problemOf("notReadable", { why: read.error.issues[0]?.message ?? "This could not be read." }),
    );
  const { for: token, class: group, due, resources } = read.data;
  const choosing = await choiceOf(db, tokenHash(token), visitor.id, now);
  const course = choosing && (await courseById(db, choosing.course));
  const system = course && (await systemById(db, course.system));
  if (!choosing || !course || !system) throw new ActionError("choiceOver");
  if (!choosing.several && resources.length > 1) throw new ActionError("oneAtATime");
  const students = (await studentsOf(db, group)).map(({ id }) => id);
  const to = [{ class: group, students }];
  const about = { resources, to, versions: [], after: [] };
  if (students.length === 0 || !(await permit(db, visitor, "assign resources", about, now)))
    throw new ActionError("notYoursToAssign");
  const form = plainForm({ resources, to }, { opens: { kind: "now" }, due: { kind: "at", at: `${due}T15:00` } });
  const { looked, list, problem } = await prepareAssigning(db, visitor, form, null, now);
  const stop = lastLook(looked).find(({ level }) => level === "stop")?.text ?? problem;
  if (stop) throw new ActionError(problemOf("stopsAssigning", { stop }));
  const { assignments: ids } = await giveWork(db, visitor.id, now, list);
  await endChoice(db, tokenHash(token));
  if (course.class === null && (await permit(db, visitor, "link a course", { class: group }, now)))
    await db.transaction((tx) => linkCourse(tx, course.id, group));
  const base = await baseAddress();
  const items = [];
  for (const id of ids) {
    const work = (await assignmentById(db, id))!;
    items.push(
      contentItem(base, {
        work: id,
        title: work.title,
        opens: work.opens,
        due: work.due,
        outOf: await worthOf(db, id),
      }),
    );
  }
  const jwt = await signed(
    db,
    deepLinkResponse({ deployment: system.deployment, data: choosing.data, items, nonce: newToken() }),
    { issuer: system.clientId, audience: system.issuer },
  );
  return `<!DOCTYPE html>\n${writeMarkup(
    element(
      "html",
      { lang: "en" },
      element("head", {}, element("meta", { charset: "utf-8" }), element("title", {}, "Back to the course")),
      element(
        "body",
        {},
        element(
          "form",
          { method: "post", action: choosing.returnUrl, id: "back" },
          element("input", { type: "hidden", name: "JWT", value: jwt }),
          element("button", { type: "submit" }, `Back to ${course.title}`),
        ),
        element("script", { nonce }, { written: 'document.getElementById("back").submit()' }),
      ),
    ),
    openInHtml,
  )}`;
}
