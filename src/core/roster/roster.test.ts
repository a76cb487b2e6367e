import { pictureSecret, PicturePassword } from "../student/pictures";
import { groupSizes, makeGroups, type Apart, type GroupStudent } from "./groups";
import { readGrade, readRoster } from "./read-roster";
import { newSecret, secretsOf, wordSecret } from "./secret";
import { signInName, typable } from "./sign-in-name";

const table = (text: string) => text.split("\n").map((line) => line.split("\t"));

describe("a pasted roster", () => {
  test("with headings in any order", () => {
    const read = readRoster(table("Year\tSurname\tFirst name\tStudent ID\n5\tBello\tAisha\tA17\nK\tTideman\tBo\tB2"));
    expect(read.columns).toEqual(["grade", "family name", "given name", "id"]);
    expect(read.students).toEqual([
      expect.objectContaining({ line: 2, givenName: "Aisha", familyName: "Bello", grade: 5, rosterId: "A17" }),
      expect.objectContaining({ line: 3, givenName: "Bo", familyName: "Tideman", grade: 0, rosterId: "B2" }),
    ]);
    expect(read.problems).toEqual([]);
  });

  test("without headings: names, and a grade wherever it stands", () => {
    expect(readRoster(table("Aisha\tBello\t5\nBo\tTideman\t4")).columns).toEqual([
      "given name",
      "family name",
      "grade",
    ]);
    const names = readRoster(table("Aisha Bello\nTideman, Bo\nMei Lin Wu"));
    expect(names.students.map(({ givenName, familyName }) => `${givenName}|${familyName}`)).toEqual([
      "Aisha|Bello",
      "Bo|Tideman",
      "Mei Lin|Wu",
    ]);
  });

  test("more time and the language at home", () => {
    const [student] = readRoster(table("Name\tExtra time\tHome language\nAisha Bello\t150 %\tes")).students;
    expect(student).toMatchObject({ factor: 1.5, homeLanguage: "es" });
    const named = readRoster(table("Name\tHome language\nAisha Bello\tSpanish\nBo Tideman\t\nMei Wu\tElvish!"));
    expect(named.students.map(({ homeLanguage }) => homeLanguage)).toEqual(["es", null]);
    expect(named.problems).toEqual([
      expect.objectContaining({ line: 4, text: expect.stringContaining("not a language we know") as string }),
    ]);
  });

  test("what she reads at and her languages; what is neither is named with its line", () => {
    const read = readRoster(
      table(
        "Name\tReading level\tLanguages\nAisha Bello\t4,5\tSpanish; en\nBo Tideman\t\t\nMei Wu\tB2\t\nNils Berg\t3\tQuenya!",
      ),
    );
    expect(read.students.map(({ readingGrade, languages }) => [readingGrade, languages])).toEqual([
      [4.5, ["es", "en"]],
      [null, null],
    ]);
    expect(read.problems.map(({ line, text }) => [line, text])).toEqual([
      [4, "“B2” is not a reading grade from 0 to 15."],
      [5, "“Quenya!” is not a language we know: write es, or Spanish."],
    ]);
  });

  test.each([
    ["Aisha\t\t5", "There is no family name."],
    ["\tBello\t5", "There is no given name."],
    ["Aisha\tBello\t15", "“15” is not a grade from K to 12."],
    ["12\t34\t5", "A name has no letters."],
    [`${"A".repeat(90)}\tBello\t5`, "A name is longer than 80 letters."],
  ])("the line %j is listed with the reason, and the others are read", (bad, reason) => {
    const read = readRoster(table(`Given name\tFamily name\tGrade\n${bad}\nBo\tTideman\t4`));
    expect(read.problems).toEqual([expect.objectContaining({ line: 2, text: reason })]);
    expect(read.students).toHaveLength(1);
  });

  test("the same student twice is said with both lines", () => {
    const read = readRoster(table("Aisha\tBello\t5\nBo\tTideman\t5\naisha\tbello\t5"));
    expect(read.problems).toEqual([expect.objectContaining({ line: 3, text: "The same name is on line 1 already." })]);
  });

  test("of 600 lines with 12 bad ones, 588 are read and 12 named", () => {
    const lines = Array.from({ length: 600 }, (_, at) =>
      at % 50 === 7 ? `Child${at}\t\t5` : `Child ${String.fromCharCode(97 + (at % 26))}\tFamily${at}\t${at % 6}`,
    );
    const read = readRoster(table(`First name\tLast name\tGrade\n${lines.join("\n")}`));
    expect([read.students.length, read.problems.length]).toEqual([588, 12]);
    expect(new Set([...read.students, ...read.problems].map(({ line }) => line)).size).toBe(600);
  });

  test("nothing is nothing", () => {
    expect(readRoster([])).toMatchObject({ students: [], problems: [] });
    expect(readRoster(table("\n\n"))).toMatchObject({ students: [], problems: [] });
  });

  test.each([
    ["K", 0],
    ["Grade 5", 5],
    ["05", 5],
    ["3rd", 3],
    ["Year 7", 7],
    ["13", null],
    ["five", null],
  ])("%j is grade %s", (text, grade) => {
    expect(readGrade(text)).toBe(grade);
  });
});

