import { months } from "./format-moment";

/**
 * Dates and times as people type them into a field, and as a field shows them. A date is "2026-11-30", a time "15:00" (24 hours), a
 * moment "2026-11-30T15:00"; no time zone: they are what stands on the wall.
 */

const weekdays = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];
const longWeekdays = ["sunday", "monday", "tuesday", "wednesday", "thursday", "friday", "saturday"];
const two = (value: number) => String(value).padStart(2, "0");

/** The date of these parts; null for 31 April and for years outside 2000 to 2199. `month` counts from 1. */
function dateOf(year: number, month: number, day: number): string | null {
  const at = new Date(Date.UTC(year, month - 1, day));
  const same = at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day;
  return same && year >= 2000 && year <= 2199 ? `${year}-${two(month)}-${two(day)}` : null;
}

const yearOf = (text: string | undefined, today: string): number =>
  text === undefined ? Number(today.slice(0, 4)) : text.length === 2 ? 2000 + Number(text) : Number(text);

/** Without a year it is the next one that comes. */
function nextOf(year: string | undefined, month: number, day: number, today: string): string | null {
  const date = dateOf(yearOf(year, today), month, day);
  return date !== null && year === undefined && date < today ? dateOf(yearOf(year, today) + 1, month, day) : date;
}

/**
 * Reads "2026-11-30", "30 Nov", "Mon 30 November 2026", "Nov 30", "30/11", "30.11.26", "today", "tomorrow", "Friday" (the next one).
 * Of two numbers the first is the day, unless it can only be a month.
 * `readDate("Friday", "2026-11-30")` gives `"2026-12-04"`.
 * @param today a date: what "tomorrow" and a date without a year count from
 * @returns a date, or null for anything else
 */
export function readDate(text: string, today: string): string | null {
  const typed = text
    .toLowerCase()
    .replace(/[\s,]+/g, " ")
    .trim();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  if (iso) return dateOf(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const numbers = /^(\d{1,2})[/.](\d{1,2})(?:[/.](\d{4}|\d{2})|\.)?$/.exec(typed);
  if (numbers) {
    const [one, other] = [Number(numbers[1]), Number(numbers[2])];
    return other > 12 ? nextOf(numbers[3], one, other, today) : nextOf(numbers[3], other, one, today);
  }
  const plus = { today: 0, tomorrow: 1 }[typed];
  if (plus !== undefined) return daysLater(today, plus);
  const weekday = typed.length < 3 ? -1 : longWeekdays.findIndex((name) => name.startsWith(typed));
  if (weekday >= 0) {
    const away = (weekday - new Date(`${today}T00:00Z`).getUTCDay() + 7) % 7;
    return daysLater(today, away === 0 ? 7 : away);
  }
  // A weekday before a date is for the reader: the date counts.
  const words = typed.replace(/^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]* /, "");
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th)? ([a-z]{3,9})(?: (\d{4}))?$/.exec(words);
  const monthFirst = /^([a-z]{3,9}) (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/.exec(words);
  const [day, name, year] = dayFirst
    ? [dayFirst[1]!, dayFirst[2]!, dayFirst[3]]
    : monthFirst
      ? [monthFirst[2]!, monthFirst[1]!, monthFirst[3]]
      : ["", "", undefined];
  const month = months.findIndex((short) => short.toLowerCase() === name.slice(0, 3)) + 1;
  return month === 0 ? null : nextOf(year, month, Number(day), today);
}

const daysLater = (date: string, days: number): string =>
  new Date(new Date(`${date}T00:00Z`).getTime() + days * 86_400_000).toISOString().slice(0, 10);

/**
 * Reads "15:00", "15.00", "1500", "3 pm", "3:10pm", "noon" and "midnight" as a time; null for anything else.
 * `readTime("3:10pm")` gives `"15:10"`.
 */
export function readTime(text: string): string | null {
  const typed = text.trim().toLowerCase().replace(/\s+/g, " ");
  if (typed === "noon") return "12:00";
  if (typed === "midnight") return "00:00";
  const found = /^(\d{1,2})(?:[:.]?(\d{2}))? ?(am|pm|a\.m\.|p\.m\.)?$/.exec(typed);
  if (!found) return null;
  const half = found[3]?.[0];
  // A number by itself is no time yet: "3" may become "3 pm" or "3:10".
  if (!half && found[2] === undefined) return null;
  const [hour, minute] = [Number(found[1]), Number(found[2] ?? 0)];
  if (minute > 59 || hour > (half ? 12 : 23) || (half && hour === 0)) return null;
  return `${two(half ? (hour % 12) + (half === "p" ? 12 : 0) : hour)}:${two(minute)}`;
}

/**
 * Reads a date and a time, in this order: "30 Nov, 15:00", "tomorrow 3 pm", "2026-11-30T15:00". With a date alone the hour is `hour`.
 * `readMoment("tomorrow 3 pm", "2026-11-30", "08:00")` gives `"2026-12-01T15:00"`.
 * @returns a moment, or null
 */
export function readMoment(text: string, today: string, hour: string): string | null {
  const words = text
    .trim()
    .replace(/^(\d{4}-\d{2}-\d{2})T/, "$1 ")
    .split(/[\s,]+/)
    .filter(Boolean);
  const alone = readDate(words.join(" "), today);
  if (alone) return `${alone}T${hour}`;
  // The time is the last word, or two of them: "3 pm".
  for (const count of [2, 1]) {
    const date = readDate(words.slice(0, -count).join(" "), today);
    const time = readTime(words.slice(-count).join(" "));
    if (date && time) return `${date}T${time}`;
  }
  return null;
}

/** "Mon 30 Nov 2026"; empty for anything that is not a date. `formatTypedDate("2026-11-30")` gives `"Mon 30 Nov 2026"`. */
export function formatTypedDate(date: string): string {
  if (readDate(date, date) === null) return "";
  const at = new Date(`${date}T00:00Z`);
  return `${weekdays[at.getUTCDay()]} ${at.getUTCDate()} ${months[at.getUTCMonth()]} ${at.getUTCFullYear()}`;
}

/** "Mon 30 Nov 2026, 15:00"; empty for anything that is not a date and a time. `formatTypedMoment("2026-11-30T15:00")` gives `"Mon 30 Nov 2026, 15:00"`. */
export function formatTypedMoment(moment: string): string {
  const [date = "", time = ""] = moment.split("T");
  const day = formatTypedDate(date);
  return day && readTime(time.slice(0, 5)) ? `${day}, ${time.slice(0, 5)}` : "";
}
