import { addDays, daysFrom, mondayOf, schoolDays, type BellTime, type SchoolCalendar } from "./school-calendar";

type Term = SchoolCalendar["terms"][number];

/** What is asked first of a school year. */
export interface YearAsked {
  /** The first and the last day of school. */
  first: string;
  last: string;
  terms: number;
  /** Whole weeks between two terms. */
  breakWeeks: number;
}

const names: Readonly<Record<number, readonly string[]>> = {
  1: ["School year"],
  2: ["First semester", "Second semester"],
  3: ["Autumn term", "Winter term", "Summer term"],
};
export const MOST_TERMS = 6;

/**
 * Terms of about the same length, each but the first from a Monday, each but the last until a Friday, with whole weeks between. Fewer than asked for
 * where there is not a week for each; none where the last day is before the first.
 * `proposeTerms({ first: "2026-09-01", last: "2027-06-30", terms: 2, breakWeeks: 1 }).length` gives `2`.
 */
export function proposeTerms({ first, last, terms: asked, breakWeeks }: YearAsked): Term[] {
  if (last < first) return [];
  // A year that begins at a weekend begins with the week after it.
  const monday = mondayOf(addDays(first, 2));
  const weeks = Math.max(1, Math.floor(daysFrom(monday, last) / 7) + 1);
  let count = Math.min(MOST_TERMS, Math.max(1, asked));
  while (count > 1 && weeks - (count - 1) * breakWeeks < count) count -= 1;
  const ofSchool = weeks - (count - 1) * breakWeeks;
  return Array.from({ length: count }, (_, nth) => {
    const [from, to] = [nth, nth + 1].map((at) => Math.round((at * ofSchool) / count));
    return {
      name: names[count]?.[nth] ?? `Term ${nth + 1}`,
      from: nth === 0 ? first : addDays(monday, 7 * (from! + nth * breakWeeks)),
      to: nth === count - 1 ? last : addDays(monday, 7 * (to! + nth * breakWeeks) - 3),
    };
  });
}

/** A school day as it is told: "six lessons of 45 minutes from ten to nine, and after the second one a longer break". */
export interface DayAsked {
  begins: string;
  lessons: number;
  minutes: number;
  /** Between two lessons. */
  between: number;
  /** After which lessons there is a longer break, and how long. */
  breaks: readonly { after: number; minutes: number }[];
}

const minutesOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
const timeOf = (minutes: number) =>
  `${String(Math.floor(minutes / 60)).padStart(2, "0")}:${String(minutes % 60).padStart(2, "0")}`;
const DAY = 24 * 60;

/**
 * The bells of every school day. Lessons that would not end on the same day are left out.
 * `bellsFrom({ begins: "09:00", lessons: 1, minutes: 45, between: 5, breaks: [] }, [1])` gives `[{ weekday: 1, period: 1, starts: "09:00", ends: "09:45" }]`.
 */
export function bellsFrom(day: DayAsked, weekdays: readonly number[]): BellTime[] {
  const bells: Omit<BellTime, "weekday">[] = [];
  let at = minutesOf(day.begins);
  for (let period = 1; period <= day.lessons && at + day.minutes < DAY; period += 1) {
    bells.push({ period, starts: timeOf(at), ends: timeOf(at + day.minutes) });
    const longer = day.breaks.find(({ after }) => after === period);
    at += day.minutes + (longer?.minutes ?? day.between);
  }
  return weekdays.flatMap((weekday) => bells.map((bell) => ({ weekday, ...bell })));
}

/** A weekday that begins at another time or has more or fewer lessons; they are as long as on other days. */
export type OtherDay = Pick<DayAsked, "begins" | "lessons"> & { weekday: number };

/**
 * The bells of a week of which some days differ.
 * `bellsOfWeek({ begins: "09:00", lessons: 2, minutes: 45, between: 5, breaks: [] }, [1, 5], [{ weekday: 5, begins: "09:00", lessons: 1 }]).length` gives `3`.
 */
export const bellsOfWeek = (day: DayAsked, weekdays: readonly number[], others: readonly OtherDay[]): BellTime[] =>
  weekdays.flatMap((weekday) => {
    const other = others.find((one) => one.weekday === weekday);
    return bellsFrom(other ? { ...day, begins: other.begins, lessons: other.lessons } : day, [weekday]);
  });

/** What a year comes to. */
export interface YearSum {
  days: number;
  daysOff: number;
  lessonsAWeek: number;
  /** Hours of lessons in the year, to the full hour. */
  hours: number;
}

/**
 * Days and hours of school in a calendar, as they are said before it is kept.
 * `sumOfYear(isles)` gives `{ days: 142, daysOff: 1, lessonsAWeek: 10, hours: 249 }`.
 */
export function sumOfYear(calendar: Omit<SchoolCalendar, "zone" | "classDaysOff">): YearSum {
  const whole = { ...calendar, zone: "UTC", classDaysOff: [] };
  const days = calendar.terms.flatMap(({ from, to }) => schoolDays(whole, from, to));
  const open = days.filter((day) => day.open);
  const minutes = open.flatMap(({ weekday }) =>
    calendar.bells
      .filter((bell) => bell.weekday === weekday)
      .map(({ starts, ends }) => minutesOf(ends) - minutesOf(starts)),
  );
  return {
    days: open.length,
    daysOff: days.length - open.length,
    lessonsAWeek: calendar.bells.filter(({ weekday }) => calendar.weekdays.includes(weekday)).length,
    hours: Math.round(minutes.reduce((sum, one) => sum + one, 0) / 60),
  };
}

/**
 * The terms of a year beside those of others: what ended before it stays, what it overlaps makes way.
 * `withYear([], [{ name: "Autumn", from: "2026-09-01", to: "2026-12-18" }])` gives `[{ name: "Autumn", from: "2026-09-01", to: "2026-12-18" }]`.
 */
export function withYear(before: readonly Term[], year: readonly Term[]): Term[] {
  const overlaps = (one: Term) => year.some(({ from, to }) => one.from <= to && from <= one.to);
  return [...before.filter((one) => !overlaps(one)), ...year].sort((one, other) => one.from.localeCompare(other.from));
}
