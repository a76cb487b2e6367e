/** Long enough that a word typed at once is one question, short enough not to be felt. */
const PAUSE_MS = 30;
/** A single letter begins nearly every word there is: it is looked for only when nothing follows it. */
const LETTER_PAUSE_MS = 500;

/** How many milliseconds nothing more may be typed before words are looked for. */
export const pauseAfter = (text: string): number => (/(^|\s)\p{L}$/u.test(text) ? LETTER_PAUSE_MS : PAUSE_MS);
