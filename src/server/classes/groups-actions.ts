"use server";
import { z } from "zod";
import { setGroups, setPairsApart, setSeats } from "@/data/classes/groups";
import { act, ActionError } from "../web/act";

const Id = z.number().int().positive();

export const keepGroups = act(
  "arrange class",
  z.object({
    class: Id,
    groups: z
      .array(
        z.object({ name: z.string().trim().min(1, "Give the group a name.").max(40), students: z.array(Id).max(400) }),
      )
      .max(30),
  }),
  (input) => ({ class: input.class }),
  async ({ db }, input) => {
    await db.transaction((tx) => setGroups(tx, input.class, input.groups));
    return {};
  },
);

/** Pairs that are not put into one group. */
export const keepApart = act(
  "arrange class",
  z.object({ class: Id, pairs: z.array(z.tuple([Id, Id])).max(60) }),
  (input) => ({ class: input.class }),
  async ({ db }, input) => {
    await db.transaction((tx) => setPairsApart(tx, input.class, input.pairs));
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
  (input) => ({ class: input.class }),
  async ({ db }, input) => {
    const places = new Set(input.seats.map(({ x, y }) => `${x} ${y}`));
    if (places.size < input.seats.length) throw new ActionError("desksInOnePlace");
    await db.transaction((tx) => setSeats(tx, input.class, input.seats));
    return {};
  },
);
