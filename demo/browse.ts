import { readFileSync } from "node:fs";
import path from "node:path";
import { parse } from "yaml";
import { z } from "zod";
import { noteWords } from "@/core/find/note-words";
import { addSet } from "@/data/find/browse";
import { one, type Queryable } from "@/data/engine/db";
import { noteViewed, saveSearch, setFollow } from "@/data/find/saved-searches";
import { addNoteOfUse } from "@/data/find/notes-of-use";
import type { Lesson, Town } from "./town";

const HOUR = 3_600_000;

const Browse = z.strictObject({
  sets: z.array(
    z.strictObject({
      name: z.string(),
      kind: z.enum(["set", "unit"]),
      note: z.string().default(""),
      topic: z.string().optional(),
      months: z.array(z.number()).default([]),
      by: z.string(),
      items: z.array(z.string()),
    }),
  ),
  notes: z.array(
    z.strictObject({
      resource: z.string(),
      by: z.string(),
      class: z.string(),
      words: z.array(z.enum(noteWords)),
      text: z.string().default(""),
      days: z.number(),
    }),
  ),
});

/** Sets, units and colleagues' notes; what Ines keeps, follows and looked at. */
export async function addBrowsing(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const plan = Browse.parse(parse(readFileSync(path.join(import.meta.dirname, "browse.yaml"), "utf8")));
  const ago = (days: number) => new Date(now.getTime() - days * 24 * HOUR);
  const idOf = (name: string) => {
    const lesson = lessons.get(name);
    if (!lesson) throw new Error(`demo/browse.yaml: there is no lesson ${name}`);
    return lesson.id;
  };
  for (const set of plan.sets) {
    await addSet(tx, {
      ...set,
      district: town.district,
      topic: set.topic ?? null,
      curator: town.people.get(set.by)!,
      items: set.items.map(idOf),
    });
  }
  for (const note of plan.notes) {
    const person = town.people.get(note.by)!;
    const { school } = await one<{ school: number }>(tx, "select school_id school from person where id = $1", [person]);
    await addNoteOfUse(tx, {
      person,
      school,
      resource: idOf(note.resource),
      className: note.class,
      words: note.words,
      text: note.text,
      at: ago(note.days),
    });
  }
  const ines = town.people.get("ines.halloran")!;
  await saveSearch(tx, { person: ines, name: "tide, grades 4–5", address: "words=tide&grades=4%2C5", now: ago(150) });
  await saveSearch(tx, { person: ines, name: "readings in Spanish", address: "kind=reading&language=es", now: ago(2) });
  await setFollow(tx, ines, town.people.get("piers.oakenshaw")!, true, ago(90));
  for (const [at, name] of ["why-the-tide-comes-twice", "weather-words", "lighthouse-signals"].entries())
    await noteViewed(tx, ines, idOf(name), new Date(now.getTime() - (22 + at) * HOUR));
}
