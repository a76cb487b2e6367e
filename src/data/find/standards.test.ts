import type { FrameworkFile, Statement } from "@/formats/case/case";
import { addAssignment } from "../assign/assignments";
import { countNeed } from "./counts";
import type { Db } from "../engine/db";
import type { Reader } from "./reach";
import { hitsOf } from "./search";
import { satchelIds } from "../satchel/satchel";
import {
  coveredBy,
  crosswalk,
  frameworksOf,
  importFramework,
  standardsByCode,
  standardsLike,
  standardsNamed,
  treeOf,
} from "./standards";
import { freshDatabase } from "../testing/database";
import { asRead } from "../testing/read";
import { lesson, now, publishFor, smallWorld, type World } from "../testing/world";

let db: Db;
let world: World;
beforeAll(async () => {
  db = await freshDatabase();
  world = await smallWorld(db);
}, 60_000);
afterAll(() => db.close());

const statement = (code: string, parent: string | null, said = `About ${code}`): Statement => ({
  uri: `id-${code}`,
  parent: parent && `id-${parent}`,
  code,
  statement: said,
  grades: { from: 5, to: 5 },
});
const file = (statements: Statement[], more: Partial<FrameworkFile> = {}): FrameworkFile => ({
  uri: "small",
  name: "Small framework",
  publisher: "Us",
  source: "",
  statements,
  associations: [],
  leftOut: [],
  ...more,
});
const small = [
  statement("T", null),
  statement("T.A", "T"),
  statement("T.5.A.1", "T.A"),
  statement("T.5.A.2", "T.A"),
  statement("T.B", "T"),
];
const aligned = (title: string, ...codes: string[]) =>
  lesson(title, { standards: codes.map((code) => ({ framework: "small", code, relation: "teaches" })) });
const readerOf = async (id: number, school: number | null, district = world.district): Promise<Reader> => ({
  id,
  school,
  district,
  satchel: await satchelIds(db, id),
});
const countsOf = async (reader: Reader, framework: number) =>
  Object.fromEntries((await treeOf(db, reader, framework)).map((node) => [node.code, node.resources]));

