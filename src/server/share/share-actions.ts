"use server";
import { z } from "zod";
import { subjects } from "@/core/content/vocabulary";
import { sharedShelves, type SharedShelf } from "@/core/sharing/how-far";
import { atShelf, shelfNames } from "@/core/find/format";
import type { Queryable } from "@/data/engine/db";
import { canonical } from "@/core/resource/changes";
import { unfinished } from "@/core/resource/unfinished";
import { withoutPart } from "@/core/sharing/take-out";
import { addEvent } from "@/data/engine/events";
import { publishedOf } from "@/data/engine/read-once";
import { draftOf, resourceById } from "@/data/adapt/resources";
import { addOffers, offersFor, withdrawOffers } from "@/data/share/offers";
import { entriesOf, setEntries, type ShelfEntry } from "@/data/share/sharing";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { PlanState } from "../plan/move-work";
import { publish } from "../adapt/publish";
import { gradeBits, sharingOf, subjectBits, type Sharing } from "./share";
import { tellCurators } from "./tell-of-offers";

const Id = z.number().int().positive();
const Things = z.array(Id).min(1, "There is nothing to share.").max(60, "You can choose up to 60 at once.");
const Shelf = z.enum(sharedShelves);
const Form = z.object({
  resources: Things,
  shelf: Shelf,
  grades: z.array(z.number().int().min(0).max(12)).min(1, "Choose at least one grade."),
  subjects: z.array(z.enum(subjects)).min(1, "Choose at least one subject."),
});
const things = (count: number) => (count === 1 ? "It" : `${count} things`);

/** How far these may go, and what the sentence starts with. Changes nothing. */
export const lookAtSharing = act(
  "share resources",
  z.object({ resources: Things }),
  (input) => ({ resources: input.resources }),
  async ({ db, visitor }, input): Promise<Sharing> => sharingOf(db, visitor, [...new Set(input.resources)]),
);

/** Changes where things stand, as one event that can be undone: returns its number. */
async function changeShelves(
  tx: Queryable,
  made: { by: number; at: Date; what: string; resources: readonly number[] },
  change: (before: ShelfEntry[]) => Promise<{ entries: ShelfEntry[]; offers?: number[]; withdrawn?: number[] }>,
): Promise<number> {
  const resources = [...made.resources];
  await tx.query("select 1 from resource where id = any($1::int[]) order by id for update", [resources]);
  const before = await entriesOf(tx, resources);
  const { entries, offers = [], withdrawn = [] } = await change(before);
  await setEntries(tx, resources, entries);
  const now = await entriesOf(tx, resources);
  return addEvent<PlanState>(tx, {
    ...{ person: made.by, at: made.at, what: made.what },
    before: { places: [], shelves: { resources, entries: before, offers: withdrawn } },
    after: { places: [], shelves: { resources, entries: now, offers } },
  });
}

/**
 * Puts her things on a shelf for grades and subjects, or offers those to the curators that they decide about. What is there already
 * stands there for the new grades and subjects.
 */
