import { gradeNamed } from "@/core/content/grade";
import { editDistance } from "@/core/find/nearest";
import { plainWord, type Token } from "./token";
import type { LineWorld } from "./world";

/** Who is meant, as far as the words alone say it. `at` is where it stands in the line. */
export type PeopleRef = At &
  (
    | { kind: "class"; classes: readonly number[] }
    | { kind: "group"; class: number; group: number }
    | { kind: "student"; name: string; students: readonly number[] }
    | { kind: "grade"; grade: number }
    | { kind: "everyone" }
    | { kind: "all classes" }
    | { kind: "those who have it" }
  );
type Bare<Ref> = Ref extends unknown ? Omit<Ref, keyof At> : never;
interface At {
  from: number;
  to: number;
}

interface Named {
  words: readonly string[];
  ref: Bare<PeopleRef>;
}

/** All names of a world by their first word, longest first. */
export type PeopleIndex = ReadonlyMap<string, readonly Named[]>;

/** A class is also known by one word of its name, unless the word is too short to say anything. */
const SHORTEST_CLASS_WORD = 3;

const wordsOf = (name: string) => name.split(/\s+/).map(plainWord).filter(Boolean);

const indexes = new WeakMap<LineWorld, PeopleIndex>();

/** Made once for each world: a line is read with every key. `peopleIndex(world) === peopleIndex(world)` gives `true`. */
export function peopleIndex(world: LineWorld): PeopleIndex {
  const known = indexes.get(world);
  if (known) return known;
  const index = makeIndex(world);
  indexes.set(world, index);
  return index;
}

function makeIndex(world: LineWorld): PeopleIndex {
  const named = new Map<string, Named>();
  const collect = (words: readonly string[], ref: Bare<PeopleRef>) => {
    if (words.length === 0) return;
    const key = `${ref.kind} ${words.join(" ")}`;
    const before = named.get(key)?.ref;
    if (before?.kind === "class" && ref.kind === "class")
      named.set(key, { words, ref: { kind: "class", classes: [...new Set([...before.classes, ...ref.classes])] } });
    else if (before?.kind === "student" && ref.kind === "student")
      named.set(key, { words, ref: { ...before, students: [...new Set([...before.students, ...ref.students])] } });
    else if (!before) named.set(key, { words, ref });
  };
  for (const group of world.classes) {
    const words = wordsOf(group.name);
    const ref = { kind: "class", classes: [group.id] } as const;
    collect(words, ref);
    for (const word of words)
      if (word.length >= SHORTEST_CLASS_WORD && !/^(?:class|grade)$/.test(word)) collect([word], ref);
    for (const one of group.groups) collect(wordsOf(one.name), { kind: "group", class: group.id, group: one.id });
    for (const { id, givenName, familyName } of group.students) {
      const [given, family] = [wordsOf(givenName), wordsOf(familyName)];
      for (const name of [[...given, ...family], given, family])
        collect(name, { kind: "student", name: `${givenName} ${familyName}`, students: [id] });
      if (family[0])
        collect([...given, family[0][0]!], { kind: "student", name: `${givenName} ${familyName}`, students: [id] });
    }
  }
  const index = new Map<string, Named[]>();
  for (const one of named.values()) index.set(one.words[0]!, [...(index.get(one.words[0]!) ?? []), one]);
  for (const list of index.values()) list.sort((one, other) => other.words.length - one.words.length);
  return index;
}

/** "grade 4", "grade 4s", "4th grade", "4th graders", "fourth graders", "kindergarten". */
function gradeAt(tokens: readonly Token[], at: number): { n: number; grade: number } | null {
  const [one, two] = [tokens[at]!.word, tokens[at + 1]?.word ?? ""];
  if (one === "kindergarten" || one === "kindergartners") return { n: 1, grade: 0 };
  const [word, ordinal] = /^grades?$/.test(one) ? [two.replace(/s$/, ""), false] : [one, /^grade(?:s|rs?)?$/.test(two)];
  const grade = /^grades?$/.test(one) || (ordinal && !/^\d+$/.test(one)) ? gradeNamed(word) : null;
  return grade === null ? null : { n: 2, grade };
}

