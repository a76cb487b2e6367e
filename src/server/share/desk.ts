import type { Subject } from "@/core/resource/document";
import type { Facts } from "@/core/resource/facts";
import { changesBetween, formatChanges } from "@/core/resource/changes";
import { factsOf } from "@/core/resource/facts";
import type { Reason } from "@/core/sharing/how-far";
import type { Db } from "@/data/engine/db";
import {
  likeOnShelf,
  offeredBefore,
  offerOn,
  offersOn,
  proposalOf,
  type Offer,
  type OfferLine,
  type OfferState,
} from "@/data/share/offers";
import { publishedOf, readRevision } from "@/data/engine/read-once";
import { reportsOn, type Report } from "@/data/share/reports";
import type { Document } from "@/core/resource/document";
import type { Visitor } from "../web/session";
import { gradesOf, subjectsOf } from "./share";
import { standing } from "./standing";

export const deskStates = {
  waiting: ["waiting"],
  returned: ["returned"],
  decided: ["accepted", "declined"],
} as const satisfies Record<string, readonly OfferState[]>;
export type DeskList = keyof typeof deskStates;

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
  /** What it is looked at side by side with: something on the shelf, or itself as it stands there. */
  beside: { id: number; author: string; minutes: number; document: Document } | null;
  /** Why it may not stand there as it is; empty when it may. */
  reasons: Reason[];
  /** What would change of what stands there, said; null: it does not stand there yet. */
  changes: string | null;
  /** What became of the author's other offers. */
  before: Partial<Record<OfferState, number>>;
}

/** The desk of a curator's district: one of its three lists. */
export const deskList = (db: Db, visitor: Visitor, list: DeskList, now: Date): Promise<OfferLine[]> =>
  offersOn(db, visitor.district, deskStates[list], list !== "waiting", { now, zone: visitor.zone });

/** A report with the number of the step it is about, from 1; null: none, or it is not there any more. */
export interface DeskReport extends Report {
  stepNumber: number | null;
}

/** What readers reported of things on the district's shelves: what is open first. */
export async function deskReports(db: Db, visitor: Visitor): Promise<DeskReport[]> {
  const reports = await reportsOn(db, visitor.district);
  const heads = await publishedOf(db, [...new Set(reports.map(({ resource }) => resource))]);
  return reports.map((report) => {
    const steps = heads.get(report.resource)?.document.steps ?? [];
    const at = steps.findIndex(({ id }) => id === report.step);
    return { ...report, stepNumber: at < 0 ? null : at + 1 };
  });
}

/** One offer with what a decision needs; null: there is no such offer on this desk. What is judged is the newest revision: an offer follows what its author publishes while it waits. */
export async function deskOffer(
  db: Db,
  visitor: Visitor,
  id: number,
  beside: number | null = null,
): Promise<DeskOffer | null> {
  const offer = await offerOn(db, visitor.district, id);
  if (!offer) return null;
  const [published, proposal] = await Promise.all([readRevision(db, offer.revision), proposalOf(db, offer.id)]);
  const document = proposal ?? published!.document;
  const [alike, before, [shelves]] = await Promise.all([
    likeOnShelf(db, offer.resource, offer.shelf, visitor.district),
    offeredBefore(db, offer.by, offer.id),
    standing(db, offer.by, [document]),
  ]);
  const other = alike.find((one) => one.id === beside);
  const besideIt =
    beside === offer.resource && proposal
      ? {
          ...{ id: beside, author: offer.byName, document: published!.document },
          minutes: factsOf(published!.document).minutes,
        }
      : other && {
          ...{ id: other.id, author: other.author, minutes: other.facts.minutes },
          document: (await publishedOf(db, [other.id])).get(other.id)!.document,
        };
  return {
    ...{
      offer,
      beside: besideIt ?? null,
      resource: offer.resource,
      document,
      facts: factsOf(document),
      alike,
      before,
      reasons: shelves![offer.shelf],
      changes: proposal ? formatChanges(changesBetween(published!.document, proposal)) : null,
    },
    grades: gradesOf(offer.grades),
    subjects: subjectsOf(offer.subjects),
  };
}
