import { momentAt } from "../../calendar/school-calendar";
import { sayDay } from "../../calendar/say-moment";
import type { AssignForm, Due, Opens } from "../form";
import { fullName, sayList } from "./who-gets";
import type { LineClass, LineWorld } from "./world";
import { readLine } from "./read-line";

/** Written as "except" when no more than so many are left out. */
const MOST_LEFT_OUT = 6;

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

function names(students: readonly number[], world: LineWorld): string {
  const all = world.classes.flatMap((group) => group.students);
  return sayList(
    students.map((id) => {
      const student = all.find((one) => one.id === id);
      return student ? fullName(student) : "";
    }),
  );
}

/** "Red boats", or the names: whatever says just these students. */
function some(group: LineClass, students: readonly number[], world: LineWorld): string {
  const one = group.groups.find(
    (each) => each.students.length === students.length && each.students.every((id) => students.includes(id)),
  );
  return one ? one.name : names(students, world);
}

function writeWho(to: AssignForm["to"], world: LineWorld): string[] {
  const whole: string[] = [];
  const parts: string[] = [];
  const out: number[] = [];
  for (const { class: id, students } of to) {
    const group = world.classes.find((each) => each.id === id);
    if (!group) continue;
    const missing = group.students.filter((student) => !students.includes(student.id)).map((student) => student.id);
    if (missing.length > MOST_LEFT_OUT || missing.length >= students.length) parts.push(some(group, students, world));
    else {
      whole.push(group.name);
      out.push(...missing);
    }
  }
  const who = [...whole, ...parts];
  return who.length === 0 ? [] : [`${sayList(who)}${out.length > 0 ? ` except ${names(out, world)}` : ""}`];
}

const day = (date: string, { zone, now }: LineWorld) => sayDay(momentAt(date, "12:00", zone), zone, now);
const clock = (at: string, world: LineWorld) => `${day(at.slice(0, 10), world)} ${at.slice(11, 16)}`;

function writeOpens(opens: Opens, world: LineWorld): string {
  switch (opens.kind) {
    case "now":
      return "now";
    case "at":
      return opens.at ? `from ${clock(opens.at, world)}` : "";
    case "place":
      return `${day(opens.date, world)} period ${opens.period}`;
    case "meeting":
      return opens.n === 1 ? "next lesson" : `lesson ${opens.n}`;
  }
}

function writeDue(due: Due, world: LineWorld): string {
  switch (due.kind) {
    case "at":
      return due.at ? `due ${clock(due.at, world)}` : "";
    case "meeting end":
      return "due in that lesson";
    case "days":
      return `due in ${due.days} school days at ${due.time}`;
  }
}

function writeVersions(form: AssignForm, world: LineWorld): string[] {
  return world.versions.flatMap(({ id, title }) => {
    const students = form.versions.filter(({ resource }) => resource === id).map(({ student }) => student);
    return students.length > 0 ? [`${names(students, world)} version ${title.replace(/[,;]/g, "")}`] : [];
  });
}

const factorWords: Record<number, string> = {
  1: "the usual time",
  1.25: "1.25x time",
  1.5: "1.5x time",
  2: "double time",
};

function writeFactors(form: AssignForm, world: LineWorld): string[] {
  return [...new Set(form.factors.map(({ factor }) => factor))].flatMap((factor) => {
    const students = form.factors.filter((one) => one.factor === factor).map(({ student }) => student);
    return factorWords[factor] ? [`${names(students, world)} ${factorWords[factor]}`] : [];
  });
}

/**
 * What is different in a form from the one it began with, as a line that reads as this form: "6 Tern, now, 2 tries". What a line
 * cannot say (how single steps are done, parts of a lesson) is left out.
 */
export function writeLine(form: AssignForm, base: AssignForm, world: LineWorld): string {
  const parts: string[] = [];
  if (!same(form.to, base.to)) parts.push(...writeWho(form.to, world));
  if (!same(form.versions, base.versions)) parts.push(...writeVersions(form, world));
  if (!same(form.factors, base.factors)) parts.push(...writeFactors(form, world));
  const asRead = readLine(parts.join(", "), world, base).form;
  if (!same(form.opens, asRead.opens)) parts.push(writeOpens(form.opens, world));
  if (!same(form.due, asRead.due)) parts.push(writeDue(form.due, world));
  if (!same(form.openDays, base.openDays) && form.openDays)
    parts.push(`only ${form.openDays.map((date) => day(date, world)).join(" and ")}`);
  if (form.closes !== base.closes) parts.push(form.closes === "due" ? "closes then" : "stays open");
  if (form.tries !== base.tries)
    parts.push(form.tries === null ? "unlimited tries" : form.tries === 1 ? "once" : `${form.tries} tries`);
  if (form.keep !== base.keep) parts.push(`the ${form.keep} counts`);
  if (form.spread !== base.spread) parts.push(form.spread === "together" ? "all at once" : "one in each lesson");
  if (form.inOrder !== base.inOrder) parts.push(form.inOrder ? "in order" : "in any order");
  if (form.checking !== base.checking)
    parts.push(form.checking === "never" ? "no checking" : `checked ${form.checking}`);
  if (!same(form.goals, base.goals)) parts.push(...form.goals.map((goal) => `goal ${goal.replace(/[,;]/g, "")}`));
  return parts.filter(Boolean).join(", ");
}

/** What the form says beneath a line that was written from it: every field that the line does not say the same way. */
export function beneathLine(form: AssignForm, base: AssignForm, line: string, world: LineWorld): AssignForm {
  const read = readLine(line, world, base).form;
  const kept = Object.entries(form).filter(([field, value]) => !same(value, read[field as keyof AssignForm]));
  return { ...base, ...Object.fromEntries(kept) };
}
