import type { Stroke } from "../question/question";

/** A table of a report: the first row says what stands in each column; numbers stand to the right. */
export interface ReportTable {
  caption: string;
  head: readonly string[];
  rows: readonly (readonly string[])[];
}

export type ReportPart = { text: string } | { tex: string; text: string };

/** A result and the level it led to, 0 to 1. `label`: its day in words. */
export interface ChartPoint {
  at: Date;
  label: string;
  share: number;
  level: number;
}

/** A part of a report, in the order it is read. */
export type ReportBlock =
  /** `parts`: where there are formulas in it, in TeX, for what can show them; `text` says them in words. */
  | { kind: "text"; text: string; soft?: boolean; parts?: readonly ReportPart[] }
  | { kind: "heading"; text: string }
  | { kind: "list"; lines: readonly string[] }
  | ({ kind: "table" } & ReportTable)
  /** Lines as a child drew them: see core/question/types/sketch. `text` says what it is. */
  | { kind: "drawing"; strokes: readonly Stroke[]; text: string }
  /** A JPEG or PNG file. */
  | { kind: "picture"; bytes: Uint8Array; text: string }
  /** Results over time, with the level they led to: for the eye, beside a table. `text` says what is to be seen, `legend` what is what. */
  | { kind: "chart"; text: string; legend: string; points: readonly ChartPoint[] }
  /** Empty lines to write on. */
  | { kind: "lines"; count: number };

/** Whether a line of a list begins with its own number or letter: "2. …", "b) …". `bringsItsOwn("b) the harbour")` gives `true`. */
export const bringsItsOwn = (line: string): boolean => /^(?:\d+\.|[a-z]+\)) /.test(line);

/** Is found in the list of what there is. */
export interface ReportSection {
  title: string;
  /** Whether the title stands on the page too: above a letter it does not. */
  shown: boolean;
  /** BCP 47, of this section. */
  language: string;
  blocks: readonly ReportBlock[];
  /** Goes on below the one before; otherwise it begins on a page of its own. */
  goesOn?: boolean;
  /** What is said to it: on slides, the speaker's notes. */
  notes?: string;
}

/** ISO 216's A4, or the letter size of North America. */
export const papers = ["A4", "letter"] as const;
export type Paper = (typeof papers)[number];

/** Something to print, to keep as a file or to send, whatever it is about. */
export interface Report {
  title: string;
  /** BCP 47, of the title. */
  language: string;
  /** Who made it. */
  author: string;
  /** Wide tables need the page on its side. */
  wide: boolean;
  /** A4 where nothing is said. */
  paper?: Paper;
  sections: readonly ReportSection[];
}
