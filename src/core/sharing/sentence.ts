import { readTyped } from "../find/typed";
import type { Subject } from "../resource/document";
import { subjects } from "../content/vocabulary";
import type { SharedShelf } from "./how-far";

/** Where it goes, and for whom: the sentence of the panel. */
export interface ShareForm {
  shelf: SharedShelf;
  /** 0 is K. */
  grades: number[];
  subjects: Subject[];
}

/**
 * Filled in from what is shared: all the grades and subjects of these things, the narrowest shelf.
 * `startShare([{ grades: [5, 4], subjects: ["science"] }])` gives `{ shelf: "staffroom", grades: [4, 5], subjects: ["science"] }`.
 */
export function startShare(things: readonly { grades: readonly number[]; subjects: readonly Subject[] }[]): ShareForm {
  const grades = new Set(things.flatMap((thing) => thing.grades));
  return {
    shelf: "staffroom",
    grades: [...grades].sort((one, other) => one - other),
    subjects: subjects.filter((subject) => things.some((thing) => thing.subjects.includes(subject))),
  };
}

const shelfWords: readonly [RegExp, SharedShelf][] = [
  [/\b(?:the )?(?:staff ?room|my school|school|colleagues)\b/i, "staffroom"],
  [/\b(?:the )?district(?: shelf)?\b/i, "district"],
  [/\b(?:the )?commons\b/i, "commons"],
];
const subjectWords: Record<string, Subject> = { math: "mathematics", maths: "mathematics", sums: "mathematics" };
const joining = new Set(["on", "for", "in", "and", "the", "to", "with", "share"]);

export interface TypedShare {
  form: ShareForm;
  /** Words that meant nothing and change nothing. */
  left: string[];
}

/**
 * One line in place of the sentence: "staffroom grades 4-5 maths and reading". What is not said stays as it is.
 * `readShare("district grades 4-5 maths", startShare([])).form` gives `{ shelf: "district", grades: [4, 5], subjects: ["mathematics"] }`.
 */
export function readShare(typed: string, form: ShareForm): TypedShare {
  let text = typed;
  const next = { ...form };
  for (const [pattern, shelf] of shelfWords) {
    if (!pattern.test(text)) continue;
    next.shelf = shelf;
    text = text.replace(pattern, " ");
    break;
  }
  const grades = readTyped(text).taken.find(({ means }) => means.as === "grades");
  if (grades?.means.as === "grades") {
    next.grades = grades.means.grades;
    text = `${text.slice(0, grades.from)} ${text.slice(grades.to)}`;
  }
  const said: Subject[] = [];
  const left: string[] = [];
  for (const word of text
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean)) {
    const subject = subjectWords[word] ?? subjects.find((one) => one === word);
    if (subject) said.push(subject);
    else if (!joining.has(word)) left.push(word);
  }
  if (said.length > 0) next.subjects = subjects.filter((subject) => said.includes(subject));
  return { form: next, left };
}
