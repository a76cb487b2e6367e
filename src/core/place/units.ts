import type { Place } from "./places";

/** A unit with what it is called, and its counterpart in the other system. */
export interface Unit {
  one: string;
  many: string;
  short: string;
  /** In metres, kilograms, litres; of a degree: kelvins. */
  size: number;
  /** What the scale's zero is, in kelvins. */
  zero?: number;
  /** How the counterpart is written short. */
  to: string;
}

/** Exact by definition: the international yard and pound agreement of 1959, the US gallon of 231 cubic inches, the Celsius scale. */
const customary: readonly Unit[] = [
  { one: "inch", many: "inches", short: "in", size: 0.0254, to: "cm" },
  { one: "foot", many: "feet", short: "ft", size: 0.3048, to: "m" },
  { one: "yard", many: "yards", short: "yd", size: 0.9144, to: "m" },
  { one: "mile", many: "miles", short: "mi", size: 1609.344, to: "km" },
  { one: "ounce", many: "ounces", short: "oz", size: 0.45359237 / 16, to: "g" },
  { one: "pound", many: "pounds", short: "lb", size: 0.45359237, to: "kg" },
  { one: "gallon", many: "gallons", short: "gal", size: 3.785411784, to: "L" },
  {
    ...{ one: "degree Fahrenheit", many: "degrees Fahrenheit", short: "°F" },
    ...{ size: 5 / 9, zero: 273.15 - (32 * 5) / 9, to: "°C" },
  },
];
const metric: readonly Unit[] = [
  { one: "centimetre", many: "centimetres", short: "cm", size: 0.01, to: "in" },
  { one: "metre", many: "metres", short: "m", size: 1, to: "ft" },
  { one: "kilometre", many: "kilometres", short: "km", size: 1000, to: "mi" },
  { one: "gram", many: "grams", short: "g", size: 0.001, to: "oz" },
  { one: "kilogram", many: "kilograms", short: "kg", size: 1, to: "lb" },
  { one: "litre", many: "litres", short: "L", size: 1, to: "gal" },
  { one: "degree Celsius", many: "degrees Celsius", short: "°C", size: 1, zero: 273.15, to: "°F" },
];
const systems = { customary, metric } as const;
export type System = keyof typeof systems;

const american = (word: string) => word.replace("metre", "meter").replace("litre", "liter");
const namesOf = ({ one, many, short }: Unit): string[] => [
  ...new Set([one, many, short, american(one), american(many)]),
];

/** A unit by any of its names; "lbs" and "l" are written as well. `unitNamed("lbs", "customary").many` gives `"pounds"`. */
export function unitNamed(name: string, system: System): Unit | undefined {
  const plain = name.trim().replace(/^°\s/, "°").replace(/^lbs$/i, "lb").replace(/^l$/, "L");
  return systems[system].find((unit) =>
    namesOf(unit).some((known) => (known.length > 3 ? known.toLowerCase() === plain.toLowerCase() : known === plain)),
  );
}

/**
 * The unit of the other system that a textbook would use instead.
 * `counterpart(unitNamed("mile", "customary")).many` gives `"kilometres"`.
 * @throws Error where none is named
 */
export const counterpart = (unit: Unit): Unit => {
  const found = [...customary, ...metric].find(({ short }) => short === unit.to);
  if (!found) throw new Error(`no counterpart of ${unit.one}`);
  return found;
};

/** The exact amount in the counterpart. `convert(10, unitNamed("inch", "customary"))` gives `25.4`. */
export function convert(amount: number, from: Unit): number {
  const to = counterpart(from);
  return (amount * from.size + (from.zero ?? 0) - (to.zero ?? 0)) / to.size;
}

const significant = (written: string): number => {
  const [whole = "", part = ""] = written.replace(/[^\d.]/g, "").split(".");
  let digits = String(Number(whole + part));
  while (part === "" && digits.endsWith("0")) digits = digits.slice(0, -1);
  return digits.length;
};
const decimals = (written: string): number => written.split(".")[1]?.length ?? 0;

/**
 * An amount rounded as a textbook would: to as many figures as it was written with, two at least; temperatures to as many decimals.
 * Common practice.
 * `inRoundFigures(16.09344, "10", unitNamed("mile", "customary"))` gives `16`.
 */
export function inRoundFigures(amount: number, written: string, from: Unit): number {
  const rounded =
    from.zero === undefined
      ? Number(amount.toPrecision(Math.max(2, significant(written))))
      : Number(amount.toFixed(decimals(written)));
  return rounded === 0 ? 0 : rounded;
}

