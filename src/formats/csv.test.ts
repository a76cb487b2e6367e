import Papa from "papaparse";
import { readTable, writeCsv } from "./csv";

describe("CSV (RFC 4180)", () => {
  test("lines end with CR LF; commas, quotes and new lines are quoted", () => {
    expect(
      writeCsv([
        ["Name", "Says"],
        ["Mei", 'high, "low"\nand back'],
      ]),
    ).toBe('\uFEFFName,Says\r\nMei,"high, ""low""\nand back"\r\n');
  });

  test("an independent reader gets the same cells back", () => {
    const rows = [
      ["Sunniva", "¿Cuándo?", 2.5],
      ["Odd", "", 0],
    ];
    const { data } = Papa.parse<string[]>(writeCsv(rows).slice(1), { skipEmptyLines: true });
    expect(data).toEqual(rows.map((row) => row.map(String)));
  });

  test("what a child writes is never run as a formula", () => {
    for (const typed of ["=1+1", "+1", "-1", "@x", "\tx"]) expect(writeCsv([[typed]])).toContain(`'${typed}`);
  });

  test("a number stays a number, also below nought", () => {
    expect(writeCsv([[-3]])).toBe("\uFEFF-3\r\n");
  });
});

describe("a table that was pasted", () => {
  test("from a spreadsheet has tabs between cells, and commas stay in them", () => {
    expect(readTable("Bello, Aisha\t5\r\nTideman, Bo\t4")).toEqual([
      ["Bello, Aisha", "5"],
      ["Tideman, Bo", "4"],
    ]);
  });
  test("from a file may have commas or semicolons, quotes and a byte-order mark", () => {
    expect(readTable('\uFEFFName;Grade\n"Bello; Aisha";5')).toEqual([
      ["Name", "Grade"],
      ["Bello; Aisha", "5"],
    ]);
    expect(readTable('Name,Grade\n"High, ""low""",5')[1]).toEqual(['High, "low"', "5"]);
  });
  test("keeps its empty lines, so that what is said about a line is said about the right one", () => {
    expect(readTable("A\tB\n\nC\tD")).toHaveLength(3);
  });
});
