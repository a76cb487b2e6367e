import { LOOKS_ALIKE, patternLikeness } from "./likeness";
import { worth, type OrderedLine } from "./order";
import { titleAgreement } from "./title-words";

/** What tells look-alikes: the title as titles are compared, and how it is worded. */
export interface Look {
  title: string;
  pattern: string | null;
}

/** A line with the look-alikes folded under it. */
export interface VariedLine extends OrderedLine {
  /** How many further results look like this one and the one before it of its sort, and have no line of their own. */
  alike: number;
  /** The first of its sort: what unfolds them. */
  leader: number;
}

/** How many of one sort have lines of their own. */
const MOST_ALIKE = 2;
/** Lines compared with one another; what comes after them is shown as it is. */
export const MOST_VARIED = 200;

const looksLike = (one: Look, other: Look): boolean =>
  one.title === other.title ||
  (one.pattern !== null && other.pattern !== null && patternLikeness(one.pattern, other.pattern) >= LOOKS_ALIKE);

/**
 * How many lines these results make, look-alikes folded; whatever their order.
 * `linesOf([{ title: "tides", pattern: null }, { title: "tides", pattern: null }, { title: "tides", pattern: null }])` gives `2`.
 */
export function linesOf(looks: readonly Look[]): number {
  const sorts: { look: Look; lines: number }[] = [];
  for (const look of looks) {
    const sort = sorts.find((one) => looksLike(one.look, look));
    if (sort) sort.lines += 1;
    else sorts.push({ look, lines: 1 });
  }
  return sorts.reduce((sum, { lines }) => sum + Math.min(lines, MOST_ALIKE), 0);
}

/**
 * The first lines once more by how their titles answer the words as typed; the others stay behind them.
 * `byTitle([lineOf(1), lineOf(2)], new Map([[2, { title: "Tide tables" }]]), "tide tables").map(({ candidate }) => candidate.id)` gives `[2, 1]`.
 */
export function byTitle(lines: readonly OrderedLine[], looks: ReadonlyMap<number, Look>, typed: string): OrderedLine[] {
  if (typed === "") return [...lines];
  const worthOf = ({ candidate }: OrderedLine) =>
    worth(candidate) / 1000 + titleAgreement(typed, looks.get(candidate.id)?.title ?? "");
  const first = lines
    .slice(0, MOST_VARIED)
    .map((line, at) => ({ line, at, worth: worthOf(line) }))
    .sort((one, other) => other.worth - one.worth || one.at - other.at)
    .map(({ line }) => line);
  return [...first, ...lines.slice(MOST_VARIED)];
}

/**
 * Lines in their order with look-alikes folded: of one pattern, or one title by different people, the two best have lines, the
 * others are counted at the second. `unfolded`: the leader of a sort whose lines are all shown, after its second.
 * `foldAlike([{ candidate: { id: 1 } }], new Map(), undefined)[0].alike` gives `0`.
 */
export function foldAlike(
  lines: readonly OrderedLine[],
  looks: ReadonlyMap<number, Look>,
  unfolded: number | undefined,
): VariedLine[] {
  const sorts: { leader: number; look: Look; lines: VariedLine[] }[] = [];
  const shown: VariedLine[] = [];
  const after = new Map<VariedLine, VariedLine[]>();
  lines.forEach((line, at) => {
    const { id } = line.candidate;
    const own: VariedLine = { ...line, alike: 0, leader: id };
    const look = at < MOST_VARIED ? looks.get(id) : undefined;
    // A version unfolded under its family follows it, whatever it looks like.
    if (!look || line.folded) return void shown.push(own);
    const sort = sorts.find((one) => looksLike(one.look, look));
    if (!sort) {
      sorts.push({ leader: id, look, lines: [own] });
      return void shown.push(own);
    }
    own.leader = sort.leader;
    if (sort.lines.length < MOST_ALIKE) {
      sort.lines.push(own);
      return void shown.push(own);
    }
    const last = sort.lines.at(-1)!;
    last.alike += line.versions;
    if (unfolded === sort.leader) after.set(last, [...(after.get(last) ?? []), { ...own, folded: true }]);
  });
  return shown.flatMap((line) => [line, ...(after.get(line) ?? [])]);
}
