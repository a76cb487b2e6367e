"use client";
import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import type { Question, ResponseValue } from "@/core/question/question";
import { readResponse } from "@/core/question/read-response";
import { sharedValue, writeShared } from "@/core/together/shared-page";
import type { OpenedPage } from "@/server/live/shared-page";

/** What is typed goes out together after so long: the others see it well within half a second. */
const SEND_MS = 150;
const AGAIN_MS = 2_000;

/**
 * One page that this screen shares with others: as the server has it and what was done here, sent as soon as it can be. Imported
 * only when a page is shared, because of the library.
 */
export class PageSession {
  private page = new Y.Doc();
  private undoing!: Y.UndoManager;
  private waiting: Uint8Array[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending = false;
  private stopped = false;
  /** How often the page was asked for, and which of these times the page shown here comes from. */
  private asked = 0;
  private answered = 0;
  /** Which page it is; null: it was not read yet, or there is none. */
  private id: number | null = null;
  /** Whether what an earlier visit could not send was looked for. */
  private restored = false;
  /** False until the page was read, and when it is over. */
  open = false;
  /** What is answered on it; null: it was not read yet, or there is none. */
  questions: readonly Question[] | null = null;

  constructor(
    private readonly of: {
      assignment: number;
      student: number;
      step: string;
      /** `here`: by this screen itself. */
      changed: (here: boolean) => void;
    },
  ) {
    this.begin();
    void this.sync();
    window.addEventListener("pagehide", this.leaving);
  }

  private get address(): string {
    return `/student/${this.of.assignment}/together`;
  }

  private begin(): void {
    this.page = new Y.Doc();
    this.undoing = new Y.UndoManager(this.page, { trackedOrigins: new Set([this]), captureTimeout: 800 });
    this.page.on("update", (update: Uint8Array, _origin: unknown, _page: unknown, { local }: Y.Transaction) => {
      if (local) {
        this.waiting.push(update);
        this.sendSoon(SEND_MS);
      }
      this.of.changed(local);
    });
  }

  /** What stands on the page, by question; what is not of a question's shape is not there. */
  values(): Record<string, ResponseValue | undefined> {
    return Object.fromEntries(
      (this.questions ?? []).map((question) => [question.id, readResponse(question, sharedValue(this.page, question))]),
    );
  }

  write(question: Question, value: ResponseValue): void {
    if (this.open) writeShared(this.page, question, value, this);
  }

  /** Takes back what was done last on this screen, and leaves what the others did. */
  undo(): void {
    if (this.open) this.undoing.undo();
  }

  redo(): void {
    if (this.open) this.undoing.redo();
  }

  /** A change of somebody else's to a page; null: there is something new to be read. Of a page that was shared before it is not ours. */
  heard({ page, change }: { page: number | null; change: string | null }): void {
    if (change === null || this.id === null) return void this.sync();
    if (page !== null && page !== this.id) return;
    Y.applyUpdate(this.page, fromBase64(change), "server");
  }

  /** Reads the page as the server has it. What was done here and is not there yet is on its way. */
  async sync(): Promise<void> {
    const turn = ++this.asked;
    try {
      const response = await fetch(`${this.address}?step=${encodeURIComponent(this.of.step)}`);
      if (this.stopped) return;
      // A server in trouble says nothing about the page.
      if (response.status >= 500) return;
      const found = response.ok ? ((await response.json()) as OpenedPage | null) : null;
      // Two answers can come the wrong way round: the older one may be about a page that is over.
      if (this.stopped || turn < this.answered) return;
      this.answered = turn;
      this.questions = found?.questions ?? null;
      if (found && this.id !== null && found.id !== this.id) {
        // Another page is shared by now: nothing of this one belongs on it.
        this.leaving();
        this.waiting = [];
        this.undoing.destroy();
        this.begin();
      }
      this.id = found?.id ?? null;
      if (found) {
        this.open = found.open;
        Y.applyUpdate(this.page, fromBase64(found.state), "server");
      }
      if (!this.restored) this.restore();
      this.of.changed(false);
    } catch {
      // Without a network what is here stays here; the line that comes back says that there is something to read.
    }
  }

  private sendSoon(after: number): void {
    if (this.sending || this.stopped) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.send(), after);
  }

  private request(change: string, page: number | null, keepalive: boolean): Promise<Response> {
    return fetch(this.address, {
      method: "POST",
      keepalive,
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ page, step: this.of.step, change }),
    });
  }

  private get name(): string {
    return `shared page ${this.of.student} ${this.of.assignment} ${this.of.step} `;
  }

  /** What is not sent yet stays on the device, as long as it is not: a page that is opened again without a network has it. */
  private keep(): string {
    const change = toBase64(Y.mergeUpdates(this.waiting));
    try {
      localStorage.setItem(`${this.name}${this.id}`, change);
    } catch {
      // Without room it is only in this page.
    }
    return change;
  }

  private forget(page: number | string | null): void {
    try {
      localStorage.removeItem(`${this.name}${page}`);
    } catch {
      // There is no storage: nothing is in it.
    }
  }

  /** What an earlier visit could not send: of this page it is put on it; of another, which was shared before, it is sent to that. */
  private restore(): void {
    this.restored = true;
    let kept: [page: string, change: string][] = [];
    try {
      kept = Object.entries(localStorage as unknown as Record<string, string>)
        .filter(([name]) => name.startsWith(this.name))
        .map(([name, change]) => [name.slice(this.name.length), change]);
    } catch {
      return;
    }
    for (const [page, change] of kept) {
      if (page === String(this.id) && this.open) {
        try {
          const update = fromBase64(change);
          Y.applyUpdate(this.page, update, "kept");
          this.waiting.push(update);
          this.sendSoon(0);
          continue;
        } catch {
          // Half of it was written: there is nothing to be saved.
          this.forget(page);
          continue;
        }
      }
      void this.request(change, Number(page), false).then(
        (response) => response.status < 500 && this.forget(page),
        () => undefined,
      );
    }
  }

  private async send(): Promise<void> {
    if (this.waiting.length === 0) return;
    const [sent, page] = [this.waiting.length, this.id];
    const change = this.keep();
    this.sending = true;
    const response = await this.request(change, page, false).catch(() => null);
    this.sending = false;
    // Another page is shared by now: the answer is not about what waits for it.
    if (page === this.id) {
      if (response?.ok) {
        this.waiting = this.waiting.slice(sent);
        if (this.waiting.length === 0) this.forget(page);
      } else if (response && response.status < 500) return this.refused();
    }
    if (this.waiting.length > 0) this.sendSoon(response ? SEND_MS : AGAIN_MS);
  }

  /** Writing was paused a moment ago, or it is over: the page is shown as it is for everybody else. */
  private refused(): void {
    this.waiting = [];
    this.forget(this.id);
    if (this.stopped) return;
    this.open = false;
    this.undoing.destroy();
    this.begin();
    void this.sync();
  }

  private readonly leaving = (): void => {
    if (this.waiting.length === 0) return;
    const page = this.id;
    void this.request(this.keep(), page, true).then(
      (response) => response.status < 500 && this.forget(page),
      () => undefined,
    );
  };

  stop(): void {
    this.leaving();
    this.stopped = true;
    clearTimeout(this.timer);
    window.removeEventListener("pagehide", this.leaving);
    this.undoing.destroy();
    this.page.destroy();
  }
}
