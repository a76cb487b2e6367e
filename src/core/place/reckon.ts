/** A number that a question gives: as it was, as it is now, and its unit; "" for a plain number. */
export interface Given {
  was: number;
  now: number;
  unit: string;
}

/** How an answer follows from what is given: the new answer, and the sum that leads to it. */
export interface Reckoned {
  now: number;
  how: string;
}

interface Term extends Given {
  /** How often each unit is in it: a speed has 1 of a mile and -1 of an hour. */
  powers: Readonly<Record<string, number>>;
  how: string;
}

const FIGURES = 10; // so that 0.1 + 0.2 is 0.3
const tidy = (value: number): number => Number(value.toPrecision(FIGURES));
const same = (one: number, other: number): boolean =>
  Math.abs(one - other) <= 1e-9 * Math.max(1, Math.abs(one), Math.abs(other));

const powersOf = (powers: Readonly<Record<string, number>>): string =>
  Object.entries(powers)
    .filter(([, power]) => power !== 0)
    .map(([unit, power]) => `${unit}^${power}`)
    .sort()
    .join(" ");

const combined = (one: Term, other: Term, sign: 1 | -1): Record<string, number> => {
  const powers: Record<string, number> = { ...one.powers };
  for (const [unit, power] of Object.entries(other.powers)) powers[unit] = (powers[unit] ?? 0) + sign * power;
  return powers;
};

/** What two terms can make: sums and differences only of the same kind. */
function made(one: Term, other: Term): Term[] {
  const say = (sign: string) => `${one.how} ${sign} ${other.how}`;
  const found: Term[] = [
    {
      ...{ was: one.was * other.was, now: one.now * other.now, unit: "" },
      ...{ powers: combined(one, other, 1), how: say("×") },
    },
  ];
  if (other.was !== 0 && other.now !== 0)
    found.push({
      ...{ was: one.was / other.was, now: one.now / other.now, unit: "" },
      ...{ powers: combined(one, other, -1), how: say("÷") },
    });
  if (powersOf(one.powers) === powersOf(other.powers))
    found.push(
      { ...one, was: one.was + other.was, now: one.now + other.now, how: say("+") },
      { ...one, was: one.was - other.was, now: one.now - other.now, how: say("−") },
    );
  return found;
}

const MOST_GIVEN = 24;
const MOST_FOR_THREE = 6;

/**
 * The answer after what is given has changed, when there is one way only in which it can follow: the number itself, a sum of two or
 * three of those given, or all of them together. Units must agree. Null: nothing leads to it, or two ways lead to different answers.
 * `reckon(5, "", [{ was: 2, now: 4, unit: "" }, { was: 3, now: 6, unit: "" }])` gives `{ now: 10, how: "4 + 6" }`.
 */
export function reckon(target: number, unit: string, given: readonly Given[]): Reckoned | null {
  const known: Term[] = given
    .filter((one, at) => given.findIndex((other) => other.was === one.was && other.unit === one.unit) === at)
    .slice(0, MOST_GIVEN)
    .map((one) => ({ ...one, powers: one.unit ? { [one.unit]: 1 } : {}, how: String(one.now) }));
  const wanted = powersOf(unit ? { [unit]: 1 } : {});
  const fits = (term: Term) => same(term.was, target) && powersOf(term.powers) === wanted;
  const pairs = known.flatMap((one, at) => known.flatMap((other, to) => (at === to ? [] : made(one, other))));
  const threes =
    known.length > MOST_FOR_THREE
      ? []
      : known.flatMap((one, a) =>
          known.flatMap((two, b) =>
            a === b
              ? []
              : made(one, two).flatMap((pair) =>
                  known.flatMap((three, c) => (c === a || c === b ? [] : made(pair, three))),
                ),
          ),
        );
  const alike = known.filter((one) => powersOf(one.powers) === wanted && one.unit !== "");
  const total = (key: "was" | "now") => alike.reduce((sum, one) => sum + one[key], 0);
  const together: Term[] =
    alike.length < 3
      ? []
      : [
          { ...alike[0]!, was: total("was"), now: total("now"), how: alike.map(({ how }) => how).join(" + ") },
          {
            ...alike[0]!,
            ...{ was: total("was") / alike.length, now: total("now") / alike.length },
            how: `(${alike.map(({ how }) => how).join(" + ")}) ÷ ${alike.length}`,
          },
        ];
  // The shortest way that leads there counts; longer ones find the same number by chance.
  for (const ways of [known, pairs, [...threes, ...together]]) {
    const found = ways.filter(fits);
    if (found.length === 0) continue;
    const now = tidy(found[0]!.now);
    if (found.some((one) => !same(tidy(one.now), now))) return null;
    // "How many pieces?" asks for a whole number still.
    if (Number.isInteger(target) && unit === "" && !Number.isInteger(now)) return null;
    return { now, how: found[0]!.how };
  }
  return null;
}
