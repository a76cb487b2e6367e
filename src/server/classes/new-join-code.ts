import { randomInt } from "node:crypto";
import { joinCode } from "@/core/student/join-code";
import { setJoinCode, type JoinCode } from "@/data/classes/classes";
import { isTaken, type Queryable } from "@/data/engine/db";
import { ActionError } from "../web/act";

const TRIES = 20;

/** A new code that lets a class's students in for this many minutes; an older one ends. */
export async function newJoinCode(db: Queryable, classId: number, minutes: number, now: Date): Promise<JoinCode> {
  const expires = new Date(now.getTime() + minutes * 60_000);
  for (let tried = 0; tried < TRIES; tried += 1) {
    const code = joinCode((below) => randomInt(below));
    try {
      await setJoinCode(db, classId, { code, expires });
      return { code, expires };
    } catch (error) {
      // Another class has that very code just now: draw again.
      if (!isTaken(error, "class_join_code_key")) throw error;
    }
  }
  throw new ActionError("noFreeCode");
}
