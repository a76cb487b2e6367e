import { z } from "zod";
import { works } from "../content/vocabulary";

/** How far students' screens follow the teacher: all the way, as far as she has opened, or not at all. */
export const paces = ["together", "up to here", "free"] as const;
export type Pace = (typeof paces)[number];

/** Anything longer is no timer for talking to a partner. Seconds. */
export const LONGEST_TIMER = 3600;
export const MOST_STROKES = 60;
const MOST_POINTS = 400;

const StepAt = { step: z.string().max(40), nth: z.number().int().min(0).max(400) };
/** Thousandths of the width of what the stroke was drawn on, from its upper left corner. */
const Coordinate = z.number().int().min(-500).max(4000);
export const Stroke = z.object({
  id: z.string().max(40),
  /** The block it was begun on, so that it lies right on a screen of another width; null: the step as a whole. */
  on: z.string().max(40).nullable(),
  /** x, y, x, y … */
  points: z
    .array(Coordinate)
    .min(4)
    .max(MOST_POINTS * 2),
});
export type Stroke = z.infer<typeof Stroke>;

const Timer = z.object({
  label: z.string().max(40),
  /** As it was set. */
  seconds: z.number().int().min(5).max(LONGEST_TIMER),
  /** Milliseconds since 1970 at which it is over; null: it is held. */
  ends: z.number().nullable(),
  /** Seconds left while it is held. */
  left: z.number().min(0),
});
export type Timer = z.infer<typeof Timer>;

const Member = z.object({ student: z.number().int().positive(), name: z.string().max(80) });

/** How a step is worked on from now on, where otherwise than the lesson says. Groups only for pairs and groups. */
export const LiveWork = z.object({
  mode: z.enum(works),
  groups: z.array(z.array(Member).min(1).max(40)).max(40),
  /** Whether the board shows who works with whom. */
  onBoard: z.boolean(),
  /** Whether each group, or the whole class, writes on one page: core/together. */
  shared: z.boolean().default(false),
  /** Whether writing on that page is paused: all see it, nobody writes. */
  frozen: z.boolean().default(false),
});
export type LiveWork = z.infer<typeof LiveWork>;

export const quickKinds = ["choose", "number", "words", "draw"] as const;
export const QuickQuestion = z.object({
  id: z.string().max(40),
  kind: z.enum(quickKinds),
  ask: z.string().trim().min(1, "Type what you want to ask.").max(300),
  options: z.array(z.string().trim().min(1).max(80)).max(6),
});
export type QuickQuestion = z.infer<typeof QuickQuestion>;

const TypedChoices = z.object({ kind: QuickQuestion.shape.kind, options: z.string() });
const choicesIn = ({ kind, options }: z.infer<typeof TypedChoices>): string[] => {
  const lines = options.split("\n").map((line) => line.trim());
  return kind === "choose" ? lines.filter(Boolean) : [];
};
/** What can be chosen is looked at also where there is no question yet: everything that is wrong is said at once. */
const ofChoices = {
  path: ["options"],
  when: ({ value }: { value: unknown }) => TypedChoices.safeParse(value).success,
};

/** A question on the spot as it is typed: what can be chosen stands in lines. Comes out as it is asked, still without an id. */
export const TypedQuestion = TypedChoices.extend({ ask: QuickQuestion.shape.ask })
  .refine(
    (typed) => {
      const choices = choicesIn(typed);
      const different = new Set(choices).size === choices.length;
      return typed.kind !== "choose" || (choices.length >= 2 && choices.length <= 6 && different);
    },
    { ...ofChoices, message: "Two to six different answers, one a line." },
  )
  .refine((typed) => choicesIn(typed).every((choice) => choice.length <= 80), {
    ...ofChoices,
    message: "Keep each answer under 80 characters.",
  })
  .transform((typed) => ({ ...typed, options: choicesIn(typed) }));

/** What of a question the teacher shows to everybody. Answers are shown without names. */
const Shown = z.object({
  question: z.string().max(40),
  chart: z.boolean(),
  /** The right answer in words; null: not shown. */
  right: z.string().max(400).nullable(),
  answers: z.array(z.string().max(400)).max(6),
});
export type Shown = z.infer<typeof Shown>;

/** What the class shares. Times are milliseconds since 1970 by the server's clock. */
export const LessonState = z.object({
  phase: z.enum(["lobby", "running", "ended"]),
  pace: z.enum(paces),
  ...StepAt,
  /** The furthest step that has been opened, from 0. */
  opened: z.number().int().min(0),
  eyesUp: z.boolean(),
  film: z.enum(["board", "every screen"]),
  /** A film that runs: which block, from which second, since when. */
  playing: z.object({ block: z.string().max(40), from: z.number().min(0), at: z.number() }).nullable(),
  timer: Timer.nullable(),
  pen: z.array(Stroke).max(MOST_STROKES),
  /** What the teacher has typed for everybody. */
  note: z.string().max(400),
  shown: Shown.nullable(),
  quick: QuickQuestion.extend({ open: z.boolean() }).nullable(),
  /** By step, how it is worked on, where it was changed while it ran. */
  work: z.record(z.string().max(40), LiveWork).default({}),
  /** When each step was gone to, in order: for the minutes used against the minutes planned. */
  went: z.array(z.object({ step: z.string(), at: z.number() })).max(1000),
});
export type LessonState = z.infer<typeof LessonState>;

