import { formatDay } from "@/core/calendar/format-moment";
import { momentAt } from "@/core/calendar/school-calendar";
import { classById } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { pocketsOf, resourcesIn } from "@/data/satchel/pockets";
import type { Visitor } from "../web/session";
import { gather, type Gathered } from "./gather";
import { workIn, type Stretch } from "./work-in";

/** One resource on its way out. */
export const gatherResource = async (db: Queryable, visitor: Visitor, resource: number): Promise<Gathered> => {
  const gathered = await gather(db, visitor, { id: `resource-${resource}`, title: "" }, [{ resource, topic: "" }]);
  const [topic] = gathered.outgoing.topics;
  const title = topic?.resources[0]?.document.title ?? {};
  const named = title[gathered.outgoing.language] ?? Object.values(title)[0] ?? "A resource";
  return {
    ...gathered,
    outgoing: { ...gathered.outgoing, title: named, topics: topic ? [{ ...topic, title: named }] : [] },
  };
};

/** A pocket in its order. */
export async function gatherPocket(db: Queryable, visitor: Visitor, pocket: number): Promise<Gathered> {
  const name = (await pocketsOf(db, visitor.id)).find(({ id }) => id === pocket)?.name ?? "A pocket";
  const resources = await resourcesIn(db, pocket);
  return gather(
    db,
    visitor,
    { id: `pocket-${pocket}`, title: name },
    resources.map((resource) => ({ resource, topic: name })),
  );
}

/** Work of a class that opens or is due in these weeks, by subject and then by when it is due; each with where students do it. */
export async function gatherPlan(
  db: Queryable,
  visitor: Visitor,
  stretch: Stretch,
  of: { base: string; now: Date },
): Promise<Gathered> {
  const [group, work] = await Promise.all([classById(db, stretch.class), workIn(db, visitor, stretch, of.now)]);
  const from = formatDay(momentAt(stretch.from, "12:00", visitor.zone), visitor.zone, of.now).replace(/^\w+ /, "");
  return gather(
    db,
    visitor,
    { id: `plan-${stretch.class}`, title: `${group?.name ?? "A class"}, from ${from}` },
    work.map(({ assignment: { id, resource }, document, topic }) => ({
      ...{ resource, document, topic, id: `work-${id}`, address: `${of.base}/student/${id}` },
    })),
  );
}
