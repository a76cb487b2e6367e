/** Captions as WebVTT (W3C): what is said or to be heard in a film, and when. */

export interface Cue {
  /** Seconds from the beginning of the film. */
  from: number;
  to: number;
  text: string;
}

/** A captions file that cannot be used; says the line and what is wrong with it. */
export class CaptionsError extends Error {
  constructor(problem: string) {
    super(problem);
    this.name = "CaptionsError";
  }
}

const TIME = /^(?:(\d{2,}):)?([0-5]\d):([0-5]\d)\.(\d{3})$/;

function secondsOf(written: string, line: number): number {
  const found = TIME.exec(written);
  if (!found) throw new CaptionsError(`Line ${line}: “${written.slice(0, 30)}” is not a time like 00:12.500.`);
  const [, hours = "0", minutes, seconds, thousandths] = found;
  return Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds) + Number(thousandths) / 1000;
}

/**
 * Reads a captions file. Notes, styles and regions are passed over, tags inside a cue are taken away.
 * `readCaptions("WEBVTT\n\n00:01.000 --> 00:02.500\nHigh tide")` gives `[{ from: 1, to: 2.5, text: "High tide" }]`.
 * @throws CaptionsError when it is not WebVTT, or a cue ends before it begins
 */
export function readCaptions(file: string): Cue[] {
  const lines = file.replace(/^\uFEFF/, "").split(/\r\n|\r|\n/);
  if (!/^WEBVTT([ \t].*)?$/.test(lines[0] ?? ""))
    throw new CaptionsError("This is not a captions file: a WebVTT file begins with the word WEBVTT.");
  const cues: Cue[] = [];
  let at = 1;
  while (at < lines.length) {
    const line = lines[at]!;
    if (line.includes("-->")) {
      const [from = "", to = ""] = line.split("-->").map((part) => part.trim().split(/\s/)[0]!);
      const cue = { from: secondsOf(from, at + 1), to: secondsOf(to, at + 1), text: "" };
      if (cue.to <= cue.from) throw new CaptionsError(`Line ${at + 1}: this caption ends before it begins.`);
      const text: string[] = [];
      for (at += 1; at < lines.length && lines[at] !== ""; at += 1) text.push(lines[at]!);
      cues.push({
        ...cue,
        text: text
          .join("\n")
          .replace(/<[^<>]*>/g, "")
          .trim(),
      });
    } else if (/^(NOTE|STYLE|REGION)\b/.test(line)) {
      while (at < lines.length && lines[at] !== "") at += 1;
    } else at += 1;
  }
  if (cues.length === 0) throw new CaptionsError("This captions file has no captions in it.");
  return cues;
}

const two = (value: number) => String(Math.floor(value)).padStart(2, "0");
const stamp = (seconds: number) =>
  `${two(seconds / 3600)}:${two((seconds / 60) % 60)}:${two(seconds % 60)}.${String(Math.round((seconds % 1) * 1000) % 1000).padStart(3, "0")}`;

/**
 * The reverse: a file every player of films reads.
 * `writeCaptions([{ from: 0, to: 1.5, text: "Low water" }])` gives `"WEBVTT\n\n00:00:00.000 --> 00:00:01.500\nLow water\n"`.
 */
export const writeCaptions = (cues: readonly Cue[]): string =>
  ["WEBVTT", ...cues.map((cue) => `${stamp(cue.from)} --> ${stamp(cue.to)}\n${cue.text}`)].join("\n\n") + "\n";

/** A moment of a film or a length of sound as people write it: 75 is "1:15". `clockTime(75)` gives `"1:15"`. */
export function clockTime(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const minutes = Math.floor(whole / 60);
  return minutes >= 60
    ? `${Math.floor(minutes / 60)}:${two(minutes % 60)}:${two(whole % 60)}`
    : `${minutes}:${two(whole % 60)}`;
}
