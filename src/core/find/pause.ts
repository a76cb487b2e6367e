/** Typed at once, as in a burst or by a key held down, is one question; short enough not to be felt. */
const BURST_MS = 30;
/** Keys that follow each other more quickly than anybody writes words. */
const QUICK_MS = 60;
/** After a key by itself only the letter is shown first. */
const AT_ONCE_MS = 4;
/** A single letter begins nearly every word there is: it is looked for only when nothing follows it. */
const LETTER_PAUSE_MS = 500;

/**
 * How many milliseconds nothing more may be typed before words are looked for.
 * `pauseAfter("kelp", 20) > pauseAfter("kelp", 900)` gives `true`.
 * @param sinceLast milliseconds between this key and the one before
 */
export function pauseAfter(text: string, sinceLast: number): number {
  if (/(^|\s)\p{L}$/u.test(text)) return LETTER_PAUSE_MS;
  return sinceLast < QUICK_MS ? BURST_MS : AT_ONCE_MS;
}
