import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { writeCartridge } from "@/formats/cartridge/write-cartridge";
import { readBrought } from "@/formats/brought/read-brought";
import { writeQti } from "@/formats/qti/write-qti";
import { bytesOf, everythingLesson, outgoingLesson } from "@/formats/testing/outgoing";
import { printTable, readOptions } from "./table";

/** How long a PDF takes to read (`--n` pages), and packages of 200 resources to write; how much memory that needs at most. */
const { n, json } = readOptions({ n: [100] });
const RESOURCES = 200;
const MB = 1_000_000;
const before = Math.round(process.memoryUsage().rss / MB);

const timed = async (work: () => Promise<unknown>): Promise<number> => {
  const at = performance.now();
  await work();
  return Math.round(performance.now() - at);
};
/** As it is sent: piece by piece, none kept. */
async function drain(pieces: AsyncGenerator<Uint8Array>): Promise<number> {
  let size = 0;
  for await (const piece of pieces) size += piece.length;
  return size;
}
let most = 0;
const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50);

const lesson = everythingLesson();
const rows: Record<string, string | number>[] = [];
for (const pages of n) {
  const folder = mkdtempSync(path.join(tmpdir(), "long-pdf-"));
  const file = path.join(folder, "long.pdf");
  const writer = path.join(import.meta.dirname, "long-pdf.ts");
  execFileSync(process.execPath, [...process.execArgv, writer, String(pages), file]);
  const pdf = new Uint8Array(readFileSync(file));
  rmSync(folder, { recursive: true });
  rows.push({
    case: `a PDF of ${pages} pages comes in`,
    p95_ms: await timed(() => readBrought(pdf, "long.pdf")),
    wanted_ms: 10_000,
  });
}
const outgoing = outgoingLesson(lesson);
const [, one] = outgoing.topics[0]!.resources;
const resources = Array.from({ length: RESOURCES }, (_, at) => ({ ...one!, id: `resource-${at}` }));
const large = { ...outgoing, topics: [{ ...outgoing.topics[0]!, resources }] };
rows.push(
  {
    case: `a Common Cartridge of ${RESOURCES} resources goes out`,
    p95_ms: await timed(() => drain(writeCartridge(large, "1.3", bytesOf))),
    wanted_ms: 5000,
  },
  {
    case: `QTI 3.0 of ${RESOURCES} resources goes out`,
    p95_ms: await timed(() => drain(writeQti(large, "3.0", bytesOf))),
    wanted_ms: 5000,
  },
);
clearInterval(watch);
rows.push(
  { case: "memory of the program before it reads or writes anything, in MB", value: before },
  { case: "memory at most, in MB", value: Math.round(most / MB), wanted: 400 },
);
printTable(rows, json);
