import { sharingProblem } from "../licence/licence";
import type { Document } from "../resource/document";
import { everyText } from "../resource/every-text";
import { inLanguage } from "../content/language";
import { storedFiles } from "../resource/stored-files";

/** How far a resource may be shared, shelf by shelf, with the reason where it may not go there. */

/** The narrowest first. */
export const sharedShelves = ["staffroom", "district", "commons"] as const;
export type SharedShelf = (typeof sharedShelves)[number];
export type CuratedShelf = Exclude<SharedShelf, "staffroom">;
/** Those that curators keep. */
export const curatedShelves = ["district", "commons"] as const satisfies readonly CuratedShelf[];

/** Who may put things on a shelf beyond the school, as its office says. */
export const shelfRules = ["everyone", "curators", "nobody"] as const;
export type ShelfRule = (typeof shelfRules)[number];

/** Whose a stored file is. */
export interface FileOwner {
  sha256: string;
  by: number;
  byStudent: boolean;
}

export interface ToShare {
  document: Document;
  /** Who shares it; it is hers. */
  by: number;
  published: boolean;
  /** Null: she belongs to no school. */
  school: string | null;
  curator: boolean;
  rules: Record<CuratedShelf, ShelfRule>;
  on: readonly SharedShelf[];
  /** Shelves it is offered to, undecided. */
  offered: readonly SharedShelf[];
  /** First and family names of the children she teaches. */
  students: readonly { givenName: string; familyName: string }[];
  files: readonly FileOwner[];
}

export interface Reason {
  text: string;
  /** Where it is, when it can be mended in the editor. */
  step?: string;
  block?: string;
  /** The part can be taken out with one press: a block, or the recordings of others at a step. */
  removable?: true;
}

export interface ShelfAnswer {
  shelf: SharedShelf;
  /** "open": there at once. "offer": a curator decides. "waiting": offered already. "on": it is there. "closed": not as it is. */
  state: "open" | "offer" | "waiting" | "on" | "closed";
  reasons: Reason[];
}

const shelfName: Record<SharedShelf, string> = {
  staffroom: "the staffroom",
  district: "the district shelf",
  commons: "the commons",
};

const stepNumber = (document: Document, id: string) => document.steps.findIndex((step) => step.id === id) + 1;

/** Recordings that are somebody else's, kept with that person's name. */
const voicesOfOthers = ({ document, by }: ToShare): Reason[] =>
  document.steps.flatMap((step) => {
    const spoken = Object.values(step.instructions).flatMap(({ recording }) => (recording ? [recording] : []));
    const sounds = step.blocks.flatMap((block) =>
      block.type === "sound" && block.speaker ? [{ ...block.speaker, block: block.id }] : [],
    );
    return [...spoken, ...sounds]
      .filter((voice) => voice.by !== by)
      .map((voice) => ({
        text: `Step ${stepNumber(document, step.id)} has a recording that is not yours: ${voice.name} is speaking.`,
        step: step.id,
        ...("block" in voice && { block: voice.block as string }),
        removable: true as const,
      }));
  });

const blocksWith = (document: Document, files: readonly string[]): { step: string; block: string }[] =>
  document.steps.flatMap((step) =>
    step.blocks
      .filter((block) =>
        storedFiles({ ...document, steps: [{ ...step, instructions: {}, blocks: [block] }] }).some((file) =>
          files.includes(file),
        ),
      )
      .map((block) => ({ step: step.id, block: block.id })),
  );

/** What children handed in or uploaded: it never leaves the class by itself. */
const studentWork = ({ document, files }: ToShare): Reason[] =>
  blocksWith(
    document,
    files.filter(({ byStudent }) => byStudent).map(({ sha256 }) => sha256),
  ).map((at) => ({
    text: `Step ${stepNumber(document, at.step)} has a student’s work in it.`,
    ...at,
    removable: true,
  }));

/** Pictures and other files somebody else added, where nothing says whose they are. */
const withoutSource = ({ document, by, files }: ToShare): Reason[] =>
  document.credits.length > 0
    ? []
    : blocksWith(
        document,
        files.filter((file) => !file.byStudent && file.by !== by).map(({ sha256 }) => sha256),
      ).map((at) => ({
        text: `Step ${stepNumber(document, at.step)} has a picture or file that is not yours, and its source is not credited.`,
        ...at,
        removable: true,
      }));

