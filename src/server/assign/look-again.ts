import type { Finding } from "@/core/assign/finding";
import { lastLook } from "@/core/assign/last-look";
import { plainForm } from "@/core/assign/plain-form";
import { toWallClock } from "@/core/calendar/format-moment";
import type { Times } from "@/core/plan/move";
import type { Assignment } from "@/data/assign/assignments";
import type { Db } from "@/data/engine/db";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { prepareAssigning } from "./assigning";
import type { Visitor } from "../web/session";

interface Placed extends Times {
  meeting: { date: string; period: number } | null;
}

/**
 * The last look over work of one class at the times it is to have: the same that assigning goes through. `moved`: the work itself,
 * when it is there already.
 */
export async function lookAtPlaced(
  db: Db,
  visitor: Visitor,
  work: { class: number; resources: readonly number[]; students: readonly number[]; moved: number | null },
  times: Placed,
  now: Date,
): Promise<Finding[]> {
  const at = (moment: Date) => ({ kind: "at" as const, at: toWallClock(moment, visitor.zone) });
  const form = plainForm(
    { resources: [...work.resources], to: [{ class: work.class, students: [...work.students] }] },
    {
      opens: times.meeting
        ? { kind: "place", date: times.meeting.date, period: times.meeting.period }
        : at(times.opens),
      due: at(times.due),
      closes: times.closes ? { at: toWallClock(times.closes, visitor.zone) } : "never",
    },
  );
  const { looked } = await prepareAssigning(db, visitor, form, null, now, work.moved);
  return lastLook(looked);
}

/** What can be wrong with times alone: what the thing itself is like was looked at when it was assigned. */
const aboutTimes = ({ key }: Finding) => /^(?:closed|hour|past|when|days|long|full|load) /.test(key);

/** What can be wrong with when it opens: no news where it opens when it did before. */
const aboutOpening = ({ key }: Finding) => /^(?:past|(?:closed|hour) opens) /.test(key);

/**
 * What the last look says of a piece of work at other times.
 * @throws ActionError when it cannot have them
 */
export async function lookAtMoved(
  db: Db,
  visitor: Visitor,
  assignment: Assignment,
  students: readonly number[],
  times: Placed,
  now: Date,
): Promise<Finding[]> {
  const work = { class: assignment.class, resources: [assignment.resource], students, moved: assignment.id };
  const opensAsBefore = times.opens.getTime() === assignment.opens.getTime();
  const found = (await lookAtPlaced(db, visitor, work, times, now))
    .filter(aboutTimes)
    .filter((finding) => !(opensAsBefore && aboutOpening(finding)));
  const stop = found.find(({ level }) => level === "stop");
  if (stop) throw new ActionError(problemOf("stopsChange", { text: stop.text }));
  return found;
}
