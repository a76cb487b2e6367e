import { leaveOut } from "./leave-out";
import { onceEach } from "./once";
import { plainForm } from "./plain-form";

test("a child of two classes gets it once, in the first; a class nobody is left of goes", () => {
  expect(
    onceEach([
      { class: 1, students: [3, 4] },
      { class: 2, students: [4, 5] },
      { class: 3, students: [3, 5] },
    ]),
  ).toEqual([
    { class: 1, students: [3, 4] },
    { class: 2, students: [5] },
  ]);
});

test("of several things one is left out with its versions; the only one stays, and so does what is not among them", () => {
  const form = { ...plainForm({ resources: [1, 2], to: [] }, { opens: { kind: "now" } }) };
  const versions = [
    { of: 1, resource: 11, student: 3 },
    { of: 2, resource: 12, student: 4 },
  ];
  expect(leaveOut({ ...form, versions }, 2)).toEqual([
    { text: "Leave it out", change: { resources: [1], versions: [versions[0]] } },
  ]);
  expect(leaveOut({ ...form, versions }, 9)).toEqual([]);
  expect(leaveOut({ ...form, resources: [2] }, 2)).toEqual([]);
});
