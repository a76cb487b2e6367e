import { z } from "zod";
import { withExtraTime } from "@/core/assign/extra-time";
import { AssignForm } from "@/core/assign/form";
import { formatDay } from "@/core/calendar/format-moment";
import { addDays, schoolClock, SEMESTER_WEEKS } from "@/core/calendar/school-calendar";
import { pack } from "@/core/plan/pack";
import { stepMinutes } from "@/core/plan/parts";
import type { Facts } from "@/core/resource/facts";
import type { NewAssignment } from "@/data/assign/assignments";
import { keptSharing } from "@/data/assign/work-rules";
import { studentsOf, type Student } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { plannedIn } from "@/data/plan/plan";
import { factsOfHead, resourceById } from "@/data/adapt/resources";
import { readRevision } from "@/data/engine/read-once";
import { resourcesIn } from "@/data/satchel/pockets";
import { ActionError } from "../web/act";
import { problemOf } from "../web/problem";
import { workOf } from "../assign/assignments-for";
import { audienceOf, type Audience } from "../assign/audience";
import { versionsForAll } from "../assign/resources-to-assign";
import { lookAtPlaced } from "../assign/look-again";
import { giveWork } from "./move-work";
import { permit } from "../web/permissions";
import { columnOf } from "./reflow";
import type { Visitor } from "../web/session";

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

/** What is decided for all of it, beside where it is laid: who, versions, time, how single steps are done, tries, goals. */
export const LaidRules = AssignForm.pick({
  versions: true,
  factors: true,
  stepWork: true,
  tries: true,
  keep: true,
  checking: true,
  goals: true,
  sharing: true,
}).extend({ students: z.array(z.number().int().positive()).min(1, "Choose at least one student.").max(400) });
export type LaidRules = z.infer<typeof LaidRules>;

/** What a pocket holds that can be assigned now, in its order; the titles of what cannot. */
async function assignableIn(db: Db, visitor: Visitor, pocket: number, now: Date) {
  const resources: { id: number; revision: number; title: string; facts: Facts }[] = [];
  const skipped: string[] = [];
  for (const id of await resourcesIn(db, pocket)) {
    const [resource, facts] = [await resourceById(db, id), await factsOfHead(db, id)];
    // What is not published, or has been taken off its shelf, cannot be assigned.
    if (resource?.head && (await permit(db, visitor, "adapt resource", { resource: id }, now)))
      resources.push({ id, revision: resource.head, title: facts.title, facts });
    else skipped.push(facts.title);
  }
  return { resources, skipped };
}

/** What can be decided for a pocket before it is laid out: whom, versions, steps. */
export async function choicesFor(
  db: Db,
  visitor: Visitor,
  pocket: number,
  now: Date,
): Promise<{ audience: Audience; resources: { id: number; title: string }[] }> {
  const { resources } = await assignableIn(db, visitor, pocket, now);
  return {
    resources: resources.map(({ id, title }) => ({ id, title })),
    audience: await audienceOf(
      db,
      visitor,
      resources.map(({ id }) => id),
      now,
      null,
    ),
  };
}

/** Lays a pocket over the lessons of a class from one on, and gives it when `give`. */
export async function layOutPocket(
  db: Db,
  visitor: Visitor,
  of: { class: number; label: string; pocket: number; date: string; period: number },
  give: boolean,
  now: Date,
  /** Null: everyone in the class, once, checked at once. */
  rules: LaidRules | null = null,
): Promise<LaidOut> {
  const { resources: found, skipped } = await assignableIn(db, visitor, of.pocket, now);
  const resources = await Promise.all(
    found.map(async ({ facts, ...resource }) => {
      const { document } = (await readRevision(db, resource.revision))!;
      return {
        ...resource,
        document,
        steps: document.steps.map((step) => step.id),
        minutes: stepMinutes(document, facts),
      };
    }),
  );
  if (resources.length === 0)
    throw new ActionError(
      skipped.length === 0
        ? problemOf("pocketEmpty")
        : problemOf("nothingInPocket", {
            titles: skipped.map((title) => `“${title}”`).join(", "),
            count: skipped.length,
          }),
    );
  const roster = await studentsOf(db, of.class);
  const students = rules ? roster.filter(({ id }) => rules.students.includes(id)) : roster;
  if (students.length === 0) throw new ActionError("studentsLeftClass");
  const versions = await versionsForAll(db, visitor, [...new Set((rules?.versions ?? []).map((one) => one.of))]);
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
      day: formatDay(at.starts, calendar.zone, now),
      date: at.date,
      period: at.period,
    })),
    left: left.map((id) => resources.find((one) => one.id === id)!.title),
    over,
    remarks: await remarks(),
    ...(give && { event: await giveAll() }),
  };

  /** What is left out, and each thing looked at once, in its first lesson; how long it is, is settled by laying it out. */
  async function remarks(): Promise<string[]> {
    const ids = students.map(({ id }) => id);
    const chosen = rules?.versions.filter((one) => resources.some(({ id }) => id === one.of)) ?? [];
    const said = [
      ...skipped.map((title) => `“${title}” is left out: it is not published, or was taken off its shelf.`),
      ...pieces
        .filter(({ part, resource }) => part && chosen.some((one) => one.of === resource.id))
        .map(
          ({ resource: { title } }) =>
            `“${title}” is in parts, so everyone gets this one: another version has other steps.`,
        ),
      ...chosen
        .filter((one) => !versions.some(({ id, of: main }) => main === one.of && id === one.resource))
        .map(() => "A version you chose is not there any more: its students get the first one."),
    ];
    for (const { id } of resources) {
      const first = pieces.find(({ resource }) => resource.id === id);
      if (!first) continue;
      const times = { opens: first.at.starts, due: first.at.ends, closes: null, meeting: first.at };
      const work = { class: of.class, resources: [id], students: ids, moved: null };
      const found = await lookAtPlaced(db, visitor, work, times, now);
      said.push(...found.filter(({ key }) => !/^(?:long|full) /.test(key)).map(({ text }) => text));
    }
    return [...new Set(said)];
  }

  async function giveAll(): Promise<number> {
    const factorOf = (student: Student) =>
      rules?.factors.find((one) => one.student === student.id)?.factor ?? student.factor;
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
        tries: rules ? rules.tries : 1,
        keep: rules?.keep ?? "best",
        checking: rules?.checking ?? "at once",
        goals: rules?.goals ?? [],
        sharing: rules && keptSharing(rules.sharing),
        stepWork: rules && workOf(rules, resource),
        meeting: { date: at.date, period: at.period },
        steps: part ? resource.steps.slice(from, to) : null,
        part,
        minutes,
        position,
        own: students.flatMap((student) => {
          const factor = factorOf(student);
          const chosen = rules?.versions.find((one) => one.student === student.id && one.of === resource.id);
          const version =
            chosen && !part ? versions.find((one) => one.of === resource.id && one.id === chosen.resource) : undefined;
          if (factor === 1 && !version) return [];
          return [
            {
              student: student.id,
              factor,
              ...(version && { revision: version.revision }),
              due: factor === 1 ? null : withExtraTime(calendar, times, factor).due,
            },
          ];
        }),
      };
    });
    return (await giveWork(db, visitor.id, now, list)).event;
  }
}
