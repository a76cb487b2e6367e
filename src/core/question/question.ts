export type { AcceptedUnit, NumberPart } from "./types/number/schema";
export type { CheckingTime, Gap, Option, SpellingRule } from "./types/asked";
export type { Stroke } from "./types/sketch/schema";
export type { Question, QuestionOf, QuestionType, ResponseOf, ResponseValue } from "./schema";
