"use server";
import { z } from "zod";
import { PlainDate } from "@/core/calendar/plain-date";
import { mondayOf } from "@/core/calendar/school-calendar";
import { sayWeek } from "@/core/team/board";
import { addEvent } from "@/data/events";
import { publishedOf } from "@/data/read-once";
import { colleaguesOf } from "@/data/shares";
import { addTeam, partFor, renameTeam, setLines, setMembers, setPart, teamsOf, teamState } from "@/data/teams";
import { act, notThere, Refused, type Caller } from "../act";
import type { PlanState } from "../move-work";
import { standing } from "../standing";
import { tellOfAsked } from "../tell-of-offers";

const Id = z.number().int().positive();
const Name = z.string().trim().min(1, "A team needs a name.").max(80, "80 letters are the most for a name.");
const LineName = z.string().trim().min(1, "A part of the work needs a name.").max(60, "60 letters are the most.");
const People = z.array(Id).max(60, "60 people are the most in a team.");
const fewLines = "Name at least one part of the work: reading, the lab, exit questions.";
const manyLines = "Twelve parts of the work are the most.";

/** Colleagues of hers among these. @throws Refused when one of them is none */
async function onlyColleagues({ db, visitor }: Caller, people: readonly number[]): Promise<number[]> {
  const others = [...new Set(people)].filter((id) => id !== visitor.id);
  const known = new Set((await colleaguesOf(db, visitor)).map(({ id }) => id));
  if (others.some((id) => !known.has(id))) throw new Refused(notThere);
  return others;
}

/** Makes a team of colleagues, herself in it. Returns its id. */
export const makeTeam = act(
  "see own teams",
  z.object({ name: Name, people: People, lines: z.array(LineName).min(1, fewLines).max(12, manyLines) }),
  async (caller, given): Promise<{ team: number }> => {
    const others = await onlyColleagues(caller, given.people);
    const { db, visitor, now } = caller;
    const people = [visitor.id, ...others];
    const made = { district: visitor.district, name: given.name, people, lines: given.lines, at: now };
    return db.transaction(async (tx) => ({ team: await addTeam(tx, made) }));
  },
);

/**
 * Changes a team's name, people and parts of the work; a part with an id stays the part it was. Somebody who has left the school but
 * is in the team may stay in it.
 */
export const changeTeam = act(
  "work in a team",
  z.object({
    team: Id,
    name: Name,
    people: People,
    lines: z
      .array(z.object({ id: Id.nullable(), name: LineName }))
      .min(1, fewLines)
      .max(12, manyLines),
  }),
  (given) => ({ team: given.team }),
  async (caller, given): Promise<{ left: boolean; event: number }> => {
    const { db, visitor, now } = caller;
    const before = (await teamsOf(db, visitor.id)).find(({ id }) => id === given.team)!;
    const kept = given.people.filter((id) => before.members.some((member) => member.id === id));
    const added = await onlyColleagues(
      caller,
      given.people.filter((id) => !kept.includes(id)),
    );
    const people = [...new Set([...kept, ...added])];
    if (people.length === 0) throw new Refused("Somebody has to stay in the team.");
    return db.transaction(async (tx) => {
      const was = await teamState(tx, given.team);
      await renameTeam(tx, given.team, given.name);
      await setMembers(tx, given.team, people);
      await setLines(tx, given.team, given.lines);
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "changed a team" },
        before: { places: [], team: { id: given.team, state: was } },
        after: { places: [], team: { id: given.team, state: await teamState(tx, given.team) } },
      });
      return { left: !people.includes(visitor.id), event };
    });
  },
);

const Part = z.object({ team: Id, line: Id, week: PlainDate });
/** What she saw before she changed it. */
const Seen = z.object({ maker: Id.nullable(), resource: Id.nullable() });

/** A part as it stands, locked. @throws Refused when it is not there, or somebody has changed it since she saw it */
async function unchanged(
  tx: Parameters<typeof partFor>[0],
  { visitor }: Caller,
  given: z.infer<typeof Part> & { seen: z.infer<typeof Seen> },
) {
  if (mondayOf(given.week) !== given.week) throw new Refused("A week is named by its Monday.");
  const part = await partFor(tx, given.team, given.line, given.week);
  if (!part) throw new Refused(notThere);
  if (part.maker === given.seen.maker && part.resource === given.seen.resource) return part;
  const team = (await teamsOf(tx, visitor.id)).find(({ id }) => id === given.team);
  const maker = team?.members.find(({ id }) => id === part.maker)?.name;
  throw new Refused(
    part.resource !== null
      ? `It is ready by now${maker ? `: ${maker} made it` : ""}. Nothing was changed.`
      : maker
        ? `${maker} has it by now. Nothing was changed.`
        : "Nobody is making it any more. Nothing was changed.",
  );
}

/** Says who makes a part of a week (null: nobody yet), and whether she is at it. Somebody who is asked gets a message. */
export const givePart = act(
  "work in a team",
  Part.extend({ maker: Id.nullable(), begun: z.boolean(), seen: Seen }),
  (given) => ({ team: given.team }),
  async (caller, given) => {
    const { db, visitor, now } = caller;
    return db.transaction(async (tx) => {
      const part = await unchanged(tx, caller, given);
      const team = (await teamsOf(tx, visitor.id)).find(({ id }) => id === given.team)!;
      if (given.maker !== null && !team.members.some(({ id }) => id === given.maker)) throw new Refused(notThere);
      await setPart(tx, {
        ...{ line: given.line, week: given.week, maker: given.maker, resource: null },
        begun: given.maker !== null && given.begun,
      });
      if (given.maker !== null && given.maker !== visitor.id && given.maker !== part.maker)
        await tellOfAsked(
          tx,
          visitor,
          { person: given.maker, team: team.name, part: part.name, week: sayWeek(given.week) },
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
  (given) => ({ team: given.team, resource: given.resource }),
  async (caller, given) => {
    const { db, visitor } = caller;
    return db.transaction(async (tx) => {
      await unchanged(tx, caller, given);
      const head = (await publishedOf(tx, [given.resource])).get(given.resource);
      if (!head) throw new Refused("Publish it first: others see what is published.");
      const team = (await teamsOf(tx, visitor.id)).find(({ id }) => id === given.team)!;
      const own = new Set((await colleaguesOf(tx, visitor)).filter((one) => one.own).map(({ id }) => id));
      const inside = team.members.every(({ id }) => id === visitor.id || own.has(id));
      const [shelves] = await standing(tx, visitor.id, [head.document]);
      const reasons = shelves![inside ? "staffroom" : "district"];
      if (reasons.length > 0) throw new Refused(reasons.map(({ text }) => text).join(" "));
      await setPart(tx, {
        line: given.line,
        week: given.week,
        maker: visitor.id,
        begun: true,
        resource: given.resource,
      });
      return {};
    });
  },
);
