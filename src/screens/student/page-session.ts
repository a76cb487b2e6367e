"use client";
import { fromBase64, toBase64 } from "lib0/buffer";
import * as Y from "yjs";
import type { Question, ResponseValue } from "@/core/question/question";
import { readResponse } from "@/core/question/read-response";
import { sharedValue, writeShared } from "@/core/together/shared-page";
import { forgetUnsent, keepUnsent, nameOfUnsent, unsentOf } from "./unsent-changes";
import type { OpenedPage } from "@/server/live/shared-page";

/** What is typed goes out together after this long: the others see it well within half a second. */
const SEND_MS = 150;
const AGAIN_MS = 2_000;
const RESTORE_MS = 5_000;
/** It is no change, the page is not hers, or there is no room on it. */
const refusedForGood: ReadonlySet<number> = new Set([400, 404, 413]);

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
  private readonly visit = Math.random().toString(36).slice(2);
  /** Whether what earlier visits could not send was looked for. */
  private restored = false;
  private restoring: ReturnType<typeof setTimeout> | undefined;
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
      if (found && !this.restored) {
        this.restored = true;
        void this.restore();
      }
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
    return nameOfUnsent(this.of, this.id, this.visit);
  }

  /** What is not sent yet, kept on the device as well. */
  private keep(): string {
    const change = toBase64(Y.mergeUpdates(this.waiting));
    keepUnsent(this.name, change);
    return change;
  }

  /** Sends what earlier visits could not, to the page it was done on. What may be taken later (no network, writing is paused) stays and is tried again. */
  private async restore(): Promise<void> {
    let again = false;
    for (const { name, page, change } of unsentOf(this.of)) {
      if (name.endsWith(`/${this.visit}`)) continue;
      const status = await this.request(change, page, false).then(
        (response) => response.status,
        () => 0,
      );
      if (this.stopped) return;
      if (status === 200 || refusedForGood.has(status)) forgetUnsent(name);
      else if (status !== 401 && status !== 403) again = true;
      if (status === 200 && page === this.id) Y.applyUpdate(this.page, fromBase64(change), "server");
    }
    if (again) this.restoring = setTimeout(() => void this.restore(), RESTORE_MS);
  }

  private async send(): Promise<void> {
    if (this.waiting.length === 0) return;
    const [sent, page] = [this.waiting.length, this.id];
    const [change, name] = [this.keep(), this.name];
    this.sending = true;
    const response = await this.request(change, page, false).catch(() => null);
    this.sending = false;
    // Another page is shared by now: the answer is not about what waits for it.
    if (page === this.id) {
      if (response?.ok) {
        this.waiting = this.waiting.slice(sent);
        if (this.waiting.length === 0) forgetUnsent(name);
      } else if (response && response.status < 500) return this.refused();
    }
    if (this.waiting.length > 0) this.sendSoon(response ? SEND_MS : AGAIN_MS);
  }

  /** Writing was paused a moment ago, or it is over: the page is shown as it is for everybody else. */
  private refused(): void {
    this.waiting = [];
    forgetUnsent(this.name);
    if (this.stopped) return;
    this.open = false;
    this.undoing.destroy();
    this.begin();
    void this.sync();
  }

  private readonly leaving = (): void => {
    if (this.waiting.length === 0) return;
    const [change, name] = [this.keep(), this.name];
    void this.request(change, this.id, true).then(
      ({ status }) => (status === 200 || refusedForGood.has(status)) && forgetUnsent(name),
      () => undefined,
    );
  };

  stop(): void {
    this.leaving();
    this.stopped = true;
    clearTimeout(this.timer);
    clearTimeout(this.restoring);
    window.removeEventListener("pagehide", this.leaving);
    this.undoing.destroy();
    this.page.destroy();
  }
}
