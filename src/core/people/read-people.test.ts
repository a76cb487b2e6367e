import { isEmail, readPeople } from "./read-people";

describe("a list of people", () => {
  test("with headings in any order, roles with commas, a whole name in one cell", () => {
    const { people, problems } = readPeople([
      ["E-mail", "Name", "Role"],
      ["Ines@Skerry.example", "Ines Halloran", "teacher, curator"],
      ["hollis@skerry.example", "Hollis Gray", "Office"],
    ]);
    expect(problems).toEqual([]);
    expect(people).toEqual([
      {
        line: 2,
        givenName: "Ines",
        familyName: "Halloran",
        email: "ines@skerry.example",
        roles: ["teacher", "curator"],
      },
      { line: 3, givenName: "Hollis", familyName: "Gray", email: "hollis@skerry.example", roles: ["office"] },
    ]);
  });

  test("without headings, and without a role: a teacher", () => {
    expect(readPeople([["Teodor", "Brandt", "teodor@skerry.example"]]).people).toMatchObject([
      { givenName: "Teodor", familyName: "Brandt", roles: ["teacher"] },
    ]);
  });

  test("every bad line is named with its reason, and the good ones are read", () => {
    const { people, problems } = readPeople([
      ["A", "B", "a@b.example"],
      ["", "B", "c@b.example"],
      ["C", "D", "nowhere"],
      ["E", "F", "e@b.example", "king"],
      ["G", "H", "A@B.example"],
      ["", ""],
      ["x".repeat(90), "H", "h@b.example"],
    ]);
    expect(people.map(({ line }) => line)).toEqual([1]);
    expect(problems.map(({ line, text }) => [line, text])).toEqual([
      [2, "A given name and a family name are needed."],
      [3, "“nowhere” is not an e-mail address."],
      [4, "A role is teacher, office or curator."],
      [5, "This address is in line 1 too."],
      [7, "A name is longer than 80 letters."],
    ]);
  });

  test.each([
    ["a@b.example", true],
    ["a b@c.example", false],
    ["a@b", false],
    ["@b.example", false],
    [`${"a".repeat(200)}@b.example`, false],
    ["a@b.example,c@d.example", false],
  ])("%s is an address: %s", (text, is) => expect(isEmail(text)).toBe(is));
});
