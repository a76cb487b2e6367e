import type { Mark } from "./mark";
import type { Option, Question, ResponseValue } from "./question";

/**
 * What students choose from goes to them under other names and in another order, so that neither tells what is right: authors
 * write "l1" beside "r1", and put the first thing first. Names and order are different for every student and question, and
 * the same each time the student comes back. What she answers is put back into the document's own names before it is kept.
 *
 *   document    l1 boat   r1 sails        student   3f boat    a0 flies
 *               l2 gull   r2 flies                  b7 gull    e9 sails
 */
export interface Disguise {
  question(question: Question): Question;
  /** An answer as it is kept, in the names the student sees; and the other way round. */
  value(question: Question, value: ResponseValue): ResponseValue;
  back(question: Question, value: unknown): unknown;
  mark(question: Question, mark: Mark): Mark;
}

/** The lists of a question whose ids and order could tell something, by what an answer names first and second. */
function listsOf(question: Question): { first: readonly { id: string }[]; second: readonly { id: string }[] } {
  switch (question.type) {
    case "choice":
    case "choices":
      return { first: question.options, second: [] };
    case "order":
      return { first: question.items, second: [] };
    case "match":
      return { first: question.left, second: question.right };
    case "groups":
      return { first: question.items, second: question.groups };
    case "labels":
      return { first: question.spots, second: question.labels };
    default:
      return { first: [], second: [] };
  }
}

type Names = ReadonlyMap<string, string>;
/** What is not among the names stands for nothing: the document's own names, guessed, are no answer. */
const NOBODY = "-";
const through = (names: Names) => (id: unknown) => (typeof id === "string" ? (names.get(id) ?? NOBODY) : id);

function translated(question: Question, value: unknown, first: Names, second: Names): unknown {
  const [one, other] = [through(first), through(second)];
  switch (question.type) {
    case "choice":
      return one(value);
    case "choices":
    case "order":
      return Array.isArray(value) ? value.map(one) : value;
    case "match":
    case "groups":
    case "labels":
      return Array.isArray(value)
        ? value.map((pair) => (Array.isArray(pair) && pair.length === 2 ? [one(pair[0]), other(pair[1])] : pair))
        : value;
    default:
      return value;
  }
}

/** Mixed by their names, which are drawn at random; never by chance just as it is right. */
function mixed(options: readonly Option[], right: readonly string[] = []): Option[] {
  const sorted = [...options].sort((one, other) => (one.id < other.id ? -1 : 1));
  const given = sorted.length > 1 && right.length === sorted.length && sorted.every(({ id }, at) => id === right[at]);
  return given ? [...sorted.slice(1), sorted[0]!] : sorted;
}

/** @param name a name for one id of a question that nobody can work out or trace back: 1 to 40 letters and digits */
export function disguise(name: (question: string, list: "first" | "second", id: string) => string): Disguise {
  const namesOf = (question: Question) => {
    const { first, second } = listsOf(question);
    const names = (list: "first" | "second", of: readonly { id: string }[]) =>
      new Map(of.map(({ id }) => [id, name(question.id, list, id)]));
    return { first: names("first", first), second: names("second", second) };
  };
  const backwards = (names: Names) => new Map([...names].map(([id, other]) => [other, id]));
  return {
    question(question) {
      const { first, second } = namesOf(question);
      const renamed = <Item extends { id: string }>(items: readonly Item[], names: Names): Item[] =>
        items.map((item) => ({ ...item, id: names.get(item.id) ?? item.id }));
      switch (question.type) {
        case "choice":
        case "choices":
          return { ...question, options: renamed(question.options, first) };
        case "order": {
          const right = question.right.map((id) => first.get(id) ?? id);
          return { ...question, items: mixed(renamed(question.items, first), right), right };
        }
        case "match":
          return { ...question, left: renamed(question.left, first), right: mixed(renamed(question.right, second)) };
        case "groups":
          return {
            ...question,
            items: mixed(renamed(question.items, first)),
            groups: renamed(question.groups, second),
          };
        case "labels":
          return {
            ...question,
            spots: renamed(question.spots, first),
            labels: mixed(renamed(question.labels, second)),
          };
        default:
          return question;
      }
    },
    value(question, value) {
      const { first, second } = namesOf(question);
      return translated(question, value, first, second) as ResponseValue;
    },
    back(question, value) {
      const { first, second } = namesOf(question);
      return translated(question, value, backwards(first), backwards(second));
    },
    mark(question, mark) {
      const { first, second } = namesOf(question);
      const renamed = Object.entries(mark.parts).map(([id, right]) => [first.get(id) ?? second.get(id) ?? id, right]);
      // Sorted: in the order of the answer they would tell what comes first.
      return { ...mark, parts: Object.fromEntries(renamed.sort(([one], [other]) => (one! < other! ? -1 : 1))) };
    },
  };
}
