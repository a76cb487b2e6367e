import type { QuestionKind } from "./kind";
import type { QuestionType } from "./question";
import { bars } from "./types/bars/bars";
import { cells } from "./types/cells/cells";
import { choice } from "./types/choice/choice";
import { clip } from "./types/clip/clip";
import { choices } from "./types/choices/choices";
import { gaps } from "./types/gaps/gaps";
import { groups } from "./types/groups/groups";
import { highlight } from "./types/highlight/highlight";
import { labels } from "./types/labels/labels";
import { line } from "./types/line/line";
import { longText } from "./types/long-text/long-text";
import { match } from "./types/match/match";
import { notePage } from "./types/note-page/note-page";
import { number } from "./types/number/number";
import { order } from "./types/order/order";
import { photo } from "./types/photo/photo";
import { place } from "./types/place/place";
import { points } from "./types/points/points";
import { poll } from "./types/poll/poll";
import { shortText } from "./types/short-text/short-text";
import { sketch } from "./types/sketch/sketch";
import { speech } from "./types/speech/speech";

/** Every type of question. */
export const questionKinds: { [Type in QuestionType]: QuestionKind<Type> } = {
  choice,
  choices,
  shortText,
  number,
  gaps,
  match,
  order,
  longText,
  groups,
  labels,
  line,
  bars,
  points,
  place,
  highlight,
  cells,
  sketch,
  poll,
  photo,
  speech,
  clip,
  notePage,
};

/**
 * What is known of the type of this question: each of its functions takes this question.
 * `kindOf({ type: "shortText" }) === questionKinds.shortText` gives `true`.
 */
export const kindOf = <Type extends QuestionType>(question: { type: Type }): QuestionKind<Type> =>
  questionKinds[question.type] as QuestionKind<Type>;
