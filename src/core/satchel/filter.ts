import { gradesOfSpan } from "../content/grade";
import { listedForm } from "../content/listed-form";
import type { Kind, Licence, Subject } from "../resource/document";
import { kinds, licences, subjects } from "../content/vocabulary";
import type { Facts } from "../resource/facts";

/** What of a satchel's contents decides whether it is shown. */
export interface Kept {
  facts: Pick<
    Facts,
    "title" | "summary" | "topics" | "kind" | "subjects" | "grades" | "languages" | "licence" | "standards" | "minutes"
  >;
  origin: Origin;
  author: string;
  pockets: readonly number[];
  /** Its place in each of them, in the same order. */
  places: readonly number[];
  /** When one of her classes was last given it; null: never. */
  used: Date | null;
  /** Words of hers. */
  tags: readonly string[];
  /** Put away: shown only where what is put away is asked for. */
  away: boolean;
}

export const pocketColours = ["plain", "moss", "slate", "clay", "plum", "sand"] as const;
export type PocketColour = (typeof pocketColours)[number];

/** together: not hers and not packed, only in a pocket of hers. */
export const origins = ["made", "adapted", "packed", "together"] as const;
export type Origin = (typeof origins)[number];
export const uses = ["this month", "this year", "never"] as const;
export type Use = (typeof uses)[number];

export interface SatchelFilter {
  words: string;
  origin: Origin | null;
  kind: Kind | null;
  subject: Subject | null;
  grade: number | null;
  language: string | null;
  licence: Licence | null;
  used: Use | null;
  tag: string | null;
}

export const anyFilter: SatchelFilter = {
  words: "",
  origin: null,
  kind: null,
  subject: null,
  grade: null,
  language: null,
  licence: null,
  used: null,
  tag: null,
};

export const filterNames = ["origin", "kind", "subject", "grade", "language", "licence", "used", "tag"] as const;
export type FilterName = (typeof filterNames)[number];

const DAY = 86_400_000;
const wasUsed: Record<Use, (used: Date | null, now: Date) => boolean> = {
  "this month": (used, now) => used !== null && now.getTime() - used.getTime() <= 31 * DAY,
  "this year": (used, now) => used !== null && now.getTime() - used.getTime() <= 366 * DAY,
  never: (used) => used === null,
};

// Worked out once for each thing: every key typed asks eight times for all of them.
const texts = new WeakMap<Kept, string>();
function textOf(item: Kept): string {
  const known = texts.get(item);
  if (known !== undefined) return known;
  const { title, summary, topics, standards } = item.facts;
  const text = ` ${listedForm([title, summary, ...topics, ...standards, item.author, ...item.tags].join(" "))}`;
  texts.set(item, text);
  return text;
}

/** Every word of what is typed begins a word of the title, summary, topics, codes or author; accents and case aside. */
function answers(item: Kept, typed: readonly string[]): boolean {
  return typed.every((word) => textOf(item).includes(` ${word}`) || textOf(item).includes(`-${word}`));
}

const values: Record<FilterName, (item: Kept, now: Date) => readonly (string | number)[]> = {
  origin: (item) => [item.origin],
  kind: ({ facts }) => [facts.kind],
  subject: ({ facts }) => facts.subjects,
  grade: ({ facts }) => gradesOfSpan(facts.grades),
  language: ({ facts }) => facts.languages,
  licence: ({ facts }) => [facts.licence],
  used: ({ used }, now) => uses.filter((use) => wasUsed[use](used, now)),
  tag: ({ tags }) => tags,
};

/**
 * What passes, in its order.
 * `filterSatchel([{ facts, origin: "made", author: "Ines", used: null }], { ...anyFilter, origin: "adapted" }, new Date(0))` gives `[]`.
 */
export function filterSatchel<Item extends Kept>(items: readonly Item[], filter: SatchelFilter, now: Date): Item[] {
  const typed = listedForm(filter.words).split(/\s+/).filter(Boolean);
  const asked = filterNames.filter((name) => filter[name] !== null);
  return items.filter(
    (item) => asked.every((name) => values[name](item, now).includes(filter[name]!)) && answers(item, typed),
  );
}

const inOrder: Partial<Record<FilterName, readonly (string | number)[]>> = {
  origin: origins,
  kind: kinds,
  subject: subjects,
  licence: licences,
  used: uses,
  grade: Array.from({ length: 13 }, (_, grade) => grade),
};

/**
 * The choices of one filter there are, and how many each would leave with the others applied.
 * `satchelChoices([{ facts, origin: "made", author: "Ines", used: null }], anyFilter, "origin", new Date(0))` gives `[{ value: "made", leaves: 1 }]`.
 */
