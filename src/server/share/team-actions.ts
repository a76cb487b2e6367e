"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { mondayOf } from "@/core/calendar/school-calendar";
import { TeamInput } from "@/core/sharing/inputs";
import { formatWeek } from "@/core/team/board";
import { addEvent } from "@/data/engine/events";
import { publishedOf } from "@/data/engine/read-once";
import { colleaguesOf } from "@/data/share/shares";
import { addTeam, partFor, renameTeam, setLines, setMembers, setPart, teamsOf, teamState } from "@/data/share/teams";
import { act, ActionError, type Caller } from "../web/act";
import { problemOf } from "../web/problem";
import type { PlanState } from "../plan/move-work";
import { standing } from "./standing";
import { tellOfAsked } from "./tell-of-offers";

const Id = z.number().int().positive();

/** Colleagues of hers among these. @throws ActionError when one of them is none */
async function onlyColleagues({ db, visitor }: Caller, people: readonly number[]): Promise<number[]> {
  const others = [...new Set(people)].filter((id) => id !== visitor.id);
  const known = new Set((await colleaguesOf(db, visitor)).map(({ id }) => id));
  if (others.some((id) => !known.has(id))) throw new ActionError("notThere");
  return others;
}

/** Makes a team of colleagues, herself in it. Returns its id. */
export const makeTeam = act("see own teams", TeamInput, async (caller, input): Promise<{ team: number }> => {
  const others = await onlyColleagues(caller, input.people);
  const { db, visitor, now } = caller;
  const people = [visitor.id, ...others];
  const made = {
    district: visitor.district,
    name: input.name,
    people,
    lines: input.lines.map(({ name }) => name),
    at: now,
  };
  return db.transaction(async (tx) => ({ team: await addTeam(tx, made) }));
});

/**
 * Changes a team's name, people and parts of the work; a part with an id stays the part it was. Somebody who has left the school but
 * is in the team may stay in it.
 */
export const changeTeam = act(
  "work in a team",
  TeamInput.extend({ team: Id }),
  (input) => ({ team: input.team }),
  async (caller, input): Promise<{ left: boolean; event: number }> => {
    const { db, visitor, now } = caller;
    const before = (await teamsOf(db, visitor.id)).find(({ id }) => id === input.team)!;
    const kept = input.people.filter((id) => before.members.some((member) => member.id === id));
    const added = await onlyColleagues(
      caller,
      input.people.filter((id) => !kept.includes(id)),
    );
    const people = [...new Set([...kept, ...added])];
    if (people.length === 0) throw new ActionError("teamNeedsSomebody");
    return db.transaction(async (tx) => {
      const was = await teamState(tx, input.team);
      await renameTeam(tx, input.team, input.name);
      await setMembers(tx, input.team, people);
      await setLines(tx, input.team, input.lines);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "changed a team" },
        before: { places: [], team: { id: input.team, state: was } },
        after: { places: [], team: { id: input.team, state: await teamState(tx, input.team) } },
      });
      return { left: !people.includes(visitor.id), event };
    });
  },
);

const Part = z.object({ team: Id, line: Id, week: PlainDate });
/** What she saw before she changed it. */
const Seen = z.object({ maker: Id.nullable(), resource: Id.nullable() });

/** A part as it stands, locked. @throws ActionError when it is not there, or somebody has changed it since she saw it */
async function unchanged(
  tx: Parameters<typeof partFor>[0],
  { visitor }: Caller,
  input: z.infer<typeof Part> & { seen: z.infer<typeof Seen> },
) {
  if (mondayOf(input.week) !== input.week) throw new ActionError("weekByMonday");
  const part = await partFor(tx, input.team, input.line, input.week);
  if (!part) throw new ActionError("notThere");
  if (part.maker === input.seen.maker && part.resource === input.seen.resource) return part;
  const team = (await teamsOf(tx, visitor.id)).find(({ id }) => id === input.team);
  const maker = team?.members.find(({ id }) => id === part.maker)?.name;
  throw new ActionError(
    part.resource !== null
      ? maker
        ? problemOf("partReadyBy", { maker })
        : problemOf("partReady")
      : maker
        ? problemOf("partTaken", { maker })
        : problemOf("partLeft"),
  );
}

/** Says who makes a part of a week (null: nobody yet), and whether she is at it. Somebody who is asked gets a message. */
export const givePart = act(
  "work in a team",
  Part.extend({ maker: Id.nullable(), begun: z.boolean(), seen: Seen }),
  (input) => ({ team: input.team }),
  async (caller, input) => {
    const { db, visitor, now } = caller;
    return db.transaction(async (tx) => {
      const part = await unchanged(tx, caller, input);
      const team = (await teamsOf(tx, visitor.id)).find(({ id }) => id === input.team)!;
      if (input.maker !== null && !team.members.some(({ id }) => id === input.maker)) throw new ActionError("notThere");
      await setPart(tx, {
        ...{ line: input.line, week: input.week, maker: input.maker, resource: null },
        begun: input.maker !== null && input.begun,
      });
      if (input.maker !== null && input.maker !== visitor.id && input.maker !== part.maker)
        await tellOfAsked(
          tx,
          visitor,
          { person: input.maker, team: team.name, part: part.name, week: formatWeek(input.week) },
          now,
        );
      return {};
    });
  },
);

/** Puts something of hers in as ready: everybody in the team can see, copy and assign it. */
export const readyPart = act(
  "make ready for a team",
  Part.extend({ resource: Id, seen: Seen }),
  (input) => ({ team: input.team, resource: input.resource }),
  async (caller, input) => {
    const { db, visitor } = caller;
    return db.transaction(async (tx) => {
      await unchanged(tx, caller, input);
      const head = (await publishedOf(tx, [input.resource])).get(input.resource);
      if (!head) throw new ActionError("publishFirst");
      const team = (await teamsOf(tx, visitor.id)).find(({ id }) => id === input.team)!;
      const own = new Set((await colleaguesOf(tx, visitor)).filter((one) => one.own).map(({ id }) => id));
      const inside = team.members.every(({ id }) => id === visitor.id || own.has(id));
      const [shelves] = await standing(tx, visitor.id, [head.document]);
      const reasons = shelves![inside ? "staffroom" : "district"];
      if (reasons.length > 0) throw new ActionError({ problem: reasons.map(({ text }) => text).join(" ") });
      await setPart(tx, {
        line: input.line,
        week: input.week,
        maker: visitor.id,
        begun: true,
        resource: input.resource,
      });
      return {};
    });
  },
);
