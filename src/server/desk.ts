import { subjects } from "@/core/resource/vocabulary";
import type { Subject } from "@/core/resource/document";
import type { Facts } from "@/core/resource/facts";
import { factsOf } from "@/core/resource/facts";
import type { Db } from "@/data/db";
import { likeOnShelf, offeredBefore, offerOn, offersOn, type Offer, type OfferState } from "@/data/offers";
import { revisionById } from "@/data/resources";
import type { Document } from "@/core/resource/document";
import type { Visitor } from "./session";

export const deskStates = {
  waiting: ["waiting"],
  returned: ["returned"],
  decided: ["accepted", "declined"],
} as const satisfies Record<string, readonly OfferState[]>;
export type DeskList = keyof typeof deskStates;

/** An offer as a line of the list. */
export interface DeskLine extends Pick<
  Offer,
  "id" | "shelf" | "byName" | "bySchool" | "at" | "state" | "decided" | "decidedByName"
> {
  title: string;
  minutes: number;
  kind: string;
  grades: { from: number; to: number };
}

/** Something on the shelf that is much like what is offered. */
export interface AlikeOnShelf {
  id: number;
  author: string;
  facts: Facts;
  usedBy: number;
}

/** Everything to decide about one offer, on one screen. */
export interface DeskOffer {
  offer: Offer;
  resource: number;
  document: Document;
  facts: Facts;
  grades: number[];
  subjects: Subject[];
  alike: AlikeOnShelf[];
  /** What became of the author's other offers. */
  before: Partial<Record<OfferState, number>>;
}

const bitsIn = (bits: number, most: number): number[] =>
  Array.from({ length: most }, (_, at) => at).filter((at) => (bits >> at) & 1);

export const gradesIn = (bits: number): number[] => bitsIn(bits, 13);
export const subjectsIn = (bits: number): Subject[] => bitsIn(bits, subjects.length).map((at) => subjects[at]!);

/** The desk of a curator's district: one of its three lists. */
export async function deskList(db: Db, visitor: Visitor, list: DeskList): Promise<DeskLine[]> {
  const offers = await offersOn(db, visitor.district, deskStates[list], list !== "waiting");
  return offers.map(({ title, facts, ...offer }) => ({
    ...offer,
    ...{ title, minutes: facts.minutes, kind: facts.kind, grades: facts.grades },
  }));
}

/** One offer with what a decision needs; null: there is no such offer on this desk. What is judged is the revision offered. */
export async function deskOffer(db: Db, visitor: Visitor, id: number): Promise<DeskOffer | null> {
  const offer = await offerOn(db, visitor.district, id);
  if (!offer) return null;
  const { document } = (await revisionById(db, offer.revision))!;
  const [alike, before] = await Promise.all([
    likeOnShelf(db, offer.resource, offer.shelf, visitor.district),
    offeredBefore(db, offer.by, offer.id),
  ]);
  return {
    ...{ offer, resource: offer.resource, document, facts: factsOf(document), alike, before },
    grades: gradesIn(offer.grades),
    subjects: subjectsIn(offer.subjects),
  };
}
