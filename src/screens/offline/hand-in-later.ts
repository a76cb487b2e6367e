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

/** What one student has on this device to be handed in: the piece of work, and which try of it. */
export function toHandIn(student: number): { assignment: number; number: number }[] {
  try {
    return Object.keys(localStorage).flatMap((name) => {
      if (!name.startsWith(`${PREFIX}${student}-`)) return [];
      const assignment = Number(name.split("-").at(-1));
      const number = handsInLater(student, assignment);
      return number ? [{ assignment, number }] : [];
    });
  } catch {
    return [];
  }
}