/** What a teacher who leads can do. */
export const LessonCommand = z.discriminatedUnion("do", [
  z.object({ do: z.literal("begin"), ...StepAt }),
  z.object({ do: z.literal("go"), ...StepAt }),
  z.object({ do: z.literal("pace"), pace: z.enum(paces) }),
  z.object({ do: z.literal("eyes up"), up: z.boolean() }),
  z.object({ do: z.literal("film"), where: z.enum(["board", "every screen"]) }),
  z.object({ do: z.literal("play"), block: z.string().max(40), from: z.number().min(0).max(86_400) }),
  z.object({ do: z.literal("stop film") }),
  z.object({
    do: z.literal("start timer"),
    label: z.string().trim().min(1).max(40),
    seconds: z.number().int().min(5).max(LONGEST_TIMER),
  }),
  z.object({ do: z.literal("hold timer") }),
  z.object({ do: z.literal("run timer") }),
  z.object({ do: z.literal("add to timer"), seconds: z.number().int().min(-600).max(600) }),
  z.object({ do: z.literal("end timer") }),
  z.object({ do: z.literal("draw"), stroke: Stroke }),
  z.object({ do: z.literal("take back stroke") }),
  z.object({ do: z.literal("wipe") }),
  z.object({ do: z.literal("note"), text: z.string().max(400) }),
  z.object({ do: z.literal("show"), shown: Shown.nullable() }),
  z.object({ do: z.literal("ask"), question: QuickQuestion }),
  z.object({ do: z.literal("close question"), show: z.boolean() }),
  z.object({ do: z.literal("work"), step: z.string().max(40), work: LiveWork.nullable() }),
  z.object({ do: z.literal("end") }),
]);
export type LessonCommand = z.infer<typeof LessonCommand>;

/** Why a command does nothing. */
export type NotNow = "not begun" | "ended" | "no timer" | "pen full" | "choices" | "twice";

/** A class that waits in the lobby: nobody sees a step yet, and screens will follow. `newLesson().phase` gives `"lobby"`. */
export const newLesson = (): LessonState => ({
  ...{ phase: "lobby", pace: "together", step: "", nth: 0, opened: 0, eyesUp: false },
  ...{ film: "board", playing: null, timer: null, pen: [], note: "", shown: null, quick: null, work: {}, went: [] },
});

/** Seconds left of a timer, never below 0. `timerLeft({ ends: null, left: 30 }, 0)` gives `30`. */
export const timerLeft = (timer: Timer, now: number): number =>
  timer.ends === null ? timer.left : Math.max(0, (timer.ends - now) / 1000);

/** What belongs to one step and goes with it. */
const leavingStep: Pick<LessonState, "playing" | "pen" | "note" | "shown" | "timer"> = {
  ...{ playing: null, pen: [], note: "", shown: null, timer: null },
};

/**
 * The state after a command, or why there is none. `now`: milliseconds since 1970.
 *
 *     lessonAfter(running, { do: "go", step: "s2", nth: 1 }, now) // { ...running, step: "s2", nth: 1, opened: 1, pen: [] … }
 */
export function lessonAfter(state: LessonState, command: LessonCommand, now: number): LessonState | NotNow {
  if (state.phase === "ended") return "ended";
  if (state.phase === "lobby" && !["begin", "pace", "film", "end"].includes(command.do)) return "not begun";
  switch (command.do) {
    case "begin":
    case "go": {
      const { step, nth } = command;
      if (state.phase === "running" && state.step === step) return state;
      const went = [...state.went, { step, at: now }].slice(-1000);
      const opened = Math.max(state.opened, nth);
      return { ...state, ...leavingStep, phase: "running", step, nth, opened, went };
    }
    case "pace":
      return { ...state, pace: command.pace };
    case "eyes up":
      return { ...state, eyesUp: command.up };
    case "film":
      return { ...state, film: command.where };
    case "play":
      return { ...state, playing: { block: command.block, from: command.from, at: now } };
    case "stop film":
      return { ...state, playing: null };
    case "start timer": {
      const { label, seconds } = command;
      return { ...state, timer: { label, seconds, ends: now + seconds * 1000, left: seconds } };
    }
    case "hold timer":
    case "run timer":
    case "add to timer":
    case "end timer":
      return state.timer ? { ...state, timer: timerAfter(state.timer, command, now) } : "no timer";
    case "draw":
      return state.pen.length >= MOST_STROKES ? "pen full" : { ...state, pen: [...state.pen, command.stroke] };
    case "take back stroke":
      return { ...state, pen: state.pen.slice(0, -1) };
    case "wipe":
      return { ...state, pen: [] };
    case "note":
      return { ...state, note: command.text };
    case "show":
      return { ...state, shown: command.shown };
    case "ask":
      if (command.question.kind === "choose" && command.question.options.length < 2) return "choices";
      return { ...state, quick: { ...command.question, open: true }, shown: null };
    case "close question": {
      const { quick } = state;
      const shown = quick && command.show ? { question: quick.id, chart: true, right: null, answers: [] } : null;
      return { ...state, quick: quick && command.show ? { ...quick, open: false } : null, shown };
    }
    case "work": {
      const { [command.step]: _before, ...others } = state.work;
      if (command.work === null) return { ...state, work: others };
      const members = command.work.groups.flat().map(({ student }) => student);
      if (new Set(members).size < members.length) return "twice";
      const grouped = command.work.mode === "pairs" || command.work.mode === "groups";
      const shared = command.work.shared && command.work.mode !== "alone";
      const work = { ...command.work, groups: grouped ? command.work.groups : [], shared };
      return { ...state, work: { ...others, [command.step]: work } };
    }
    case "end":
      return { ...state, ...leavingStep, phase: "ended", eyesUp: false, quick: null };
  }
}

