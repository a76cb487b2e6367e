import { formatDay } from "@/core/calendar/format-moment";
import { addDays, momentAt, schoolClock } from "@/core/calendar/school-calendar";
import { assignmentsOf } from "@/data/assign/assignments";
import { classById } from "@/data/classes/classes";
import type { Queryable } from "@/data/engine/db";
import { pocketsOf, resourcesIn } from "@/data/satchel/pockets";
import type { Visitor } from "../web/session";
import { gather, type Gathered } from "./gather";

const capital = (word: string) => word[0]!.toUpperCase() + word.slice(1);

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

/** How much of the plan goes: from a day, so many weeks. */
export interface Stretch {
  class: number;
  from: string;
  weeks: number;
}

/** Work of a class that opens or is due in these weeks, by subject and then by when it is due; each with where students do it. */
export async function gatherPlan(
  db: Queryable,
  visitor: Visitor,
  stretch: Stretch,
  of: { base: string; now: Date },
): Promise<Gathered> {
  const [group, all] = await Promise.all([
    classById(db, stretch.class),
    assignmentsOf(db, visitor.id, [stretch.class], of.now),
  ]);
  const to = addDays(stretch.from, stretch.weeks * 7 - 1);
  const from = formatDay(momentAt(stretch.from, "12:00", visitor.zone), visitor.zone, of.now).replace(/^\w+ /, "");
  const day = (moment: Date) => schoolClock(moment, visitor.zone).date;
  const work = all
    .filter(({ calledBack, opens, due }) => !calledBack && day(opens) <= to && day(due) >= stretch.from)
    .toSorted((one, other) => one.due.getTime() - other.due.getTime() || one.id - other.id);
  return gather(
    db,
    visitor,
    { id: `plan-${stretch.class}`, title: `${group?.name ?? "A class"}, from ${from}` },
    work.map(({ id, resource, subjects }) => ({
      ...{ resource, topic: capital(subjects[0] ?? "other"), id: `work-${id}`, address: `${of.base}/student/${id}` },
    })),
  );
}
