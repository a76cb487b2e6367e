import type { Queryable } from "@/data/engine/db";
import { addPocket, putIntoPocket } from "@/data/satchel/pockets";
import { pack } from "@/data/satchel/satchel";
import type { Lesson, Town } from "./town";

const HOUR = 3_600_000;

/** What Ines keeps, and in which pockets. */
export async function addSatchel(tx: Queryable, town: Town, lessons: Map<string, Lesson>, now: Date): Promise<void> {
  const ines = town.people.get("ines.halloran")!;
  const pockets = {
    "Tides, term 1": ["reading-a-tide-table", "the-ferry-timetable", "why-the-tide-comes-twice"],
    "Close reading": ["the-keepers-letter", "weather-words"],
    "Friday openers": ["knots-step-by-step"],
  };
  for (const [name, contents] of Object.entries(pockets)) {
    const pocket = await addPocket(tx, ines, name);
    const ids = contents.map((lesson) => lessons.get(lesson)!.id);
    for (const id of ids) await pack(tx, ines, id, new Date(now.getTime() - 9 * 24 * HOUR));
    await putIntoPocket(tx, pocket.id, ids, ines, now);
  }
  for (const name of ["change-from-the-market-stall", "sea-song-rhythm", "bird-counts-as-graphs"]) {
    await pack(tx, ines, lessons.get(name)!.id, new Date(now.getTime() - 3 * 24 * HOUR));
  }
}
