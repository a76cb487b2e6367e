import type { Subject } from "@/core/resource/document";
import type { Db } from "@/data/engine/db";
import { partnerFor, setsWith, thingsOf, type Partner, type PartnerThing } from "@/data/find/partners";
import { readerOf } from "./reader";
import type { Visitor } from "../web/session";

/** A partner's page. */
export interface PartnerData {
  partner: Partner;
  subjects: { subject: Subject; things: number }[];
  newest: PartnerThing[];
  mostUsed: PartnerThing[];
  sets: Awaited<ReturnType<typeof setsWith>>;
  /** She keeps what it says of itself. */
  curates: boolean;
}

const SHOWN = 6;

/** Null: there is no partner of this number whose things she may see. */
export async function partnerPage(db: Db, visitor: Visitor, id: number): Promise<PartnerData | null> {
  const reader = await readerOf(db, visitor);
  const partner = await partnerFor(db, reader, id);
  if (!partner) return null;
  const [things, sets] = await Promise.all([thingsOf(db, reader, id), setsWith(db, reader, id)]);
  const counts = new Map<Subject, number>();
  for (const { facts } of things)
    for (const subject of facts.subjects) counts.set(subject, (counts.get(subject) ?? 0) + 1);
  return {
    partner,
    subjects: [...counts]
      .map(([subject, count]) => ({ subject, things: count }))
      .sort((one, other) => other.things - one.things),
    newest: [...things].sort((one, other) => other.fresh.getTime() - one.fresh.getTime()).slice(0, SHOWN),
    mostUsed: things.filter(({ uses }) => uses > 0).slice(0, SHOWN),
    sets,
    curates: visitor.roles.includes("curator"),
  };
}
