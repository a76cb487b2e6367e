// Like readers.ts, for what a teacher brings in: slides, documents, books. Loading its packages takes most of a second.
import { parentPort, workerData } from "node:worker_threads";
import { readBrought } from "./brought/read-brought";
import { failed, type ReaderAnswer } from "./reader-answer";

/** Reads a file of hers and says what came of it; never throws. */
export async function slowAnswerOf(input: readonly unknown[]): Promise<ReaderAnswer> {
  try {
    return { value: await readBrought(...(input as Parameters<typeof readBrought>)) };
  } catch (error) {
    return failed(error);
  }
}

const asked = workerData as { reader?: string; input: readonly unknown[] } | undefined;
if (asked?.reader) void slowAnswerOf(asked.input).then((answer) => parentPort!.postMessage(answer));
