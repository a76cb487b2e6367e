import type { Db } from "@/data/engine/db";
import { hasLeft, putAt, stillThere } from "@/data/live/places";
import { log } from "../web/log";

const STILL_MS = 20_000;
/** A page that is read anew is gone for a moment. */
const LEFT_AFTER_MS = 4_000;

interface Screens {
  /** By work and student, how many of her screens this process holds. */
  open: Map<string, { assignment: number; student: number; count: number }>;
}
const held = new WeakMap<Db, Screens>();

function screensOf(db: Db): Screens {
  const known = held.get(db);
  if (known) return known;
  const screens: Screens = { open: new Map() };
  held.set(db, screens);
  const beat = setInterval(() => {
    if (screens.open.size === 0) return;
    void stillThere(db, [...screens.open.values()], new Date()).catch((error: Error) =>
      log.warn({ error: error.message }, "who is there could not be kept"),
    );
  }, STILL_MS);
  beat.unref();
  return screens;
}

/** A student's screen is there, as long as the returned function is not called. Two of them are one student. */
export async function screenIsThere(db: Db, assignment: number, student: number): Promise<() => void> {
  const { open } = screensOf(db);
  const name = `${assignment} ${student}`;
  const entry = open.get(name) ?? { assignment, student, count: 0 };
  entry.count += 1;
  open.set(name, entry);
  await putAt(db, { assignment, students: [student], step: null, at: new Date() });
  return () => {
    entry.count -= 1;
    if (entry.count > 0) return;
    setTimeout(() => {
      if (entry.count > 0) return;
      open.delete(name);
      void hasLeft(db, { assignment, student, at: new Date() }).catch(() => undefined);
    }, LEFT_AFTER_MS).unref();
  };
}
