import type { QuestionType } from "../question/question";

/**
 * How the answer to a type of question is kept on a shared page, so that two changes at one moment are both kept where they can be:
 * running text letter by letter, a record by its keys, a list by its members; of single values the last counts. Null: not shared,
 * because a file belongs to the child who made it.
 */
type Keeping = "text" | "text and checks" | "texts" | "record" | "list" | "one";

export const keepings: Readonly<Record<QuestionType, Keeping | null>> = {
  shortText: "text",
  longText: "text and checks",
  notePage: "texts",
  cells: "texts",
  gaps: "record",
  number: "record",
  bars: "record",
  choices: "list",
  match: "list",
  groups: "list",
  labels: "list",
  order: "list",
  points: "list",
  highlight: "list",
  sketch: "list",
  place: "list",
  choice: "one",
  poll: "one",
  line: "one",
  photo: null,
  speech: null,
  clip: null,
};

/** Lists of pairs in which the first can stand only once: two who move it at one moment have moved it once. */
export const onePlaceEach: ReadonlySet<QuestionType> = new Set(["groups", "labels"]);

/** Whether several can write on one answer to it at once. `isSharable("longText")` gives `true`. */
export const isSharable = (type: QuestionType): boolean => keepings[type] !== null;
