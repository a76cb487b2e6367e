/**
 * Join codes are said aloud and typed by children: a short word of the shore and five digits, "KELP 40213". There are 2.9
 * million of them, so that trying them out finds none in the hour one lives.
 */
const words = [
  "BUOY",
  "CLAM",
  "COVE",
  "CRAB",
  "DUNE",
  "FERN",
  "FISH",
  "GULL",
  "HULL",
  "KELP",
  "KNOT",
  "LIMPET",
  "MAST",
  "MUSSEL",
  "OAR",
  "OTTER",
  "PIER",
  "PUFFIN",
  "QUAY",
  "REEF",
  "ROPE",
  "SAIL",
  "SALT",
  "SAND",
  "SEAL",
  "SHELL",
  "SKIFF",
  "SURF",
  "TERN",
  "TIDE",
  "WAVE",
  "WHARF",
];

/** How long a new code lets students in. */
export const JOIN_CODE_MINUTES = 60;
/** How long a code may live; a school day at the longest, for the longer it lives the more often it can be guessed at. */
export const joinCodeLives = [15, 60, 180, 480] as const;
export type JoinCodeLife = (typeof joinCodeLives)[number];

/** `formatJoinCodeLife(480)` gives `"the school day"`. */
export const formatJoinCodeLife = (minutes: JoinCodeLife): string =>
  minutes < 60
    ? `${minutes} minutes`
    : minutes === 60
      ? "an hour"
      : minutes === 480
        ? "the school day"
        : `${minutes / 60} hours`;

/** How many different codes there are. */
export const JOIN_CODES = words.length * 90_000;

/** A code from a random whole number from 0 to below its argument. `joinCode(() => 7).slice(-5)` gives `"10007"`. */
export function joinCode(random: (below: number) => number): string {
  return `${words[random(words.length)]!} ${10_000 + random(90_000)}`;
}

/**
 * What a child typed, in the form codes are kept in: "kelp40213" and "Kelp - 40213" are "KELP 40213".
 * `readJoinCode("Kelp - 40213")` gives `"KELP 40213"`.
 */
export function readJoinCode(typed: string): string {
  const found = /^\s*([a-zA-Z]+)[\s-]*(\d[\d\s]*)$/.exec(typed.slice(0, 40));
  return found ? `${found[1]!.toUpperCase()} ${found[2]!.replace(/\s/g, "")}` : typed.trim().toUpperCase().slice(0, 40);
}
