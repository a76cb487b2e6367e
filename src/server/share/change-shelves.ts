import { canonical } from "@/core/resource/changes";
import { isTaken, type Queryable } from "@/data/engine/db";
import { offerAgain, proposalOf, undecide, withdrawOffers } from "@/data/share/offers";
import { setLinkEnded } from "@/data/share/links";
import { draftOf, editsOf, resourceById, saveDraft } from "@/data/adapt/resources";
import { publishAgain } from "../adapt/publish";
import { setOutcome } from "@/data/share/reports";
import { endGiven } from "@/data/share/shares";
import { aboutOf, setAbout } from "@/data/find/partners";
import {
  announcePocket,
  keepersOf,
  pocketIsThere,
  putBackIntoPocket,
  restorePocket,
  setKeepers,
  type RemovedPocket,
} from "@/data/satchel/pockets";
import { setState, writeSet } from "@/data/find/sets";
import { entriesOf, setEntries } from "@/data/share/sharing";
import { restoreTeam, teamState } from "@/data/share/teams";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { PlanState } from "../plan/move-work";
import { refuseWhatStays } from "../satchel/pocket";

type Shelves = NonNullable<PlanState["shelves"]>;

/** @throws ActionError when they stand elsewhere by now, or a curator has decided about an offer */
export async function putShelvesBack(tx: Queryable, before: Shelves, after: Shelves): Promise<void> {
  if (canonical(await entriesOf(tx, after.resources)) !== canonical(after.entries))
    throw new ActionError("someMovedShelves");
  if ((await withdrawOffers(tx, after.offers)).length < after.offers.length) throw new ActionError("curatorDecided");
  if (!(await offerAgain(tx, before.offers))) throw new ActionError("curatorDecided");
  await setEntries(tx, after.resources, before.entries);
}

/** What was published before is read again. @throws ActionError when something newer is */
export async function putHeadBack(
  tx: Queryable,
  before: NonNullable<PlanState["head"]>,
  after: NonNullable<PlanState["head"]>,
): Promise<void> {
  if (!(await publishAgain(tx, { resource: after.resource, from: after.revision, to: before.revision })))
    throw new ActionError("publishedAgain");
}

type Decided = NonNullable<PlanState["offer"]>;

/** What waits again is its author's draft again, unless she has begun another: sent back, she finds her changes where they were. */
async function draftAgain(tx: Queryable, offer: number, resource: number, base: number): Promise<void> {
  const [document, owner, seen] = [
    await proposalOf(tx, offer),
    (await resourceById(tx, resource))!.owner,
    await editsOf(tx, resource),
  ];
  if (document && !(await draftOf(tx, resource)))
    await saveDraft(tx, { resource, document, base, seen, by: owner, at: new Date() });
}

/** @throws ActionError when it stands elsewhere by now, or has been offered anew */
export async function putDecisionBack(tx: Queryable, by: number, before: Decided, after: Decided): Promise<void> {
  if (canonical(await entriesOf(tx, [after.resource])) !== canonical(after.entries))
    throw new ActionError("movedShelves");
  if (after.id !== null && !(await undecide(tx, after.id, { ...before, by }))) throw new ActionError("offeredAgain");
  if (after.head !== undefined && before.head !== undefined) {
    await putHeadBack(
      tx,
      { resource: before.resource, revision: before.head },
      { resource: after.resource, revision: after.head },
    );
    await draftAgain(tx, after.id!, after.resource, before.head);
  }
  await setEntries(tx, [after.resource], before.entries);
}

/** @throws ActionError when somebody has changed the team or its board since */
export async function putTeamBack(
  tx: Queryable,
  before: NonNullable<PlanState["team"]>,
  after: NonNullable<PlanState["team"]>,
): Promise<void> {
  if (canonical(await teamState(tx, after.id)) !== canonical(after.state)) throw new ActionError("teamChanged");
  await restoreTeam(tx, after.id, before.state);
}

/** @throws ActionError when the pocket is gone, or others keep it by now */
export async function putPocketBack(
  tx: Queryable,
  before: NonNullable<PlanState["pocket"]>,
  after: NonNullable<PlanState["pocket"]>,
  now: Date,
): Promise<void> {
  if (before.removed) return bringPocketBack(tx, after.id, before.removed, now);
  if (!(await pocketIsThere(tx, after.id))) throw new ActionError("pocketRemoved");
  const keepers = await keepersOf(tx, after.id);
  if (before.items) {
    await putBackIntoPocket(tx, after.id, before.items, now);
    await refuseWhatStays(tx, keepers, { pocket: after.id });
  }
  if (before.people) {
    if (canonical(keepers.people) !== canonical(after.people)) throw new ActionError("pocketShared");
    await refuseWhatStays(tx, { ...keepers, people: before.people }, { pocket: after.id });
    await setKeepers(tx, after.id, before.people, now);
  }
  await announcePocket(tx, after.id);
}

/** @throws ActionError when she has another pocket of that name by now */
async function bringPocketBack(tx: Queryable, id: number, removed: RemovedPocket, now: Date): Promise<void> {
  try {
    await restorePocket(tx, id, removed, now);
  } catch (error) {
    if (isTaken(error, "pocket_person_id_name_key"))
      throw new ActionError(problemOf("pocketNameTaken", { name: removed.name }));
    throw error;
  }
}

/** @throws ActionError when another curator has said something else since */
export async function putPartnerBack(
  tx: Queryable,
  district: number,
  before: NonNullable<PlanState["partner"]>,
  after: NonNullable<PlanState["partner"]>,
): Promise<void> {
  if ((await aboutOf(tx, district, after.id)) !== after.about) throw new ActionError("changedBySomebody");
  await setAbout(tx, after.id, before.about);
}

/** @throws ActionError when another curator has changed it since */
export async function putSetBack(
  tx: Queryable,
  district: number,
  before: NonNullable<PlanState["set"]>,
  after: NonNullable<PlanState["set"]>,
): Promise<void> {
  if (canonical(await setState(tx, district, after.id)) !== canonical(after.state)) throw new ActionError("setChanged");
  await writeSet(tx, district, after.id, before.state);
}

/** @throws ActionError when its thing stands elsewhere by now, or is reported anew */
export async function putReportBack(
  tx: Queryable,
  before: NonNullable<PlanState["report"]>,
  after: NonNullable<PlanState["report"]>,
): Promise<void> {
  if (canonical(await entriesOf(tx, [after.resource])) !== canonical(after.entries))
    throw new ActionError("movedShelves");
  if (!(await setOutcome(tx, after.id, null))) throw new ActionError("reportedAgain");
  if (canonical(before.entries) !== canonical(after.entries)) await setEntries(tx, [after.resource], before.entries);
}

/** @throws ActionError when it was ended or opened again since */
export async function putLinkBack(
  tx: Queryable,
  by: number,
  link: NonNullable<PlanState["link"]>,
  now: Date,
): Promise<void> {
  if (!(await setLinkEnded(tx, by, link.id, link.ended ? null : now))) throw new ActionError("linkChanged");
}

/** @throws ActionError when it was taken back or given again since */
export async function putGivenBack(tx: Queryable, gave: NonNullable<PlanState["gave"]>, now: Date): Promise<void> {
  const changed = await endGiven(tx, gave.ids, gave.ended ? null : now);
  if (changed.length < gave.ids.length) throw new ActionError("someGivenSince");
}
