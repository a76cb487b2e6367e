import { forTheseFrom } from "@/core/assign/for-these";
import { needFromParameters } from "@/core/find/need";
import { resultTable } from "@/core/results/table";
import { assignmentById } from "@/data/assign/assignments";
import { importFramework } from "@/data/find/standards";
import { stepsOf } from "@/data/assign/split";
import { workOf } from "@/data/results/work-of-class";
import { lesson, publishFor } from "@/data/testing/world";
import { assignResources, lookBeforeAssigning } from "../assign/assign-actions";
import { whoFor } from "../find/who-for";
import { handIn } from "../student/student-actions";
import { actAs, value, visitorOf } from "../testing/as";
import {
  child,
  db,
  document,
  formFor,
  newAssignment,
  openSchool,
  send,
  teacher,
  world,
} from "../testing/child-at-work";
import { aroundResult } from "./around";
import { needAfter } from "./next-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("../classes/chosen-class", () => ({ chosenClass: async () => ({ classes: [], current: null }) }));
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

beforeAll(openSchool, 60_000);
afterAll(() => db.close());

async function answered(assignment: number, answer: string) {
  actAs(child());
  await send(assignment, answer);
  value(await handIn({ assignment }));
  actAs(teacher());
}
const around = async (assignment: number) => {
  const work = (await assignmentById(db, assignment))!;
  return aroundResult(db, teacher(), work, resultTable(await workOf(db, assignment), work.keep), new Date());
};
const [step] = document.steps;

test("after a result the same step goes to one child, and the two results are compared", async () => {
  const first = await newAssignment();
  await answered(first, "b");
  const work = (await assignmentById(db, first))!;
  const again = {
    ...formFor(work.resource, [world.students[0]!]),
    ...{ steps: [step!.id], follows: first },
  };
  const { said, findings } = value(await lookBeforeAssigning(again));
  expect(said[0]).toMatch(/^1 student of .* gets step 1 of “Tides” now/);
  // She is meant to do it once more: that she did it is nothing to be asked about.
  expect(findings.filter(({ key }) => key.startsWith("did"))).toEqual([]);
  const [second] = value(await assignResources(again)).assignments;
  expect(await assignmentById(db, second!)).toMatchObject({ follows: first, part: "step 1", recipients: 1 });
  expect((await stepsOf(db, second!)).steps).toEqual([step!.id]);
  expect((await around(first)).after).toMatchObject([{ id: second, handedIn: 0, comparison: null }]);
  await answered(second!, "a");
  expect((await around(first)).after).toMatchObject([{ comparison: { shared: 1, better: 1, worse: 0 } }]);
  expect((await around(second!)).before).toMatchObject({
    ...{ id: first, title: "Tides" },
    comparison: { rows: [{ before: 0, now: 1 }] },
  });
});

test("nobody says that work comes after work of another teacher", async () => {
  const first = await newAssignment();
  await db.query("update class_teacher set person_id = $1 where class_id = $2", [world.teodor, world.class]);
  const elsewhere = await publishFor(db, world.ines, lesson("Ferries"));
  actAs(teacher());
  expect(await assignResources({ ...formFor(elsewhere.id), follows: first })).toMatchObject({ ok: false });
  expect(await needAfter({ assignment: first, standards: [], reads: null })).toMatchObject({ ok: false });
  await db.query("update class_teacher set person_id = $1 where class_id = $2", [world.ines, world.class]);
});

test("Find is asked for what the class has not had; where there is none, for what comes nearest", async () => {
  const statement = (uri: string, code: string, parent: string | null) => ({
    ...{ uri, code, parent, statement: `Statement ${code}`, grades: { from: 4, to: 5 } },
  });
  await db.transaction((tx) =>
    importFramework(
      tx,
      {
        ...{ uri: "urn:f", name: "F", publisher: "", source: "", associations: [], leftOut: [] },
        statements: [
          statement("urn:t", "T", null),
          statement("urn:t1", "T.1", "urn:t"),
          statement("urn:t2", "T.2", "urn:t"),
        ],
      },
      { district: world.district, now: new Date() },
    ),
  );
  const aligned = (code: string) => ({ standards: [{ framework: "urn:f", code, relation: "teaches" as const }] });
  const first = await newAssignment({}, lesson("Ebb", aligned("T.1")));
  actAs(teacher());
  const needFor = async () => {
    const { need } = value(await needAfter({ assignment: first, standards: ["T.1"], reads: 3 }));
    return needFromParameters(Object.fromEntries(new URLSearchParams(need)));
  };
  // Its neighbour, since what has the statement itself is what they had.
  await publishFor(db, world.teodor, lesson("Neighbour", aligned("T.2")), ["commons"]);
  expect(await needFor()).toMatchObject({ standards: ["T"], undone: [world.class], reads: [3] });
  await publishFor(db, world.teodor, lesson("Just that", aligned("T.1")), ["commons"]);
  expect(await needFor()).toMatchObject({ standards: ["T.1"], undone: [world.class], reads: [3] });
});

test("whom it is for is said by name to their teacher, and to nobody else", async () => {
  const asked = { for: `${world.class}.${world.students[0]}.999999` };
  expect(forTheseFrom(new URLSearchParams(asked))).not.toBeNull();
  expect((await whoFor(db, teacher(), asked, new Date()))!.names).toHaveLength(1);
  const other = visitorOf({ id: world.judit, district: world.district, school: world.there });
  expect(await whoFor(db, other, asked, new Date())).toBeNull();
  expect(await whoFor(db, teacher(), { for: "x" }, new Date())).toBeNull();
});
