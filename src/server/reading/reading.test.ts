import { richText } from "@/core/content/rich-text";
import { newStep } from "@/core/resource/edit";
import { POST as minutesRoute } from "@/app/student/reading/[resource]/minutes/route";
import { addPocket, putIntoPocket } from "@/data/satchel/pockets";
import { lesson, newId, publishFor } from "@/data/testing/world";
import { readingsOf } from "@/data/reading/readings";
import { actAs, value, visitorOf } from "../testing/as";
import { child, db, openSchool, teacher, world } from "../testing/child-at-work";
import { chooseInterests, finishReading } from "./child-actions";
import { readingPlace } from "./choose";
import { shelfPage } from "./shelf";
import { closeReadingShelf, lookAtFilling, openReadingShelf, putAtTop } from "./shelf-actions";

jest.mock("../web/session", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").session);
jest.mock("../web/database", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").database);
jest.mock("next/navigation", () => jest.requireActual<typeof import("../testing/as")>("../testing/as").navigation);

/** A reading of two parts, with a question that nobody is asked when it is read for its own sake. */
const text = (title: string) =>
  lesson(title, {
    kind: "reading",
    steps: ["One", "Two"].map((name) =>
      newStep("en", name, newId, [{ id: newId(), type: "text", text: { en: richText("The boat went out.") } }]),
    ),
  });

let [boats, birds, other]: { id: number; steps: string[] }[] = [];
let pocket: number;
beforeAll(async () => {
  await openSchool();
  const made = async (title: string, by = world.ines) => {
    const document = text(title);
    const { id } = await publishFor(db, by, document);
    return { id, steps: document.steps.map((step) => step.id) };
  };
  [boats, birds] = [await made("A boat in the night"), await made("Birds of the cliff")];
  // Nobody may pass this on: it is another teacher's own.
  other = await made("Not hers", world.stranger);
  pocket = (await addPocket(db, world.ines, "To read")).id;
  await putIntoPocket(db, pocket, [boats.id, birds.id, other.id], world.ines, new Date());
}, 60_000);
afterAll(() => db.close());

const filling = () => ({ class: world.class, pocket, subject: null, language: null, level: null });
const open = async (goal: { minutes: number; per: "day" | "week" } = { minutes: 10, per: "week" }) => {
  actAs(teacher());
  return value(await openReadingShelf({ ...filling(), goal }));
};
const place = (at = 0) => readingPlace(db, child(at), new Date());
async function reads(
  resource: number,
  step: string,
  seconds: number,
  at = 0,
): Promise<{ status: number; counted?: number }> {
  actAs(child(at));
  const request = new Request("http://satchel.example/minutes", {
    method: "POST",
    headers: { "content-type": "application/json", "sec-fetch-site": "same-origin" },
    body: JSON.stringify({ step, seconds }),
  });
  const response = await minutesRoute(request, { params: Promise.resolve({ resource: String(resource) }) });
  return { status: response.status, ...((await response.json()) as { counted?: number }) };
}
const lastBeatAgo = (seconds: number) =>
  db.query("update reading set beat = now() - make_interval(secs => $1)", [seconds]);

test("a shelf is filled from a pocket, with what the teacher may pass on; without one there is nothing to choose", async () => {
  expect(await place()).toBeNull();
  actAs(teacher());
  expect(value(await lookAtFilling(filling()))).toEqual({ readings: 2 });
  expect(await open()).toEqual({ readings: 2 });
  const found = (await place())!;
  expect(found.shelf.map(({ title }) => title)).toEqual(["A boat in the night", "Birds of the cliff"]);
  expect(found).toMatchObject({ current: null, log: [], week: { minutes: 0, goal: 10, left: 10 } });
});

test("nobody opens a shelf for a class that is not hers, or from a pocket that is not", async () => {
  actAs(visitorOf({ id: world.teodor, district: world.district, school: world.here }));
  expect(await openReadingShelf({ ...filling(), goal: { minutes: 9, per: "day" } })).toMatchObject({
    code: "notThere",
  });
  actAs(teacher());
  const theirs = (await addPocket(db, world.teodor, "His")).id;
  expect(await lookAtFilling({ ...filling(), pocket: theirs })).toMatchObject({ ok: false });
});

test("what she likes decides what is suggested first, and why", async () => {
  await open();
  actAs(child());
  value(await chooseInterests({ likes: ["birds"] }));
  expect((await place())!.suggested[0]).toMatchObject({
    title: "Birds of the cliff",
    reason: { kind: "likes", interest: "birds" },
  });
  actAs(teacher());
  value(await putAtTop({ class: world.class, resource: boats!.id, top: true }));
  expect((await place())!.suggested[0]).toMatchObject({ title: "A boat in the night", reason: { kind: "top" } });
  actAs({ ...child(), joinedAt: new Date() });
  expect(await chooseInterests({ likes: [] })).toMatchObject({ ok: false });
});

test("minutes count as they pass, where she stopped is kept, and the end is said once she is there", async () => {
  await open();
  const [first, second] = boats!.steps;
  expect(await reads(boats!.id, first!, 15)).toEqual({ status: 200, counted: 15 });
  // At once again, from another screen: nothing has passed.
  expect(await reads(birds!.id, birds!.steps[0]!, 15)).toMatchObject({ counted: 0 });
  await lastBeatAgo(3600);
  expect(await reads(boats!.id, second!, 3000)).toMatchObject({ counted: 30 });
  expect((await place())!.current).toMatchObject({ resource: boats!.id, step: second });
  for (let beats = 0; beats < 3; beats += 1) {
    await lastBeatAgo(20);
    await reads(boats!.id, second!, 15);
  }
  expect((await place())!.week).toMatchObject({ minutes: 1, left: 9 });
  value(await finishReading({ reading: boats!.id }));
  const after = (await place())!;
  expect(after.current?.resource).toBe(birds!.id);
  expect(after.suggested.map(({ resource }) => resource)).not.toContain(boats!.id);
  const { readers } = await shelfPage(db, teacher(), world.class, new Date());
  expect(readers.find(({ student }) => student === world.students[0])).toMatchObject({
    ...{ minutes: 1, finished: 1, met: false },
  });
});

test("who reads so fast that no minute was said yet has finished it all the same", async () => {
  await open();
  actAs(child(2));
  value(await finishReading({ reading: birds!.id }));
  expect((await place(2))!.shelf.find(({ resource }) => resource === birds!.id)).toMatchObject({ finished: true });
  expect(await finishReading({ reading: other!.id })).toMatchObject({ code: "notThere" });
});

test("only what stands on her own class's open shelf is read and counted", async () => {
  await open();
  expect((await reads(other!.id, other!.steps[0]!, 15, 1)).status).toBe(404);
  expect((await reads(boats!.id, "no such step", 15, 1)).status).toBe(404);
  actAs(teacher());
  value(await closeReadingShelf({ class: world.class, closed: true }));
  expect((await reads(boats!.id, boats!.steps[0]!, 15, 1)).status).toBe(404);
  expect(await place(1)).toBeNull();
  expect(await readingsOf(db, world.students[1]!)).toEqual([]);
  actAs(teacher());
  value(await closeReadingShelf({ class: world.class, closed: false }));
  expect((await place(1))!.shelf).toHaveLength(2);
});

test("filled anew, what is at the top stays there; what is no longer found goes", async () => {
  await open();
  actAs(teacher());
  value(await putAtTop({ class: world.class, resource: boats!.id, top: true }));
  await open({ minutes: 20, per: "day" });
  const { shelf, readings } = await shelfPage(db, teacher(), world.class, new Date());
  expect(shelf!.goal).toEqual({ minutes: 20, per: "day" });
  expect(readings.map(({ resource, top }) => [resource, top])).toEqual([
    [boats!.id, true],
    [birds!.id, false],
  ]);
  expect(
    await openReadingShelf({ ...filling(), pocket: null, language: "xx", goal: { minutes: 5, per: "day" } }),
  ).toMatchObject({
    ok: false,
  });
  expect((await shelfPage(db, teacher(), world.class, new Date())).readings).toHaveLength(2);
});
