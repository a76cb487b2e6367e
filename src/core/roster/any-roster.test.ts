import { changesNothing, planImport, unsaid, type Present, type Roster } from "./import-plan";

/** What must hold for any roster and any class: bringing it in once more changes nothing. */
let seed = 77;
const random = (below: number) => {
  seed = (seed * 48271) % 2147483647;
  return seed % below;
};

function after(present: Present, roster: Roster): Present {
  const plan = planImport(roster, present);
  let next = 1 + Math.max(0, ...present.students.map(({ id }) => id), ...present.classes.map(({ id }) => id));
  const students: Record<string, number> = { ...plan.known.students };
  const classes: Record<string, number> = { ...plan.known.classes };
  const added = plan.addStudents.map(({ key, ...student }) => {
    students[key] = next;
    return { id: next++, ...student };
  });
  const addedClasses = plan.addClasses.map(({ key, rosterId, name }) => {
    classes[key] = next;
    return { id: next++, rosterId, name };
  });
  const left = new Set(plan.leave.map((one) => `${one.class} ${one.student}`));
  return {
    students: [
      ...present.students.map((one) => ({ ...one, ...plan.changeStudents.find(({ id }) => id === one.id) })),
      ...added,
    ],
    classes: [...present.classes, ...addedClasses],
    enrolments: [
      ...present.enrolments.filter((one) => !left.has(`${one.class} ${one.student}`)),
      ...plan.enrol.map((one) => ({
        class: classes[one.class]!,
        student: students[one.student]!,
        from: one.from,
        to: one.to,
        now: true,
      })),
    ],
  };
}

test("on a hundred rosters, each brought in twice, the second time nothing changes and nobody is there twice", () => {
  let present: Present = { students: [], classes: [], enrolments: [] };
  for (let round = 0; round < 100; round += 1) {
    const students = Array.from({ length: random(20) }, (_, at) => {
      const number = random(40);
      return {
        key: `u${number}-${at}`,
        rosterId: `u${number}`,
        givenName: `Given${random(5)}`,
        familyName: `Family${number}`,
        grade: random(6),
        ...unsaid,
        readingGrade: [null, 3, 4.5][random(3)]!,
        languages: [null, ["es"], ["ar", "en"]][random(3)]!,
      };
    }).filter((one, at, all) => all.findIndex(({ rosterId }) => rosterId === one.rosterId) === at);
    const classes = [0, 1, 2].map((nth) => ({
      key: `c${nth}`,
      rosterId: `c${nth}`,
      name: `Class ${nth}`,
      subject: "",
      gradeFrom: 0,
      gradeTo: 5,
      homeroom: false,
    }));
    const roster: Roster = {
      students,
      classes,
      enrolments: students.map(({ key }) => ({ class: `c${random(3)}`, student: key, from: null, to: null })),
      over: [],
      goneStudents: [],
      whole: random(2) === 0,
    };
    present = after(present, roster);
    expect(changesNothing(planImport(roster, present))).toBe(true);
    const ids = present.students.flatMap(({ rosterId }) => rosterId ?? []);
    expect(new Set(ids).size).toBe(ids.length);
    const places = present.enrolments.map((one) => `${one.class} ${one.student}`);
    expect(new Set(places).size).toBe(places.length);
  }
});