const phrases: readonly { words: readonly string[]; kind: "all classes" | "those who have it" }[] = [
  { words: ["all", "my", "classes"], kind: "all classes" },
  { words: ["my", "classes"], kind: "all classes" },
  { words: ["all", "classes"], kind: "all classes" },
  { words: ["both", "classes"], kind: "all classes" },
  { words: ["those", "who", "have", "it"], kind: "those who have it" },
  { words: ["those", "who", "did", "it"], kind: "those who have it" },
  { words: ["anyone", "who", "has", "it"], kind: "those who have it" },
  { words: ["whoever", "has", "it"], kind: "those who have it" },
];

/** Whether these words are typed there, with no comma between them. `startsWith(tokensOf("Bo, 2 tries"), 1, ["2", "tries"])` gives `true`. */
export const startsWith = (tokens: readonly Token[], at: number, words: readonly string[]): boolean =>
  words.every((word, n) => tokens[at + n]?.word === word && (n === words.length - 1 || !tokens[at + n]!.ends));

/** Endings a name takes in a sentence: "Bo's", "puffins". */
const bare = (word: string) => word.replace(/'s?$/, "");

function namedAt(tokens: readonly Token[], at: number, index: PeopleIndex): { n: number; ref: Bare<PeopleRef> } | null {
  const first = bare(tokens[at]!.word);
  const listed = index.get(tokens[at]!.word) ?? index.get(first) ?? index.get(first.replace(/s$/, "")) ?? [];
  for (const { words, ref } of listed)
    if (words.slice(1).every((word, n) => !tokens[at + n]!.ends && bare(tokens[at + n + 1]?.word ?? "") === word))
      return { n: words.length, ref };
  return null;
}

/** The beginning of a class's name, or one with a slip: "kitti", "pufin". Only a name of one word, only for words that are nothing else. */
function slippedAt(token: Token, index: PeopleIndex): Bare<PeopleRef> | null {
  const { word } = token;
  if (word.length < 4 || /\d/.test(word)) return null;
  const near = [...index.values()]
    .flat()
    .filter(({ words }) => words.length === 1)
    .filter(({ words: [name], ref }) =>
      ref.kind === "class" && name!.startsWith(word) ? true : name!.length >= 5 && editDistance(word, name!) === 1,
    );
  const [only, other] = near;
  return only && !other ? only.ref : null;
}

/**
 * The people named at this place: a class, a group, a grade, a student. Null: none.
 * `personAt(tokensOf("Marek"), 0, peopleIndex(world)).ref.students` gives `[12]`.
 */
export function personAt(
  tokens: readonly Token[],
  at: number,
  index: PeopleIndex,
  slips = true,
): { n: number; ref: PeopleRef } | null {
  const token = tokens[at];
  if (!token) return null;
  const read = (n: number, ref: Bare<PeopleRef>) => ({
    n,
    ref: { ...ref, from: token.from, to: tokens[at + n - 1]!.to } as PeopleRef,
  });
  const grade = gradeAt(tokens, at);
  if (grade) return read(grade.n, { kind: "grade", grade: grade.grade });
  for (const { words, kind } of phrases) if (startsWith(tokens, at, words)) return read(words.length, { kind });
  const named = namedAt(tokens, at, index);
  if (named) return read(named.n, named.ref);
  if (["everyone", "everybody"].includes(token.word) && tokens[at + 1]?.word !== "else")
    return read(1, { kind: "everyone" });
  const slipped = slips ? slippedAt(token, index) : null;
  return slipped ? read(1, slipped) : null;
}

const joins = new Set(["and", "&", "+", "or"]);

/**
 * Several people in a row: "Bo and Aina", "Bo, Aina and Hari". A comma goes on only to a name.
 * `peopleAt(tokensOf("Marek and Opal"), 0, peopleIndex(world), true).n` gives `3`.
 */
export function peopleAt(
  tokens: readonly Token[],
  at: number,
  index: PeopleIndex,
  overCommas: boolean,
): { n: number; refs: PeopleRef[] } {
  const refs: PeopleRef[] = [];
  let n = 0;
  for (;;) {
    const ended = n > 0 && tokens[at + n - 1]!.ends;
    if (ended && !overCommas) break;
    const joined = n > 0 && joins.has(tokens[at + n]?.word ?? "") ? 1 : 0;
    if (n > 0 && !joined && !ended) break;
    const skip = tokens[at + n + joined]?.word === "the" ? 1 : 0;
    const next = personAt(tokens, at + n + joined + skip, index);
    if (!next) break;
    refs.push(next.ref);
    n += joined + skip + next.n;
  }
  return { n, refs };
}
