"use server";
import { randomInt } from "node:crypto";
import { z } from "zod";
import { joinCode, joinCodeLives, JOIN_CODE_MINUTES } from "@/core/student/join-code";
import { setJoinCode } from "@/data/classes";
import { isTaken } from "@/data/db";
import { setFeed } from "@/data/feeds";
import { act, Refused } from "../act";
import { baseAddress } from "../base-address";
import { newToken, tokenHash } from "../secrets";

const Id = z.number().int().positive();
const TRIES = 20;

/** A new code that lets this class's students in, for an hour unless something else is said; an older one ends. */
export const startJoinCode = act(
  "open class to students",
  z.object({ class: Id, minutes: z.literal(joinCodeLives).default(JOIN_CODE_MINUTES) }),
  (given) => ({ class: given.class }),
  async ({ db, now }, given) => {
    const expires = new Date(now.getTime() + given.minutes * 60_000);
    for (let tried = 0; tried < TRIES; tried += 1) {
      const code = joinCode((below) => randomInt(below));
      try {
        await setJoinCode(db, given.class, { code, expires });
        return { code, expires };
      } catch (error) {
        // Another class has that very code just now: draw again.
        if (!isTaken(error, "class_join_code_key")) throw error;
      }
    }
    throw new Refused("No free code was found. Try again in a moment.");
  },
);

export const endJoinCode = act(
  "open class to students",
  z.object({ class: Id }),
  (given) => ({ class: given.class }),
  async ({ db }, given) => {
    await db.transaction((tx) => setJoinCode(tx, given.class, null));
    return {};
  },
);

/** A new secret address of the class's calendar, shown this once; an older one ends. */
export const makeFeed = act(
  "see class",
  z.object({ class: Id }),
  (given) => ({ class: given.class }),
  async ({ db, visitor, now }, given) => {
    const token = newToken();
    await db.transaction((tx) => setFeed(tx, { class: given.class, person: visitor.id }, tokenHash(token), now));
    return { address: `${await baseAddress()}/calendar/${token}.ics` };
  },
);

export const endFeed = act(
  "see class",
  z.object({ class: Id }),
  (given) => ({ class: given.class }),
  async ({ db, visitor, now }, given) => {
    await db.transaction((tx) => setFeed(tx, { class: given.class, person: visitor.id }, null, now));
    return {};
  },
);
