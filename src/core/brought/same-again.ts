import type { Block } from "../resource/block";
import { canonical } from "../resource/changes";
import type { Document, Step } from "../resource/document";

/*
 * A file that is brought in again is read anew, and everything in it gets new ids. To say what changed in it since, its steps and blocks must be
 * known again: they get the ids they had the first time.
 *
 *     first reading    a · b · c          second reading    w · x · y · z      (a = w, b ≈ y, c gone, x and z new)
 *     known again      a · x · b · z
 */

/** Everything but ids, and what only says where something is from. */
const bare = (value: unknown): string =>
  canonical(
    JSON.parse(
      JSON.stringify(value, (key, inner: unknown) => (key === "id" || key === "origin" ? undefined : inner)) ?? "null",
    ),
  );

interface Identified {
  id: string;
}

/** Ids that stand inside a thing, in the order they stand there. */
function idsIn(value: unknown): string[] {
  const found: string[] = [];
  JSON.stringify(value, (key, inner: unknown) => {
    if (key === "id" && typeof inner === "string") found.push(inner);
    return inner;
  });
  return found;
}

/** The thing with some of its ids replaced, wherever they stand: also where they are spoken of. */
function withIds<Thing>(thing: Thing, ids: ReadonlyMap<string, string>): Thing {
  if (ids.size === 0) return thing;
  const replaced = (text: string) =>
    ids.get(text) ?? text.replace(/\[\[([^\]]{1,100})\]\]/g, (whole, id: string) => `[[${ids.get(id) ?? id}]]`);
  return JSON.parse(JSON.stringify(thing), (_key, inner: unknown) =>
    typeof inner === "string" ? replaced(inner) : inner,
  ) as Thing;
}

/** What is no word somebody reads, by its name in the document. */
const silent = new Set(["id", "type", "origin", "media", "partial", "checked", "how"]);

function wordsOf(thing: unknown): Set<string> {
  const texts: string[] = [];
  JSON.stringify(thing, (key, inner: unknown) => {
    if (typeof inner === "string" && !silent.has(key)) texts.push(inner);
    return inner;
  });
  return new Set(
    texts
      .join(" ")
      .toLowerCase()
      .match(/[\p{L}\p{N}]{2,}/gu) ?? [],
  );
}

/** How much two have of the same words: Dice's coefficient, 0 to 1. */
function alike(one: ReadonlySet<string>, other: ReadonlySet<string>): number {
  let both = 0;
  for (const word of one) if (other.has(word)) both += 1;
  return one.size + other.size === 0 ? 0 : (2 * both) / (one.size + other.size);
}

/** Below this two things only happen to share words. */
const LEAST_ALIKE = 0.6;

/**
 * Which of `now` are which of `before`: those that are the same to the letter, then those of one name, then those most alike. Each is found once.
 * @returns the old one of each that was found, by its new id
 */
function pairsOf<Thing extends Identified>(
  before: readonly Thing[],
  now: readonly Thing[],
  nameOf: (thing: Thing) => string,
): Map<string, Thing> {
  const pairs = new Map<string, Thing>();
  const left = new Set(before);
  const take = (mine: Thing, old: Thing | undefined) => {
    if (!old) return;
    pairs.set(mine.id, old);
    left.delete(old);
  };
  for (const key of [bare, nameOf]) {
    const known = new Map<string, Thing[]>();
    for (const old of left) known.set(key(old), [...(known.get(key(old)) ?? []), old]);
    for (const mine of now) if (!pairs.has(mine.id) && key(mine) !== "") take(mine, known.get(key(mine))?.shift());
  }
  const words = new Map([...left, ...now].map((thing) => [thing, wordsOf(thing)]));
  const rest = now.filter(({ id }) => !pairs.has(id));
  const near = rest
    .flatMap((mine) => [...left].map((old) => ({ mine, old, much: alike(words.get(mine)!, words.get(old)!) })))
    .filter(({ much }) => much >= LEAST_ALIKE)
    .toSorted((one, other) => other.much - one.much);
  for (const { mine, old } of near) if (!pairs.has(mine.id) && left.has(old)) take(mine, old);
  return pairs;
}

/** Where two have the same number of ids inside and nothing else differs at those places, or where the same words have an id: these are one. */
function inside(before: unknown, now: unknown): Map<string, string> {
  const ids = new Map<string, string>();
  if (bare(before) === bare(now)) {
    const old = idsIn(before);
    idsIn(now).forEach((id, at) => ids.set(id, old[at]!));
    return ids;
  }
  const named = (value: unknown) => {
    const found = new Map<string, string[]>();
    JSON.stringify(value, (_key, inner: unknown) => {
      const { id } = (inner ?? {}) as { id?: unknown };
      if (typeof id === "string" && !Array.isArray(inner))
        found.set(bare(inner), [...(found.get(bare(inner)) ?? []), id]);
      return inner;
    });
    return found;
  };
  const old = named(before);
  for (const [what, mine] of named(now))
    mine.forEach((id, at) => old.get(what)?.[at] && ids.set(id, old.get(what)![at]!));
  return ids;
}

function blockAgain(before: Block, now: Block): Block {
  const ids = inside(before, now);
  ids.set(now.id, before.id);
  if (before.type === "question" && now.type === "question") ids.set(now.question.id, before.question.id);
  return withIds(now, ids);
}

function stepAgain(before: Step, now: Step): Step {
  const pairs = pairsOf(before.blocks, now.blocks, (block) => {
    // The only text or table of a step is the one it had, however it reads now.
    const isOnly = (step: Step) => step.blocks.filter(({ type }) => type === block.type).length === 1;
    return isOnly(before) && isOnly(now) ? block.type : "";
  });
  const blocks = now.blocks.map((block) => {
    const old = pairs.get(block.id);
    return old && old.type === block.type ? blockAgain(old, block) : block;
  });
  return { ...now, id: before.id, blocks };
}

const titleIn = ({ title }: Step): string => {
  const text = Object.values(title).join(" ").trim();
  return text === "" ? "" : `title ${text}`;
};

/**
 * The second reading of a file, with the ids its parts had in the first. What is new keeps its own.
 * `knownAgain(lesson, lesson)` gives `lesson`.
 */
export function knownAgain(before: Document, now: Document): Document {
  const pairs = pairsOf(before.steps, now.steps, titleIn);
  return {
    ...now,
    steps: now.steps.map((step) => {
      const old = pairs.get(step.id);
      return old ? stepAgain(old, step) : step;
    }),
  };
}
