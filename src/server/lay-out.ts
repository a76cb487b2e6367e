import { addDays, schoolClock, SEMESTER_WEEKS } from "@/core/calendar/school-calendar";
import { sayDay } from "@/core/calendar/say-moment";
import { pack } from "@/core/plan/pack";
import { stepMinutes } from "@/core/plan/parts";
import type { NewAssignment } from "@/data/assignments";
import { studentsOf } from "@/data/classes";
import type { Db } from "@/data/db";
import { plannedIn } from "@/data/plan";
import { factsOfHead, resourceById, revisionById } from "@/data/resources";
import { resourcesIn } from "@/data/satchel";
import { withExtraTime } from "@/core/assign/extra-time";
import { Refused } from "./act";
import { lookAtPlaced } from "./look-again";
import { giveWork } from "./move-work";
import { permit } from "./permissions";
import { columnOf } from "./reflow";
import type { Visitor } from "./session";

export interface LaidOut {
  /** In order: what is taught in which lesson. */
  lessons: { title: string; part: string | null; minutes: number; day: string; date: string; period: number }[];
  /** What there is no lesson for before the calendar ends. */
  left: string[];
  /** Minutes by which lessons are overfull: a single step longer than any lesson. */
  over: number;
  /** What the last look says of it. */
  remarks: string[];
  /** What undoes it, when it was given and not only looked at. */
  event?: number;
}

/** Lays a pocket over the lessons of a class from one on, and gives it when `give`. */
export async function layOutPocket(
  db: Db,
  visitor: Visitor,
  of: { class: number; label: string; pocket: number; date: string; period: number },
  give: boolean,
  now: Date,
): Promise<LaidOut> {
  const resources: { id: number; revision: number; title: string; steps: string[]; minutes: number[] }[] = [];
  const skipped: string[] = [];
  for (const id of await resourcesIn(db, of.pocket)) {
    // What is not published, or has been taken off its shelf, cannot be given.
    const resource = await resourceById(db, id);
    if (!resource?.head || !(await permit(db, visitor, "look at resource", { resource: id }, now))) {
      skipped.push((await factsOfHead(db, id)).title);
      continue;
    }
    const { document } = (await revisionById(db, resource.head))!;
    const facts = await factsOfHead(db, id);
    const minutes = stepMinutes(document, facts);
    const steps = document.steps.map((step) => step.id);
    resources.push({ id, revision: resource.head, title: facts.title, steps, minutes });
  }
  if (resources.length === 0) throw new Refused("Nothing in this pocket can be given yet.");
  const { calendar, meetings } = await columnOf(db, of.class, of.label, of.date);
  const last = addDays(schoolClock(now, calendar.zone).date, SEMESTER_WEEKS * 7);
  const next = meetings.filter(
    ({ date, period, starts }) =>
      starts > now && date <= last && (date > of.date || (date === of.date && period >= of.period)),
  );
  const planned = await plannedIn(db, [of.class], of.date, last);
  const rooms = next.map(({ date, period, minutes }) => ({
    minutes,
    used: planned.find((one) => one.date === date && one.period === period)?.minutes ?? 0,
  }));
  const { laid, left, over } = pack(
    resources.map(({ id, minutes }) => ({ id, steps: minutes })),
    rooms,
  );
  const pieces = laid.map((piece) => {
    const resource = resources.find(({ id }) => id === piece.lesson)!;
    const all = laid.filter(({ lesson }) => lesson === piece.lesson);
    const part = all.length > 1 ? `${all.indexOf(piece) + 1} of ${all.length}` : null;
    return { ...piece, resource, part, at: next[piece.meeting]! };
  });
  return {
    lessons: pieces.map(({ resource, part, minutes, at }) => ({
      title: resource.title,
      part,
      minutes,
      day: sayDay(at.starts, calendar.zone, now),
      date: at.date,
      period: at.period,
    })),
    left: left.map((id) => resources.find((one) => one.id === id)!.title),
    over,
    remarks: [
      ...skipped.map((title) => `“${title}” is left out: it is not published, or was taken off its shelf.`),
      ...(await remarks()),
    ],
    ...(give && { event: await giveAll() }),
  };

  /** Each thing looked at once, in its first lesson; how long it is, is settled by laying it out. */
  async function remarks(): Promise<string[]> {
    const students = (await studentsOf(db, of.class)).map(({ id }) => id);
    const said: string[] = [];
    for (const { id } of resources) {
      const first = pieces.find(({ resource }) => resource.id === id);
      if (!first) continue;
      const times = { opens: first.at.starts, due: first.at.ends, closes: null, meeting: first.at };
      const work = { class: of.class, resources: [id], students, moved: null };
      const found = await lookAtPlaced(db, visitor, work, times, now);
      said.push(...found.filter(({ key }) => !/^(?:long|full) /.test(key)).map(({ text }) => text));
    }
    return [...new Set(said)];
  }

  async function giveAll(): Promise<number> {
    const students = await studentsOf(db, of.class);
    const list = pieces.map(({ resource, part, from, to, minutes, at }, position): NewAssignment => {
      const times = { opens: at.starts, due: at.ends, closes: null };
      return {
        class: of.class,
        resource: resource.id,
        revision: resource.revision,
        students: students.map(({ id }) => id),
        madeBy: visitor.id,
        made: now,
        ...times,
        tries: 1,
        keep: "best",
        checking: "at once",
        meeting: { date: at.date, period: at.period },
        steps: part ? resource.steps.slice(from, to) : null,
        part,
        minutes,
        position,
        own: students
          .filter(({ factor }) => factor !== 1)
          .map(({ id, factor }) => ({ student: id, factor, due: withExtraTime(calendar, times, factor).due })),
      };
    });
    return (await giveWork(db, visitor.id, now, list)).event;
  }
}
