import { heardWords, voiceIn } from "./heard-words";

const RATE = 8000;

/** The same numbers every time (a linear congruential generator, constants of Numerical Recipes, 1992). */
function dice(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

interface Reader {
  /** Seconds a letter. */
  letter: number;
  /** How unevenly words are said: 0.4 is 40 % longer or shorter. */
  uneven: number;
  /** How often there is a pause where nothing on paper asks for one. */
  hesitates: number;
  /** Whether the room is loud. */
  noise: number;
}

const calm: Reader = { letter: 0.065, uneven: 0.35, hesitates: 0.03, noise: 0.001 };

/** A voice made of noise that reads a text, and from when each word was really said. */
function read(lines: readonly string[], reader: Reader, seed = 1) {
  const random = dice(seed);
  const parts: { seconds: number; loud: number }[] = [{ seconds: 0.4, loud: 0 }];
  const truth: number[] = [];
  let now = 0.4;
  const add = (seconds: number, loud: number) => {
    parts.push({ seconds, loud });
    now += seconds;
  };
  for (const line of lines)
    for (const word of line.split(" ")) {
      truth.push(now);
      const letters = word.replace(/\W/g, "").length;
      add((letters + 2) * reader.letter * (1 - reader.uneven + 2 * reader.uneven * random()), 0.2 + 0.2 * random());
      if (/[.!?]$/.test(word)) add(0.4 + 0.5 * random(), 0);
      else if (/,$/.test(word)) add(0.18 + 0.2 * random(), 0);
      else if (random() < reader.hesitates) add(0.2 + 0.4 * random(), 0);
    }
  const samples = new Float32Array(Math.ceil(now * RATE) + RATE);
  let at = 0;
  for (const { seconds, loud } of parts)
    for (const end = at + Math.round(seconds * RATE); at < end; at += 1)
      samples[at] = (random() * 2 - 1) * (loud + reader.noise);
  for (; at < samples.length; at += 1) samples[at] = (random() * 2 - 1) * reader.noise;
  return { samples, truth, seconds: now };
}

const tides = [
  "Twice a day the sea comes in over the bar at Skerry Sound. Boats wait outside, and so do the people on the quay.",
  "When the water is high enough, the ferry blows its horn! Everybody looks up, even the gulls.",
  "Look at the table. Which day would you choose for a trip to the lighthouse, and why?",
];

/** The share of words that are marked within this many seconds of being said. */
const within = (seconds: number, found: readonly { from: number }[], truth: readonly number[]) =>
  truth.filter((real, nth) => Math.abs(found[nth]!.from - real) <= seconds).length / truth.length;

test("voice and silence are told apart in a quiet room and in a loud one", () => {
  for (const noise of [0, 0.001, 0.02]) {
    const { samples } = read(["One. Two. Three."], { ...calm, noise }, 3);
    expect(voiceIn(samples, RATE)).toHaveLength(3);
  }
});

test("words are marked when they are said, no matter who reads: evenly, slowly, fast, with pauses to think", () => {
  const readers = [calm, { ...calm, letter: 0.12 }, { ...calm, letter: 0.045 }, { ...calm, hesitates: 0.12 }];
  for (const reader of readers)
    for (let seed = 1; seed <= 8; seed += 1) {
      const { samples, truth } = read(tides, reader, seed);
      const found = heardWords(tides, samples, RATE);
      expect(found).toHaveLength(truth.length);
      expect(within(0.5, found, truth)).toBeGreaterThan(0.85);
    }
});

test("that is far better than sharing out the whole time by length", () => {
  const { samples, truth, seconds } = read(tides, { ...calm, hesitates: 0.1 }, 7);
  const letters = tides
    .join(" ")
    .split(" ")
    .map((word) => word.length);
  const all = letters.reduce((sum, one) => sum + one, 0);
  let before = 0;
  const shared = letters.map((one) => {
    const from = (before / all) * seconds;
    before += one;
    return { from };
  });
  expect(within(0.3, heardWords(tides, samples, RATE), truth)).toBeGreaterThan(within(0.3, shared, truth) + 0.2);
});

test("words come in order, each at its place in its line", () => {
  const { samples } = read(tides, calm, 5);
  const found = heardWords(tides, samples, RATE);
  expect(found.map(({ from }) => from)).toEqual(found.map(({ from }) => from).toSorted((a, b) => a - b));
  expect(found.slice(0, 3).map(({ line, at }) => tides[line]!.slice(at).split(" ")[0])).toEqual(["Twice", "a", "day"]);
  expect(found.at(-1)).toMatchObject({ line: 2, at: tides[2]!.lastIndexOf("why?") });
});

test("a recording of something else marks nothing, nor does silence, nor a page without words", () => {
  const { samples } = read(tides, calm, 2);
  expect(heardWords(["No."], samples, RATE)).toEqual([]);
  expect(
    heardWords(
      Array.from({ length: 60 }, () => tides[0]!),
      samples,
      RATE,
    ),
  ).toEqual([]);
  expect(heardWords(tides, new Float32Array(RATE), RATE)).toEqual([]);
  expect(heardWords(tides, new Float32Array(0), RATE)).toEqual([]);
  expect(heardWords(["", " - "], samples, RATE)).toEqual([]);
});

test("five minutes with many pauses are gone through in a moment", () => {
  const long = Array.from({ length: 20 }, () => tides).flat();
  const { samples, truth } = read(long, { ...calm, hesitates: 0.3 }, 4);
  const found = heardWords(long, samples, RATE);
  expect(within(1, found, truth)).toBeGreaterThan(0.8);
});
