import { CaptionsError } from "@/core/media/captions";
import { BroughtError } from "./brought/brought-error";
import { CaseError } from "./case/case";
import { CalendarError } from "./icalendar";
import { RosterError } from "./one-roster";
import { PackageError } from "./package/read-package";

/** What a reader threw: `unreadable` when it said what is wrong with the file, otherwise a fault of the reader itself. */
export type ReaderAnswer = { value: unknown } | { unreadable: string } | { fault: string };

const expected = [BroughtError, CaptionsError, CalendarError, CaseError, PackageError, RosterError];

/** What is said of an error that a reader threw: what our readers say of a file is for the person who sent it. */
export function failed(error: unknown): ReaderAnswer {
  const { message } = error as Error;
  return expected.some((kind) => error instanceof kind) ? { unreadable: message } : { fault: message };
}