export const shareResources = act(
  "share resources",
  Form,
  (input) => ({ resources: input.resources }),
  async ({ db, visitor, now }, input): Promise<{ event: number; said: string }> => {
    const resources = [...new Set(input.resources)];
    const bits = { grades: gradeBits(input.grades), subjects: subjectBits(input.subjects) };
    return db.transaction(async (tx) => {
      const { things: sharable } = await sharingOf(tx, visitor, resources);
      const stateOf = (thing: (typeof sharable)[number]) => thing.shelves.find(({ shelf }) => shelf === input.shelf)!;
      const closed = sharable.find((thing) => stateOf(thing).state === "closed");
      if (closed)
        throw new ActionError(
          problemOf("cannotBeShared", {
            title: closed.title,
            reasons: stateOf(closed)
              .reasons.map(({ text }) => text)
              .join(" "),
          }),
        );
      const offered = sharable.filter((thing) => stateOf(thing).state === "offer");
      const put = sharable.filter((thing) => ["open", "on"].includes(stateOf(thing).state));
      const event = await changeShelves(tx, { by: visitor.id, at: now, what: "shared", resources }, async (before) => {
        const entries = put.map(({ id }): ShelfEntry => ({
          ...{ resource: id, shelf: input.shelf, ...bits, by: visitor.id, at: now.toISOString() },
          school: input.shelf === "staffroom" ? visitor.school : null,
        }));
        const isPut = (entry: ShelfEntry) =>
          entries.some((one) => one.resource === entry.resource && one.shelf === entry.shelf);
        const shelf = input.shelf as Exclude<SharedShelf, "staffroom">;
        const offers = await addOffers(
          tx,
          offered.map((thing) => ({ resource: thing.id, revision: thing.revision!, shelf, ...bits })),
          { by: visitor.id, district: visitor.district, at: now },
        );
        return { entries: [...before.filter((entry) => !isPut(entry)), ...entries], offers };
      });
      if (offered.length > 0)
        await tellCurators(
          tx,
          visitor,
          { titles: offered.map(({ title }) => title), shelf: shelfNames[input.shelf] },
          now,
        );
      const said = [
        ...(put.length > 0
          ? [`${things(put.length)} ${put.length === 1 ? "is" : "are"} ${atShelf[input.shelf]} now.`]
          : []),
        ...(offered.length > 0
          ? [
              `${offered.length === 1 && put.length === 0 ? "It is" : `${offered.length} are`} offered to the curators of ${shelfNames[input.shelf]}.`,
            ]
          : []),
      ];
      return { event, said: said.join(" ") || "It is already waiting for the curators." };
    });
  },
);

/**
 * Publishes her thing anew without what keeps it from going farther, where nothing else of it is being changed. Can be undone: then what
 * was published before is read again.
 */
export const takeOutPart = act(
  "edit resource",
  z.object({ resource: Id, step: z.string().max(60), block: z.string().max(60).nullable() }),
  (input) => ({ resource: input.resource }),
  async ({ db, visitor, now }, input): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const [resource, draft] = [(await resourceById(tx, input.resource))!, await draftOf(tx, input.resource)];
      const old = (await publishedOf(tx, [input.resource])).get(input.resource);
      if (!old) throw new ActionError("notThere");
      if (draft) throw new ActionError("changesNotPublished");
      const document = withoutPart(old.document, input, visitor.id);
      if (canonical(document) === canonical(old.document)) throw new ActionError("notInThere");
      const [problem] = unfinished(document, resource.owner);
      if (problem) throw new ActionError(problemOf("unfinishedWithout", { problem: problem.problem }));
      const { id } = await publish(tx, { resource: resource.id, document, author: visitor.id, now });
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took out a part" },
        before: { places: [], head: { resource: resource.id, revision: old.id } },
        after: { places: [], head: { resource: resource.id, revision: id } },
      });
      return { event };
    }),
);

/** Takes her things off a shelf, and takes back what is offered there. Copies and assignments others made stay theirs. */
export const takeFromShelf = act(
  "share resources",
  z.object({ resources: Things, shelf: Shelf }),
  (input) => ({ resources: input.resources }),
  async ({ db, visitor, now }, input): Promise<{ event: number }> => {
    const resources = [...new Set(input.resources)];
    const event = await db.transaction(async (tx) => {
      const waiting = (await offersFor(tx, resources)).filter(
        ({ shelf, state }) => shelf === input.shelf && state === "waiting",
      );
      return changeShelves(tx, { by: visitor.id, at: now, what: "took off a shelf", resources }, async (before) => ({
        withdrawn: await withdrawOffers(
          tx,
          waiting.map(({ id }) => id),
        ),
        entries: before.filter(({ shelf }) => shelf !== input.shelf),
      }));
    });
    return { event };
  },
);
