import { formatResponse } from "@/core/question/format";
import { resultTable } from "@/core/results/table";
import { draftOf, editsOf, resourceById, revisionById } from "@/data/adapt/resources";
import { assignmentById } from "@/data/assign/assignments";
import { allQuestions } from "@/core/resource/document";
import { workOf } from "@/data/results/work-of-class";
import { actAs, value, visitorOf } from "../testing/as";
import {
  child,
  db,
  document,
  newAssignment,
  openSchool,
  question,
  send,
  teacher,
  world,
} from "../testing/child-at-work";
import { saveDraft } from "../adapt/adapt-actions";
import { handIn } from "../student/student-actions";
import { studentWork } from "../student/student-work";
import { correctQuestion, lookAtCorrection, takeCorrectionBack } from "./results-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

/** Work in which the first child has answered "b", which is wrong. */
async function answeredWrongly(): Promise<number> {
  const assignment = await newAssignment();
  await send(assignment, "b");
  actAs(child());
  value(await handIn({ assignment }));
  return assignment;
}
const said = formatResponse(question, "b", document.languages);
const marks = async (assignment: number) =>
  resultTable(await workOf(db, assignment), "last").rows.find(({ student }) => student.id === world.students[0])!;

test("an answer accepted afterwards counts for the teacher and for the child, and no more when it is taken back", async () => {
  const assignment = await answeredWrongly();
  expect(await marks(assignment)).toMatchObject({ marks: 0 });
  actAs(teacher());
  const asked = { assignment, question: question.id, correction: { kind: "accept" as const, said } };
  const effect = value(await lookAtCorrection(asked));
  expect(effect.gain.map(({ student }) => student.id)).toEqual([world.students[0]]);
  expect(await marks(assignment)).toMatchObject({ marks: 0 });
  const { correction } = value(await correctQuestion({ ...asked, nextTime: false }));
  // From another window, once more.
  expect(value(await correctQuestion({ ...asked, nextTime: false })).correction).toBe(correction);
  expect(await marks(assignment)).toMatchObject({ marks: question.marks });
  const seen = await studentWork(db, child(), assignment, new Date());
  expect(seen!.marks![question.id]).toMatchObject({ verdict: "right", marks: question.marks });
  actAs(teacher());
  value(await takeCorrectionBack({ assignment, correction }));
  expect(await marks(assignment)).toMatchObject({ marks: 0 });
  expect(await takeCorrectionBack({ assignment, correction })).toMatchObject({ ok: false, code: "notThere" });
  const [row] = await db.query<{ kept: number }>(
    "select count(*)::int kept from question_correction where assignment_id = $1 and taken_back is not null",
    [assignment],
  );
  expect(row!.kept).toBe(1);
});

test("only who teaches the class corrects, only questions of this work, and each piece of work by itself", async () => {
  const [assignment, other] = [await answeredWrongly(), await answeredWrongly()];
  const correction = { kind: "void" as const };
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await correctQuestion({ assignment, question: question.id, correction, nextTime: false })).toMatchObject({
    code: "notThere",
  });
  actAs(child());
  expect(await correctQuestion({ assignment, question: question.id, correction, nextTime: false })).toMatchObject({
    ok: false,
  });
  actAs(teacher());
  expect(await correctQuestion({ assignment, question: "no such", correction, nextTime: false })).toMatchObject({
    code: "notThere",
  });
  const made = value(await correctQuestion({ assignment, question: question.id, correction, nextTime: false }));
  expect((await marks(assignment)).outOf).toBe(0);
  expect((await marks(other)).outOf).toBe(question.marks);
  expect(await takeCorrectionBack({ assignment: other, correction: made.correction })).toMatchObject({ ok: false });
});

test("her own version is corrected for next time by the same press, and is as it was when that is taken back", async () => {
  const assignment = await answeredWrongly();
  const { resource } = (await assignmentById(db, assignment))!;
  const shown = async () => {
    const { head } = (await resourceById(db, resource))!;
    return allQuestions((await revisionById(db, head!))!.document).map((one) => one.question);
  };
  actAs(teacher());
  const asked = { assignment, question: question.id, nextTime: true };
  const made = value(await correctQuestion({ ...asked, correction: { kind: "marks", marks: 3 } }));
  expect(made.fixed).toBe("published");
  expect(await shown()).toMatchObject([{ marks: 3 }]);
  // What is assigned is what it was: only the record beside it has changed.
  expect(allQuestions((await workOf(db, assignment))[0]!.document)[0]!.question.marks).toBe(question.marks);
  expect(value(await takeCorrectionBack({ assignment, correction: made.correction }))).toEqual({ versionToo: true });
  expect(await shown()).toMatchObject([{ marks: question.marks }]);
  // A choice has one right answer, and what she is working on is not published behind her back.
  const accept = { kind: "accept" as const, said };
  expect(value(await correctQuestion({ ...asked, correction: accept })).fixed).toBe("by hand");
  const seen = await editsOf(db, resource);
  value(await saveDraft({ resource, seen, document }));
  expect(value(await correctQuestion({ ...asked, correction: { kind: "marks", marks: 2 } })).fixed).toBe("in draft");
  expect(await shown()).toMatchObject([{ marks: question.marks }]);
  expect(allQuestions((await draftOf(db, resource))!.document)[0]!.question.marks).toBe(2);
  expect(value(await correctQuestion({ ...asked, correction: { kind: "marks", marks: 2 } })).fixed).toBe("already");
});

test("what she has begun to change since is not lost when a correction is taken back, and her version stays", async () => {
  const assignment = await answeredWrongly();
  const { resource } = (await assignmentById(db, assignment))!;
  actAs(teacher());
  const correction = { kind: "marks" as const, marks: 4 };
  const made = value(await correctQuestion({ assignment, question: question.id, nextTime: true, correction }));
  const begun = { ...document, title: { en: "Tides, begun anew" } };
  value(await saveDraft({ resource, seen: await editsOf(db, resource), document: begun }));
  const taken = value(await takeCorrectionBack({ assignment, correction: made.correction }));
  expect(taken).toEqual({ versionToo: false });
  expect((await draftOf(db, resource))!.document.title).toEqual(begun.title);
});

test("a question left out leaves her version too; where nothing is left to publish it waits in her draft", async () => {
  const assignment = await answeredWrongly();
  const { resource } = (await assignmentById(db, assignment))!;
  actAs(teacher());
  const { fixed } = value(
    await correctQuestion({ assignment, question: question.id, nextTime: true, correction: { kind: "void" } }),
  );
  const head = (await revisionById(db, (await resourceById(db, resource))!.head!))!.document;
  const shown = fixed === "published" ? head : (await draftOf(db, resource))!.document;
  expect(allQuestions(shown)).toEqual([]);
});
