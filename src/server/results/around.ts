import { compareResults, type Comparison } from "@/core/results/compare-results";
import { resultTable, type ResultTable } from "@/core/results/table";
import type { Document } from "@/core/resource/document";
import type { Facts } from "@/core/resource/facts";
import { headsOf } from "@/data/adapt/resources";
import { readRevision } from "@/data/engine/read-once";
import { assignmentById, assignmentsFollowing, mayWorkWith, type Assignment } from "@/data/assign/assignments";
import { studentsOf } from "@/data/classes/classes";
import type { Db } from "@/data/engine/db";
import { standardsNamed } from "@/data/find/standards";
import { workWithLastAnswers } from "@/data/results/work-of-class";
import { versionNames, versionsFor } from "../assign/resources-to-assign";
import type { Visitor } from "../web/session";

/** Work that was assigned because of a result, and how it went beside it. */
export interface FollowUp {
  id: number;
  title: string;
  opens: Date;
  due: Date;
  recipients: number;
  handedIn: number;
  /** Who has it. */
  students: number[];
  /** Null: nobody has handed it in yet. */
  comparison: Comparison | null;
}

/** What there is around a piece of work, for what comes next. */
export interface Around {
  /** Of its newest revision. */
  standards: Document["standards"];
  /** The statement of each standard, by code, where it is known. */
  statements: Record<string, string>;
  /** The steps students see, in order, as they are published now: what can be assigned again. */
  steps: { id: string; nth: number }[];
  /** The grade each child of the class reads at, where it is known. */
  reads: Record<number, number>;
  /** Versions she can use that are shorter or easier, the shortest first. */
  easier: { id: number; name: string; minutes: number }[];
  /** What it comes after, and how children did beside that. */
  before: { id: number; title: string; comparison: Comparison } | null;
  after: FollowUp[];
}

async function tableOf(db: Db, { id, keep }: Pick<Assignment, "id" | "keep">): Promise<ResultTable> {
  return resultTable(await workWithLastAnswers(db, id), keep);
}

/** Which steps they are is part of its name: it may follow the whole of the same thing. */
const titled = ({ title, part }: Assignment): string => (part ? `${title}, ${part}` : title);

async function cameBefore(db: Db, visitor: Visitor, { follows }: Assignment, table: ResultTable, now: Date) {
  const earlier =
    follows !== null && (await mayWorkWith(db, visitor.id, [follows], now)) ? await assignmentById(db, follows) : null;
  if (!earlier) return null;
  return { id: earlier.id, title: titled(earlier), comparison: compareResults(await tableOf(db, earlier), table) };
}

async function easierVersions(db: Db, visitor: Visitor, resource: number, main: Facts): Promise<Around["easier"]> {
  const versions = await versionsFor(db, visitor, resource);
  const easier = versions.filter(
    ({ facts: { minutes, readingGrade, languages } }) =>
      languages[0] === main.languages[0] &&
      (minutes < main.minutes ||
        (readingGrade !== null && main.readingGrade !== null && readingGrade < main.readingGrade - 0.3)),
  );
  const names = versionNames(easier, main);
  return easier
    .map(({ id, facts: { minutes } }) => ({ id, name: names.get(id)!, minutes }))
    .toSorted((one, other) => one.minutes - other.minutes || one.id - other.id);
}

/** What comes before and after a piece of work, and what could. Nothing is read of work she does not work with. */
export async function aroundResult(
  db: Db,
  visitor: Visitor,
  assignment: Assignment,
  table: ResultTable,
  now: Date,
): Promise<Around> {
  const [head] = await headsOf(db, [assignment.resource]);
  const document = head && (await readRevision(db, head.revision))?.document;
  const [statements, students, easier, before, following] = await Promise.all([
    document ? standardsNamed(db, visitor.district, document.standards) : [],
    studentsOf(db, assignment.class),
    head ? easierVersions(db, visitor, assignment.resource, head.facts) : [],
    cameBefore(db, visitor, assignment, table, now),
    assignmentsFollowing(db, visitor.id, assignment.id, now),
  ]);
  const after = await Promise.all(
    following.map(async (one): Promise<FollowUp> => {
      const theirs = await tableOf(db, one);
      const { id, opens, due, recipients, handedIn } = one;
      return {
        ...{ id, title: titled(one), opens, due, recipients, handedIn },
        students: theirs.rows.map(({ student }) => student.id),
        comparison: handedIn > 0 ? compareResults(table, theirs) : null,
      };
    }),
  );
  return {
    standards: document?.standards ?? [],
    statements: Object.fromEntries(statements.map(({ code, statement }) => [code, statement])),
    steps: (document?.steps ?? []).flatMap(({ id, audience }, at) =>
      audience === "teacher" ? [] : [{ id, nth: at + 1 }],
    ),
    reads: Object.fromEntries(
      students.flatMap(({ id, readingGrade }) => (readingGrade === null ? [] : [[id, readingGrade]])),
    ),
    easier,
    before,
    after,
  };
}
