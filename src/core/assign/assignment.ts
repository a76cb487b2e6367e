import { z } from "zod";
import { fromWallClock, hourOf, isWeekend, sayMoment } from "../calendar/wall-clock";

/** What a teacher decides when she gives work to a class. Times are the school's wall clock, as typed. */
export const AssignmentForm = z.object({
  resource: z.number().int(),
  class: z.number().int(),
  students: z.array(z.number().int()).min(1, "Choose at least one student."),
  opens: z.string().max(30),
  due: z.string().max(30),
  /** null: as often as wanted. */
  tries: z.number().int().min(1).max(20).nullable(),
  keep: z.enum(["best", "last", "first"]),
  checking: z.enum(["at once", "at the end", "never"]),
});
export type AssignmentForm = z.infer<typeof AssignmentForm>;

export type When = { opens: Date; due: Date };

/** A time that cannot be: refused, with the reason. */
export type WhenProblem = { field: "opens" | "due"; reason: string };

export function readWhen(form: Pick<AssignmentForm, "opens" | "due">, zone: string, now: Date): When | WhenProblem {
  const opens = form.opens === "" ? now : fromWallClock(form.opens, zone);
  const due = fromWallClock(form.due, zone);
  if (!opens) return { field: "opens", reason: "This is not a date and time we can read." };
  if (!due) return { field: "due", reason: "Say when it is due." };
  if (due <= now) return { field: "due", reason: `${sayMoment(due, zone, now)} is already past. Choose a later time.` };
  if (due <= opens)
    return { field: "due", reason: `It would be due before it opens (${sayMoment(opens, zone, now)}).` };
  return { opens, due };
}

/** What is worth a second look, though nothing forbids it. */
export function remarks({ opens, due }: When, zone: string): string[] {
  const found: string[] = [];
  const says = (what: string, at: Date) => {
    if (isWeekend(at, zone)) found.push(`It ${what} at the weekend.`);
    const hour = hourOf(at, zone);
    if (hour >= 18 || hour < 6)
      found.push(`It ${what} ${hour >= 18 ? "in the evening" : "at night"}, not in the morning.`);
  };
  says("opens", opens);
  says("is due", due);
  return found;
}

/** Everything said back in one sentence before it goes out. */
export function sayAssignment(of: {
  students: number;
  all: boolean;
  className: string;
  title: string;
  when: When;
  opensNow: boolean;
  tries: number | null;
  zone: string;
  now: Date;
}): string {
  const who = of.all
    ? `All ${of.students} students of ${of.className}`
    : `${of.students} ${of.students === 1 ? "student" : "students"} of ${of.className}`;
  const verb = of.students === 1 && !of.all ? "gets" : "get";
  const opens = of.opensNow ? "now" : `on ${sayMoment(of.when.opens, of.zone, of.now)}`;
  const tries = of.tries === null ? "as many tries as they want" : of.tries === 1 ? "one try" : `${of.tries} tries`;
  return `${who} ${verb} “${of.title}” ${opens}, due ${sayMoment(of.when.due, of.zone, of.now)}, with ${tries}.`;
}

export type AssignmentState = "scheduled" | "open" | "finished" | "called back";

export function stateOf(assignment: { opens: Date; due: Date; calledBack: Date | null }, now: Date): AssignmentState {
  if (assignment.calledBack) return "called back";
  if (now < assignment.opens) return "scheduled";
  return now <= assignment.due ? "open" : "finished";
}
