import fc from "fast-check";
import * as Y from "yjs";
import type { QuestionType, ResponseValue } from "../question/question";
import { caretAfter } from "./caret";
import { authoredText, makeLike, sharedValue, writeShared } from "./shared-page";

const asked = (type: QuestionType) => ({ id: "q1", type });
/** Two devices: what each does reaches the other only when they meet. */
function two(): { one: Y.Doc; other: Y.Doc; meet: () => void } {
  const [one, other] = [new Y.Doc(), new Y.Doc()];
  return {
    one,
    other,
    meet() {
      Y.applyUpdate(other, Y.encodeStateAsUpdate(one));
      Y.applyUpdate(one, Y.encodeStateAsUpdate(other));
    },
  };
}

test.each<[QuestionType, ResponseValue]>([
  ["shortText", "a holdfast"],
  ["longText", "Kelp holds on to rock."],
  ["longText", { text: "Kelp holds on.", done: ["c1"] }],
  ["notePage", { p1: "rock", p2: "wood" }],
  ["cells", { a1: "34" }],
  ["gaps", { g1: "tide" }],
  ["number", { n1: { number: "12", unit: "N" } }],
  ["bars", { b1: 3 }],
  ["choices", ["o1", "o3"]],
  ["groups", [["i1", "g1"]]],
  ["order", ["o2", "o1", "o3"]],
  ["points", [[1, 2]]],
  ["sketch", [{ ink: "black", width: 3, points: [0, 0, 1, 1] }]],
  ["choice", "o2"],
  ["line", 4.5],
])("an answer to %s is read back as it was written", (type, value) => {
  const page = new Y.Doc();
  writeShared(page, asked(type), value);
  expect(sharedValue(page, asked(type))).toEqual(value);
  const copy = new Y.Doc();
  Y.applyUpdate(copy, Y.encodeStateAsUpdate(page));
  expect(sharedValue(copy, asked(type))).toEqual(value);
});

test("what two children type at the same moment is both kept, from the very first letter", () => {
  const { one, other, meet } = two();
  writeShared(one, asked("longText"), "Rough stone. ");
  writeShared(other, asked("longText"), "More pull. ");
  meet();
  const text = String(sharedValue(one, asked("longText")));
  expect(text).toBe(sharedValue(other, asked("longText")));
  expect([text.includes("Rough stone. "), text.includes("More pull. ")]).toEqual([true, true]);
});

test("two cards placed at one moment are both placed; one card moved twice stands in one place", () => {
  const { one, other, meet } = two();
  writeShared(one, asked("groups"), [["gull", "bird"]]);
  writeShared(other, asked("groups"), [["seal", "mammal"]]);
  meet();
  const placed = sharedValue(one, asked("groups")) as [string, string][];
  expect(placed.map(([card]) => card).sort()).toEqual(["gull", "seal"]);
  const moved = (card: string, to: string) =>
    placed.map(([name, at]) => [name, name === card ? to : at] as [string, string]);
  writeShared(one, asked("groups"), moved("gull", "fish"));
  writeShared(other, asked("groups"), moved("gull", "mammal"));
  meet();
  const after = sharedValue(one, asked("groups")) as [string, string][];
  expect(after.filter(([card]) => card === "gull")).toHaveLength(1);
  expect(after).toEqual(sharedValue(other, asked("groups")));
});

