import { readFileSync } from "node:fs";
import path from "node:path";
import { ideas } from "@demo/bulk/ideas";
import { capital } from "@demo/bulk/pattern";

export interface WholeNeed {
  need: string;
  /** Never looked at while the order is worked on. */
  heldOut: boolean;
  /** By key; an idea or a form stands twice, "~rivers …" and "~rivers … again": two lessons on it are welcome, more are look-alikes. */
  good: Record<string, number>;
}

const AGAIN = " again";

/** The needs of whole.txt: `need|key:grade,key:grade`. */
export function wholeNeeds(): WholeNeed[] {
  const known = new Set(ideas.map(({ name }) => name));
  return readFileSync(path.join(import.meta.dirname, "whole.txt"), "utf8")
    .split("\n")
    .filter((line) => line && !line.startsWith("#"))
    .map((line) => {
      const [need, judged] = line.split("|") as [string, string];
      const good: Record<string, number> = {};
      for (const part of judged.split(",")) {
        const at = part.lastIndexOf(":");
        const [key, grade] = [part.slice(0, at), Number(part.slice(at + 1))];
        if (key.startsWith("~") && !known.has(key.slice(1))) throw new Error(`whole.txt: no idea ${key}`);
        good[key] = grade;
        if (/^[~#]/.test(key)) good[key + AGAIN] = grade;
      }
      return { need: need.replace(/^\+/, ""), heldOut: need.startsWith("+"), good };
    });
}

/** The older forms of generated lessons, known by their titles. */
const forms: readonly [string, RegExp][] = [
  ["#timetable", /: reading a timetable$/],
  ["#tides", /^(?:Tides at|High water at|Low water at|A tide table for) /],
  ["#counting", /^Counting (?!backwards)/],
  ["#market", /^Market day at /],
  ["#measuring", /in the boatyard at /],
  ["#fractions", /^Sharing .*: fractions at /],
  ["#facts", /^Five-minute check at /],
  ["#mapscale", /: map scale and distance$/],
  ["#story", /: a story from /],
  ["#words", /^Words of /],
  ["#procedure", / step by step, as at /],
  ["#timeline", /: reading a timeline$/],
  ["#creature", /^Who eats whom\? /],
  ["#weatherlog", /^Weather log of /],
  ["#worksong", / song from .*: beat and rhythm/],
  ["#feelings", /^Calm harbour, rough sea/],
];

const longestFirst = [...ideas].sort((one, other) => other.name.length - one.name.length);

/** What a generated lesson is one of. */
export function patternOf(title: string): string {
  const idea = longestFirst.find(({ name }) => title.startsWith(capital(name)));
  if (idea) return `~${idea.name}`;
  const form = forms.find(([, titles]) => titles.test(title));
  if (!form) throw new Error(`A generated lesson of no known form: ${title}`);
  return form[0];
}

/** The keys of results as they are judged: the second of a pattern is "again", further ones are worth nothing. */
export function keysOf(found: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return found.map((key) => {
    if (!/^[~#]/.test(key)) return key;
    const times = (seen.get(key) ?? 0) + 1;
    seen.set(key, times);
    return times === 1 ? key : times === 2 ? key + AGAIN : `${key} once more`;
  });
}

/** How many of the first ten are look-alikes: the third and further ones of a pattern. */
export const lookAlikes = (keys: readonly string[]): number => keys.filter((key) => key.endsWith(" once more")).length;
