import { z } from "zod";
import { PlainDate } from "../calendar/plain-date";
import type { CheckingTime } from "../question/question";
import { allQuestions, type Document } from "../resource/document";
import { resultTable, type Keep, type ResultRow, type StudentWork } from "../results/table";
import type { Sharing } from "../review/sharing";
import { AssignForm } from "./form";
import { formatList } from "../format-list";

/** What of a piece of work can be changed after it went out, beside its times and its students. */
export const Rules = AssignForm.pick({
  tries: true,
  keep: true,
  checking: true,
  goals: true,
  stepWork: true,
  sharing: true,
}).extend({
  openDays: z.array(PlainDate).min(1).max(90).nullable(),
});
export type Rules = z.infer<typeof Rules>;

export interface World {
  /** Everybody who has it, with what they answered. */
  works: readonly StudentWork[];
  /** Whether it is past due for everybody. */
  over: boolean;
  /** The day it is at the school, as PlainDate. */
  today: string;
}

const NAMED = 3;
/** "Bo and Ana"; more than three are counted. */
const who = (works: readonly StudentWork[]): string =>
  works.length <= NAMED ? formatList(works.map(({ student }) => student.name)) : `${works.length} students`;
const have = (works: readonly unknown[], one: string, more: string) => (works.length === 1 ? one : more);

const handedIn = (works: readonly StudentWork[]) =>
  works.filter(({ tries }) => tries.some(({ handedInAt }) => handedInAt !== null));
const atWork = (works: readonly StudentWork[]) => works.filter(({ tries }) => tries.at(-1)?.handedInAt === null);

function ofTries(before: Rules, after: Rules, works: readonly StudentWork[]): string[] {
  const spent = (work: StudentWork, tries: number | null) =>
    tries !== null && work.tries.length >= tries && work.tries.at(-1)?.handedInAt !== null;
  const done = works.filter(({ tries }) => tries.length > 0);
  const closed = done.filter((work) => !spent(work, before.tries) && spent(work, after.tries));
  const opened = done.filter((work) => spent(work, before.tries) && !spent(work, after.tries));
  return [
    ...(closed.length > 0
      ? [`${who(closed)} ${have(closed, "has", "have")} no try left. What is handed in stays and counts.`]
      : []),
    ...(opened.length > 0 ? [`${who(opened)} can try again.`] : []),
  ];
}

const formatMarks = (row: ResultRow) => `${row.marks} of ${row.outOf}`;

function ofKeep(before: Keep, after: Keep, works: readonly StudentWork[]): string[] {
  if (before === after) return [];
  const was = resultTable(works, before).rows;
  const changed = resultTable(works, after).rows.flatMap((row, at) =>
    row.marks === was[at]!.marks ? [] : [{ name: row.student.name, from: was[at]!, to: row }],
  );
  if (changed.length === 0) return handedIn(works).length > 0 ? ["No marks change."] : [];
  const named = changed
    .slice(0, NAMED)
    .map(({ name, from, to }) => `${name} ${formatMarks(from)} → ${formatMarks(to)}`);
  const others = changed.length - named.length;
  return [
    `Marks change for ${changed.length === 1 ? "one student" : `${changed.length} students`}: ${named.join(", ")}${others > 0 ? ` and ${others} more` : ""}.`,
  ];
}

function ofChecking(before: CheckingTime, after: CheckingTime, world: World): string[] {
  if (before === after) return [];
  const seesResult = (checking: CheckingTime) =>
    checking === "at once" || checking === "at the end" || (checking === "after due" && world.over);
  const done = handedIn(world.works);
  const working = atWork(world.works);
  return [
    ...(working.length > 0 && before === "at once"
      ? [`${who(working)}, at work now, no longer ${have(working, "sees", "see")} what is right while working.`]
      : []),
    ...(working.length > 0 && after === "at once"
      ? [`${who(working)}, at work now, ${have(working, "sees", "see")} what is right straight away.`]
      : []),
    ...(done.length > 0 && seesResult(before) && !seesResult(after)
      ? [`${who(done)} ${have(done, "has", "have")} handed in and no longer ${have(done, "sees", "see")} the marks.`]
      : []),
    ...(done.length > 0 && !seesResult(before) && seesResult(after)
      ? [`${who(done)} ${have(done, "has", "have")} handed in and ${have(done, "sees", "see")} the marks now.`]
      : []),
  ];
}

