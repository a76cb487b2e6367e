import { formatPercent } from "../results/format-percent";
import { formatCriterion, progressOf, standingOf, type Criterion, type Point } from "../results/progress";
import type { Report, ReportBlock } from "./report";

export interface ReportedStudent {
  name: string;
  points: readonly Point[];
  standards: readonly { code: string; statement: string; points: readonly Point[] }[];
  goals: readonly { goal: string; closed: boolean; criterion: Criterion | null; points: readonly Point[] }[];
}

const changed = { rose: "It has risen", fell: "It has fallen", steady: "It has stayed the same" } as const;

function levelBlocks(points: readonly Point[]): ReportBlock[] {
  const { level, change, because } = progressOf(points);
  if (level === null) return [{ kind: "text", text: "There are no results with marks yet." }];
  const why = because && change !== "steady" ? `, mostly because of “${because.title}”` : "";
  return [
    {
      kind: "text",
      text: `Level of the last three results: ${formatPercent(level)}.${change ? ` ${changed[change]}${why}.` : ""}`,
    },
  ];
}

/** What is to be seen of results over time; nothing where one point is all there is. */
function chartOf(points: readonly Point[], formatDay: (at: Date) => string): ReportBlock[] {
  const { points: shown } = progressOf(points);
  const [first, last] = [shown[0], shown.at(-1)];
  if (!first || !last || shown.length < 2) return [];
  const [from, to] = [formatDay(first.at), formatDay(last.at)];
  return [
    {
      kind: "chart",
      text: `${shown.length} results from ${from} to ${to}: the level was ${formatPercent(first.level)} at first and is ${formatPercent(last.level)} now.`,
      legend: "circles: results · line: the level they led to",
      points: shown.map(({ at, share, level }) => ({ at, label: formatDay(at), share, level })),
    },
  ];
}

const tableUnder = (caption: string, head: string[], rows: string[][]): ReportBlock[] =>
  rows.length === 0
    ? []
    : [
        { kind: "heading", text: caption },
        { kind: "table", caption, head, rows },
      ];

/**
 * How one child is doing over time, as a report: the level, goals, standards, and every result.
 * `studentReport({ name: "Ana", points: [], standards: [], goals: [] }, { author: "Ines" }).sections[0].blocks[0].text` gives `"There are no results with marks yet."`.
 */
export function studentReport(
  { name, points, standards, goals }: ReportedStudent,
  of: { author: string; formatDay: (at: Date) => string },
): Report {
  const marked = points.filter(({ outOf }) => outOf > 0);
  const levelled = standards.flatMap(({ code, statement, points: some }) => {
    const { level } = progressOf(some);
    return level === null ? [] : [[code, statement, String(some.length), formatPercent(level)]];
  });
  const own = goals.map(({ goal, closed, criterion, points: some }) => {
    const met = criterion ? standingOf(some, criterion).met : null;
    return [
      goal,
      criterion ? formatCriterion(criterion) : "",
      met ? `met on ${of.formatDay(met)}` : closed ? "met" : "not yet",
    ];
  });
  return {
    ...{ title: name, language: "en", author: of.author, wide: false },
    sections: [
      {
        ...{ title: name, shown: true, language: "en" },
        blocks: [
          ...levelBlocks(points),
          ...chartOf(points, of.formatDay),
          ...tableUnder("Goals", ["Goal", "Counts as met at", "Where it is"], own),
          ...tableUnder("Standards", ["Code", "Statement", "Results", "Level"], levelled),
          ...tableUnder(
            "Every result",
            ["Handed in", "Work", "Marks", "Share"],
            marked.map(({ at, title, gained, outOf }) => [
              of.formatDay(at),
              title,
              `${gained} of ${outOf}`,
              formatPercent(gained / outOf),
            ]),
          ),
        ],
      },
    ],
  };
}
