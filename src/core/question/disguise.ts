import type { Names } from "./kind";
import { kindOf } from "./kinds";
import type { Mark } from "./mark";
import type { Question, ResponseValue } from "./question";

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

/** What is not among the names stands for nothing: the document's own names, guessed, are no answer. */
const NOBODY = "-";
const through = (names: Names) => (id: unknown) => (typeof id === "string" ? (names.get(id) ?? NOBODY) : id);

/**
 * `disguise((of, list, id) => list + id).value(question, "twice")` gives `"twice"`.
 * @param name a name for one id of a question that nobody can work out or trace back: 1 to 40 letters and digits
 */
export function disguise(name: (question: string, list: "first" | "second", id: string) => string): Disguise {
  const namesOf = (question: Question) => {
    const { first, second } = kindOf(question).disguised?.of(question as never) ?? { first: [], second: [] };
    const names = (list: "first" | "second", of: readonly { id: string }[]) =>
      new Map(of.map(({ id }) => [id, name(question.id, list, id)]));
    return { first: names("first", first), second: names("second", second) };
  };
  const backwards = (names: Names) => new Map([...names].map(([id, other]) => [other, id]));
  const renamed = (question: Question, value: unknown, first: Names, second: Names) => {
    const { disguised } = kindOf(question);
    return disguised ? disguised.response(value, through(first), through(second)) : value;
  };
  return {
    question(question) {
      const { first, second } = namesOf(question);
      return kindOf(question).disguised?.question(question as never, first, second) ?? question;
    },
    value(question, value) {
      const { first, second } = namesOf(question);
      return renamed(question, value, first, second) as ResponseValue;
    },
    back(question, value) {
      const { first, second } = namesOf(question);
      return renamed(question, value, backwards(first), backwards(second));
    },
    mark(question, mark) {
      const { first, second } = namesOf(question);
      const parts = Object.entries(mark.parts).map(([id, right]) => [first.get(id) ?? second.get(id) ?? id, right]);
      // Sorted: in the order of the answer they would tell what comes first.
      return { ...mark, parts: Object.fromEntries(parts.sort(([one], [other]) => (one! < other! ? -1 : 1))) };
    },
  };
}
