import type { MarkRow, MarkedWork } from "@/core/results/mark-table";
import { writeCsv } from "./csv";
import { zipBytes, type ZipEntry } from "./write-zip";

/** A class's marks for a school's register. */
export interface RosterResults {
  /** What the class is called where its roster came from, or here. */
  classId: string;
  schoolId: string;
  works: readonly MarkedWork[];
  rows: readonly MarkRow[];
  /** What each student is called where the roster came from, by her number here. */
  studentIds: ReadonlyMap<number, string>;
  /** ISO 8601, when it was written. */
  at: string;
}

/** What belongs to no grading scheme of the school is in a category of ours. */
const CATEGORY = "golden-satchel";

/**
 * Marks as OneRoster 1.2 CSV (1EdTech; columns of the gradebook files from memory): a line item for each piece of work, a result for each
 * mark. What is not marked yet is "submitted" or "not submitted".
 */
export async function writeRosterResults(of: RosterResults): Promise<Uint8Array> {
  const { classId, schoolId, works, rows, studentIds, at } = of;
  const file = (name: string, head: readonly string[], lines: readonly (readonly (string | number)[])[]): ZipEntry => ({
    name,
    // Without the mark spreadsheets look for: registers do not expect it.
    bytes: writeCsv([[...head], ...lines.map((line) => [...line])]).replace(/^\uFEFF/, ""),
  });
  const lineItem = (work: { id: number }) => `golden-satchel-work-${work.id}`;
  const worth = (id: number) => {
    const got = rows.map(({ cells }) => cells[id]).find((cell) => cell?.kind === "marks");
    return got?.kind === "marks" ? got.outOf : 100;
  };
  const results = rows.flatMap((row) =>
    works.flatMap((work) => {
      const got = row.cells[work.id];
      const student = studentIds.get(row.student.id);
      if (!got || student === undefined || got.kind === "to come") return [];
      const status = { marks: "fully graded", missing: "not submitted", "not read": "submitted", excused: "exempt" }[
        got.kind
      ];
      return [
        [
          ...[`${lineItem(work)}-${row.student.id}`, "active", at, lineItem(work), student, status],
          ...[got.kind === "marks" ? got.gained : "", at.slice(0, 10), "", classId],
          got.kind === "missing" ? "true" : "false",
        ],
      ];
    }),
  );
  const absent = ["academicSessions", "classes", "classResources", "courses", "courseResources", "demographics"];
  const gone = ["enrollments", "lineItemLearningObjectiveIds", "lineItemScoreScales", "orgs", "resources", "roles"];
  const also = [
    "resultLearningObjectiveIds",
    "resultScoreScales",
    "scoreScales",
    "userProfiles",
    "userResources",
    "users",
  ];
  return zipBytes([
    file(
      "manifest.csv",
      ["propertyName", "value"],
      [
        ["manifest.version", "1.0"],
        ["oneroster.version", "1.2"],
        ...[...absent, ...gone, ...also].map((name) => [`file.${name}`, "absent"]),
        ...["categories", "lineItems", "results"].map((name) => [`file.${name}`, "bulk"]),
        ["source.systemName", "Golden Satchel"],
        ["source.systemCode", "golden-satchel"],
      ],
    ),
    file(
      "categories.csv",
      ["sourcedId", "status", "dateLastModified", "title", "weight"],
      [[CATEGORY, "active", at, "Golden Satchel", ""]],
    ),
    file(
      "lineItems.csv",
      [
        ...["sourcedId", "status", "dateLastModified", "title", "description", "assignDate", "dueDate"],
        ...["classSourcedId", "categorySourcedId", "gradingPeriodSourcedId", "resultValueMin", "resultValueMax"],
        "schoolSourcedId",
      ],
      works.map((work) => [
        ...[lineItem(work), "active", at, work.title, "", "", work.due.toISOString().slice(0, 10)],
        ...[classId, CATEGORY, "", 0, worth(work.id), schoolId],
      ]),
    ),
    file(
      "results.csv",
      [
        ...["sourcedId", "status", "dateLastModified", "lineItemSourcedId", "studentSourcedId", "scoreStatus"],
        ...["score", "scoreDate", "comment", "classSourcedId", "missing"],
      ],
      results,
    ),
  ]);
}
