/** What children may like, each with a picture, and the words by which a reading is known to be about it. */
export const interests = {
  lighthouses: ["lighthouse", "keeper", "beacon", "faro", "farero"],
  boats: ["boat", "ship", "ferry", "sail", "harbour", "barco", "puerto", "vela"],
  birds: ["bird", "puffin", "gull", "tern", "kittiwake", "ave", "pájaro", "gaviota"],
  animals: ["otter", "seal", "whale", "cat", "dog", "animal", "nutria", "ballena"],
  storms: ["storm", "weather", "wind", "wave", "tormenta", "viento", "ola"],
  plants: ["kelp", "plant", "seed", "tree", "flower", "alga", "planta", "semilla"],
  farm: ["sheep", "wool", "farm", "hay", "oveja", "lana", "granja"],
  music: ["song", "music", "drum", "rhythm", "canción", "música", "ritmo"],
  stars: ["star", "moon", "sky", "planet", "estrella", "luna", "cielo"],
  machines: ["machine", "engine", "wheel", "bridge", "máquina", "motor", "rueda"],
  people: ["letter", "friend", "family", "village", "carta", "amigo", "familia", "pueblo"],
  food: ["bread", "market", "cook", "fish", "pan", "mercado", "cocina", "pescado"],
} as const satisfies Record<string, readonly string[]>;
export type Interest = keyof typeof interests;

export const interestNames = Object.keys(interests) as Interest[];
/** `isInterest("animals")` gives `true`. */
export const isInterest = (name: string): name is Interest => name in interests;

/**
 * Which of these a reading is about, by its title, topics and summary: whole words, also in the plural.
 * `interestsIn(["Whales and sharks"])` gives `["animals"]`.
 */
export function interestsIn(texts: readonly string[]): Interest[] {
  const said = new Set(
    texts
      .join(" ")
      .toLocaleLowerCase()
      .match(/[\p{L}]+/gu) ?? [],
  );
  const has = (word: string) => said.has(word) || said.has(`${word}s`) || said.has(`${word}es`);
  return interestNames.filter((name) => interests[name].some(has));
}
