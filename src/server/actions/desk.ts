"use server";
import { z } from "zod";
import { subjects } from "@/core/resource/vocabulary";
import { curatedShelves } from "@/core/sharing/how-far";
import { decide, offerOn, type Offer } from "@/data/offers";
import { addEvent } from "@/data/events";
import { readRevision } from "@/data/read-once";
import { entriesOf, ownerIn, setEntries, type ShelfEntry } from "@/data/sharing";
import { act, notThere, Refused } from "../act";
import type { PlanState } from "../move-work";
import { standing } from "../standing";
import { gradeBits, subjectBits } from "../share";
import { tellAuthor } from "../tell-of-offers";

const Id = z.number().int().positive();
const Decision = z.object({
  offer: Id,
  /** The revision the curator has looked at. */
  revision: Id,
  decision: z.enum(["accepted", "returned", "declined"]),
  grades: z.array(z.number().int().min(0).max(12)).min(1, "Choose at least one grade."),
  subjects: z.array(z.enum(subjects)).min(1, "Choose at least one subject."),
  note: z.string().trim().max(2000, "2,000 letters are the most for a note.").default(""),
  pins: z
    .array(z.object({ step: z.string().max(60), text: z.string().trim().min(1).max(1000) }))
    .max(60)
    .default([]),
});

/**
 * Accepts an offer (grades and subjects may be others than those offered), sends it back with notes, or declines it with a reason. The
 * author is told. When another curator has decided meanwhile, that decision stays and is told.
 */
export const decideOffer = act(
  "keep the desk",
  Decision,
  async ({ db, visitor, now }, given): Promise<{ event: number; said: string }> => {
    if (given.decision !== "accepted" && given.note === "" && given.pins.length === 0)
      throw new Refused(
        given.decision === "declined"
          ? "Say why: the author reads it."
          : "Say what to change, in a note or pinned to a step.",
        "note",
      );
    return db.transaction(async (tx) => {
      const offer = await offerOn(tx, visitor.district, given.offer);
      if (!offer) throw new Refused(notThere);
      if (offer.by === visitor.id) throw new Refused("It is your own. Another curator decides about it.");
      if (offer.state === "waiting" && offer.revision !== given.revision)
        throw new Refused(
          `${offer.byName} has published it again since you opened it. Look at the new revision first.`,
        );
      if (given.decision === "accepted") {
        const { document } = (await readRevision(tx, offer.revision))!;
        const [shelves] = await standing(tx, offer.by, [document]);
        const reasons = shelves![offer.shelf];
        if (reasons.length > 0) throw new Refused(reasons.map(({ text }) => text).join(" "));
      }
      const bits = { grades: gradeBits(given.grades), subjects: subjectBits(given.subjects) };
      const decided = { state: given.decision, by: visitor.id, at: now, ...bits, note: given.note, pins: given.pins };
      if (!(await decide(tx, offer.id, decided))) {
        const other = (await offerOn(tx, visitor.district, offer.id))!;
        throw new Refused(
          other.state === "withdrawn"
            ? `${offer.byName} has taken it back.`
            : `${other.decidedByName ?? "Somebody"} has already decided: ${sayState[other.state]}. That decision stands.`,
        );
      }
      const before = await entriesOf(tx, [offer.resource]);
      if (given.decision === "accepted") {
        const entry: ShelfEntry = {
          ...{
            resource: offer.resource,
            shelf: offer.shelf,
            school: null,
            ...bits,
            by: visitor.id,
            at: now.toISOString(),
          },
        };
        await setEntries(tx, [offer.resource], [...before.filter(({ shelf }) => shelf !== offer.shelf), entry]);
      }
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "decided about an offer" },
        before: {
          places: [],
          offer: {
            id: offer.id,
            grades: offer.grades,
            subjects: offer.subjects,
            resource: offer.resource,
            entries: before,
          },
        },
        after: {
          places: [],
          offer: { id: offer.id, ...bits, resource: offer.resource, entries: await entriesOf(tx, [offer.resource]) },
        },
      });
      await tellAuthor(tx, visitor, offer, given, now);
      return {
        event,
        said: `${sayState[given.decision][0]!.toUpperCase()}${sayState[given.decision].slice(1)}: “${offer.title}”.`,
      };
    });
  },
);

const sayState: Record<Offer["state"], string> = {
  waiting: "waiting",
  accepted: "accepted",
  returned: "sent back",
  declined: "declined",
  withdrawn: "taken back",
};

/** Takes something off a shelf of the district, or of the commons where it came from here, with a reason its author reads. */
export const removeFromShelf = act(
  "keep the desk",
  z.object({
    resource: Id,
    shelf: z.enum(curatedShelves),
    reason: z.string().trim().min(1, "Say why: the author reads it.").max(2000),
  }),
  async ({ db, visitor, now }, given): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const thing = await ownerIn(tx, visitor.district, given.resource);
      const before = await entriesOf(tx, [given.resource]);
      if (!thing || !before.some(({ shelf }) => shelf === given.shelf)) throw new Refused(notThere);
      await setEntries(
        tx,
        [given.resource],
        before.filter(({ shelf }) => shelf !== given.shelf),
      );
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took something off a shelf" },
        before: { places: [], offer: { id: null, grades: 0, subjects: 0, resource: given.resource, entries: before } },
        after: {
          places: [],
          offer: {
            id: null,
            grades: 0,
            subjects: 0,
            resource: given.resource,
            entries: await entriesOf(tx, [given.resource]),
          },
        },
      });
      await tellAuthor(
        tx,
        visitor,
        { ...thing, shelf: given.shelf },
        { decision: "removed", note: given.reason, pins: [] },
        now,
      );
      return { event };
    }),
);