describe("names to sign in with", () => {
  test("are typed on any keyboard", () => {
    expect(typable("Åse-Marie Ødegård")).toBe("ase-marie-odegard");
    expect(typable("O’Neill")).toBe("oneill");
    expect(typable("张伟")).toBe("");
  });
  test("are readable, and no two are the same", () => {
    const taken = new Set<string>();
    for (const expected of ["aisha.bello", "aisha.bello2", "aisha.bello3"]) {
      const name = signInName({ givenName: "Aisha", familyName: "Bello" }, taken);
      expect(name).toBe(expected);
      taken.add(name);
    }
  });
  test("exist for every name, whatever its script and length", () => {
    expect(signInName({ givenName: "伟", familyName: "张" }, new Set())).toBe("boat2");
    const long = signInName({ givenName: "Bartholomew", familyName: "Featherstonehaugh-Cholmondeley" }, new Set());
    expect(long.length).toBeLessThanOrEqual(24);
    expect(long).toMatch(/^[a-z0-9.-]+$/);
  });
});

describe("passwords a child remembers", () => {
  let seed = 1;
  const random = (below: number) => (seed = (seed * 48271) % 2147483647) % below;
  test("are two words or three pictures, none twice", () => {
    for (let at = 0; at < 100; at += 1) {
      const words = newSecret("words", random);
      expect(new Set(words).size).toBe(2);
      for (const word of words) expect(word).toMatch(/^[a-z]{3,8}$/);
      expect(PicturePassword.safeParse(newSecret("pictures", random)).success).toBe(true);
    }
    expect(pictureSecret(newSecret("pictures", random)).split(" ")).toHaveLength(3);
  });
  test("are the same however they are typed", () => {
    for (const typed of ["kelp lantern", "Kelp Lantern", " kelp-lantern ", "KELP   LANTERN"])
      expect(wordSecret(typed)).toBe("kelp lantern");
  });
  test("are many enough for ten tries a quarter of an hour", () => {
    expect(secretsOf("words")).toBeGreaterThan(10_000);
    expect(secretsOf("pictures")).toBeGreaterThan(1_000);
  });
});

describe("groups", () => {
  let seed = 5;
  const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
  const students: GroupStudent[] = Array.from({ length: 22 }, (_, at) => ({
    id: at + 1,
    readingGrade: at === 21 ? null : 2 + at / 5,
    lastResult: at / 22,
  }));
  const mean = (group: number[]) =>
    group.reduce((sum, id) => sum + (students[id - 1]!.readingGrade ?? 0), 0) / group.length;

  test("differ by one student at most", () => {
    expect(groupSizes(22, 4)).toEqual([6, 6, 5, 5]);
    expect(groupSizes(3, 3)).toEqual([1, 1, 1]);
  });

  test("by reading: alike together, the unmeasured last", () => {
    const { groups } = makeGroups(students, 4, "by reading", [], random);
    expect(groups[0]).toEqual(expect.arrayContaining([1, 2, 3, 4, 5, 6]));
    expect(groups[3]).toContain(22);
  });

  test("mixed: the groups read about the same", () => {
    const measured = students.slice(0, 20);
    const { groups } = makeGroups(measured, 4, "mixed reading", [], random);
    const means = groups.map(mean);
    expect(Math.max(...means) - Math.min(...means)).toBeLessThan(0.3);
  });

  test("everybody is in one group, and those who must not be together are not, on a hundred draws", () => {
    const apart: Apart[] = [
      [1, 2],
      [1, 3],
      [2, 3],
      [4, 5],
      [6, 7],
    ];
    for (let at = 0; at < 100; at += 1) {
      const rule = (["at random", "by reading", "mixed reading", "by last result"] as const)[at % 4]!;
      const { groups, together } = makeGroups(students, 3 + (at % 4), rule, apart, random);
      expect(groups.flat().sort((one, other) => one - other)).toEqual(students.map(({ id }) => id));
      expect(together).toEqual([]);
      const sizes = groups.map((group) => group.length);
      expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
    }
  });

  test("where there are too few groups, the pairs left together are said", () => {
    const three = students.slice(0, 3);
    const { together } = makeGroups(
      three,
      2,
      "at random",
      [
        [1, 2],
        [1, 3],
        [2, 3],
      ],
      random,
    );
    expect(together).toHaveLength(1);
  });
});
