"use server";
import { z } from "zod";
import { publishedOf } from "@/data/engine/read-once";
import { addEvent } from "@/data/engine/events";
import { colleaguesOf, endGiven, give, givenOf, thank, type GivenTo } from "@/data/share/shares";
import { teamsOf } from "@/data/share/teams";
import { act, ActionError } from "../web/act";
import type { PlanState } from "../plan/move-work";
import { standing } from "./standing";
import { tellOfGiven, tellOfThanks } from "./tell-of-offers";

const Id = z.number().int().positive();
const Things = z.array(Id).min(1).max(60, "You can choose up to 60 at once.");

/** Who her things can be given to, and who has them. Changes nothing. */
export const lookAtGiven = act(
  "give to colleagues",
  z.object({ resources: Things }),
  (input) => ({ resources: input.resources }),
  async (
    { db, visitor },
    input,
  ): Promise<{
    colleagues: Awaited<ReturnType<typeof colleaguesOf>>;
    given: GivenTo[];
    /** Her teams, each with the colleagues in it. */
    teams: { id: number; name: string; people: number[] }[];
  }> => {
    const [colleagues, have, teams] = await Promise.all([
      colleaguesOf(db, visitor),
      givenOf(db, input.resources),
      teamsOf(db, visitor.id),
    ]);
    const known = new Set(colleagues.map(({ id }) => id));
    return {
      ...{ colleagues, given: have },
      teams: teams
        .map(({ id, name, members }) => ({
          id,
          name,
          people: members.map((one) => one.id).filter((one) => known.has(one)),
        }))
        .filter(({ people }) => people.length > 0),
    };
  },
);

/**
 * Gives her things to named colleagues of her district: to look at, copy and assign. What may not leave the school goes to colleagues
 * of her own only.
 */
export const giveToColleagues = act(
  "give to colleagues",
  z.object({
    resources: Things,
    people: z.array(Id).min(1, "Choose somebody.").max(200),
    way: z.enum(["look", "copy"]).default("copy"),
    note: z.string().trim().max(500, "Keep the note under 500 characters.").default(""),
  }),
  (input) => ({ resources: input.resources }),
  async ({ db, visitor, now }, input): Promise<{ event: number; given: number }> =>
    db.transaction(async (tx) => {
      const resources = [...new Set(input.resources)];
      const known = await colleaguesOf(tx, visitor);
      const chosen = known.filter(({ id }) => input.people.includes(id));
      if (chosen.length < new Set(input.people).size) throw new ActionError("notThere");
      const heads = await publishedOf(tx, resources);
      const shelf = chosen.every(({ own }) => own) ? "staffroom" : "district";
      const documents = resources.flatMap((resource) => heads.get(resource)?.document ?? []);
      if (documents.length < resources.length) throw new ActionError("publishFirst");
      const reasons = (await standing(tx, visitor.id, documents)).flatMap((shelves) => shelves[shelf]);
      if (reasons.length > 0) throw new ActionError({ problem: reasons.map(({ text }) => text).join(" ") });
      const shares = await give(tx, {
        resources,
        people: input.people,
        by: visitor.id,
        note: input.note,
        at: now,
        way: input.way,
      });
      if (shares.length === 0) throw new ActionError("theyHaveIt");
      const people = shares.map(({ person }) => person);
      await tellOfGiven(tx, visitor, { people, note: input.note, things: resources.length }, now);
      const ids = shares.map(({ id }) => id);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "gave to colleagues" },
        before: { places: [] },
        after: { places: [], gave: { resources, ids, ended: false } },
      });
      return { event, given: new Set(people).size };
    }),
);

/** Takes back what she gave. Copies a colleague has made stay hers. */
export const takeBackGiven = act(
  "give to colleagues",
  z.object({ resources: Things, shares: z.array(Id).min(1).max(500) }),
  (input) => ({ resources: input.resources }),
  async ({ db, visitor, now }, input): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const have = (await givenOf(tx, input.resources)).map(({ id }) => id);
      const ids = await endGiven(
        tx,
        input.shares.filter((id) => have.includes(id)),
        now,
      );
      if (ids.length === 0) throw new ActionError("notThere");
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took back what was given" },
        before: { places: [] },
        after: { places: [], gave: { resources: input.resources, ids, ended: true } },
      });
      return { event };
    }),
);

/** Thanks the person who gave something. Once. */
export const formatThanks = act("see what was given", z.object({ share: Id }), async ({ db, visitor, now }, input) =>
  db.transaction(async (tx) => {
    const thanked = await thank(tx, visitor.id, input.share, now);
    if (!thanked) throw new ActionError("notThere");
    await tellOfThanks(tx, visitor, thanked, now);
    return {};
  }),
);
