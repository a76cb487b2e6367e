import { Temporal } from "temporal-polyfill";
import { addDays, momentAt, mondayOf, schoolClock, weekdayOf } from "@/core/calendar/school-calendar";
import { months, formatDay, formatMoment, formatTime, toWallClock } from "@/core/calendar/format-moment";
import type { AssignForm, Due, Opens } from "../form";
import type { Piece } from "./piece";
import type { DayWords, LessonWords, WhenWords } from "./when";
import type { LineClass, LineWorld } from "./world";
import { well } from "./who-gets";
import { formatList } from "@/core/format-list";

type Answer = Pick<Piece, "said" | "problem" | "offers">;
export type Resolved<Value> = { value: Value; answer: Answer } | { value: null; answer: Answer };

/** Work opens in the morning and is due after school, when nothing else is said. */
const OPENS_AT = "07:00";
export const DUE_AT = "15:00";
/** A date of which no year is said is one of the coming months, or else one that has just passed. */
const FAR_DAYS = 200;

const wrong = (said: string, problem: string, offers: Piece["offers"] = []) => ({
  value: null,
  answer: { said, problem, offers },
});

const plainDate = (year: number, month: number, day: number): string | null => {
  try {
    return Temporal.PlainDate.from({ year, month, day }, { overflow: "reject" }).toString();
  } catch {
    return null;
  }
};

/**
 * The date of a day as typed. `after`: a weekday is the first one after this date.
 * `dateOf({ by: "tomorrow" }, "2026-11-26", world).value` gives `"2026-11-27"`.
 */
export function dateOf(day: DayWords, after: string, world: LineWorld): Resolved<string> {
  const { today } = world;
  const fine = (value: string) => ({ value, answer: well(formatDate(value, world)) });
  switch (day.by) {
    case "today":
      return fine(today);
    case "tomorrow":
      return fine(addDays(today, 1));
    case "weekday": {
      if (day.next) return fine(addDays(mondayOf(today), 6 + day.weekday));
      const ahead = (day.weekday - weekdayOf(after) + 7) % 7;
      return fine(addDays(after, ahead === 0 ? 7 : ahead));
    }
    case "day of month": {
      const [year, month] = [Number(today.slice(0, 4)), Number(today.slice(5, 7))];
      for (let n = 0; n < 3; n += 1) {
        const date = plainDate(year + Math.floor((month - 1 + n) / 12), ((month - 1 + n) % 12) + 1, day.day);
        if (date !== null && date >= today) return fine(date);
      }
      return wrong(`the ${day.day}th?`, "No month has this day.");
    }
    case "date": {
      const said = `${day.day} ${months[day.month - 1]}`;
      const year = Number(today.slice(0, 4));
      const dates = (day.year === null ? [year, year + 1] : [day.year]).map((each) =>
        plainDate(each, day.month, day.day),
      );
      const known = dates.filter((date) => date !== null);
      const near = known.find((date) => date >= today && date <= addDays(today, FAR_DAYS)) ?? known[0];
      if (near === undefined) return wrong(`${said}?`, `There is no ${said}.`);
      if (day.weekday === null || weekdayOf(near) === day.weekday) return fine(near);
      const close = [-3, -2, -1, 1, 2, 3]
        .map((days) => addDays(near, days))
        .find((date) => weekdayOf(date) === day.weekday)!;
      return wrong(
        `${said}?`,
        `${said} is a ${formatDate(near, world).slice(0, 3)}, not a ${formatDate(close, world).slice(0, 3)}.`,
        [near, close].map((date) => ({ text: formatDate(date, world), replace: formatDate(date, world) })),
      );
    }
  }
}

const formatDate = (date: string, { zone, now }: LineWorld) => formatDay(momentAt(date, "12:00", zone), zone, now);

const formatLesson = (lesson: LessonWords): string =>
  lesson.by === "period" ? `period ${lesson.period}` : lesson.by === "label" ? `${lesson.label} lesson` : "lesson";

/** Which of the lessons of one day, or of all that come. */
function pick<Meeting extends { period: number; label: string }>(
  meetings: readonly Meeting[],
  lesson: LessonWords,
): Meeting | undefined {
  switch (lesson.by) {
    case "nth":
      return meetings[lesson.n - 1];
    case "last":
      return meetings.at(-1);
    case "period":
      return meetings.find(({ period }) => period === lesson.period);
    case "label":
      return meetings.find(({ label }) => label === lesson.label);
  }
}

/** The lesson meant, of the one class that gets it. */
function lessonOf(
  words: Extract<WhenWords, { kind: "moment" }> & { lesson: LessonWords },
  classes: readonly LineClass[],
  after: string,
  world: LineWorld,
): Resolved<LineClass["meetings"][number]> {
  const [group, other] = classes;
  if (!group || other)
    return wrong(
      "which lesson?",
      `${formatList(classes.map(({ name }) => name))} each have their own lessons: give a day and a time.`,
    );
  const day = words.day && dateOf(words.day, after, world);
  if (day?.value === null) return { value: null, answer: day.answer };
  const [first] = group.meetings;
  const date = day?.value ?? (words.lesson.by === "last" ? first?.date : undefined);
  const found = pick(date ? group.meetings.filter((one) => one.date === date) : group.meetings, words.lesson);
  const said = date ? `${formatDate(date, world)}, ${formatLesson(words.lesson)}` : formatLesson(words.lesson);
  if (found) return { value: found, answer: well(formatMeeting(found, world)) };
  const lessons = date ? group.meetings.filter((one) => one.date === date).length : 0;
  const next = group.meetings.find((one) => date === undefined || one.date >= date);
  return wrong(
    `${said}?`,
    lessons > 0
      ? `${group.name} has only ${lessons === 1 ? "one lesson" : `${lessons} lessons`} on ${formatDate(date!, world)}.`
      : `${group.name} has no lesson like that${date ? ` on ${formatDate(date, world)}` : ""}.`,
    next
      ? [{ text: formatMeeting(next, world), replace: `${formatDate(next.date, world)} period ${next.period}` }]
      : [],
  );
}

