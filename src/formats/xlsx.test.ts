import readXlsxFile from "read-excel-file/node";
import { writeXlsx } from "./xlsx";

const read = async (rows: Parameters<typeof writeXlsx>[0]) =>
  readXlsxFile(Buffer.from(await writeXlsx(rows, { name: "Marks: 5 Kittiwake", heads: 1 })));

test("another reader gets numbers, days and text as they were, in every script", async () => {
  const day = new Date(Date.UTC(2026, 10, 19));
  const found = await read([
    ["Student", "Total %", "Due"],
    ["Zoë 李", 66.7, day],
    ["=1+1", 0, null],
  ]);
  expect(found.map(({ data }) => data)).toEqual([
    [
      ["Student", "Total %", "Due"],
      ["Zoë 李", 66.7, day],
      // Text that looks like a formula is not run.
      ["=1+1", 0, null],
    ],
  ]);
});

test("a sheet of nothing is a sheet all the same", async () => {
  await expect(writeXlsx([[]], { name: "", heads: 0 })).resolves.toBeInstanceOf(Uint8Array);
});
