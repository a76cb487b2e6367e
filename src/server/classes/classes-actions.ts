"use server";
import { z } from "zod";
import { joinCodeLives, JOIN_CODE_MINUTES } from "@/core/student/join-code";
import { setJoinCode } from "@/data/classes/classes";
import { setFeed } from "@/data/classes/feeds";
import { act } from "../web/act";
import { baseAddress } from "../web/base-address";
import { newJoinCode } from "./new-join-code";
import { newToken, tokenHash } from "../web/secrets";

const Id = z.number().int().positive();

/** A new code that lets this class's students in, for an hour unless something else is said; an older one ends. */
export const startJoinCode = act(
  "open class to students",
  z.object({ class: Id, minutes: z.literal(joinCodeLives).default(JOIN_CODE_MINUTES) }),
  (input) => ({ class: input.class }),
  ({ db, now }, input) => newJoinCode(db, input.class, input.minutes, now),
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