const formatMeeting = (meeting: LineClass["meetings"][number], { zone, now }: LineWorld) =>
  `${formatMoment(meeting.starts, zone, now)}, ${meeting.label || "lesson"}`;

const formatAt = (date: string, time: string, world: LineWorld) =>
  formatMoment(momentAt(date, time, world.zone), world.zone, world.now);

/** When it opens, for the classes that get it. `opensOf({ kind: "now" }, [puffin], world).value` gives `{ kind: "now" }`. */
export function opensOf(when: WhenWords, classes: readonly LineClass[], world: LineWorld): Resolved<Opens> {
  switch (when.kind) {
    case "now":
      return { value: { kind: "now" }, answer: well("now") };
    case "lesson end":
    case "span":
      return wrong("when?", "This says when it is due, not when it opens.");
    case "moment": {
      const { lesson } = when;
      if (lesson) {
        if (classes.length > 1 && !when.day && lesson.by === "nth")
          return {
            value: { kind: "meeting", n: lesson.n },
            answer: well(
              lesson.n === 1 ? "the next lesson of each class" : `${lesson.n} lessons from now, each class its own`,
            ),
          };
        const found = lessonOf({ ...when, lesson }, classes, world.today, world);
        return found.value === null
          ? found
          : { value: { kind: "place", date: found.value.date, period: found.value.period }, answer: found.answer };
      }
      const clock = schoolClock(world.now, world.zone);
      const day = when.day && dateOf(when.day, world.today, world);
      if (day?.value === null) return { value: null, answer: day.answer };
      const date = day?.value ?? (when.time !== null && when.time > clock.time ? world.today : addDays(world.today, 1));
      if (date === world.today && when.time === null) return { value: { kind: "now" }, answer: well("now") };
      const time = when.time ?? OPENS_AT;
      return { value: { kind: "at", at: `${date}T${time}` }, answer: well(formatAt(date, time, world)) };
    }
  }
}

/** The date it opens on, as far as the form says it by itself. */
function openDate(opens: Opens, classes: readonly LineClass[], world: LineWorld): string {
  switch (opens.kind) {
    case "now":
      return world.today;
    case "at":
      return opens.at.slice(0, 10);
    case "place":
      return opens.date;
    case "meeting":
      return classes[0]?.meetings[opens.n - 1]?.date ?? world.today;
  }
}

/**
 * When it is due, once it is known when it opens.
 * `dueOf({ kind: "span", count: 2, unit: "day", time: null }, { kind: "now" }, [puffin], world).value.at` gives `"2026-11-28T15:00"`.
 */
export function dueOf(when: WhenWords, opens: Opens, classes: readonly LineClass[], world: LineWorld): Resolved<Due> {
  const from = openDate(opens, classes, world);
  const atClock = (date: string, time: string) => ({
    value: { kind: "at" as const, at: `${date}T${time}` },
    answer: well(formatAt(date, time, world)),
  });
  switch (when.kind) {
    case "now":
      return wrong("now?", "It can open now, but not be due now.");
    case "lesson end":
      return opens.kind === "place" || opens.kind === "meeting"
        ? { value: { kind: "meeting end" }, answer: well("when the lesson ends") }
        : wrong("in which lesson?", "It does not open in a lesson.");
    case "span": {
      const time = when.time ?? DUE_AT;
      if (when.unit !== "school day") return atClock(addDays(from, when.count * (when.unit === "week" ? 7 : 1)), time);
      const [hour, minute] = time.split(":").map(Number);
      const days = when.count === 1 ? "the next school day" : `${when.count} school days later`;
      return {
        value: { kind: "days", days: when.count, time },
        answer: well(`${days}, ${formatTime(hour!, minute!)}`),
      };
    }
    case "moment": {
      if (when.lesson) {
        const found = lessonOf({ ...when, lesson: when.lesson }, classes, from, world);
        if (found.value === null) return found;
        const [date, time] = toWallClock(found.value.starts, world.zone).split("T");
        return atClock(date!, time!);
      }
      const day = when.day && dateOf(when.day, from, world);
      if (day?.value === null) return { value: null, answer: day.answer };
      return atClock(day?.value ?? from, when.time ?? DUE_AT);
    }
  }
}

/**
 * The days it is open: each weekday as often as it comes between opening and due.
 * `daysOf([{ by: "today" }], { opens: { kind: "now" }, due: { kind: "at", at: "2026-11-30T15:00" } }, [puffin], world).value` gives `["2026-11-26"]`.
 */
export function daysOf(
  days: readonly DayWords[],
  { opens, due }: Pick<AssignForm, "opens" | "due">,
  classes: readonly LineClass[],
  world: LineWorld,
): Resolved<string[]> {
  const from = openDate(opens, classes, world);
  const last = due.kind === "at" ? due.at.slice(0, 10) : addDays(from, 6);
  const dates: string[] = [];
  for (const day of days) {
    const first = dateOf(day, addDays(from, -1), world);
    if (first.value === null) return { value: null, answer: first.answer };
    dates.push(first.value);
    if (day.by === "weekday" && !day.next)
      for (let date = addDays(first.value, 7); date <= last; date = addDays(date, 7)) dates.push(date);
  }
  const value = [...new Set(dates)].sort();
  return { value, answer: well(`only ${formatList(value.map((date) => formatDate(date, world)))}`) };
}
