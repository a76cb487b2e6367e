import { storable } from "@/core/storable";
import type { ResponseValue } from "@/core/question/question";
import { sendKeptFiles } from "../offline/kept-files";

/** A try of one student at one piece of work, on this device. */
export interface AnswerPlace {
  student: number;
  assignment: number;
  recipient: number;
  /** Which try, from 1. */
  number: number;
}

/** An answer the server has not confirmed yet. `at`: when it was written, on this device's clock. */
export interface WaitingAnswer {
  key: string;
  question: string;
  value: ResponseValue;
  at: number;
}

/**
 * What came of sending. "kept": nothing waits any more. "kept aside": it was over, the teacher decides. "waiting": no network,
 * it is tried again. The others say why it is no use trying; what was written stays on the device.
 */
export type SendState = "kept" | "kept aside" | "waiting" | "signed out" | "called back" | "handed in" | "not open";

export interface Sent {
  state: SendState;
  /** Answers to the same questions that were written later elsewhere: they count, and are to be shown. */
  newer: Record<string, ResponseValue>;
}

/** How many earlier answers to one question are named: one of them has arrived, or none has. */
const MOST_BEFORE = 4;
const PREFIX = "satchel-answers-";
const KEEPALIVE_LIMIT = 60_000;

const nameOf = ({ student, assignment, recipient, number }: AnswerPlace) =>
  `${PREFIX}${student}-${assignment}-${recipient}-${number}`;

/** The places of one student where answers wait on this device. */
export function waitingPlaces(student: number): AnswerPlace[] {
  try {
    return Object.keys(localStorage).flatMap((name) => {
      if (!name.startsWith(`${PREFIX}${student}-`)) return [];
      const [, assignment, recipient, number] = name.slice(PREFIX.length).split("-").map(Number);
      return assignment && recipient && number ? [{ student, assignment, recipient, number }] : [];
    });
  } catch {
    return [];
  }
}

const refusedBecause: Record<number, SendState> = { 401: "signed out", 403: "signed out", 404: "called back" };

/**
 * The answers of one place that wait. Each is written to the device the moment it is given, and leaves it only when the server
 * has said that it is kept. Each is settled by its own key: one that was changed meanwhile goes on waiting.
 */
export class AnswerQueue {
  private waiting: WaitingAnswer[];
  private sending: Promise<Sent> | null = null;
  /** False: this device has no room for what waits. */
  remembered = true;
  /** By question, the keys of the answers that were on their way before, the latest last. */
  private readonly gone = new Map<string, string[]>();

  constructor(readonly place: AnswerPlace) {
    this.waiting = this.read();
  }

  private read(): WaitingAnswer[] {
    try {
      const stored: unknown = JSON.parse(localStorage.getItem(nameOf(this.place)) ?? "[]");
      return Array.isArray(stored) ? (stored as WaitingAnswer[]) : [];
    } catch {
      return [];
    }
  }

  private write(): void {
    try {
      if (this.waiting.length > 0) localStorage.setItem(nameOf(this.place), JSON.stringify(this.waiting));
      else localStorage.removeItem(nameOf(this.place));
      this.remembered = true;
    } catch {
      // A device without room still sends; it only cannot remember over a closed lid, which is told.
      this.remembered = false;
    }
  }

  get items(): readonly WaitingAnswer[] {
    return this.waiting;
  }

  /** The answer replaces what waits for the same question. Returns its key. */
  add(question: string, value: ResponseValue): WaitingAnswer {
    const item = { key: crypto.randomUUID(), question, value: storable(value), at: Date.now() };
    this.waiting = [...this.waiting.filter((one) => one.question !== question), item];
    this.write();
    return item;
  }

  /** The answers to the same question that left before this one, which now leaves too. It was written after them, however they travelled. */
  leave(question: string, key: string): string[] {
    const before = (this.gone.get(question) ?? []).filter((one) => one !== key);
    this.gone.set(question, [...before, key].slice(-MOST_BEFORE));
    return before;
  }

  /** These need not be sent any more. */
  settle(keys: Iterable<string>): void {
    const settled = new Set(keys);
    this.waiting = this.waiting.filter(({ key }) => !settled.has(key));
    this.write();
  }

  /** Sends all that waits, after what is being sent already. */
  async send(): Promise<Sent> {
    while (this.sending) await this.sending;
    this.sending = this.sendOnce().finally(() => (this.sending = null));
    return this.sending;
  }

  private async sendOnce(): Promise<Sent> {
    const { assignment, recipient, number } = this.place;
    if (this.waiting.length === 0) return { state: "kept", newer: {} };
    const now = Date.now();
    // How long ago, and not when: a device whose clock is wrong does no harm.
    const items = this.waiting.map(({ at, ...item }) => ({
      ...item,
      age: Math.max(0, Math.round(now - at)),
      after: this.leave(item.question, item.key),
    }));
    const body = JSON.stringify({ recipient, number, items });
    try {
      if (!(await sendKeptFiles())) return { state: "waiting", newer: {} };
      const response = await fetch(`/student/${assignment}/responses`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body,
        // Goes on while the page closes; browsers allow that for small bodies only.
        keepalive: body.length < KEEPALIVE_LIMIT,
      });
      if (response.status === 409) {
        const { why } = (await response.json()) as { why?: SendState };
        return { state: why ?? "not open", newer: {} };
      }
      const refused = refusedBecause[response.status];
      if (refused) return { state: refused, newer: {} };
      if (!response.ok) throw new Error(String(response.status));
      const answer = (await response.json()) as {
        kept: string[];
        refused: string[];
        late: boolean;
        newer: Record<string, ResponseValue>;
      };
      this.settle([...answer.kept, ...answer.refused]);
      const state = this.waiting.length > 0 ? "waiting" : answer.late ? "kept aside" : "kept";
      // What is being written here right now is newer still.
      const newer = Object.entries(answer.newer).filter(
        ([id]) => !this.waiting.some(({ question }) => question === id),
      );
      return { state, newer: Object.fromEntries(newer) };
    } catch {
      return { state: "waiting", newer: {} };
    }
  }
}
