import type { ResultTable } from "@/core/results/table";

/** What the statements are about and where they are from. */
export interface XapiOf {
  /** Where this installation is: what students and work are named by. */
  home: string;
  assignment: number;
  title: string;
  language: string;
}

const verbs = {
  answered: "http://adlnet.gov/expapi/verbs/answered",
  completed: "http://adlnet.gov/expapi/verbs/completed",
} as const;
const activities = {
  question: "http://adlnet.gov/expapi/activities/cmi.interaction",
  work: "http://adlnet.gov/expapi/activities/assessment",
} as const;

const scoreOf = (marks: number, outOf: number) =>
  outOf > 0 ? { score: { scaled: Math.round((marks / outOf) * 10_000) / 10_000, raw: marks, min: 0, max: outOf } } : {};
const duration = (seconds: number) => `PT${Math.round(seconds)}S`;

/**
 * Results as xAPI 1.0.3 statements (ADL; verbs and activity types from its published list): what each student answered, and that work was
 * .
 */
export function xapiStatements(table: ResultTable, of: XapiOf): object[] {
  const work = `${of.home}/work/${of.assignment}`;
  const named = (name: string) => ({ [of.language]: name });
  const context = {
    platform: "Golden Satchel",
    language: of.language,
    contextActivities: { parent: [{ objectType: "Activity", id: work }] },
  };
  return table.rows.flatMap((row) => {
    const actor = {
      objectType: "Agent",
      name: row.student.name,
      account: { homePage: of.home, name: String(row.student.id) },
    };
    const answered = table.questions.flatMap((question) => {
      const cell = row.cells[question.id];
      if (!cell || cell.mark.verdict === "blank") return [];
      const { marks, outOf, verdict } = cell.mark;
      return [
        {
          ...{ actor, context, verb: { id: verbs.answered, display: { en: "answered" } } },
          object: {
            ...{ objectType: "Activity", id: `${work}/question/${question.id}` },
            definition: { type: activities.question, name: named(question.label), interactionType: "other" },
          },
          result: {
            response: cell.said,
            ...(marks !== null && { ...scoreOf(marks, outOf), success: verdict === "right" }),
            ...(cell.seconds !== null && { duration: duration(cell.seconds) }),
          },
        },
      ];
    });
    if (row.state !== "handed in") return answered;
    return [
      ...answered,
      {
        ...{ actor, verb: { id: verbs.completed, display: { en: "completed" } } },
        object: { objectType: "Activity", id: work, definition: { type: activities.work, name: named(of.title) } },
        result: {
          completion: true,
          // While somebody still has to read answers there is no score yet.
          ...(row.toRead === 0 && scoreOf(row.marks, row.outOf)),
        },
      },
    ];
  });
}
