import { idFrom, idsFrom } from "./ids";

test("an id is read from an address; what is none is not there", () => {
  expect(idFrom("42")).toBe(42);
  expect(idFrom(["7", "8"])).toBe(7);
  for (const text of ["", "x", "-1", "1.5", "1234567890", null, undefined]) expect(idFrom(text)).toBeUndefined();
});

test("several stand with commas between, each counts once", () => {
  expect(idsFrom("3,1,3,x,,2")).toEqual([3, 1, 2]);
  expect(idsFrom(undefined)).toEqual([]);
});
