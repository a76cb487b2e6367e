import { forTheseFrom } from "@/core/assign/for-these";
import { needFromParameters } from "@/core/find/need";
import type { Missed } from "@/core/results/missed";
import { againAddress, findAddress, readsAt, versionAddress } from "./next-address";

const group: Missed = {
  what: { by: "standard", code: "MA.5.M.2" },
  students: [
    { id: 7, name: "Bo Lind" },
    { id: 9, name: "Mei Tan" },
  ],
  steps: ["s4"],
  standards: ["MA.5.M.2"],
};
const from = { assignment: 31, resource: 12, class: 3 };
const said = (address: string) => new URLSearchParams(address.split("?")[1]);

test("the same steps go to the same children, and it is known what they come after", () => {
  const parameters = said(againAddress(group, from, ["s4"]));
  expect(forTheseFrom(parameters)).toEqual({ class: 3, students: [7, 9], follows: 31, steps: ["s4"] });
  expect([parameters.get("open"), parameters.get("do"), parameters.get("like")]).toEqual(["12", "assign", "31"]);
});

test("another version is assigned whole, and not as the first was", () => {
  const parameters = said(versionAddress(group, from, 15));
  expect(forTheseFrom(parameters)).toMatchObject({ students: [7, 9], follows: 31, steps: null });
  expect([parameters.get("open"), parameters.get("like")]).toEqual(["15", null]);
});

test("Find opens with what is asked for, and what is assigned from there goes to these children", () => {
  const parameters = said(findAddress(group, from, "standard=MA.5.M.2&reads=4&undone=3"));
  const need = needFromParameters(Object.fromEntries(parameters));
  expect(need).toMatchObject({ standards: ["MA.5.M.2"], reads: [4], undone: [3], words: "" });
  expect(forTheseFrom(parameters)).toMatchObject({ students: [7, 9], follows: 31 });
});

test("text for a group is text that the weakest reader can read; of whom nothing is known nothing is asked", () => {
  expect(readsAt(group, { 7: 4.6, 9: 5.2 })).toBe(4);
  expect(readsAt(group, { 9: 5.2 })).toBe(5);
  expect(readsAt(group, {})).toBeNull();
});