/** Without accents; capitals stay: "Zoë Fell" is a name, "Zoë fell" is not. */
const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "");
const WORD = /[\p{L}\p{N}][\p{L}\p{M}\p{N}'’-]*/gu;

/** A child of hers named in full, given name before family name. A given name alone is too often a story's. */
function namedStudents({ document, students }: ToShare): Reason[] {
  const full = new Map(
    students.map((one) => [plain(`${one.givenName} ${one.familyName}`), `${one.givenName} ${one.familyName}`]),
  );
  if (full.size === 0) return [];
  const longest = Math.max(...[...full.keys()].map((name) => name.split(" ").length));
  return document.steps.flatMap((step) =>
    [
      ...new Set(
        document.languages.flatMap((language) => namesIn(everyText({ ...document, steps: [step] }, language))),
      ),
    ].map((name) => ({
      text: `Step ${stepNumber(document, step.id)} names ${name}, who is in a class of yours.`,
      step: step.id,
    })),
  );
  function namesIn(text: string): string[] {
    const words = [...plain(text).matchAll(WORD)].map(([word]) => word.replace(/['’]s$/, ""));
    return words.flatMap((_, at) =>
      Array.from({ length: longest - 1 }, (_, more) => full.get(words.slice(at, at + more + 2).join(" "))).filter(
        (name) => name !== undefined,
      ),
    );
  }
}

/** Who may put things there, said as a reason. */
const ruleReason = (shelf: CuratedShelf, rule: ShelfRule): Reason => ({
  text:
    rule === "nobody"
      ? `Your school puts nothing on ${shelfName[shelf]}.`
      : `At your school only curators put things on ${shelfName[shelf]}.`,
});

/**
 * How far it may go, the narrowest shelf first. What is the same for all shelves closes all of them; what must not leave the school
 * closes those beyond it.
 * `howFar({ document: lesson, by: 1, published: false, school: null, curator: false, rules: { district: "everyone", commons: "everyone" }, on: [], offered: [], files: [], students: [] }).map(({ state }) => state)` gives `["closed", "closed", "closed"]`.
 */
export function howFar(of: ToShare): ShelfAnswer[] {
  const licence = sharingProblem(of.document);
  const everywhere: Reason[] = [
    ...(of.published ? [] : [{ text: "Publish it first: others see what is published." }]),
    ...(licence ? [{ text: licence }] : []),
    ...studentWork(of),
  ];
  const beyond = [...voicesOfOthers(of), ...withoutSource(of), ...namedStudents(of)];
  return sharedShelves.map((shelf): ShelfAnswer => {
    if (of.on.includes(shelf)) return { shelf, state: "on", reasons: [] };
    if (shelf === "staffroom") {
      const reasons = [
        ...everywhere,
        ...(of.school === null ? [{ text: "You belong to no school, so there is no staffroom." }] : []),
      ];
      return { shelf, state: reasons.length > 0 ? "closed" : "open", reasons };
    }
    const rule = of.rules[shelf];
    const open = shelf === "commons" && of.document.licence === "all-rights-reserved";
    const reasons = [
      ...everywhere,
      ...(rule === "nobody" ? [ruleReason(shelf, rule)] : []),
      ...(open
        ? [{ text: "You keep all rights. The commons is for what others may use: choose an open licence first." }]
        : []),
      ...beyond,
    ];
    if (reasons.length > 0) return { shelf, state: "closed", reasons };
    if (of.offered.includes(shelf)) return { shelf, state: "waiting", reasons: [] };
    if (rule === "curators" && !of.curator) return { shelf, state: "offer", reasons: [ruleReason(shelf, rule)] };
    return { shelf, state: "open", reasons: [] };
  });
}

/** The title as it stands, for a sentence. `titleSaid({ title: {}, languages: ["en"] })` gives `"Untitled"`. */
export const titleSaid = (document: Document): string => inLanguage(document.title, document.languages) ?? "Untitled";