type TimerCommand = Extract<LessonCommand, { do: `${string} timer` }>;

function timerAfter(timer: Timer, command: TimerCommand, now: number): Timer | null {
  const left = timerLeft(timer, now);
  switch (command.do) {
    case "hold timer":
      return { ...timer, ends: null, left };
    case "run timer":
      return timer.ends === null ? { ...timer, ends: now + left * 1000 } : timer;
    case "add to timer": {
      const longer = Math.min(LONGEST_TIMER, Math.max(0, left + command.seconds));
      return { ...timer, left: longer, ends: timer.ends === null ? null : now + longer * 1000 };
    }
    case "end timer":
      return null;
    default:
      return timer;
  }
}

/** What students' screens and the board are told: nothing that only the teacher is to see. */
export type LessonView = Omit<LessonState, "went">;

/** What every screen may know of a lesson: all but how long she stayed where. `viewOf({ on: "look", went: [] })` gives `{ on: "look" }`. */
export function viewOf(state: LessonState): LessonView {
  const { went: _went, ...seen } = state;
  return seen;
}

/** Where a student's screen is: on which of its own steps, and which it may turn to. */
export interface Follows {
  /** Held there; null: it turns where the student wants. */
  at: number | null;
  /** The last step it may turn to, from 0. */
  upTo: number;
}

/**
 * How a screen follows. A version may have other steps: the same step by its id, else the one at the same place.
 *
 *     followed(view, ["s1", "s2", "s3"]) // together on s2: { at: 1, upTo: 1 }
 */
export function followed(
  view: Pick<LessonView, "phase" | "pace" | "step" | "nth" | "opened">,
  own: readonly string[],
): Follows {
  const last = Math.max(0, own.length - 1);
  if (view.phase !== "running") return { at: null, upTo: own.length };
  if (view.pace === "free") return { at: null, upTo: own.length };
  const found = own.indexOf(view.step);
  const at = found >= 0 ? found : Math.min(view.nth, last);
  if (view.pace === "together") return { at, upTo: at };
  return { at: null, upTo: Math.min(last, Math.max(at, view.opened)) };
}

/**
 * With whom a student works on a step, the student left out; empty: with nobody, or nothing was said.
 * `worksWith({ work: { look: { groups: [[{ student: 1, name: "Ada" }, { student: 2, name: "Bo" }]] } } }, "look", 1)` gives `["Bo"]`.
 */
export function worksWith(view: Pick<LessonView, "work">, step: string, student: number): string[] {
  const group = view.work[step]?.groups.find((one) => one.some((member) => member.student === student));
  return (group ?? []).filter((member) => member.student !== student).map(({ name }) => name);
}

/**
 * Minutes spent on each step so far, by step: every stay counted, the running one until `now`.
 * `[...minutesUsed({ went: [{ step: "look", at: 0 }] }, 120_000)]` gives `[["look", 2]]`.
 */
export function minutesUsed(state: Pick<LessonState, "went">, now: number): Map<string, number> {
  const used = new Map<string, number>();
  state.went.forEach(({ step, at }, nth) => {
    const until = state.went[nth + 1]?.at ?? now;
    used.set(step, (used.get(step) ?? 0) + Math.max(0, until - at) / 60_000);
  });
  return used;
}

/**
 * A lesson as if somebody had been in none of its groups: nothing of who she was stays in it.
 * `withoutStudent({ work: { look: { groups: [[{ student: 1, name: "Ada" }]] } } }, 1).work.look.groups` gives `[]`.
 */
export const withoutStudent = (state: LessonState, student: number): LessonState => ({
  ...state,
  work: Object.fromEntries(
    Object.entries(state.work).map(([step, work]) => [
      step,
      {
        ...work,
        groups: work.groups
          .map((group) => group.filter((member) => member.student !== student))
          .filter((group) => group.length > 0),
      },
    ]),
  ),
});
