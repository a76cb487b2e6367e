import { isFilled, type Blank, type Need } from "@/core/find/need";
import { formatBlank, formatGrades } from "@/core/find/format";
import { asWords, readTyped, withoutFiller, type TakenPart } from "@/core/find/typed";
import { authorsCalled, setCalled, topicCalled } from "@/data/find/browse";
import type { ReadNeed } from "@/data/find/conditions";
import type { Queryable } from "@/data/engine/db";
import type { Reader } from "@/data/find/reach";
import { standardsByCode } from "@/data/find/standards";

/** What a part of the words was taken for. */
export interface Said {
  text: string;
  /** What to type for it to be just words again; null: it cannot be anything else. */
  asWords: string | null;
}

/** What the words were taken for, where they are more than words. */
export interface Understood extends Omit<ReadNeed, "words"> {
  says: Said[];
  /** A kind, a subject or minutes were read out of the words: with them perhaps nothing is found. */
  narrows: boolean;
}

export interface NamedClass {
  id: number;
  name: string;
  gradeFrom: number;
  gradeTo: number;
}

interface Meaning {
  says: string;
  /** The part stays among the words as well: it names nothing here. */
  stays?: boolean;
  /** It is a blank with which perhaps nothing is found. */
  narrows?: boolean;
}

/** The blank a part of the words would fill. */
const blankOf: Partial<Record<TakenPart["means"]["as"], Blank>> = {
  grades: "grades",
  minutes: "minutes",
  subject: "subject",
  kind: "kind",
};

/** What has been read so far, to be filled further. */
interface Gathered {
  need: Need;
  named: { standards: string[]; authors: number[]; isbns: string[]; covered: string[]; done: number[] };
}

/** One part of what was typed, put into the blanks or among what is named. Null: it means nothing here and stays words. */
async function meaningOf(
  { means, text }: TakenPart,
  db: Queryable,
  reader: Reader,
  typed: Need,
  read: Gathered,
): Promise<Meaning | null> {
  const { need, named } = read;
  // What she chose in a blank goes before what she typed, and that is said.
  const blank = blankOf[means.as];
  if (blank && isFilled(typed, blank))
    return { says: `“${text}” is ignored: you chose ${formatBlank(typed, blank)}.`, narrows: false };
  switch (means.as) {
    case "grades":
      need.grades = means.grades;
      return { says: `For ${means.grades.length === 1 ? "grade" : "grades"} ${formatGrades(means.grades)}.` };
    case "minutes":
      need.minutes = means.minutes;
      return means.minutes === null
        ? { says: "Any length." }
        : { says: `Up to ${means.minutes} minutes.`, narrows: true };
    case "subject":
      need.subjects = [means.subject];
      return { says: `In ${means.subject}.`, narrows: true };
    case "kind":
      need.kinds = [means.kind];
      return { says: `Only ${formatBlank(need, "kind")}.`, narrows: true };
    case "topic": {
      const topic = await topicCalled(db, reader, means.name);
      if (topic === null || isFilled(typed, "topic")) return null;
      need.topics = [topic];
      return { says: `On the topic “${topic}”.`, narrows: true };
    }
    case "set": {
      const set = await setCalled(db, reader, means.name);
      if (set === null || isFilled(typed, "set")) return null;
      need.sets = [set.id];
      return { says: `In the set “${set.name}”.`, narrows: true };
    }
    case "isbn":
      named.isbns.push(means.isbn);
      return { says: `The edition with ISBN ${means.isbn}.` };
    case "wrong isbn":
      return { says: `${means.isbn} is not an ISBN: a digit is wrong. Check it on the back of the book.`, stays: true };
    case "author": {
      const people = await authorsCalled(db, reader, means.name);
      if (people.length === 0) return null;
      named.authors = people.map((person) => person.id);
      return { says: `By ${people.map((person) => person.name).join(" or ")}.` };
    }
    case "code": {
      const { code } = means;
      const known = await standardsByCode(db, reader.district, [code]);
      const found = known.find((standard) => standard.code.toUpperCase() === code);
      const below = known.filter((standard) => standard.code.toUpperCase().startsWith(`${code}.`));
      if (found) named.standards.push(found.code);
      else named.standards.push(...below.map((standard) => standard.code));
      if (found) return { says: `${found.code}: ${found.statement}` };
      return below.length > 0 ? { says: `${code}: ${below.length} statements.` } : null;
    }
  }
}

const soft = new Set<TakenPart["means"]["as"]>(["kind", "subject", "minutes"]);

/**
 * Codes of statements, ISBNs, "by" and a name, grades, minutes, subjects, kinds, her own classes' names. What names nothing here
 * stays words. `plainly`: kinds, subjects and minutes are left as words, because with them nothing was found.
 */
export async function understand(
  db: Queryable,
  reader: Reader,
  asked: Need,
  classes: readonly NamedClass[],
  plainly = false,
): Promise<Understood> {
  const typed = asked.words;
  const read: Gathered = {
    need: { ...asked },
    named: { standards: [], authors: [], isbns: [], covered: [], done: [] },
  };
  const says: Said[] = [];
  const taken: TakenPart[] = [];
  let narrows = false;
  for (const part of readTyped(typed).taken) {
    if (plainly && soft.has(part.means.as)) continue;
    const meaning = await meaningOf(part, db, reader, asked, read);
    if (!meaning) continue;
    if (!meaning.stays) taken.push(part);
    narrows ||= meaning.narrows === true;
    says.push({ text: meaning.says, asWords: meaning.stays ? null : asWords(typed, part) });
  }
  // The whole of it may be what a set is called.
  const whole =
    taken.length === 0 && !plainly && !isFilled(asked, "set") && /\s/.test(typed.trim()) && !/["“]/.test(typed);
  const named = whole ? await setCalled(db, reader, typed) : null;
  if (named) {
    says.push({ text: `The set “${named.name}”.`, asWords: `"${typed.trim()}"` });
    return { ...read, need: { ...read.need, sets: [named.id], words: "" }, says, narrows: true };
  }
  let words = taken.reduceRight((left, { from, to }) => `${left.slice(0, from)} ${left.slice(to)}`, typed);
  if (taken.length > 0) words = words.replace(/\s+/g, " ").trim();
  const { need } = read;
  // In quotes her class's name is words too.
  const bare = words.replace(/["“][^"”]*["”]?/g, " ").toLowerCase();
  const group = classes.find((one) => bare.includes(one.name.toLowerCase()));
  if (group && !isFilled(need, "grades")) {
    const name = new RegExp(`(?:\\bfor\\s+)?${group.name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")}`, "i");
    words = words.replace(name, " ").trim();
    need.grades = Array.from({ length: group.gradeTo - group.gradeFrom + 1 }, (_, at) => group.gradeFrom + at);
    says.push({ text: `For ${group.name}: its grades.`, asWords: typed.replace(name, (found) => `"${found}"`) });
  }
  // What is left of a sentence when all that means something was taken is not looked for.
  const left = withoutFiller(words);
  need.words = left === words && taken.length > 0 && isOnlyFiller(words) ? "" : left;
  return { ...read, says, narrows };
}

/** Whether nothing but the small words of a sentence is left: "something for my class". */
const isOnlyFiller = (words: string): boolean =>
  words.trim() !== "" && withoutFiller(`${words} tide`).trim() === "tide";