function ofGoals(before: readonly string[], after: readonly string[], works: readonly StudentWork[]): string[] {
  const done = handedIn(works).length;
  if (done === 0) return [];
  const results = done === 1 ? "One result" : `${done} results`;
  const added = after.filter((goal) => !before.includes(goal)).map((goal) => `“${goal}”`);
  const gone = before.filter((goal) => !after.includes(goal)).map((goal) => `“${goal}”`);
  return [
    ...(added.length > 0
      ? [`${results} already handed in ${done === 1 ? "counts" : "count"} for ${formatList(added)}.`]
      : []),
    ...(gone.length > 0 ? [`${results} no longer ${done === 1 ? "counts" : "count"} for ${formatList(gone)}.`] : []),
  ];
}

function ofDays(before: Rules, after: Rules, { works, today }: World): string[] {
  const open = ({ openDays }: Rules) => openDays === null || openDays.includes(today);
  const working = atWork(works);
  if (working.length === 0 || open(before) === open(after)) return [];
  return [
    open(after)
      ? `${who(working)} can go on today.`
      : `${who(working)} ${have(working, "is", "are")} at work and cannot go on today; what is answered is kept.`,
  ];
}

function ofStepWork(before: Rules, after: Rules, works: readonly StudentWork[]): string[] {
  const sorted = (rules: Rules) => JSON.stringify(rules.stepWork.map(({ step, work }) => [step, work]).sort());
  const begun = works.filter(({ tries }) => tries.length > 0);
  if (begun.length === 0 || sorted(before) === sorted(after)) return [];
  return [`${who(begun)} ${have(begun, "has", "have")} begun: the steps say it from now on; answers stay.`];
}

function ofSharing(before: Sharing, after: Sharing, works: readonly StudentWork[]): string[] {
  const done = handedIn(works);
  return [
    ...(before.classmates === "never" && after.classmates !== "never"
      ? ["Classmates can now see the work you have already approved."]
      : []),
    ...(before.classmates !== "never" && after.classmates === "never"
      ? ["Classmates no longer see each other's work. All of it is kept."]
      : []),
    ...(before.look !== "nothing" && after.look === "nothing"
      ? ["Work that is already waiting for you stays there; new work no longer waits."]
      : []),
    ...(done.length > 0 && !before.putAway && after.putAway
      ? [`${who(done)} ${have(done, "has", "have")} handed in and no longer ${have(done, "sees", "see")} it.`]
      : []),
    ...(done.length > 0 && before.putAway && !after.putAway
      ? [`${who(done)} ${have(done, "has", "have")} handed in and ${have(done, "sees", "see")} it again.`]
      : []),
  ];
}

export const nobodyBegan = "Nobody has begun, so no answers change.";

/**
 * What other rules do to what students have answered: a sentence for each thing, none where nothing changes.
 * `effectsOfRules({}, {}, { works: [], over: false })` gives `["Nobody has begun, so no answers change."]`.
 */
export function effectsOfRules(before: Rules, after: Rules, world: World): string[] {
  const { works } = world;
  if (works.every(({ tries }) => tries.length === 0)) return [nobodyBegan];
  return [
    ...ofTries(before, after, works),
    ...ofKeep(before.keep, after.keep, works),
    ...ofChecking(before.checking, after.checking, world),
    ...ofGoals(before.goals, after.goals, works),
    ...ofDays(before, after, world),
    ...ofStepWork(before, after, works),
    ...ofSharing(before.sharing, after.sharing, works),
  ];
}

/**
 * What another version does to what one student answered. Versions made from one another have the same question ids where
 * the questions stayed.
 * `effectsOfVersion(works[0], lesson)` gives `["Ana keeps all that is answered."]`.
 */
export function effectsOfVersion(work: StudentWork, version: Document): string[] {
  const { name } = work.student;
  if (work.tries.length === 0) return [`${name} has not begun, so no answers change.`];
  const there = new Set(allQuestions(version).map(({ question }) => question.id));
  const answered = [...new Set(work.tries.flatMap(({ responses }) => responses.map(({ question }) => question)))];
  const kept = answered.filter((question) => there.has(question)).length;
  const left = answered.length - kept;
  if (answered.length === 0) return [`${name} has begun and answered nothing yet.`];
  if (left === 0) return [`${name} keeps all ${answered.length === 1 ? "that is" : `${answered.length}`} answered.`];
  const say = (count: number) => (count === 1 ? "one answer" : `${count} answers`);
  return [
    `${kept > 0 ? `${name} keeps ${say(kept)}` : `None of what ${name} answered is in this version`}; ${say(left)} ${left === 1 ? "belongs" : "belong"} to questions it does not have. ${left === 1 ? "It is" : "They are"} kept and ${left === 1 ? "counts" : "count"} again if you change it back.`,
  ];
}
