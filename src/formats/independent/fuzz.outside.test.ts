import { readFileSync } from "node:fs";
import { documentReport } from "@/core/report/document-report";
import { writeCartridge } from "../cartridge/write-cartridge";
import { writeDocx } from "../docx/write-docx";
import { writeEpub } from "../epub/write-epub";
import { writePdf } from "../pdf/write-pdf";
import { writePptx } from "../pptx/write-pptx";
import { writeQti } from "../qti/write-qti";
import { slowAnswerOf } from "../slow-readers";
import { allOf, bytesOf, everyQuestion, everythingLesson, outgoingLesson } from "../testing/outgoing";

// 10,000 files that were changed by chance: each is read or refused in words, in bounded time, and leaves nothing behind.

const FILES = 10_000;
const LIMIT_MS = 5000;

/** The same files each time: mulberry32, a published generator of 32 bits (from memory). */
function random(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Changes some bytes, cuts it off, doubles a part or takes one out. */
function changed(bytes: Uint8Array, next: () => number): Uint8Array {
  const at = () => Math.floor(next() * bytes.length);
  switch (Math.floor(next() * 4)) {
    case 0: {
      const made = Uint8Array.from(bytes);
      for (let count = 1 + Math.floor(next() * 20); count > 0; count -= 1) made[at()] = Math.floor(next() * 256);
      return made;
    }
    case 1:
      return bytes.slice(0, at());
    case 2: {
      const [from, to] = [at(), at()].toSorted((one, other) => one - other) as [number, number];
      return Uint8Array.from(Buffer.concat([bytes.subarray(0, to), bytes.subarray(from)]));
    }
    default: {
      const [from, to] = [at(), at()].toSorted((one, other) => one - other) as [number, number];
      return Uint8Array.from(Buffer.concat([bytes.subarray(0, from), bytes.subarray(to)]));
    }
  }
}

test("10,000 changed files: no crash, no leak, no unbounded time", async () => {
  // A few questions are enough: small files are changed where it matters.
  const outgoing = outgoingLesson(everythingLesson(everyQuestion().slice(0, 6)));
  const [, lesson] = outgoing.topics[0]!.resources;
  const report = documentReport(lesson!.document, { author: "Ines", forTeacher: true, pictures: new Map() });
  const text = (words: string) => new TextEncoder().encode(words);
  const files: [string, Uint8Array][] = [
    ["a.docx", await writeDocx(report)],
    ["a.pptx", await writePptx(report)],
    ["a.pdf", await writePdf(report)],
    ["a.epub", await allOf(writeEpub(lesson!, outgoing.files, bytesOf))],
    ["a.imscc", await allOf(writeCartridge(outgoing, "1.3", bytesOf))],
    ["qti.zip", await allOf(writeQti(outgoing, "3.0", bytesOf))],
    ["tides.pptx", new Uint8Array(readFileSync("demo/files/tides.pptx"))],
    ["tides.csv", new Uint8Array(readFileSync("demo/files/tide-questions.csv"))],
    [
      "a.html",
      text("<h1>Tides</h1><p>High <b>water</b></p><ul><li>ebb</li></ul><table><tr><td>4:12</td></tr></table>"),
    ],
    ["a.md", text("# Tides\n\n- ebb\n- flood\n\n| a | b |\n|---|---|\n| 1 | 2 |\n")],
    ["a.vtt", text("WEBVTT\n\n00:01.000 --> 00:03.000\nThe tide goes out.\n")],
  ];
  const next = random(22);
  const before = process.memoryUsage().heapUsed;
  const faults: string[] = [];
  let longest = 0;
  let read = 0;
  for (let nth = 0; nth < FILES; nth += 1) {
    const [name, bytes] = files[nth % files.length]!;
    const began = performance.now();
    const answer = await slowAnswerOf([changed(bytes, next), name]);
    longest = Math.max(longest, performance.now() - began);
    if ("value" in answer) read += 1;
    if ("fault" in answer) faults.push(`${nth} ${name}: ${answer.fault}`);
  }
  global.gc?.();
  const grown = (process.memoryUsage().heapUsed - before) / 1_000_000;
  console.log(JSON.stringify({ files: FILES, read, longest_ms: Math.round(longest), grown_mb: Math.round(grown) }));
  expect(faults.slice(0, 10)).toEqual([]);
  expect(longest).toBeLessThan(LIMIT_MS);
  expect(read).toBeGreaterThan(100);
  expect(grown).toBeLessThan(200);
}, 1_800_000);
