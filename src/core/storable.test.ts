import fc from "fast-check";
import { storable } from "./storable";

const half = "\uD83D";

test("what the database refuses is taken out, wherever it is; whole emoji, accents and lists stay", () => {
  expect(storable(`a\0b${half}c🙂é`)).toBe("abc🙂é");
  expect(storable({ "na\0me": [`x${half}`, { deep: "\uDE42y" }], n: 3, gone: null })).toEqual({
    name: ["x", { deep: "y" }],
    n: 3,
    gone: null,
  });
});

test("what is well stays the very same, also what is no text", () => {
  const value = { text: "Tides 🙂", when: new Date(0), list: [1, true, null, { a: "b" }] };
  expect(storable(value)).toBe(value);
});

test("any text at all is well formed afterwards and holds no NUL", () => {
  fc.assert(
    fc.property(fc.string({ unit: "binary" }), fc.array(fc.integer({ min: 0, max: 0xffff })), (text, units) => {
      const after = storable([text, String.fromCharCode(...units)]).join("");
      expect(after.isWellFormed()).toBe(true);
      expect(after).not.toContain("\0");
    }),
  );
});
