import * as Y from "yjs";
import { contentsOf, contributionsOf, devicesOf, pageOf, type PageChange } from "./contributions";
import { sharedValue, writeShared } from "./shared-page";

const question = { id: "q1", type: "longText" as const };
const [ida, bo] = [1, 2];

/** Changes as they come from two devices that see each other at once. */
function written(...said: [student: number, text: string, minute: number][]): PageChange[] {
  const devices = new Map<number, Y.Doc>();
  const all: PageChange[] = [];
  for (const [student, text, minute] of said) {
    const page = devices.get(student) ?? new Y.Doc();
    devices.set(student, page);
    for (const { change } of all) Y.applyUpdate(page, change);
    page.once("update", (change: Uint8Array) => all.push({ id: all.length + 1, student, at: minute * 60_000, change }));
    writeShared(page, question, text);
  }
  return all;
}
const lesson = () =>
  written([ida, "Kelp", 0], [ida, "Kelp holds", 0.5], [bo, "Kelp holds on.", 1], [ida, "Kelp holds on!", 5]);

test("who wrote what is told in the order it came, closely following changes of one child as one", () => {
  expect(contributionsOf(lesson())).toEqual([
    { student: ida, from: 0, to: 30_000, letters: 10, things: 0, removed: 0, first: 1 },
    { student: bo, from: 60_000, to: 60_000, letters: 4, things: 0, removed: 0, first: 3 },
    { student: ida, from: 300_000, to: 300_000, letters: 1, things: 0, removed: 1, first: 4 },
  ]);
});

test("the parts of the record add up to all that was written", () => {
  const letters = contributionsOf(lesson()).reduce((sum, one) => sum + one.letters - one.removed, 0);
  expect(letters).toBe(String(sharedValue(pageOf(lesson()), question)).length);
});

test("a page is shown as it was before any change", () => {
  expect(sharedValue(pageOf(lesson(), 3), question)).toBe("Kelp holds");
  expect(sharedValue(pageOf(lesson(), 1), question)).toBeUndefined();
  expect(sharedValue(pageOf(lesson()), question)).toBe("Kelp holds on!");
});

test("a device belongs to the child who first wrote with it", () => {
  const changes = lesson();
  const owners = devicesOf([...changes, { ...changes[2]!, id: 9, student: ida }]);
  expect([...owners.values()]).toEqual([ida, bo]);
});

test("lines drawn and cards placed are counted apart from letters", () => {
  const page = new Y.Doc();
  let change: Uint8Array = new Uint8Array();
  page.once("update", (update: Uint8Array) => (change = update));
  writeShared(page, { id: "q2", type: "groups" }, [
    ["gull", "bird"],
    ["seal", "mammal"],
  ]);
  expect(contentsOf(change)).toMatchObject({ letters: 0, things: 2, removed: 0 });
});