test("devices that hear of each other in any order show the same, and an order keeps every card once", () => {
  const cards = ["a", "b", "c", "d", "e"];
  const device = fc.nat({ max: 2 });
  const sort = fc.record({ by: device, order: fc.shuffledSubarray(cards, { minLength: 5 }) });
  const hear = fc.record({ from: device, to: device });
  const putBack = fc.record({ like: device, by: device });
  fc.assert(
    fc.property(fc.array(fc.oneof(sort, hear, putBack), { maxLength: 30 }), (acts) => {
      const devices = [new Y.Doc(), new Y.Doc(), new Y.Doc()];
      const tell = (from: Y.Doc, to: Y.Doc) => {
        Y.applyUpdate(to, Y.encodeStateAsUpdate(from));
      };
      writeShared(devices[0]!, asked("order"), cards);
      devices.slice(1).forEach((each) => tell(devices[0]!, each));
      for (const act of acts) {
        if ("like" in act) makeLike(devices[act.by]!, devices[act.like]!);
        else if ("by" in act) writeShared(devices[act.by]!, asked("order"), act.order);
        else if (act.from !== act.to) tell(devices[act.from]!, devices[act.to]!);
      }
      for (const from of devices) for (const to of devices) if (from !== to) tell(from, to);
      for (const from of devices) for (const to of devices) if (from !== to) tell(from, to);
      const shown = devices.map((each) => sharedValue(each, asked("order")) as string[]);
      expect(shown[1]).toEqual(shown[0]);
      expect(shown[2]).toEqual(shown[0]);
      expect([...shown[0]!].sort()).toEqual(cards);
    }),
    { numRuns: 400 },
  );
});

test.each([
  [1, 2],
  [2, 1],
])("two who sort at one moment, one of them twice, lose no card (devices %i and %i)", (...ids) => {
  // The first device kept the first of two equal cards, the second the other; each removed what the other kept.
  const { one, other, meet } = two();
  [one.clientID, other.clientID] = ids;
  writeShared(one, asked("order"), ["e", "d", "c", "a", "b"]);
  meet();
  const orders: [boolean, string, boolean][] = [
    [false, "acbde", false],
    [true, "cdbae", false],
    [false, "ecadb", true],
    [false, "ecadb", false],
    [true, "abdce", true],
  ];
  for (const [first, order, met] of orders) {
    writeShared(first ? one : other, asked("order"), [...order]);
    if (met) meet();
  }
  expect([...(sharedValue(one, asked("order")) as string[])].sort()).toEqual(["a", "b", "c", "d", "e"]);
});

test("text is changed only where it differs: the words of the others stay theirs", () => {
  const { one, other, meet } = two();
  writeShared(one, asked("longText"), "Kelp holds.");
  meet();
  writeShared(other, asked("longText"), "Kelp holds on to rock.");
  meet();
  const parts = authoredText(one, asked("longText")).get("")!;
  expect(parts.map(({ text, client }) => [text, client === one.clientID])).toEqual([
    ["Kelp holds", true],
    [" on to rock", false],
    [".", true],
  ]);
});

test("a page is put back as a change of its own, and what came from elsewhere afterwards still arrives", () => {
  const page = new Y.Doc();
  writeShared(page, asked("longText"), "Good words.");
  writeShared(page, { id: "q2", type: "choice" }, "o1");
  const before = new Y.Doc();
  Y.applyUpdate(before, Y.encodeStateAsUpdate(page));
  const away = new Y.Doc();
  Y.applyUpdate(away, Y.encodeStateAsUpdate(page));
  writeShared(away, asked("longText"), "Good words. And more.");
  writeShared(page, asked("longText"), "xxxx");
  writeShared(page, { id: "q2", type: "choice" }, undefined);
  makeLike(page, before);
  expect(sharedValue(page, asked("longText"))).toBe("Good words.");
  expect(sharedValue(page, { id: "q2", type: "choice" })).toBe("o1");
  Y.applyUpdate(page, Y.encodeStateAsUpdate(away));
  expect(sharedValue(page, asked("longText"))).toContain("And more.");
});

test("what two make too long together is cut to what may be kept", () => {
  const { one, other, meet } = two();
  writeShared(one, asked("shortText"), "a".repeat(400));
  writeShared(other, asked("shortText"), "b".repeat(400));
  meet();
  expect(sharedValue(one, asked("shortText"))).toHaveLength(500);
});

test("the caret stays behind the letter it stood behind", () => {
  expect(caretAfter("kelp", "the kelp", 2)).toBe(6);
  expect(caretAfter("kelp", "kelp holds", 2)).toBe(2);
  expect(caretAfter("kelp holds", "kelp", 8)).toBe(4);
  expect(caretAfter("kelp", "kelp", 4)).toBe(4);
});
