"use server";
import { z } from "zod";
import { subjects } from "@/core/content/vocabulary";
import { curatedShelves } from "@/core/sharing/how-far";
import { canonical } from "@/core/resource/changes";
import type { Document } from "@/core/resource/document";
import type { Queryable } from "@/data/engine/db";
import { decide, offerOn, proposalOf, type Offer } from "@/data/share/offers";
import { draftOf, dropDraft, resourceById } from "@/data/adapt/resources";
import { addEvent } from "@/data/engine/events";
import { readRevision } from "@/data/engine/read-once";
import { entriesOf, ownerIn, setEntries, type ShelfEntry } from "@/data/share/sharing";
import { act, ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import type { PlanState } from "../plan/move-work";
import { publish } from "../adapt/publish";
import { refuseWhereSeen } from "../adapt/publishable";
import { standing } from "./standing";
import { gradeBits, subjectBits } from "./share";
import { tellAuthor } from "./tell-of-offers";

const Id = z.number().int().positive();
const Decision = z.object({
  offer: Id,
  /** The revision the curator has looked at. */
  revision: Id,
  /** When the changes were offered that the curator has looked at; null: it is offered as it is published. */
  proposed: z.coerce.date().nullable().default(null),
  decision: z.enum(["accepted", "returned", "declined"]),
  grades: z.array(z.number().int().min(0).max(12)).min(1, "Choose at least one grade."),
  subjects: z.array(z.enum(subjects)).min(1, "Choose at least one subject."),
  note: z.string().trim().max(2000, "Keep the note under 2,000 characters.").default(""),
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
  async ({ db, visitor, now }, input): Promise<{ event: number; said: string }> => {
    if (input.decision !== "accepted" && input.note === "" && input.pins.length === 0)
      throw new ActionError(input.decision === "declined" ? problemOf("sayWhy") : problemOf("sayWhatToChange"), "note");
    return db.transaction(async (tx) => {
      const offer = await offerOn(tx, visitor.district, input.offer);
      if (!offer) throw new ActionError("notThere");
      if (offer.by === visitor.id) throw new ActionError("ownOffer");
      const looked = offer.revision === input.revision && offer.proposed?.getTime() === input.proposed?.getTime();
      if (offer.state === "waiting" && !looked)
        throw new ActionError(problemOf("offerChanged", { name: offer.byName }));
      if (input.decision === "accepted") {
        const document = (await proposalOf(tx, offer.id)) ?? (await readRevision(tx, offer.revision))!.document;
        const [shelves] = await standing(tx, offer.by, [document]);
        const reasons = shelves![offer.shelf];
        if (reasons.length > 0) throw new ActionError({ problem: reasons.map(({ text }) => text).join(" ") });
      }
      const bits = { grades: gradeBits(input.grades), subjects: subjectBits(input.subjects) };
      const decided = { state: input.decision, by: visitor.id, at: now, ...bits, note: input.note, pins: input.pins };
      if (!(await decide(tx, offer.id, decided))) {
        const other = (await offerOn(tx, visitor.district, offer.id))!;
        throw new ActionError(
          other.state === "withdrawn"
            ? problemOf("offerTakenBack", { name: offer.byName })
            : problemOf("decidedAs", { who: other.decidedByName ?? "Somebody", state: formatState[other.state] }),
        );
      }
      const before = await entriesOf(tx, [offer.resource]);
      const head = input.decision === "accepted" ? await publishProposal(tx, offer, now) : null;
      if (input.decision === "accepted") {
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
            ...(head && { head: head.before }),
          },
        },
        after: {
          places: [],
          offer: {
            ...{ id: offer.id, ...bits, resource: offer.resource, entries: await entriesOf(tx, [offer.resource]) },
            ...(head && { head: head.after }),
          },
        },
      });
      await tellAuthor(tx, visitor, offer, input, now);
      return {
        event,
        said: `${formatState[input.decision][0]!.toUpperCase()}${formatState[input.decision].slice(1)}: “${offer.title}”.`,
      };
    });
  },
);

/** Publishes the changes of an offer; null: it is offered as it is published already. Returns the heads before and after. */
async function publishProposal(
  tx: Queryable,
  offer: Offer,
  now: Date,
): Promise<{ before: number; after: number } | null> {
  const document = await proposalOf(tx, offer.id);
  if (!document) return null;
  const resource = (await resourceById(tx, offer.resource))!;
  await refuseWhereSeen(tx, resource, document);
  const draft = await draftOf(tx, offer.resource);
  const { id } = await publish(tx, { resource: offer.resource, document, author: offer.by, now });
  // What she has gone on with since stays her draft.
  if (draft && canonical(withoutChanged(draft.document)) === canonical(withoutChanged(document)))
    await dropDraft(tx, offer.resource);
  return { before: resource.head!, after: id };
}

/** What was changed of a source is said anew at every publishing. */
const withoutChanged = (document: Document) => ({
  ...document,
  credits: document.credits.map((credit) => ({ ...credit, changed: "" })),
});

const formatState: Record<Offer["state"], string> = {
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
  async ({ db, visitor, now }, input): Promise<{ event: number }> =>
    db.transaction(async (tx) => {
      const thing = await ownerIn(tx, visitor.district, input.resource);
      const before = await entriesOf(tx, [input.resource]);
      if (!thing || !before.some(({ shelf }) => shelf === input.shelf)) throw new ActionError("notThere");
      await setEntries(
        tx,
        [input.resource],
        before.filter(({ shelf }) => shelf !== input.shelf),
      );
      const event = await addEvent<PlanState>(tx, {
        ...{ person: visitor.id, at: now, what: "took something off a shelf" },
        before: { places: [], offer: { id: null, grades: 0, subjects: 0, resource: input.resource, entries: before } },
        after: {
          places: [],
          offer: {
            id: null,
            grades: 0,
            subjects: 0,
            resource: input.resource,
            entries: await entriesOf(tx, [input.resource]),
          },
        },
      });
      await tellAuthor(
        tx,
        visitor,
        { ...thing, shelf: input.shelf },
        { decision: "removed", note: input.reason, pins: [] },
        now,
      );
      return { event };
    }),
);
