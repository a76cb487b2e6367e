// Runs in a worker thread (server/web/read-file.ts starts it): one file in, one answer out. Bundled by scripts/build-parts.mjs.
import { parentPort, workerData } from "node:worker_threads";
import { readCaptions } from "@/core/media/captions";
import { readPeople } from "@/core/people/read-people";
import { readRoster, type RosterField } from "@/core/roster/read-roster";
import type { readBrought } from "./brought/read-brought";
import { readCase } from "./case/case";
import { readTable } from "./csv";
import { readDaysOff } from "./icalendar";
import { readOneRoster } from "./one-roster";
import { readRosterAnswers } from "./one-roster-rest";
import { readPackage } from "./package/read-package";
import { failed, type ReaderAnswer } from "./reader-answer";

/** Every quick reader of a file from outside, by what it reads. Each is a plain function and throws when the file is no such file. */
export const readers = {
  captions: readCaptions,
  "days off": readDaysOff,
  framework: readCase,
  package: readPackage,
  roster: readOneRoster,
  "a directory's answers": readRosterAnswers,
  "table of students": (text: string, columns?: readonly (RosterField | null)[]) =>
    readRoster(readTable(text), columns),
  "table of people": (text: string) => readPeople(readTable(text)),
};
/** All there are: what reads slides and documents needs so many packages that it is a part of its own, slow-readers.ts. */
export type Readers = typeof readers & { "a file of hers": typeof readBrought };

/** Reads one file and says what came of it; never throws. */
export function answerOf(reader: keyof typeof readers, input: readonly unknown[]): ReaderAnswer {
  try {
    return { value: (readers[reader] as (...input: readonly unknown[]) => unknown)(...input) };
  } catch (error) {
    return failed(error);
  }
}

const asked = workerData as { reader?: keyof typeof readers; input: readonly unknown[] } | undefined;
if (asked?.reader) parentPort!.postMessage(answerOf(asked.reader, asked.input));
