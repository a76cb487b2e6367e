import fc from "fast-check";
import { compareEditions, isbn10To13, isbn13To10, readIsbn } from "./edition";

// Check digits: ISO 2108. The pairs are the standard's and the ISBN Users' Manual's own examples, from memory.
describe("International Standard Book Numbers", () => {
  test.each([
    ["0-306-40615-2", "9780306406157"],
    ["99921-58-10-7", "9789992158104"],
    ["0-8044-2957-X", "9780804429573"],
    ["0-943396-04-2", "9780943396040"],
  ])("%s is %s in thirteen digits", (ten, thirteen) => {
    expect(readIsbn(ten)).toEqual({ isbn13: thirteen });
    expect(isbn13To10(thirteen)).toBe(ten.replaceAll("-", ""));
  });

  test("as it is typed: hyphens, spaces, small x, with or without the word", () => {
    for (const typed of ["978-0-306-40615-7", "978 0 306 40615 7", "ISBN 9780306406157", "isbn-13: 978-0306406157"])
      expect(readIsbn(typed)).toEqual({ isbn13: "9780306406157" });
    expect(readIsbn("080442957x")).toEqual({ isbn13: "9780804429573" });
  });

  test("a wrong digit is noticed, and what is no number of a book is none", () => {
    expect(readIsbn("978-0-306-40615-8")).toEqual({ wrong: "9780306406158" });
    expect(readIsbn("0306406153")).toEqual({ wrong: "0306406153" });
    expect(readIsbn("tide table")).toBeNull();
    expect(readIsbn("12345")).toBeNull();
  });

  test("979 has no ten-digit form", () => {
    expect(isbn13To10("9799940100178")).toBeNull();
  });

  test("any one digit typed wrongly is noticed", () => {
    const digits = fc.array(fc.nat(9), { minLength: 9, maxLength: 9 });
    fc.assert(
      fc.property(digits, fc.nat(12), fc.integer({ min: 1, max: 9 }), (nine, place, by) => {
        const right = isbn10To13(`${nine.join("")}0`);
        const wrong = [...right]
          .map((digit, at) => (at === place ? String((Number(digit) + by) % 10) : digit))
          .join("");
        fc.pre(/^97[89]/.test(wrong));
        expect(readIsbn(wrong)).toEqual({ wrong });
      }),
    );
  });
});

describe("editions beside each other", () => {
  test("what differs is marked, what nobody says is left out", () => {
    const rows = compareEditions([
      { work: "The Otter", year: 2011, pages: 64, format: "paperback" },
      { work: "The Otter", year: 2023, pages: 88, format: "paperback", readBy: "Jorun Fairlie" },
    ]);
    expect(rows).toEqual([
      { what: "Year", values: ["2011", "2023"], differs: true },
      { what: "Pages", values: ["64", "88"], differs: true },
      { what: "Format", values: ["paperback", "paperback"], differs: false },
      { what: "Read aloud by", values: ["–", "Jorun Fairlie"], differs: true },
    ]);
  });
});

test("a number within a longer one is none", () => {
  for (const longer of ["97803064061571", "19780306406157", "03064061521", "10306406152"])
    expect(readIsbn(longer)).toBeNull();
});
