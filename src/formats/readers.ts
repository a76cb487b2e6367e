// Runs in a worker thread (server/web/read-file.ts starts it): one file in, one answer out. Bundled by scripts/build-parts.mjs.
import { parentPort, workerData } from "node:worker_threads";
import { CaptionsError, readCaptions } from "@/core/media/captions";
import { readPeople } from "@/core/people/read-people";
import { readRoster, type RosterField } from "@/core/roster/read-roster";
import { CaseError, readCase } from "./case/case";
import { BroughtError } from "./brought/brought-error";
import { readBrought } from "./brought/read-brought";
import { readTable } from "./csv";
import { CalendarError, readDaysOff } from "./icalendar";
import { readOneRoster, RosterError } from "./one-roster";
import { readRosterAnswers } from "./one-roster-rest";
import { PackageError, readPackage } from "./package/read-package";

/** Every reader of a file from outside, by what it reads. Each is a plain function and throws when the file is no such file. */
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
/** Those that wait for something while they read. */
export const slowReaders = { "a file of hers": readBrought };
export type Readers = typeof readers & typeof slowReaders;

/** What a reader threw: `unreadable` when it said what is wrong with the file, otherwise a fault of the reader itself. */
export type ReaderAnswer = { value: unknown } | { unreadable: string } | { fault: string };

const expected = [BroughtError, CaptionsError, CalendarError, CaseError, PackageError, RosterError];

function failed(error: unknown): ReaderAnswer {
  const { message } = error as Error;
  return expected.some((kind) => error instanceof kind) ? { unreadable: message } : { fault: message };
}

/** Reads one file and says what came of it; never throws. */
export function answerOf(reader: keyof typeof readers, input: readonly unknown[]): ReaderAnswer {
  try {
    return { value: (readers[reader] as (...input: readonly unknown[]) => unknown)(...input) };
  } catch (error) {
    return failed(error);
  }
}

/** The same for a reader that waits. */
export async function slowAnswerOf(reader: keyof typeof slowReaders, input: readonly unknown[]): Promise<ReaderAnswer> {
  try {
    return { value: await (slowReaders[reader] as (...input: readonly unknown[]) => Promise<unknown>)(...input) };
  } catch (error) {
    return failed(error);
  }
}

const asked = workerData as { reader?: keyof Readers; input: readonly unknown[] } | undefined;
if (asked?.reader) {
  const { reader, input } = asked;
  void (async () =>
    parentPort!.postMessage(
      reader in slowReaders ? await slowAnswerOf(reader as never, input) : answerOf(reader as never, input),
    ))();
}
