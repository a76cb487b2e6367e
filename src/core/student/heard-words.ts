/**
 * When each word of a text is said in a recording of it, so that the word can be marked while a voice is heard. Nobody recognises speech
 * here: what is known is how long each word is on paper, where sentences end, and where the voice pauses. Ends of sentences and pauses are
 * brought together in order by dynamic programming over lengths (after W. A. Gale and K. W. Church, "A Program for Aligning Sentences in
 * Bilingual Corpora", Computational Linguistics 19(1), 1993), and what lies between two such places is shared out by length.
 */

/** A word of a line, by the index of its first character, and from when it is heard, in seconds. */
export interface HeardWord {
  line: number;
  at: number;
  from: number;
}

/** A stretch of sound, in seconds. */
interface Stretch {
  from: number;
  to: number;
}

const FRAME_SECONDS = 0.01;
/** How much above the quietest tenth counts as a voice, where that is not far below the loudest tenth. */
const ABOVE_QUIET_DB = 6;
const BELOW_LOUD_DB = 30;
/** Shorter silences lie within a word (before a "t" or "k"), shorter sounds are clicks. */
const SHORTEST_PAUSE = 0.12;
const SHORTEST_SOUND = 0.05;

const decibels = (power: number) => 10 * Math.log10(power + 1e-12);

/**
 * Where a voice is heard in a recording of one channel.
 *
 *     voiceIn(samples, 16_000) // [{ from: 0.2, to: 1.9 }, { from: 2.4, to: 4.1 }]
 */
export function voiceIn(samples: Float32Array, rate: number): Stretch[] {
  const size = Math.max(1, Math.round(rate * FRAME_SECONDS));
  const levels = Array.from({ length: Math.floor(samples.length / size) }, (_, frame) => {
    let power = 0;
    for (let at = frame * size; at < (frame + 1) * size; at += 1) power += samples[at]! * samples[at]!;
    return decibels(power / size);
  });
  if (levels.length === 0) return [];
  const sorted = [...levels].sort((a, b) => a - b);
  const level = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
  const enough = Math.max(level(0.1) + ABOVE_QUIET_DB, level(0.9) - BELOW_LOUD_DB);
  const found: Stretch[] = [];
  levels.forEach((one, frame) => {
    if (one < enough) return;
    const [from, to] = [frame * FRAME_SECONDS, (frame + 1) * FRAME_SECONDS];
    const last = found.at(-1);
    if (last && from - last.to < SHORTEST_PAUSE) last.to = to;
    else found.push({ from, to });
  });
  return found.filter(({ from, to }) => to - from >= SHORTEST_SOUND);
}

interface Word {
  line: number;
  at: number;
  /** How long it takes to say, beside other words. */
  weight: number;
  /** How likely a pause is behind it: 2 after a sentence, 1 after a comma, else 0. */
  ends: 0 | 1 | 2;
}

const DIGIT_WEIGHT = 4;
const WORD_WEIGHT = 2;

