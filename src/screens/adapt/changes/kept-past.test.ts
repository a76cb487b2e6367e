import type { Document } from "@/core/resource/document";
import { lessonOf } from "@/core/resource/testing/documents";
import { newStep } from "@/core/resource/edit";
import { richText } from "@/core/content/rich-text";
import { hasPast, keepPast } from "./kept-past";
import { readPast } from "./read-past";

const stored = new Map<string, string>();
let full = false;
beforeAll(() => {
  Object.defineProperty(globalThis, "sessionStorage", {
    configurable: true,
    value: {
      getItem: (key: string) => stored.get(key) ?? null,
      setItem: (key: string, value: string) => {
        if (full) throw new DOMException("full", "QuotaExceededError");
        stored.set(key, value);
      },
      removeItem: (key: string) => void stored.delete(key),
    },
  });
});
beforeEach(() => {
  stored.clear();
  full = false;
});
afterAll(() => void Reflect.deleteProperty(globalThis, "sessionStorage"));

let n = 0;
const lesson = (title: string, words = ""): Document =>
  lessonOf(
    words
      ? [
          newStep("en", "A step", () => `s${(n += 1)}`, [
            { id: `t${(n += 1)}`, type: "text", text: { en: richText(words) } },
          ]),
        ]
      : [],
    { title: { en: title } },
  );
const [first, second, third] = [lesson("first"), lesson("second"), lesson("third")];
const titles = (documents: readonly Document[]) => documents.map(({ title }) => title.en);

describe("what undo and redo go through, over a reload", () => {
  test("comes back for the very document it was kept for", () => {
    keepPast(7, { past: [first, second], now: third, future: [first] });
    expect([hasPast(7), hasPast(8)]).toEqual([true, false]);
    const read = readPast(7, third)!;
    expect([titles(read.past), titles(read.future)]).toEqual([["first", "second"], ["first"]]);
  });

  test("comes back whatever the order of keys the database returns them in", () => {
    keepPast(7, { past: [first], now: third, future: [] });
    const shuffled = Object.fromEntries(Object.entries(third).reverse()) as unknown as Document;
    expect(titles(readPast(7, shuffled)!.past)).toEqual(["first"]);
  });

  test("is not taken up for another resource, or when the document was changed elsewhere meanwhile", () => {
    keepPast(7, { past: [first], now: third, future: [] });
    expect(readPast(8, third)).toBeNull();
    expect(readPast(7, second)).toBeNull();
  });

  test("keeps the newest where there is not room for all", () => {
    const long = Array.from({ length: 12 }, (_, at) =>
      lesson(`state ${at}`, Array(24).fill("word ".repeat(2_000)).join("\n\n")),
    );
    keepPast(7, { past: long, now: third, future: [] });
    const read = readPast(7, third)!;
    expect(read.past.length).toBeGreaterThan(3);
    expect(read.past.length).toBeLessThan(12);
    expect(titles(read.past).at(-1)).toBe("state 11");
    expect([...stored.values()].join("").length).toBeLessThan(2_100_000);
  });

  test("with nothing to undo or redo, nothing is kept", () => {
    keepPast(7, { past: [first], now: third, future: [] });
    keepPast(7, { past: [], now: third, future: [] });
    expect(stored.size).toBe(0);
    expect(readPast(7, third)).toBeNull();
  });

  test.each(["{", "null", '{"now":"x"}', '{"now":3,"past":[],"future":[]}'])(
    "%s, put there by somebody else, is nothing to go back to",
    (junk) => {
      stored.set("satchel-past-7", junk);
      expect(readPast(7, third)).toBeNull();
    },
  );

  test("a document in it that is none any more is nothing to go back to", () => {
    keepPast(7, { past: [first], now: third, future: [] });
    stored.set("satchel-past-7", stored.get("satchel-past-7")!.replace('"kind":"lesson"', '"kind":"spell"'));
    expect(readPast(7, third)).toBeNull();
  });

  test("on a device without room undo begins anew, and nothing else happens", () => {
    full = true;
    expect(() => keepPast(7, { past: [first], now: third, future: [] })).not.toThrow();
    expect(readPast(7, third)).toBeNull();
  });
});
