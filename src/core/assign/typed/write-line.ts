import { momentAt } from "@/core/calendar/school-calendar";
import { formatDay } from "@/core/calendar/format-moment";
import type { AssignForm, Due, Opens } from "../form";
import { fullName } from "./who-gets";
import { formatList } from "@/core/format-list";
import type { LineClass, LineWorld } from "./world";
import { readLine } from "./read-line";

/** Written as "except" when no more than this many are left out. */
const MOST_LEFT_OUT = 6;

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

function names(students: readonly number[], world: LineWorld): string {
  const all = world.classes.flatMap((group) => group.students);
  return formatList(
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
  return who.length === 0 ? [] : [`${formatList(who)}${out.length > 0 ? ` except ${names(out, world)}` : ""}`];
}

const day = (date: string, { zone, now }: LineWorld) => formatDay(momentAt(date, "12:00", zone), zone, now);
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
 * cannot say just so (how single steps are done, two children of one name, a goal with a comma in it) is left out.
 * `writeLine({ ...base, opens: { kind: "now" } }, base, world)` gives `"now"`.
 */
export function writeLine(form: AssignForm, base: AssignForm, world: LineWorld): string {
  const parts: string[] = [];
  const write = (field: keyof AssignForm, say: () => readonly string[]) => {
    const read = (texts: readonly string[]) => readLine(texts.join(", "), world, base).form[field];
    if (same(form[field], read(parts))) return;
    const more = [...parts, ...say().filter(Boolean)];
    if (same(form[field], read(more))) parts.splice(0, parts.length, ...more);
  };
  write("to", () => writeWho(form.to, world));
  write("versions", () => writeVersions(form, world));
  write("factors", () => writeFactors(form, world));
  write("opens", () => [writeOpens(form.opens, world)]);
  write("due", () => [writeDue(form.due, world)]);
  write("openDays", () => [`only ${(form.openDays ?? []).map((date) => day(date, world)).join(" and ")}`]);
  write("closes", () => [
    typeof form.closes === "object"
      ? `closes ${clock(form.closes.at, world)}`
      : form.closes === "due"
        ? "closes then"
        : "stays open",
  ]);
  write("tries", () => [form.tries === null ? "unlimited tries" : form.tries === 1 ? "once" : `${form.tries} tries`]);
  write("keep", () => [`the ${form.keep} counts`]);
  write("spread", () => [form.spread === "together" ? "all at once" : "one in each lesson"]);
  write("inOrder", () => [form.inOrder ? "in order" : "in any order"]);
  write("checking", () => [form.checking === "never" ? "no checking" : `checked ${form.checking}`]);
  write("goals", () => form.goals.map((goal) => `goal ${goal}`));
  return parts.join(", ");
}

/**
 * What the form says beneath a line that was written from it: every field that the line does not say the same way.
 * `beneathLine({ ...base, tries: 3 }, base, "now", world).tries` gives `3`.
 */
export function beneathLine(form: AssignForm, base: AssignForm, line: string, world: LineWorld): AssignForm {
  const read = readLine(line, world, base).form;
  const kept = Object.entries(form).filter(([field, value]) => !same(value, read[field as keyof AssignForm]));
  return { ...base, ...Object.fromEntries(kept) };
}
