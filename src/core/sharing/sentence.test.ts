import { readShare, startShare, type ShareForm } from "./sentence";

const start: ShareForm = { shelf: "staffroom", grades: [4], subjects: ["science"] };

test("it starts with the narrowest shelf, and all the grades and subjects of what is shared", () => {
  const form = startShare([
    { grades: [4, 5], subjects: ["reading"] },
    { grades: [5, 6], subjects: ["mathematics", "reading"] },
  ]);
  expect(form).toEqual({ shelf: "staffroom", grades: [4, 5, 6], subjects: ["mathematics", "reading"] });
});

test.each([
  ["staffroom grades 4-5 maths", { shelf: "staffroom", grades: [4, 5], subjects: ["mathematics"] }],
  [
    "the district shelf for grade 3 in reading, writing and art",
    { shelf: "district", grades: [3], subjects: ["reading", "writing", "art"] },
  ],
  ["commons", { shelf: "commons", grades: [4], subjects: ["science"] }],
  ["my school k-2", { shelf: "staffroom", grades: [0, 1, 2], subjects: ["science"] }],
  ["", start],
])("“%s” is read, and what it does not say stays", (typed, form) => {
  expect(readShare(typed, start)).toEqual({ form, left: [] });
});

test("words that mean nothing change nothing and are told", () => {
  expect(readShare("staffrum grade 4 algebra", start)).toEqual({ form: start, left: ["staffrum", "algebra"] });
});
