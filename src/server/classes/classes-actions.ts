"use server";
import { randomInt } from "node:crypto";
import { z } from "zod";
import { joinCode, joinCodeLives, JOIN_CODE_MINUTES } from "@/core/student/join-code";
import { setJoinCode } from "@/data/classes/classes";
import { isTaken } from "@/data/engine/db";
import { setFeed } from "@/data/classes/feeds";
import { act, ActionError } from "../web/act";
import { baseAddress } from "../web/base-address";
import { newToken, tokenHash } from "../web/secrets";

const Id = z.number().int().positive();
const TRIES = 20;

/** A new code that lets this class's students in, for an hour unless something else is said; an older one ends. */
export const startJoinCode = act(
  "open class to students",
  z.object({ class: Id, minutes: z.literal(joinCodeLives).default(JOIN_CODE_MINUTES) }),
  (input) => ({ class: input.class }),
  async ({ db, now }, input) => {
    const expires = new Date(now.getTime() + input.minutes * 60_000);
    for (let tried = 0; tried < TRIES; tried += 1) {
      const code = joinCode((below) => randomInt(below));
      try {
        await setJoinCode(db, input.class, { code, expires });
        return { code, expires };
      } catch (error) {
        // Another class has that very code just now: draw again.
        if (!isTaken(error, "class_join_code_key")) throw error;
      }
    }
    throw new ActionError("No free code was found. Try again in a moment.");
  },
);

export const endJoinCode = act(
  "open class to students",
  z.object({ class: Id }),
  (input) => ({ class: input.class }),
  async ({ db }, input) => {
    await db.transaction((tx) => setJoinCode(tx, input.class, null));
    return {};
  },
);

/** A new secret address of the class's calendar, shown this once; an older one ends. */
export const makeFeed = act(
  "see class",
  z.object({ class: Id }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    const token = newToken();
    await db.transaction((tx) => setFeed(tx, { class: input.class, person: visitor.id }, tokenHash(token), now));
    return { address: `${await baseAddress()}/calendar/${token}.ics` };
  },
);

export const endFeed = act(
  "see class",
  z.object({ class: Id }),
  (input) => ({ class: input.class }),
  async ({ db, visitor, now }, input) => {
    await db.transaction((tx) => setFeed(tx, { class: input.class, person: visitor.id }, null, now));
    return {};
  },
);
