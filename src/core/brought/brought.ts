import type { RichBlock } from "../content/schema/rich-text";

/** What a file of hers has in it, page by page, before anything is made of it: the same for slides, documents and books. */
export type BroughtBlock =
  | { kind: "text"; content: RichBlock[] }
  | { kind: "table"; rows: string[][]; headerRow: boolean }
  /** `picture`: its place among the pictures of the file. */
  | { kind: "picture"; picture: number; description: string }
  /** A film or a sound; `picture`: its place among the same files. */
  | { kind: "film" | "sound"; picture: number; name: string }
  | { kind: "question"; asked: BroughtQuestion };

/** A question as a file has it: what is asked, what can be chosen, and what is right. */
export interface BroughtQuestion {
  ask: string;
  /** Empty: it is written, not chosen. */
  options: string[];
  /** Texts that are right; of options those among them. Empty: the file does not say. */
  right: string[];
  hint: string;
  marks: number | null;
  /** Said when it is checked. */
  feedback?: string;
  /** What is asked for, where it is more than choosing or writing one thing. */
  more?: BroughtAnswer;
}

/** Things put in order, paired (by their places in the lists), filled into a text, marked in it, shown on a line, or sent as a file. */
export type BroughtAnswer =
  | { kind: "order"; items: string[]; right: number[] }
  | { kind: "pairs"; left: string[]; right: string[]; pairs: [left: number, right: number][] }
  | { kind: "gaps"; passage: (string | { accepted: string[]; options: string[] })[] }
  | { kind: "marked"; passage: { text: string; isRight: boolean }[] }
  | { kind: "line"; from: number; to: number; step: number; right: number }
  | { kind: "file"; of: "photo" | "speech" | "clip" };

export interface BroughtPage {
  title: string;
  blocks: BroughtBlock[];
  /** Speaker's notes; "" for none. */
  notes: string;
  /** What has no counterpart and does not come in, each with its reason. */
  left: string[];
}

export interface Brought {
  kind: "slides" | "a document" | "a web page" | "a book" | "a picture" | "notes" | "questions" | "a package";
  title: string;
  pages: BroughtPage[];
  /** Files of it: pictures, films and sounds. */
  pictures: { mime: string; bytes: Uint8Array }[];
}

/** What becomes of a page. "part of the step before": it is added to that step. */
export const becomes = ["a step", "part of the step before", "my notes", "left out"] as const;
export type Becomes = (typeof becomes)[number];

export const mostBrought = { pages: 200, pictures: 300 } as const;
