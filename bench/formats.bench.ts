import { documentReport } from "@/core/report/document-report";
import { writeCartridge } from "@/formats/cartridge/write-cartridge";
import { readBrought } from "@/formats/brought/read-brought";
import { writePdf } from "@/formats/pdf/write-pdf";
import { writeQti } from "@/formats/qti/write-qti";
import { bytesOf, everythingLesson, outgoingLesson } from "@/formats/testing/outgoing";
import { printTable, readOptions } from "./table";

/** How long a PDF takes to read (`--n` pages), and packages of 200 resources to write; how much memory that needs at most. */
const { n, json } = readOptions({ n: [100] });
const RESOURCES = 200;

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
const report = documentReport(lesson, { author: "Ines Halloran", forTeacher: true, pictures: new Map() });
const rows: Record<string, string | number>[] = [];
for (const pages of n) {
  const [section] = report.sections.slice(1);
  const sections = Array.from({ length: pages }, () => ({ ...section!, goesOn: false }));
  const pdf = await writePdf({ ...report, sections });
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
rows.push({ case: "memory at most, in MB", value: Math.round(most / 1_000_000), wanted: 400 });
printTable(rows, json);
