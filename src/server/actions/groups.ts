"use server";
import { z } from "zod";
import { setGroups, setPairsApart, setSeats } from "@/data/groups";
import { act, Refused } from "../act";

const Id = z.number().int().positive();

export const keepGroups = act(
  "arrange class",
  z.object({
    class: Id,
    groups: z
      .array(
        z.object({ name: z.string().trim().min(1, "A group has a name.").max(40), students: z.array(Id).max(400) }),
      )
      .max(30),
  }),
  (given) => ({ class: given.class }),
  async ({ db }, given) => {
    await db.transaction((tx) => setGroups(tx, given.class, given.groups));
    return {};
  },
);

/** Pairs that are not put into one group. */
export const keepApart = act(
  "arrange class",
  z.object({ class: Id, pairs: z.array(z.tuple([Id, Id])).max(60) }),
  (given) => ({ class: given.class }),
  async ({ db }, given) => {
    await db.transaction((tx) => setPairsApart(tx, given.class, given.pairs));
    return {};
  },
);

export const keepSeats = act(
  "arrange class",
  z.object({
    class: Id,
    seats: z
      .array(z.object({ student: Id, x: z.number().int().min(0).max(29), y: z.number().int().min(0).max(29) }))
      .max(400),
  }),
  (given) => ({ class: given.class }),
  async ({ db }, given) => {
    const places = new Set(given.seats.map(({ x, y }) => `${x} ${y}`));
    if (places.size < given.seats.length) throw new Refused("Two desks stand on one place. Nothing was changed.");
    await db.transaction((tx) => setSeats(tx, given.class, given.seats));
    return {};
  },
);
