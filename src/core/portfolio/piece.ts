import { inLanguage } from "../content/language";
import { plainText } from "../content/rich-text";
import { formatResponse } from "../question/format";
import { isBlankResponse } from "../question/mark";
import type { Question, QuestionType, ResponseValue } from "../question/question";
import { readResponse } from "../question/read-response";
import { withoutAnswers } from "../question/without-answers";
import type { Voice } from "../review/voice";
import { questionsOf, titleOf, type Document } from "../resource/document";
import { lastResponses, type Try } from "../results/table";

/** One answer as it stands in a portfolio: never whether it was right. */
export interface PortfolioAnswer {
  question: string;
  step: string;
  asks: string;
  /** In words; "" where it is shown or heard instead. */
  said: string;
  /** What was drawn, photographed or spoken, with the question it answers. */
  made: { question: Question; value: ResponseValue } | null;
}

/** A piece of work a child is proud of, as it is shown. */
export interface PortfolioPiece {
  id: number;
  assignment: number;
  title: string;
  /** The year the school year of its class began in. */
  year: number;
  handedIn: Date;
  why: string;
  voice: Voice | null;
  /** The child put it in, rather than a teacher. */
  byChild: boolean;
  /** All of a piece of work, rather than one answer of it. */
  whole: boolean;
  answers: PortfolioAnswer[];
  /** Pages made with others: not part of what is shown outside the class. */
  together: number;
}

/** What is looked at or listened to as it is. */
const seenAsItIs: ReadonlySet<QuestionType> = new Set(["sketch", "photo", "speech", "clip"]);

/**
 * The answers of a try that make a piece: all that say something, in the order of the work, or only the one to `question`.
 * Answers of steps in `shared` were written with others, and are left out.
 * `answersOf(lesson, works[1].tries[0], { question: null, shared: [] }).answers.map(({ said }) => said)` gives `["twice"]`.
 */
export function answersOf(
  document: Document,
  one: Pick<Try, "responses">,
  of: { question: string | null; shared: readonly string[] },
): { answers: PortfolioAnswer[]; together: number } {
  const last = lastResponses(one.responses);
  const { languages } = document;
  const asked = document.steps.flatMap((step) =>
    questionsOf(step)
      .filter(({ id }) => of.question === null || id === of.question)
      .map((question) => ({ step, question, value: readResponse(question, last.get(question.id)?.value) })),
  );
  const answered = asked.filter(({ question, value }) => !isBlankResponse(question.type, value));
  const own = answered.filter(({ step }) => !of.shared.includes(step.id));
  return {
    together: new Set(answered.filter(({ step }) => of.shared.includes(step.id)).map(({ step }) => step.id)).size,
    answers: own.map(({ step, question, value }) => ({
      question: question.id,
      step: titleOf({ title: step.title, languages }),
      asks: plainText(inLanguage(question.prompt, languages)),
      said: seenAsItIs.has(question.type) ? "" : formatResponse(question, value, languages),
      made: seenAsItIs.has(question.type) ? { question: withoutAnswers(question), value: value! } : null,
    })),
  };
}

/**
 * The same piece as people outside the class may see it: `hide` takes the names of others out of every word.
 * `withoutOthers({ title: "With Bo", why: "", answers: [] }, (text) => text.replace("Bo", "…")).title` gives `"With …"`.
 */
export const withoutOthers = (piece: PortfolioPiece, hide: (text: string) => string): PortfolioPiece => ({
  ...piece,
  title: hide(piece.title),
  why: hide(piece.why),
  answers: piece.answers.map((answer) => ({
    ...answer,
    step: hide(answer.step),
    asks: hide(answer.asks),
    said: hide(answer.said),
    made: answer.made && { ...answer.made, question: hideInQuestion(answer.made.question, hide) },
  })),
});

/** What a question asks in words is shown beside; only what lies under a drawing is needed of it. */
const hideInQuestion = (question: Question, hide: (text: string) => string): Question => ({
  ...question,
  prompt: {},
  hint: undefined,
  ...("description" in question &&
    question.description && {
      description: Object.fromEntries(
        Object.entries(question.description as Record<string, string>).map(([language, text]) => [
          language,
          hide(text),
        ]),
      ),
    }),
});

/**
 * Pieces by the year they were made in, the newest year and the newest piece first.
 * `byYear([{ id: 1, year: 2026, handedIn: new Date(0) }])[0].year` gives `2026`.
 */
export function byYear<Piece extends Pick<PortfolioPiece, "year" | "handedIn" | "id">>(
  pieces: readonly Piece[],
): { year: number; pieces: Piece[] }[] {
  const newest = pieces.toSorted((one, other) => +other.handedIn - +one.handedIn || other.id - one.id);
  return [...new Set(newest.map(({ year }) => year))]
    .toSorted((one, other) => other - one)
    .map((year) => ({ year, pieces: newest.filter((piece) => piece.year === year) }));
}
