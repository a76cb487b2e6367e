/** Join codes are said aloud and typed by children: a short word of the shore and two digits, "KELP 42". */
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

/** A code from two random numbers in [0, 1). */
export function joinCode(random: () => number): string {
  const word = words[Math.floor(random() * words.length)]!;
  return `${word} ${10 + Math.floor(random() * 90)}`;
}

/** What a child typed, in the form codes are kept in: "kelp42" and "Kelp - 42" are "KELP 42". */
export function readJoinCode(typed: string): string {
  const found = /^\s*([a-zA-Z]+)[\s-]*(\d+)\s*$/.exec(typed);
  return found ? `${found[1]!.toUpperCase()} ${found[2]}` : typed.trim().toUpperCase().slice(0, 40);
}
