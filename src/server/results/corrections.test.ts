import { formatResponse } from "@/core/question/format";
import { resultTable } from "@/core/results/table";
import { workOf } from "@/data/student/work";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, document, given, openSchool, question, send, teacher, world } from "../testing/child-at-work";
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
  const assignment = await given();
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
  const { correction } = value(await correctQuestion(asked));
  // From another window, once more.
  expect(value(await correctQuestion(asked)).correction).toBe(correction);
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
  expect(await correctQuestion({ assignment, question: question.id, correction })).toMatchObject({ code: "notThere" });
  actAs(child());
  expect(await correctQuestion({ assignment, question: question.id, correction })).toMatchObject({ ok: false });
  actAs(teacher());
  expect(await correctQuestion({ assignment, question: "no such", correction })).toMatchObject({ code: "notThere" });
  const made = value(await correctQuestion({ assignment, question: question.id, correction }));
  expect((await marks(assignment)).outOf).toBe(0);
  expect((await marks(other)).outOf).toBe(question.marks);
  expect(await takeCorrectionBack({ assignment: other, correction: made.correction })).toMatchObject({ ok: false });
});