describe("a framework", () => {
  let framework = 0;
  beforeAll(async () => {
    // Published before the framework comes: found again when it does.
    await publishFor(db, world.teodor, aligned("One of both", "T.5.A.1", "T.5.A.2"), ["staffroom"]);
    await publishFor(db, world.judit, aligned("Of the other school", "T.5.A.1"), ["staffroom"]);
    const done = await importFramework(db, file(small), { district: world.district, now });
    expect(done).toMatchObject({ added: 5, changed: 0, withdrawn: 0 });
    framework = done.framework;
    await publishFor(db, world.judit, aligned("For everyone", "T.5.A.2"), ["commons"]);
  });

  test("each node counts what a reader may see below it, each resource once", async () => {
    expect(await countsOf(await readerOf(world.ines, world.here), framework)).toEqual({
      T: 2,
      "T.A": 2,
      "T.5.A.1": 1,
      "T.5.A.2": 2,
      "T.B": 0,
    });
    expect(await countsOf(await readerOf(world.judit, world.there), framework)).toEqual({
      T: 2,
      "T.A": 2,
      "T.5.A.1": 1,
      "T.5.A.2": 1,
      "T.B": 0,
    });
  });

  test("what is published next is counted at the next look", async () => {
    const ines = await readerOf(world.ines, world.here);
    const before = (await countsOf(ines, framework))["T.B"];
    await publishFor(db, world.teodor, aligned("Late for B", "T.B"), ["staffroom"]);
    expect((await countsOf(ines, framework))["T.B"]).toBe(before! + 1);
  });

  test("a branch as a blank finds everything under it, a code's beginning too", async () => {
    const ines = await readerOf(world.ines, world.here);
    const titles = async (code: string) =>
      (await hitsOf(db, ines, asRead({ standards: [code] }), { sort: "title", limit: 20 })).map(
        (hit) => hit.facts.title,
      );
    expect(await titles("T.A")).toEqual(["For everyone", "One of both"]);
    expect(await titles("T.5")).toEqual(["For everyone", "One of both"]);
    expect(await titles("T.5.A.1")).toEqual(["One of both"]);
    expect((await countNeed(db, ines, asRead({ standards: ["T.A"] }))).total).toBe(2);
  });

  test("taken in again it is brought up to date, and what is aligned stays", async () => {
    const again = [
      statement("T", null),
      statement("T.A", "T"),
      statement("T.5.A.1", "T.A", "Said better"),
      statement("T.5.A.3", "T.A"),
    ];
    const done = await importFramework(db, file(again), { district: world.district, now });
    // T.5.A.2 and T.B are gone from the file: still aligned, so kept as withdrawn. Positions moved count as changes.
    expect(done).toMatchObject({ framework, added: 1, withdrawn: 2 });
    const [first] = await standardsByCode(db, world.district, ["t.5.a.1"]);
    expect(first!.statement).toBe("Said better");
    expect((await countsOf(await readerOf(world.ines, world.here), framework))["T.5.A.1"]).toBe(1);
    const alignments = await db.query(
      "select 1 from alignment a join standard s on s.id = a.standard_id where s.code = 'T.5.A.2'",
    );
    expect(alignments).toHaveLength(2);
    await importFramework(db, file(small), { district: world.district, now });
    expect((await countsOf(await readerOf(world.ines, world.here), framework))["T.5.A.2"]).toBe(2);
  });

  test("statements are offered by words, those of the grade first, and by the beginning of a code", async () => {
    const said = (code: string, words: string, grade: number): Statement => ({
      ...statement(code, null, words),
      grades: { from: grade, to: grade },
    });
    await importFramework(
      db,
      file(
        [
          said("W.3.1", "Compare two fractions of a whole.", 3),
          said("W.5.1", "Compare fractions on a number line.", 5),
          said("W.5.2", "Measure rainfall.", 5),
        ],
        { uri: "words", name: "Words" },
      ),
      { district: world.district, now },
    );
    const like = async (words: string[], district = world.district) =>
      (await standardsLike(db, district, { words, grades: { from: 5, to: 5 }, limit: 5 })).map(({ code }) => code);
    expect(await like(["fraction"])).toEqual(["W.5.1", "W.3.1"]);
    expect(await like(["w.5"])).toEqual(["W.5.1", "W.5.2"]);
    expect(await like(["the"])).toEqual([]);
    expect(await like([])).toEqual([]);
    expect(await like(["fraction"], world.otherDistrict)).toEqual([]);
    expect(await standardsNamed(db, world.district, [{ framework: "Words", code: "W.5.2" }])).toMatchObject([
      { framework: "Words", code: "W.5.2", statement: "Measure rainfall." },
    ]);
    await db.query("delete from framework where uri = 'words'");
  });

  test("of the district's own frameworks, a small one brought in later does not push the one in use aside", async () => {
    const song = file([statement("MU.1", null)], { uri: "music", name: "A song" });
    const { framework: small } = await importFramework(db, song, { district: world.district, now });
    const ids = (await frameworksOf(db, world.district)).map(({ id }) => id);
    expect(ids.indexOf(framework)).toBeLessThan(ids.indexOf(small));
    await db.query("delete from framework where id = $1", [small]);
  });

  test("another district neither sees it nor finds by it", async () => {
    expect(await frameworksOf(db, world.otherDistrict)).toEqual([]);
    expect(await standardsByCode(db, world.otherDistrict, ["T.5.A.1"])).toEqual([]);
    const stranger = await readerOf(world.stranger, null, world.otherDistrict);
    expect(await treeOf(db, stranger, framework)).toEqual([]);
    expect(await hitsOf(db, stranger, asRead({ standards: ["T.5.A.2"] }), { sort: "best", limit: 9 })).toEqual([]);
  });

  test("a crosswalk is read in both directions", async () => {
    const other = file([statement("X.1", null)], {
      uri: "other",
      name: "Other",
      associations: [{ origin: "id-X.1", kind: "exactMatchOf", destination: "id-T.5.A.1" }],
    });
    await importFramework(db, other, { district: null, now });
    const [ours] = await standardsByCode(db, world.district, ["T.5.A.1"]);
    const [theirs] = await standardsByCode(db, world.district, ["X.1"]);
    expect(await crosswalk(db, world.district, ours!.id)).toMatchObject([
      { kind: "exactMatchOf", code: "X.1", framework: "Other" },
    ]);
    expect(await crosswalk(db, world.district, theirs!.id)).toMatchObject([{ code: "T.5.A.1" }]);
  });

  test("a class has met what has opened for it, not what is still to come", async () => {
    const { id, revision } = await publishFor(db, world.ines, aligned("Given", "T.5.A.1"), ["staffroom"]);
    const opens = new Date(now.getTime() + 86_400_000);
    await addAssignment(db, {
      ...{ class: world.class, resource: id, revision, students: world.students, madeBy: world.ines, made: now },
      ...{ opens, due: new Date(opens.getTime() + 1000), tries: 1, keep: "best", checking: "at once" },
    });
    expect(await coveredBy(db, world.class, now)).toEqual([]);
    expect(await coveredBy(db, world.class, new Date(opens.getTime() + 1))).toEqual(["T.5.A.1"]);
  });
});

test("a framework that uses the same codes touches nothing that is aligned to another", async () => {
  const { id } = await publishFor(db, world.teodor, aligned("Only ours", "T.5.A.1"), ["commons"]);
  const standards = async () =>
    (
      await db.query<{ name: string }>(
        `select f.name from alignment a join standard s on s.id = a.standard_id join framework f on f.id = s.framework_id
          where a.resource_id = $1`,
        [id],
      )
    ).map(({ name }) => name);
  const before = await standards();
  await importFramework(
    db,
    { ...file([statement("T.5.A.1", null, "Something else")]), uri: "theirs", name: "Their framework" },
    { district: null, now },
  );
  expect(await standards()).toEqual(before);
  // Another district's copy of the same framework is its own.
  await importFramework(db, file([statement("T.5.A.1", null)]), { district: world.otherDistrict, now });
  expect(await standards()).toEqual(before);
});
