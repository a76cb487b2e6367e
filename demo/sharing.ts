import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { gradesOfSpan } from "@/core/find/grade";
import { bitsOf } from "@/core/find/facets";
import { subjects } from "@/core/resource/vocabulary";
import { curatedShelves } from "@/core/sharing/how-far";
import { one, type Queryable } from "@/data/db";
import { addOffers, decide } from "@/data/offers";
import { give } from "@/data/shares";
import type { Lesson, Town } from "./seed";

const DAY = 24 * 3_600_000;
const Sharing = z.object({
  gifts: z.array(z.object({ resource: z.string(), to: z.string(), days: z.number(), note: z.string() })),
  offers: z.array(
    z.object({
      resource: z.string(),
      shelf: z.enum(curatedShelves),
      days: z.number(),
      decided: z
        .object({
          ...{
            by: z.string(),
            days: z.number(),
            state: z.enum(["accepted", "returned", "declined"]),
            note: z.string(),
          },
          pins: z.array(z.object({ step: z.number().int(), text: z.string() })).default([]),
        })
        .optional(),
    }),
  ),
});

/** Offers on the curators' desk and what became of some; what colleagues gave one another. */
export async function addSharing(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Sharing.parse(parse(readFileSync(path.join(import.meta.dirname, "sharing.yaml"), "utf8")));
  const ago = (days: number) => new Date(now.getTime() - days * DAY);
  const lessonCalled = (name: string) => {
    const lesson = lessons.get(name);
    if (!lesson) throw new Error(`demo/sharing.yaml: there is no lesson ${name}`);
    return lesson;
  };
  const ownerOf = async ({ id }: Lesson) =>
    (await one<{ owner: number }>(tx, "select owner_id owner from resource where id = $1", [id])).owner;
  for (const { resource, to, days, note } of plan.gifts) {
    const lesson = lessonCalled(resource);
    const of = { resources: [lesson.id], people: [town.people.get(to)!], note, at: ago(days) };
    await give(tx, { ...of, by: await ownerOf(lesson), way: "copy" });
  }
  for (const offer of plan.offers) {
    const lesson = lessonCalled(offer.resource);
    const { grades, subjects: of, steps } = lesson.document;
    const bits = {
      grades: bitsOf(gradesOfSpan(grades)),
      subjects: bitsOf(of.map((subject) => subjects.indexOf(subject))),
    };
    const owner = await ownerOf(lesson);
    const [id] = await addOffers(
      tx,
      [{ resource: lesson.id, revision: lesson.revision, shelf: offer.shelf, ...bits }],
      { by: owner, district: town.district, at: ago(offer.days) },
    );
    if (!offer.decided) continue;
    const { by, days, state, note, pins } = offer.decided;
    await decide(tx, id!, {
      ...{ state, note, by: town.people.get(by)!, at: ago(days), ...bits },
      pins: pins.map(({ step, text }) => ({ step: steps[step - 1]!.id, text })),
    });
  }
}
