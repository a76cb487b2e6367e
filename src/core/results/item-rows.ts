import { plainText } from "../content/rich-text";
import { formatSeconds, nameFinding } from "./format-item";
import { formatPercent } from "./format-percent";
import type { Analysis } from "./items";

const figure = (value: number | null): string => (value === null ? "" : value.toFixed(2));

/**
 * How the questions did their work as rows of plain cells, the heading first: one question a row.
 * `itemRows({ items: [] })[0].length` gives `9`.
 */
export function itemRows({ items }: Analysis): (string | number)[][] {
  return [
    ["Question", "Children", "Right", "Blank", "Gained", "Likely between", "Tells apart", "Time", "To notice"],
    ...items.map((item) => [
      `${item.nth}. ${plainText(Object.values(item.question.prompt)[0]).slice(0, 120) || item.label}`,
      ...[item.asked, item.right, item.blank],
      item.difficulty === null ? "" : formatPercent(item.difficulty),
      item.between ? `${formatPercent(item.between[0])} to ${formatPercent(item.between[1])}` : "",
      figure(item.tellsApart),
      item.seconds ? formatSeconds(item.seconds.median) : "",
      item.voided ? "left out" : item.findings.map(nameFinding).join("; "),
    ]),
  ];
}
