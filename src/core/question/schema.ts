import { z } from "zod";
import * as bars from "./types/bars/schema";
import * as cells from "./types/cells/schema";
import * as choice from "./types/choice/schema";
import * as clip from "./types/clip/schema";
import * as choices from "./types/choices/schema";
import * as gaps from "./types/gaps/schema";
import * as groups from "./types/groups/schema";
import * as highlight from "./types/highlight/schema";
import * as labels from "./types/labels/schema";
import * as line from "./types/line/schema";
import * as longText from "./types/long-text/schema";
import * as match from "./types/match/schema";
import * as notePage from "./types/note-page/schema";
import * as number from "./types/number/schema";
import * as order from "./types/order/schema";
import * as photo from "./types/photo/schema";
import * as place from "./types/place/schema";
import * as points from "./types/points/schema";
import * as poll from "./types/poll/schema";
import * as shortText from "./types/short-text/schema";
import * as sketch from "./types/sketch/schema";
import * as speech from "./types/speech/schema";

/**
 * Every type of question: what is asked, what is right, and how it is marked. Response values follow QTI's base types and
 * cardinalities (1EdTech QTI 2.1, "Response Processing"), so that writing QTI later is a mapping and not a guess. A new type is a
 * line in each of these two lists; the compiler then names the other lists it belongs in.
 */
export const Question = z.discriminatedUnion("type", [
  choice.Question,
  choices.Question,
  shortText.Question,
  number.Question,
  gaps.Question,
  match.Question,
  order.Question,
  longText.Question,
  groups.Question,
  labels.Question,
  line.Question,
  bars.Question,
  points.Question,
  highlight.Question,
  cells.Question,
  sketch.Question,
  poll.Question,
  photo.Question,
  speech.Question,
  clip.Question,
  notePage.Question,
  place.Question,
]);
export type Question = z.infer<typeof Question>;
export type QuestionType = Question["type"];
export type QuestionOf<Type extends QuestionType> = Extract<Question, { type: Type }>;

/** What a student gave, by type of question. */
export const responseSchemas = {
  choice: choice.Response,
  choices: choices.Response,
  shortText: shortText.Response,
  number: number.Response,
  gaps: gaps.Response,
  match: match.Response,
  order: order.Response,
  longText: longText.Response,
  groups: groups.Response,
  labels: labels.Response,
  line: line.Response,
  bars: bars.Response,
  points: points.Response,
  highlight: highlight.Response,
  cells: cells.Response,
  sketch: sketch.Response,
  poll: poll.Response,
  photo: photo.Response,
  speech: speech.Response,
  clip: clip.Response,
  notePage: notePage.Response,
  place: place.Response,
} satisfies Record<QuestionType, z.ZodType>;
export type ResponseOf<Type extends QuestionType> = z.infer<(typeof responseSchemas)[Type]>;
export type ResponseValue = ResponseOf<QuestionType>;