function wordsOf(lines: readonly string[]): Word[] {
  return lines.flatMap((text, line) => {
    const words = [...text.matchAll(/\S+/gu)].filter(([word]) => /[\p{L}\p{N}]/u.test(word));
    return words.map(({ 0: word, index }, nth): Word => {
      const letters = word.match(/\p{L}/gu)?.length ?? 0;
      const digits = word.match(/\p{N}/gu)?.length ?? 0;
      const sentence = nth === words.length - 1 || /[.!?…:]["'”’)\]]*$/u.test(word);
      const ends = sentence ? 2 : /[,;–—)]["'”’]*$/u.test(word) ? 1 : 0;
      return { line, at: index, weight: WORD_WEIGHT + letters + DIGIT_WEIGHT * digits, ends };
    });
  });
}

/** Words a second with which nobody reads this text: something else is said, or much is left out. */
const SLOWEST = 0.4;
const FASTEST = 7;

/** A pause lies behind this many words. */
interface Anchor {
  words: number;
  /** Seconds of voice before it. */
  voiced: number;
}

/**
 * From when each word is heard. Lines are what stands together on the page; `samples` are of one channel, between -1 and 1. Empty where
 * there are no words or no voice, or where the recording cannot be of this text: then it is better to mark nothing.
 *
 *     heardWords(["Boats wait."], samples, 16_000) // [{ line: 0, at: 0, from: 0.2 }, { line: 0, at: 6, from: 0.7 }]
 */
export function heardWords(lines: readonly string[], samples: Float32Array, rate: number): HeardWord[] {
  const words = wordsOf(lines);
  const voice = voiceIn(samples, rate);
  const spoken = voice.reduce((sum, { from, to }) => sum + to - from, 0);
  const speed = words.length / spoken;
  if (words.length === 0 || voice.length === 0 || speed < SLOWEST || speed > FASTEST) return [];
  const before = [0];
  for (const { weight } of words) before.push(before.at(-1)! + weight);
  const perWeight = spoken / before.at(-1)!;
  const anchors = anchorsIn(words, before, voice, perWeight);
  const when = clockOf(voice);
  let next = 0;
  return words.map(({ line, at }, nth) => {
    while (anchors[next + 1]!.words <= nth) next += 1;
    const [from, to] = [anchors[next]!, anchors[next + 1]!];
    const share = (before[nth]! - before[from.words]!) / (before[to.words]! - before[from.words]!);
    return { line, at, from: when(from.voiced + share * (to.voiced - from.voiced)) };
  });
}

/** The moment at which this many seconds of voice have been heard: behind a pause, not before it. */
function clockOf(voice: readonly Stretch[]): (voiced: number) => number {
  return (voiced) => {
    let left = voiced;
    for (const { from, to } of voice) {
      if (left < to - from - 1e-6) return from + left;
      left -= to - from;
    }
    return voice.at(-1)!.to;
  };
}

/** Pauses looked back over, and the best places of each that are gone on with. */
const LOOK_BACK = 4;
const GO_ON_WITH = 12;
/** Seconds squared by which a second of words strays (its variance, which adds up), and a little for the shortest. */
const STRAYS = 0.06;
const STRAYS_AT_LEAST = 0.02;
/** Standard deviations a pause may lie from where it is expected. */
const FARTHEST = 3;
const NEAR_SECONDS = 3;
/** What it costs that a pause is behind a word of this kind, in the middle of a sentence the more the longer it is. */
const BEHIND = [2, 0.5, 0] as const;
const LONG_WITHIN = 4;
/** What it costs that a second of pause has no place (at most one and a half), and that a sentence ends without one. */
const NO_PLACE = 3;
const NO_PAUSE = 1;

function anchorsIn(
  words: readonly Word[],
  before: readonly number[],
  voice: readonly Stretch[],
  perWeight: number,
): Anchor[] {
  const sentences = [0];
  for (const { ends } of words) sentences.push(sentences.at(-1)! + (ends === 2 ? 1 : 0));
  let voiced = 0;
  const pauses = voice.slice(0, -1).map(({ from, to }, nth) => {
    voiced += to - from;
    return { voiced, length: voice[nth + 1]!.from - to };
  });
  const all = voiced + voice.at(-1)!.to - voice.at(-1)!.from;
  const near = Math.max(NEAR_SECONDS, FARTHEST * Math.sqrt(STRAYS * all));
  interface Found extends Anchor {
    cost: number;
    last: Found | null;
  }
  /** By pause, the ends of words it may be behind, with the best way there; the beginning of everything first. */
  const found: Found[][] = [[{ words: 0, voiced: 0, cost: 0, last: null }]];
  /** What it costs that the pauses before the nth have no place. */
  const lost = [0];
  for (const { length } of pauses) lost.push(lost.at(-1)! + NO_PLACE * Math.min(1.5, length));
  const reach = (nth: number, place: Anchor, own: number): Found => {
    let best: { cost: number; last: Found } | null = null;
    const tryFrom = (back: number) => {
      for (const last of found[back]!) {
        if (last.words >= place.words) continue;
        const wanted = (before[place.words]! - before[last.words]!) * perWeight;
        const off = place.voiced - last.voiced - wanted;
        const without = sentences[place.words - 1]! - sentences[last.words]!;
        const strays = (off * off) / (STRAYS * wanted + STRAYS_AT_LEAST);
        const cost = last.cost + own + lost[nth]! - lost[back]! + strays + NO_PAUSE * without;
        if (!best || cost < best.cost) best = { cost, last };
      }
    };
    for (let back = nth; back > Math.max(0, nth - LOOK_BACK); back -= 1) tryFrom(back);
    // From the beginning there is a way to anywhere.
    tryFrom(0);
    return { ...place, ...best! };
  };
  pauses.forEach(({ voiced: at, length }, nth) => {
    const places: Found[] = [];
    for (let count = 1; count < words.length; count += 1) {
      if (Math.abs(before[count]! * perWeight - at) > near) continue;
      const { ends } = words[count - 1]!;
      const own = BEHIND[ends] + (ends === 0 ? LONG_WITHIN * Math.min(1, length) : 0);
      places.push(reach(nth, { words: count, voiced: at }, own));
    }
    found.push(places.sort((one, other) => one.cost - other.cost).slice(0, GO_ON_WITH));
  });
  const way: Anchor[] = [];
  for (let one: Found | null = reach(pauses.length, { words: words.length, voiced: all }, 0); one; one = one.last)
    way.unshift({ words: one.words, voiced: one.voiced });
  return way;
}
