import Papa from "papaparse";
import { writeCsv } from "./csv";

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
