import type { Verdict } from "../question/mark";
import type { AnswersNotice, Answered } from "./answered";
import { stuckOn, type Stuck } from "./stuck";

/** The last answer to one question. */
export interface LastAnswer extends Answered {
  /** Milliseconds since 1970; when it was first answered. */
  at: number;
  first: number;
  /** How often it was answered wrongly before it was right, or so far. */
  wrong: number;
}

/** A student while work runs. Times are milliseconds since 1970. */
export interface Seated {
  student: number;
  name: string;
  /** The picture to be known by: see core/student/badge.ts. */
  badge: number;
  /** Where the desk stands; null: nowhere yet. */
  seat: { x: number; y: number } | null;
  /** The step that is open on her screen; null: none yet. */
  step: string | null;
  since: number | null;
  /** When her screen was last heard of; null: it is not there. */
  seen: number | null;
  /** When she asked for help; null: she has not. */
  asked: number | null;
  handedIn: boolean;
  answers: Record<string, LastAnswer>;
  /** When she came to each step. */
  visits: Record<string, number>;
}

/** What is told while work runs: differences, in the order they happened. */
export type RoomEvent =
  | ({ kind: "answers" } & AnswersNotice)
  | {
      kind: "place";
      students: readonly number[];
      step?: string;
      at: number;
      seen?: boolean;
      asked?: boolean;
    };

/** A screen that was not heard of for this long is not there. Milliseconds. */
export const GONE_AFTER_MS = 60_000;
/** Whether somebody's screen was heard of lately. `isIn({ seen: null }, 0)` gives `false`. */
export const isIn = (one: Pick<Seated, "seen">, now: number): boolean =>
  one.seen !== null && now - one.seen < GONE_AFTER_MS;

/**
 * The room after an event; students it does not name stay the same objects.
 * `roomAfter([{ student: 1, asked: null }], { kind: "place", students: [1], asked: true, at: 5 })[0].asked` gives `5`.
 */
export function roomAfter(room: readonly Seated[], event: RoomEvent): Seated[] {
  if (event.kind === "answers")
    return room.map((one) => (one.student === event.student ? answeredBy(one, event) : one));
  return room.map((one) => {
    if (!event.students.includes(one.student)) return one;
    const moved = event.step !== undefined && event.step !== one.step;
    return {
      ...one,
      ...(event.seen !== undefined && { seen: event.seen ? event.at : null }),
      ...(event.asked !== undefined && { asked: event.asked ? event.at : null }),
      ...(moved && {
        ...{ step: event.step!, since: event.at, asked: null },
        visits: { ...one.visits, [event.step!]: one.visits[event.step!] ?? event.at },
      }),
    };
  });
}

function answeredBy(one: Seated, { answers, at }: AnswersNotice): Seated {
  const next = { ...one.answers };
  for (const answer of answers) {
    const before = next[answer.question];
    // Told twice, or overtaken by a later one.
    if (before && (before.at > at || (before.at === at && before.said === answer.said))) continue;
    const wrong = (before?.wrong ?? 0) + (answer.verdict === "wrong" || answer.verdict === "partly" ? 1 : 0);
    next[answer.question] = { ...answer, at, first: before?.first ?? at, wrong };
  }
  return { ...one, answers: next, seen: one.seen === null ? null : Math.max(one.seen, at) };
}

/** A step as the room is looked at: its questions. */
export interface AskedStep {
  id: string;
  questions: readonly string[];
}

export type Standing = "right" | "partly" | "wrong" | "answered" | "working" | "not there" | "handed in";

const rank: Record<Verdict, number> = { wrong: 3, partly: 2, "to read": 1, right: 0, blank: 4 };

/**
 * How a student stands on a step: the worst of its answers once all are there; before that, at work on it or not there.
 * `standingOn({ answers: { q: [{ verdict: "wrong" }] } }, { id: "ask", questions: ["q"] })` gives `"wrong"`.
 */
export function standingOn(one: Seated, step: AskedStep): Standing {
  const answered = step.questions.flatMap((question) => one.answers[question] ?? []);
  const all = step.questions.length > 0 && answered.length === step.questions.length;
  if (all) {
    const worst = answered.reduce((so, { verdict }) => (rank[verdict] > rank[so] ? verdict : so), "right" as Verdict);
    return worst === "to read" ? "answered" : worst === "blank" ? "working" : worst;
  }
  if (one.handedIn) return "handed in";
  return one.step === step.id ? "working" : "not there";
}

/** Seconds from coming to the step until all of it was answered; null: not all of it is answered, or nobody knows when she came. */
function tookOn(one: Seated, step: AskedStep): number | null {
  const came = one.visits[step.id];
  const moments = step.questions.map((question) => one.answers[question]?.first);
  if (came === undefined || moments.length === 0 || moments.some((at) => at === undefined)) return null;
  return Math.max(0, (Math.max(...(moments as number[])) - came) / 1000);
}

/**
 * Who is stuck, and why, each on the step that is open on her screen.
 * `[...stuckIn([{ student: 1, step: "ask", since: 0, seen: 1, asked: 1, handedIn: false, answers: {}, visits: {} }], [{ id: "ask", questions: ["q"] }], 2).keys()]` gives `[1]`.
 */
export function stuckIn(room: readonly Seated[], steps: readonly AskedStep[], now: number): Map<number, Stuck> {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const took = new Map(steps.map((step) => [step.id, room.flatMap((one) => tookOn(one, step) ?? [])]));
  return new Map(
    room.flatMap((one) => {
      const step = one.step === null ? undefined : byId.get(one.step);
      if (!step || one.handedIn) return one.asked !== null ? [[one.student, { why: "asked" } as const]] : [];
      const open = standingOn(one, step) === "working";
      const since = one.visits[step.id] ?? one.since;
      const wrong = Math.max(
        0,
        ...step.questions.map((question) => {
          const answer = one.answers[question];
          return answer && answer.verdict !== "right" ? answer.wrong : 0;
        }),
      );
      const found = stuckOn({
        ...{ asked: one.asked !== null, wrong, took: took.get(step.id)! },
        waiting: open && step.questions.length > 0 && since !== null && isIn(one, now) ? (now - since) / 1000 : null,
      });
      return found ? [[one.student, found]] : [];
    }),
  );
}

/** One bar of the chart of what was chosen. */
export interface Bar {
  id: string;
  count: number;
}

/**
 * How many chose each option of a question; an answer of several options counts for each. Others are left out.
 * `barsOf([{ answers: { q: { value: "a" } } }], "q", ["a", "b"])` gives `[{ id: "a", count: 1 }, { id: "b", count: 0 }]`.
 */
export function barsOf(room: readonly Seated[], question: string, options: readonly string[]): Bar[] {
  const chosen = room.flatMap((one) => {
    const value: unknown = one.answers[question]?.value;
    return typeof value === "string" ? [value] : Array.isArray(value) ? [...new Set(value as string[])] : [];
  });
  return options.map((id) => ({ id, count: chosen.filter((one) => one === id).length }));
}
