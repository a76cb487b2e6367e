// Reads the PDFs named first and writes packages, in a process of its own that has loaded nothing else; says how long it took and how much memory, as JSON.
// formats.bench.ts bundles it, as the readers are bundled for the application.
import { readFileSync } from "node:fs";
import { readBrought } from "@/formats/brought/read-brought";
import { writeCartridge } from "@/formats/cartridge/write-cartridge";
import { writeQti } from "@/formats/qti/write-qti";
import { bytesOf, everythingLesson, outgoingLesson } from "@/formats/testing/outgoing";

export interface Measured {
  /** Milliseconds, for each file. */
  read: number[];
  cartridge: number;
  qti: number;
  /** Megabytes. */
  before: number;
  most: number;
}

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

const before = Math.round(process.memoryUsage().rss / 1_000_000);
const read: number[] = [];
for (const file of process.argv.slice(2)) {
  const pdf = new Uint8Array(readFileSync(file));
  read.push(await timed(() => readBrought(pdf, "long.pdf")));
}
const outgoing = outgoingLesson(everythingLesson());
const [, one] = outgoing.topics[0]!.resources;
const resources = Array.from({ length: RESOURCES }, (_, at) => ({ ...one!, id: `resource-${at}` }));
const large = { ...outgoing, topics: [{ ...outgoing.topics[0]!, resources }] };
const cartridge = await timed(() => drain(writeCartridge(large, "1.3", bytesOf)));
const qti = await timed(() => drain(writeQti(large, "3.0", bytesOf)));
// The system itself notes the most it ever was, in KB.
const most = Math.round((process.resourceUsage().maxRSS * 1024) / 1_000_000);
console.log(JSON.stringify({ read, cartridge, qti, before, most } satisfies Measured));
