// Runs in a worker thread (server/web/read-file.ts starts it): one file in, one answer out. Bundled by scripts/build-parts.mjs.
import { parentPort, workerData } from "node:worker_threads";
import { CaptionsError, readCaptions } from "@/core/media/captions";
import { readPeople } from "@/core/people/read-people";
import { readRoster, type RosterField } from "@/core/roster/read-roster";
import { CaseError, readCase } from "./case/case";
import { readTable } from "./csv";
import { CalendarError, readDaysOff } from "./icalendar";
import { readOneRoster, RosterError } from "./one-roster";
import { PackageError, readPackage } from "./package/read-package";

/** Every reader of a file from outside, by what it reads. Each is a plain function and throws when the file is no such file. */
export const readers = {
  captions: readCaptions,
  "days off": readDaysOff,
  framework: readCase,
  package: readPackage,
  roster: readOneRoster,
  "table of students": (text: string, columns?: readonly (RosterField | null)[]) =>
    readRoster(readTable(text), columns),
  "table of people": (text: string) => readPeople(readTable(text)),
};
export type Readers = typeof readers;

/** What a reader threw: `unreadable` when it said what is wrong with the file, otherwise a fault of the reader itself. */
export type ReaderAnswer = { value: unknown } | { unreadable: string } | { fault: string };

const expected = [CaptionsError, CalendarError, CaseError, PackageError, RosterError];

/** Reads one file and says what came of it; never throws. */
export function answerOf(reader: keyof Readers, input: readonly unknown[]): ReaderAnswer {
  try {
    return { value: (readers[reader] as (...input: readonly unknown[]) => unknown)(...input) };
  } catch (error) {
    const { message } = error as Error;
    return expected.some((kind) => error instanceof kind) ? { unreadable: message } : { fault: message };
  }
}

if (workerData?.reader) parentPort!.postMessage(answerOf(workerData.reader, workerData.input));
