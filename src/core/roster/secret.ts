import { PASSWORD_LENGTH, pictures, type Picture } from "../student/pictures";

/** Words a child reads, spells and remembers: short, concrete, none like another. */
const things = `
  anchor apple basket beach bell bird boat bridge bucket button candle castle cloud coat crab cup drum duck
  eagle feather field fish flag flute forest fox garden goat hammer harbour hat hill honey horse island jacket
  kettle kite ladder lamp lantern leaf lemon letter map market mirror moon mountain needle nest night ocean
  onion orange otter oven paint paper pear pebble pencil piano pillow pocket pony potato puffin puzzle rabbit
  rain ribbon river road robin rocket rope sail salt sand scarf seal shell sheep ship shoe silver snow soap sock
  spoon star stone summer sun table tent thread tiger tower train tree trumpet tulip turnip umbrella valley
  violin wagon water whale wheel whistle willow window winter wool yellow
`
  .trim()
  .split(/\s+/);

export type SecretKind = "pictures" | "words";

/** What stands on a child's card. */
export interface LoginCard {
  name: string;
  signInName: string;
  kind: SecretKind;
  secret: string[];
}

/**
 * A secret a child can remember. `random`: a fair whole number below the one given; security hangs on it.
 * `newSecret("words", (() => { let next = 0; return () => next++; })())` gives `["anchor", "apple"]`.
 */
export function newSecret(kind: "pictures", random: (below: number) => number): Picture[];
export function newSecret(kind: "words", random: (below: number) => number): string[];
export function newSecret(kind: SecretKind, random: (below: number) => number): string[];
export function newSecret(kind: SecretKind, random: (below: number) => number): string[] {
  const from: readonly string[] = kind === "pictures" ? pictures : things;
  const chosen: string[] = [];
  // None twice: "fish fish star" is typed wrong, and read wrong on a card.
  while (chosen.length < (kind === "pictures" ? PASSWORD_LENGTH : 2)) {
    const one = from[random(from.length)]!;
    if (!chosen.includes(one)) chosen.push(one);
  }
  return chosen;
}

/**
 * What is hashed of two words, however they were typed: capitals, hyphens and several spaces do not matter.
 * `wordSecret("Red-Kettle")` gives `"red kettle"`.
 */
export function wordSecret(typed: string): string {
  return typed
    .toLowerCase()
    .replace(/[^a-z]+/g, " ")
    .trim();
}

/**
 * How many secrets there are of a kind: what a guesser is up against, before the limit of tries.
 * `secretsOf("words") > 1000` gives `true`.
 */
export function secretsOf(kind: SecretKind): number {
  return kind === "pictures"
    ? pictures.length * (pictures.length - 1) * (pictures.length - 2)
    : things.length * (things.length - 1);
}