export function satchelChoices(
  items: readonly Kept[],
  filter: SatchelFilter,
  name: FilterName,
  now: Date,
): { value: string | number; leaves: number }[] {
  const counts = new Map<string | number, number>();
  for (const item of filterSatchel(items, { ...filter, [name]: null }, now))
    for (const value of values[name](item, now)) counts.set(value, (counts.get(value) ?? 0) + 1);
  const known = inOrder[name] ?? [...counts.keys()].sort();
  return known.flatMap((value) => (counts.has(value) ? [{ value, leaves: counts.get(value)! }] : []));
}

type Parameters = Record<string, string | string[] | undefined>;

/** Reads an address; what it does not know it leaves out. `filterFromParameters({ words: "tides" }).words` gives `"tides"`. */
export function filterFromParameters(parameters: Parameters): SatchelFilter {
  const first = (name: string) => [parameters[name]].flat()[0] ?? "";
  const oneOf = <Value extends string>(known: readonly Value[], name: string) =>
    known.find((value) => value === first(name)) ?? null;
  return {
    words: first("words").slice(0, 200),
    origin: oneOf(origins, "origin"),
    kind: oneOf(kinds, "kind"),
    subject: oneOf(subjects, "subject"),
    grade: /^\d{1,2}$/.test(first("grade")) && Number(first("grade")) <= 12 ? Number(first("grade")) : null,
    language: /^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$/.test(first("language")) ? first("language") : null,
    licence: oneOf(licences, "licence"),
    used: oneOf(uses, "used"),
    tag: first("tag").slice(0, 40) || null,
  };
}

/** What a pocket holds in all. */
export interface PocketSum {
  things: number;
  minutes: number;
  /** Codes of the statements it teaches, each once. */
  standards: string[];
}

/** `sumOfPocket([{ facts: { minutes: 20, standards: ["4.G"] } }, { facts: { minutes: 25, standards: ["4.G"] } }])` gives `{ things: 2, minutes: 45, standards: ["4.G"] }`. */
export const sumOfPocket = (items: readonly Kept[]): PocketSum => ({
  things: items.length,
  minutes: items.reduce((sum, { facts }) => sum + facts.minutes, 0),
  standards: [...new Set(items.flatMap(({ facts }) => facts.standards))].sort(),
});

export interface PlacedPocket {
  id: number;
  parent: number | null;
}

/**
 * Pockets with what stands inside each right after it; one whose parent is gone is on its own now.
 * `pocketTree([{ id: 1, parent: null }, { id: 2, parent: 1 }]).map(({ inside }) => inside)` gives `[false, true]`.
 */
export function pocketTree<Pocket extends PlacedPocket>(
  pockets: readonly Pocket[],
): { pocket: Pocket; inside: boolean }[] {
  const ids = new Set(pockets.map(({ id }) => id));
  const top = pockets.filter(({ parent }) => parent === null || !ids.has(parent));
  return top.flatMap((pocket) => [
    { pocket, inside: false },
    ...pockets.filter(({ parent }) => parent === pocket.id).map((one) => ({ pocket: one, inside: true })),
  ]);
}

/** A pocket and those inside it. `withInside([{ id: 1, parent: null }, { id: 2, parent: 1 }], 1)` gives `[1, 2]`. */
export const withInside = (pockets: readonly PlacedPocket[], id: number): number[] => [
  id,
  ...pockets.filter(({ parent }) => parent === id).map((one) => one.id),
];

/** Which pocket is open: one, "none" (in no pocket), "away" (what is put away), or null for everything else. */
export type OpenPocket = number | "none" | "away" | null;

/** `pocketFrom("2", [{ id: 2, parent: null }])` gives `2`. */
export function pocketFrom(text: string | string[] | undefined, pockets: readonly PlacedPocket[]): OpenPocket {
  const asked = [text].flat()[0];
  if (asked === "none" || asked === "away") return asked;
  return pockets.find(({ id }) => String(id) === asked)?.id ?? null;
}

/**
 * What stands in the open pocket in its order, then what stands in those inside it in theirs.
 * `inPocket([{ away: true }, { away: false }], [], "away").length` gives `1`.
 */
export function inPocket<Item extends Kept>(
  items: readonly Item[],
  pockets: readonly PlacedPocket[],
  open: OpenPocket,
): readonly Item[] {
  if (open === "away") return items.filter((item) => item.away);
  const here = items.filter((item) => !item.away);
  if (open === null) return here.filter(({ origin }) => origin !== "together");
  if (open === "none") return here.filter((item) => item.pockets.length === 0);
  const ids = withInside(pockets, open);
  const place = (item: Item): [number, number] => {
    const pocket = ids.find((id) => item.pockets.includes(id))!;
    return [ids.indexOf(pocket), item.places[item.pockets.indexOf(pocket)] ?? 0];
  };
  return here
    .filter((item) => item.pockets.some((id) => ids.includes(id)))
    .map((item) => ({ item, at: place(item) }))
    .sort((one, other) => one.at[0] - other.at[0] || one.at[1] - other.at[1])
    .map(({ item }) => item);
}
