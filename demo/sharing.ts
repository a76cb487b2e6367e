import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { bitsOf } from "@/core/find/facets";
import { subjects } from "@/core/resource/vocabulary";
import { curatedShelves } from "@/core/sharing/how-far";
import { one, type Queryable } from "@/data/db";
import { addOffers, decide } from "@/data/offers";
import type { Lesson, Town } from "./seed";

const DAY = 24 * 3_600_000;
const Sharing = z.object({
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

/** Offers on the curators' desk, and what became of some. */
export async function addSharing(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Sharing.parse(parse(readFileSync(path.join(import.meta.dirname, "sharing.yaml"), "utf8")));
  const ago = (days: number) => new Date(now.getTime() - days * DAY);
  for (const offer of plan.offers) {
    const lesson = lessons.get(offer.resource);
    if (!lesson) throw new Error(`demo/sharing.yaml: there is no lesson ${offer.resource}`);
    const { grades, subjects: of, steps } = lesson.document;
    const bits = {
      grades: bitsOf(Array.from({ length: grades.to - grades.from + 1 }, (_, at) => grades.from + at)),
      subjects: bitsOf(of.map((subject) => subjects.indexOf(subject))),
    };
    const { owner } = await one<{ owner: number }>(tx, "select owner_id owner from resource where id = $1", [
      lesson.id,
    ]);
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
