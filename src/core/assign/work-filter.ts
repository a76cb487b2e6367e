import { stateOf, type AssignmentState } from "./form";

/** What of a piece of work it is found by. */
export interface ListedWork {
  id: number;
  class: number;
  title: string;
  className: string;
  subjects: readonly string[];
  goals: readonly string[];
  opens: Date;
  due: Date;
  calledBack: Date | null;
}

/** What of an address narrows the list. */
export const workFilters = ["words", "state", "class", "student", "subject", "goal"] as const;

/** Everything that is chosen must hold; null: not chosen. */
export interface WorkFilter {
  words: string;
  state: AssignmentState | null;
  class: number | null;
  subject: string | null;
  goal: string | null;
}

const plain = (text: string) => text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

/**
 * The pieces of work that fit, in their order. Each word typed has to begin a word of the title, the class or a goal.
 * `filterWork([{ title: "Ferry fares", goals: [] }], { words: "far", state: null, class: null, student: null, subject: null, goal: null }).length` gives `1`.
 */
export function filterWork<Work extends ListedWork>(works: readonly Work[], filter: WorkFilter, now: Date): Work[] {
  const words = plain(filter.words)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
  return works.filter((work) => {
    const said = plain([work.title, work.className, ...work.goals].join(" ")).split(/[^\p{L}\p{N}]+/u);
    return (
      words.every((word) => said.some((one) => one.startsWith(word))) &&
      (filter.state === null || stateOf(work, now) === filter.state) &&
      (filter.class === null || work.class === filter.class) &&
      (filter.subject === null || work.subjects.includes(filter.subject)) &&
      (filter.goal === null || work.goals.includes(filter.goal))
    );
  });
}