/** An amount as it stood in a text: "1,200" stays with its comma. `written(1500, "1,200")` gives `"1,500"`. */
export const written = (amount: number, like: string): string => {
  const useGrouping = like.includes(",") || Math.abs(amount) >= 10_000;
  const plain = Math.abs(amount).toLocaleString("en", { useGrouping, maximumFractionDigits: 6 });
  return `${amount < 0 ? (like.startsWith("-") ? "-" : "−") : ""}${plain}`;
};

/** `amountOf("1,200")` gives `1200`. */
export const amountOf = (like: string): number => Number(like.replace(/,/g, "").replace("−", "-"));

/**
 * The counterpart's name for an amount, short or in full as the unit stood there, spelt as at the place; `one`: "a 30-centimetre ruler".
 * `nameFor(unitNamed("mile", "customary"), "miles", false, { spelling: "american" })` gives `"kilometers"`.
 */
export function nameFor(unit: Unit, stood: string, one: boolean, place: Place): string {
  const to = counterpart(unit);
  const isShort = stood.replace(/[\s°]/g, "").replace(/s$/, "").length <= 3;
  const name = isShort ? to.short : one ? to.one : to.many;
  return place.spelling === "american" ? american(name) : name;
}

/** An amount with its unit in a text, or a unit alone (`amount` null). */
export interface Mention {
  start: number;
  end: number;
  /** As it stands. */
  text: string;
  amount: number | null;
  /** How the amount is written. */
  figures: string;
  /** What is between the amount and its unit: a space, a hyphen, nothing. */
  joint: string;
  unit: Unit;
  /** As the unit stands. */
  name: string;
  /** It cannot be said alone: a fraction, a range, "6 feet 2 inches". */
  mixed: boolean;
}

const NUMBER = String.raw`[-−]?(?:\d{1,3}(?:,\d{3}){1,3}|\d{1,9})(?:\.\d{1,6})?`;
const patternOf = (system: System) => {
  const names = systems[system].flatMap((unit) => namesOf(unit).map((name) => ({ name, short: name === unit.short })));
  const longest = (some: { name: string }[]) =>
    some
      .map(({ name }) => name.replace("°", String.raw`°\s?`))
      .sort((one, other) => other.length - one.length)
      .join("|");
  const long = longest(names.filter(({ short }) => !short));
  // "5 in a boat" are no inches; short names only stand with an amount.
  const short = longest(names.filter(({ name, short: is }) => is && name !== "in"));
  const extra = system === "customary" ? "|lbs" : "|l";
  return new RegExp(
    String.raw`(?<![\p{L}\p{N}.,])(?:(?<figures>${NUMBER})(?<joint>[\s-]?)(?<named>(?:${long})|(?:${short}${extra}))|(?<alone>${long}))(?![\p{L}\p{N}])`,
    "giu",
  );
};
const patterns: Readonly<Record<System, RegExp>> = {
  customary: patternOf("customary"),
  metric: patternOf("metric"),
};

/**
 * Every amount with a unit of one system in a text, and every unit that stands alone, in their order.
 * `mentionsIn("10 miles", "customary").length` gives `1`.
 */
export function mentionsIn(text: string, system: System): Mention[] {
  const found = [...text.matchAll(patterns[system])].flatMap(({ 0: whole, index, groups }): Mention[] => {
    const name = groups!.named ?? groups!.alone!;
    const unit = unitNamed(name, system);
    if (!unit) return [];
    const figures = groups!.figures ?? "";
    const before = text.slice(Math.max(0, index - 12), index);
    const mixed = /(?:[\p{N}/½¼¾]\s?[-–−/]?|\d\s(?:to|or|and)\s)$/u.test(before);
    const where = { start: index, end: index + whole.length, text: whole };
    return [
      { ...where, unit, name, figures, mixed, joint: groups!.joint ?? "", amount: figures ? amountOf(figures) : null },
    ];
  });
  return found.map((one, at) => {
    const touches = (other: Mention | undefined) =>
      other !== undefined &&
      one.amount !== null &&
      other.amount !== null &&
      /^\s?$/.test(text.slice(Math.min(one.end, other.end), Math.max(one.start, other.start)));
    return touches(found[at - 1]) || touches(found[at + 1]) ? { ...one, mixed: true } : one;
  });
}
