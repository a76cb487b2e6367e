import { whomRules, type Whom } from "./whom";

const student = (id: number, more: Partial<Whom> = {}): Whom => ({
  ...{ id, grade: 4, readingGrade: null, factor: 1, readsAloud: false, languages: ["en"] },
  ...more,
});
const names = (students: Whom[], main = ["en"]) => whomRules(students, [], main).map(({ text }) => text);
const meant = (students: Whom[], text: string, main = ["en"]) =>
  students
    .filter(whomRules(students, [{ name: "Red boats", students: [2] }], main).find((rule) => rule.text === text)!.test)
    .map(({ id }) => id);

describe("whom a version can be given to in one go", () => {
  test("only rules that tell some of them from others are offered, and everyone", () => {
    expect(names([student(1), student(2)])).toEqual(["everyone"]);
    expect(names([student(1, { grade: 4 }), student(2, { grade: 0 })])).toEqual(["grade K", "grade 4", "everyone"]);
    const readers = [student(1, { readingGrade: 3.4 }), student(2, { readingGrade: 4.6 }), student(3)];
    expect(names(readers)).toEqual(["everyone who reads below 4", "everyone"]);
    expect(meant(readers, "everyone who reads below 4")).toEqual([1]);
  });

  test("a child's languages: who reads Arabic gets the Arabic version; what the thing is written in needs no rule", () => {
    const class4 = [student(1, { languages: ["en", "ar"] }), student(2), student(3, { languages: ["ar-EG"] })];
    expect(names(class4)).toContain("everyone who reads Arabic");
    expect(meant(class4, "everyone who reads Arabic")).toEqual([1, 3]);
    expect(names(class4, ["ar"])).toEqual(["everyone who reads English", "everyone"]);
  });

  test("groups, reading aloud and more time", () => {
    const class4 = [student(1, { readsAloud: true }), student(2, { factor: 1.5 })];
    expect(meant(class4, "Red boats")).toEqual([2]);
    expect(meant(class4, "anyone who has things read aloud")).toEqual([1]);
    expect(meant(class4, "anyone with more time")).toEqual([2]);
    expect(meant(class4, "everyone")).toEqual([1, 2]);
  });
});
