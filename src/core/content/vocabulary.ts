/**
 * The words a document is made of, which both its schemas and what works with documents stand on. No library here: pages
 * read this.
 */

/** The most there may be of each; the editor says so before it is reached. */
export const most = { steps: 400, blocks: 60, options: 30 } as const;

export const kinds = ["lesson", "activity", "reading", "quiz", "film", "printable", "template"] as const;

export const subjects = [
  "mathematics",
  "reading",
  "writing",
  "science",
  "geography",
  "history",
  "music",
  "art",
  "languages",
  "wellbeing",
] as const;

export const licences = [
  "CC0-1.0",
  "CC-BY-4.0",
  "CC-BY-SA-4.0",
  "CC-BY-NC-4.0",
  "CC-BY-NC-SA-4.0",
  "CC-BY-ND-4.0",
  "CC-BY-NC-ND-4.0",
  "all-rights-reserved",
] as const;

export const phases = ["open", "teach", "practise", "check", "close"] as const;

/** How students do a step; "class": all of them on one page. */
export const works = ["alone", "pairs", "groups", "class"] as const;

/** Pages for taking notes: what each has to be filled, in the order it is read. */
export const noteTemplates = ["blank", "two columns", "compare", "sequence", "word map", "data table"] as const;

export const inks = ["black", "blue", "green", "red", "brown"] as const;

export const usualSpelling = { ignoreCase: true, ignoreAccents: false, forgiveOneSlip: false };

/** Whether a text is a BCP 47 language tag, for example "en", "es" or "pt-BR". `isLanguageTag("pt-BR")` gives `true`. */
export const isLanguageTag = (text: string): boolean => /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(text);

/** What students do in a step; shown as a glyph, searched for, counted. */
export const activities = [
  "read",
  "watch",
  "listen",
  "look",
  "choose",
  "answer",
  "calculate",
  "fill in",
  "match",
  "order",
  "write",
  "draw",
  "photograph",
  "record",
  "vote",
  "note",
  "build",
  "follow a link",
  "sort",
  "label",
  "plot",
  "mark words",
  "mark a place",
] as const;
export type Activity = (typeof activities)[number];

/** A web page, a mail address, or a place inside this application. */
const LINK = /^(https?:\/\/|mailto:|\/(?!\/))/i;
const LONGEST_LINK = 2000;

/** Whether a link may go there: nothing that runs. `mayLinkTo("javascript:alert(1)")` gives `false`. */
export const mayLinkTo = (address: string): boolean => address.length <= LONGEST_LINK && LINK.test(address);
