import type { QuestionKind } from "../../kind";

import { inLanguage } from "../../../content/language";
import type { QuestionOf } from "../../question";
import { sharesOfPoints } from "../../shares";
import { fileName } from "../../wording";
import { squareAt } from "./squares";

type Area = QuestionOf<"place">["right"][number];

/**
 * Whether a point is in an ellipse, or on its edge; all shares of the picture's width and height.
 * `isInside([0.5, 0.5], { x: 0.5, y: 0.5, across: 0.1, down: 0.1 })` gives `true`.
 */
export const isInside = ([x, y]: readonly [number, number], area: Omit<Area, "id">): boolean =>
  ((x - area.x) / area.across) ** 2 + ((y - area.y) / area.down) ** 2 <= 1 + 1e-9;

const formatPlaces = (points: readonly (readonly [number, number])[]): string => points.map(squareAt).join(" · ");

export const place: QuestionKind<"place"> = {
  name: "Place on a map or picture",
  activity: "mark a place",
  empty: (asked) => ({
    ...asked,
    type: "place",
    media: "drawing:blank",
    description: {},
    grid: true,
    most: 1,
    right: [],
  }),
  missing: ({ right, most }) => {
    if (right.length === 0) return "No place in the picture is right yet.";
    return most < right.length ? "Students may mark fewer places than are right." : null;
  },
  /** As in QTI's map_response_point: an area counts once, however often it is hit. */
  mark: ({ right }, response) => sharesOfPoints(response, right.length, (point, nth) => isInside(point, right[nth]!)),
  formatResponse: (_, response) => formatPlaces(response),
  formatAnswer: ({ right }) => formatPlaces(right.map(({ x, y }) => [x, y])),
  withoutAnswers: (question) => ({ ...question, right: [] }),
  lines: ({ media, description }, languages) => [
    `[picture ${fileName(media)}: ${inLanguage(description, languages) ?? ""}]`,
  ],
};
