import type { AssignForm } from "./form";

type To = AssignForm["to"];

/**
 * Each student once, in the first of the classes she was chosen in; a class nobody is left of goes.
 * `onceEach([{ class: 1, students: [3, 4] }, { class: 2, students: [3] }])` gives `[{ class: 1, students: [3, 4] }]`.
 */
export function onceEach(to: To): To {
  const met = new Set<number>();
  return to
    .map((one) => ({
      ...one,
      students: one.students.filter((student) => {
        const first = !met.has(student);
        met.add(student);
        return first;
      }),
    }))
    .filter(({ students }) => students.length > 0);
}
