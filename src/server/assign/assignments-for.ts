import { withExtraTime } from "@/core/assign/extra-time";
import { isProblem, whenFor, type AssignForm, type When, type WhenProblem } from "@/core/assign/form";
import { formatSteps } from "@/core/assign/format";
import type { MeetingRule, SchoolCalendar } from "@/core/calendar/school-calendar";
import type { Times } from "@/core/plan/move";
import { stepMinutes } from "@/core/plan/parts";
import type { StepWork } from "@/core/resource/work";
import type { NewAssignment } from "@/data/assign/assignments";
import { keptSharing } from "@/data/assign/work-rules";
import type { Class, Student } from "@/data/classes/classes";
import type { ResourceToAssign, Version } from "./resources-to-assign";

/** A class with its calendar and its students, as giving work to it needs them. */
export interface Group {
  class: Class;
  calendar: SchoolCalendar;
  rules: MeetingRule[];
  students: Student[];
}

export const factorOf = (form: AssignForm, student: Pick<Student, "id" | "factor">): number =>
  form.factors.find((one) => one.student === student.id)?.factor ?? student.factor;

/** Which other version a student gets; none where parts of the one are given: another has other steps. */
export function versionFor<One extends { id: number; of: number }>(
  form: AssignForm,
  student: number,
  resource: number,
  versions: readonly One[],
): One | undefined {
  if (form.parts || form.steps) return undefined;
  const chosen = form.versions.find((one) => one.student === student && one.of === resource);
  return chosen && versions.find(({ id, of }) => id === chosen.resource && of === resource);
}

/** How single steps of a resource are done; null: all as their author says. */
export function workOf(
  form: Pick<AssignForm, "stepWork">,
  { document }: Pick<ResourceToAssign, "document">,
): StepWork | null {
  const own = form.stepWork.filter(({ step }) => document.steps.some(({ id }) => id === step));
  return own.length === 0 ? null : Object.fromEntries(own.map(({ step, work }) => [step, work]));
}

/** The assignments a form means for one class, in order. */
export function assignmentsFor(
  form: AssignForm,
  group: Group,
  chosen: readonly Student[],
  resources: readonly ResourceToAssign[],
  versions: readonly Version[],
  made: { by: number; now: Date },
): NewAssignment[] | WhenProblem {
  const list: NewAssignment[] = [];
  const times = new Map<number, When>();
  const longer = new Map<string, Times>();
  const pieces = resources.flatMap(
    (resource): { resource: ResourceToAssign; steps: string[] | null; part: string | null }[] =>
      form.parts && resources.length === 1
        ? form.parts.map((steps, at) => ({ resource, steps, part: `${at + 1} of ${form.parts!.length}` }))
        : [
            form.steps && resources.length === 1
              ? { resource, steps: form.steps, part: formatSteps(resource.document, form.steps) }
              : { resource, steps: null, part: null },
          ],
  );
  for (const [at, { resource, steps, part }] of pieces.entries()) {
    // Given together, all have the same times: they are worked out once, and once for each who has more time.
    const later = form.spread === "one a meeting" ? at : 0;
    const when = times.get(later) ?? whenFor(form, group.calendar, group.rules, made.now, later);
    if (isProblem(when)) return when;
    times.set(later, when);
    const minutes = stepMinutes(resource.document, resource.facts);
    const own = chosen.flatMap((student) => {
      const version = versionFor(form, student.id, resource.id, versions);
      const factor = factorOf(form, student);
      if (!version && factor === 1) return [];
      const key = `${later} ${factor}`;
      const more = longer.get(key) ?? withExtraTime(group.calendar, when, factor);
      longer.set(key, more);
      return [
        {
          student: student.id,
          factor,
          ...(version && { revision: version.revision }),
          due: factor === 1 ? null : more.due,
          closes: factor === 1 ? null : more.closes,
        },
      ];
    });
    list.push({
      class: group.class.id,
      resource: resource.id,
      revision: resource.revision,
      students: chosen.map(({ id }) => id),
      madeBy: made.by,
      made: made.now,
      opens: when.opens,
      due: when.due,
      closes: when.closes,
      tries: form.tries,
      keep: form.keep,
      checking: form.checking,
      meeting: when.meeting && { date: when.meeting.date, period: when.meeting.period },
      steps,
      part,
      minutes: steps
        ? minutes
            .filter((_, step) => steps.includes(resource.document.steps[step]!.id))
            .reduce((sum, one) => sum + one, 0)
        : resource.facts.minutes,
      openDays: form.openDays,
      goals: form.goals,
      stepWork: workOf(form, resource),
      sharing: keptSharing(form.sharing),
      after: form.inOrder && at > 0 ? "previous" : form.after,
      follows: form.follows,
      position: at,
      own,
    });
  }
  return list;
}
