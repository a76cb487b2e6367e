"use client";

const PREFIX = "satchel-hand-in-";
const nameOf = (student: number, assignment: number) => `${PREFIX}${student}-${assignment}`;

/** She pressed “Hand it in” without a network: it is handed in as soon as all answers are there. False: this device cannot remember. */
export function handInLater(student: number, assignment: number, attempt: number): boolean {
  try {
    localStorage.setItem(nameOf(student, assignment), String(attempt));
    return true;
  } catch {
    return false;
  }
}

/** Which try of a piece of work is to be handed in later; null: none. */
export function handsInLater(student: number, assignment: number): number | null {
  try {
    const kept = localStorage.getItem(nameOf(student, assignment));
    return kept === null ? null : Number(kept);
  } catch {
    return null;
  }
}

export function handedIn(student: number, assignment: number): void {
  try {
    localStorage.removeItem(nameOf(student, assignment));
  } catch {
    // A device without storage has remembered nothing.
  }
}

/** The pieces of work of one student that are to be handed in, on this device. */
export function toHandIn(student: number): number[] {
  try {
    return Object.keys(localStorage).flatMap((name) =>
      name.startsWith(`${PREFIX}${student}-`) ? [Number(name.split("-").at(-1))] : [],
    );
  } catch {
    return [];
  }
}
