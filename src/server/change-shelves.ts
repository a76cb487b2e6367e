import { canonical } from "@/core/resource/changes";
import type { Queryable } from "@/data/db";
import { offerAgain, undecide, withdrawOffers } from "@/data/offers";
import { setLinkEnded } from "@/data/links";
import { setOutcome } from "@/data/reports";
import { endGiven } from "@/data/shares";
import { setState, writeSet } from "@/data/sets";
import { entriesOf, setEntries } from "@/data/sharing";
import { restoreTeam, teamState } from "@/data/teams";
import { Refused } from "./act";
import type { PlanState } from "./move-work";

type Shelves = NonNullable<PlanState["shelves"]>;

/** @throws Refused when they stand elsewhere by now, or a curator has decided about an offer */
export async function putShelvesBack(tx: Queryable, before: Shelves, after: Shelves): Promise<void> {
  if (canonical(await entriesOf(tx, after.resources)) !== canonical(after.entries))
    throw new Refused("Some of it has been moved to other shelves since, so it stays where it is.");
  const decided = "A curator has decided about it in the meantime, so it stays where it is.";
  if ((await withdrawOffers(tx, after.offers)).length < after.offers.length) throw new Refused(decided);
  if (!(await offerAgain(tx, before.offers))) throw new Refused(decided);
  await setEntries(tx, after.resources, before.entries);
}

type Decided = NonNullable<PlanState["offer"]>;

/** @throws Refused when it stands elsewhere by now, or has been offered anew */
export async function putDecisionBack(tx: Queryable, by: number, before: Decided, after: Decided): Promise<void> {
  if (canonical(await entriesOf(tx, [after.resource])) !== canonical(after.entries))
    throw new Refused("It has been moved to other shelves since, so the decision stays.");
  if (after.id !== null && !(await undecide(tx, after.id, { ...before, by })))
    throw new Refused("It has been offered again since, so the decision stays.");
  await setEntries(tx, [after.resource], before.entries);
}

/** @throws Refused when somebody has changed the team or its board since */
export async function putTeamBack(
  tx: Queryable,
  before: NonNullable<PlanState["team"]>,
  after: NonNullable<PlanState["team"]>,
): Promise<void> {
  if (canonical(await teamState(tx, after.id)) !== canonical(after.state))
    throw new Refused("Somebody has changed the team since, so it stays as it is.");
  await restoreTeam(tx, after.id, before.state);
}

/** @throws Refused when another curator has changed it since */
export async function putSetBack(
  tx: Queryable,
  district: number,
  before: NonNullable<PlanState["set"]>,
  after: NonNullable<PlanState["set"]>,
): Promise<void> {
  if (canonical(await setState(tx, district, after.id)) !== canonical(after.state))
    throw new Refused("The set has been changed since, so it stays as it is.");
  await writeSet(tx, district, after.id, before.state);
}

/** @throws Refused when its thing stands elsewhere by now, or is reported anew */
export async function putReportBack(
  tx: Queryable,
  before: NonNullable<PlanState["report"]>,
  after: NonNullable<PlanState["report"]>,
): Promise<void> {
  if (canonical(await entriesOf(tx, [after.resource])) !== canonical(after.entries))
    throw new Refused("It has been moved to other shelves since, so the decision stays.");
  if (!(await setOutcome(tx, after.id, null)))
    throw new Refused("It has been reported again since, so the decision stays.");
  if (canonical(before.entries) !== canonical(after.entries)) await setEntries(tx, [after.resource], before.entries);
}

/** @throws Refused when it was ended or opened again since */
export async function putLinkBack(
  tx: Queryable,
  by: number,
  link: NonNullable<PlanState["link"]>,
  now: Date,
): Promise<void> {
  if (!(await setLinkEnded(tx, by, link.id, link.ended ? null : now)))
    throw new Refused("The link has been changed since, so it stays as it is.");
}

/** @throws Refused when it was taken back or given again since */
export async function putGivenBack(tx: Queryable, gave: NonNullable<PlanState["gave"]>, now: Date): Promise<void> {
  const changed = await endGiven(tx, gave.ids, gave.ended ? null : now);
  if (changed.length < gave.ids.length)
    throw new Refused("Some of it was given or taken back since, so it stays as it is.");
}
