"use server";
import { z } from "zod";
import { publishedOf } from "@/data/read-once";
import { addEvent } from "@/data/events";
import { colleaguesOf, endGiven, give, givenOf, thank, type GivenTo } from "@/data/shares";
import { teamsOf } from "@/data/teams";
import { act, notThere, Refused } from "../act";
import type { PlanState } from "../move-work";
import { standing } from "../standing";
import { tellOfGiven, tellOfThanks } from "../tell-of-offers";

const Id = z.number().int().positive();
const Things = z.array(Id).min(1).max(60, "60 things are the most at once.");

/** Who her things can be given to, and who has them. Changes nothing. */
export const lookAtGiven = act(
  "give to colleagues",
  z.object({ resources: Things }),
  (given) => ({ resources: given.resources }),
  async (
    { db, visitor },
    given,
  ): Promise<{
    colleagues: Awaited<ReturnType<typeof colleaguesOf>>;
    given: GivenTo[];
    /** Her teams, each with the colleagues in it. */
    teams: { id: number; name: string; people: number[] }[];
  }> => {
    const [colleagues, have, teams] = await Promise.all([
      colleaguesOf(db, visitor),
      givenOf(db, given.resources),
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
    note: z.string().trim().max(500, "500 letters are the most for a note.").default(""),
  }),
  (given) => ({ resources: given.resources }),
  async ({ db, visitor, now }, given): Promise<{ event: number; given: number }> =>
    db.transaction(async (tx) => {
      const resources = [...new Set(given.resources)];
      const known = await colleaguesOf(tx, visitor);
      const chosen = known.filter(({ id }) => given.people.includes(id));
      if (chosen.length < new Set(given.people).size) throw new Refused(notThere);
      const heads = await publishedOf(tx, resources);
      const shelf = chosen.every(({ own }) => own) ? "staffroom" : "district";
      const documents = resources.flatMap((resource) => heads.get(resource)?.document ?? []);
      if (documents.length < resources.length) throw new Refused("Publish it first: others see what is published.");
      const reasons = (await standing(tx, visitor.id, documents)).flatMap((shelves) => shelves[shelf]);
      if (reasons.length > 0) throw new Refused(reasons.map(({ text }) => text).join(" "));
      const shares = await give(tx, {
        resources,
        people: given.people,
        by: visitor.id,
        note: given.note,
        at: now,
        way: given.way,
      });
      if (shares.length === 0) throw new Refused("They have it already.");
      const people = shares.map(({ person }) => person);
      await tellOfGiven(tx, visitor, { people, note: given.note, things: resources.length }, now);
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
  (given) => ({ resources: given.resources }),
  async ({ db, visitor, now }, given): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const have = (await givenOf(tx, given.resources)).map(({ id }) => id);
      const ids = await endGiven(
        tx,
        given.shares.filter((id) => have.includes(id)),
        now,
      );
      if (ids.length === 0) throw new Refused(notThere);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took back what was given" },
        before: { places: [] },
        after: { places: [], gave: { resources: given.resources, ids, ended: true } },
      });
      return { event };
    }),
);

/** Thanks whoever gave something. Once. */
export const sayThanks = act("see what was given", z.object({ share: Id }), async ({ db, visitor, now }, given) =>
  db.transaction(async (tx) => {
    const thanked = await thank(tx, visitor.id, given.share, now);
    if (!thanked) throw new Refused(notThere);
    await tellOfThanks(tx, visitor, thanked, now);
    return {};
  }),
);
