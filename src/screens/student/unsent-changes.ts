"use client";

/** A step of a piece of work, and whose it is: several children may use one device. */
export interface SharedStep {
  student: number;
  assignment: number;
  step: string;
}

/** What was done on a shared page and did not reach the server. */
export interface UnsentChange {
  /** What it is kept under. */
  name: string;
  page: number;
  /** A Yjs update in base64. */
  change: string;
}

const prefixOf = ({ student, assignment, step }: SharedStep) =>
  `shared-page/${student}/${assignment}/${encodeURIComponent(step)}/`;

/** `visit`: each visit keeps its own, and overwrites no other's. */
export const nameOfUnsent = (of: SharedStep, page: number | null, visit: string) => `${prefixOf(of)}${page}/${visit}`;

/** Keeps it on the device until it is sent: a page that is opened again has it. Without room it is only in the page. */
export function keepUnsent(name: string, change: string): void {
  try {
    localStorage.setItem(name, change);
  } catch {
    // The page goes on trying to send it.
  }
}

export function forgetUnsent(name: string): void {
  try {
    localStorage.removeItem(name);
  } catch {
    // There is no storage: nothing is in it.
  }
}

/** What earlier visits could not send, of this page and of others shared before. */
export function unsentOf(of: SharedStep): UnsentChange[] {
  try {
    return Object.keys(localStorage)
      .filter((name) => name.startsWith(prefixOf(of)))
      .map((name) => ({
        name,
        page: Number(name.slice(prefixOf(of).length).split("/")[0]),
        change: localStorage.getItem(name) ?? "",
      }));
  } catch {
    return [];
  }
}
