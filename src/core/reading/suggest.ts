import type { Interest } from "./interests";

/** A reading that stands on a shelf, as it is chosen from. */
export interface OnShelf {
  resource: number;
  /** Null: too little text, or no formula. */
  readingGrade: number | null;
  about: readonly Interest[];
  /** In a language she reads. */
  understood: boolean;
  /** The teacher has put it at the top. */
  top: boolean;
  /** How many of the class have finished it. */
  finished: number;
}

export interface ReadingChild {
  /** Measured, or, where nobody measured, that of her class. Null: neither. */
  readingGrade: number | null;
  likes: readonly Interest[];
  /** What she has finished, or is at. */
  known: ReadonlySet<number>;
}

/** Why something is suggested: always one reason, the strongest. */
export type Reason =
  | { kind: "top" }
  | { kind: "likes"; interest: Interest }
  | { kind: "classmates"; count: number }
  | { kind: "easy" }
  | { kind: "fits" }
  | { kind: "there" };

export interface Suggestion {
  resource: number;
  reason: Reason;
}

/** Further above her own grade than this it would be no pleasure. */
const TOO_HARD = 1.5;
const EASY = 1;
/** How many classmates must have finished it before that is a reason. */
const SEVERAL = 2;

const distance = (one: OnShelf, child: ReadingChild) =>
  one.readingGrade === null || child.readingGrade === null ? 0.5 : Math.abs(one.readingGrade - child.readingGrade);
/** `isTooHard({ readingGrade: 9 }, { readingGrade: 3 })` gives `true`. */
export const isTooHard = (one: Pick<OnShelf, "readingGrade">, child: Pick<ReadingChild, "readingGrade">) =>
  one.readingGrade !== null && child.readingGrade !== null && one.readingGrade > child.readingGrade + TOO_HARD;

function reasonsFor(one: OnShelf, child: ReadingChild): Reason[] {
  const liked = one.about.find((interest) => child.likes.includes(interest));
  const measured = one.readingGrade !== null && child.readingGrade !== null;
  return [
    ...(one.top ? [{ kind: "top" } as const] : []),
    ...(liked ? [{ kind: "likes", interest: liked } as const] : []),
    ...(one.finished >= SEVERAL ? [{ kind: "classmates", count: one.finished } as const] : []),
    ...(measured && one.readingGrade! <= child.readingGrade! - EASY ? [{ kind: "easy" } as const] : []),
    ...(measured && distance(one, child) < EASY ? [{ kind: "fits" } as const] : []),
    { kind: "there" },
  ];
}

/**
 * What a child might read next, `most` at the most: nothing she knows, nothing far too hard or in a language she does not read while there is something else, and as many
 * different reasons as there are: what the teacher put at the top, what she likes, what classmates have finished, something easy,
 * something that fits.
 * `suggestions([{ resource: 1, readingGrade: 3, about: [], understood: true, finished: 4 }], { readingGrade: 3, likes: [], known: new Set() })[0].reason` gives `{ kind: "classmates", count: 4 }`.
 */
export function suggestions(shelf: readonly OnShelf[], child: ReadingChild, most = 3): Suggestion[] {
  const fresh = shelf.filter(({ resource }) => !child.known.has(resource));
  const readable = fresh.filter((one) => one.top || (one.understood && !isTooHard(one, child)));
  const left = [...(readable.length > 0 ? readable : fresh)].sort(
    (one, other) => distance(one, child) - distance(other, child) || one.resource - other.resource,
  );
  const chosen: Suggestion[] = [];
  const take = (one: OnShelf, reason: Reason) => {
    chosen.push({ resource: one.resource, reason });
    left.splice(left.indexOf(one), 1);
  };
  for (const kind of ["top", "likes", "classmates", "easy", "fits"] as const) {
    if (chosen.length >= most) break;
    const found = left.flatMap((one) => {
      const reason = reasonsFor(one, child).find((each) => each.kind === kind);
      return reason ? [{ one, reason }] : [];
    });
    // Of what classmates have finished, what most of them have.
    if (kind === "classmates") found.sort((one, other) => other.one.finished - one.one.finished);
    if (found[0]) take(found[0].one, found[0].reason);
  }
  while (chosen.length < most && left[0]) take(left[0], reasonsFor(left[0], child)[0]!);
  return chosen;
}
