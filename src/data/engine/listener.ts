/** A connection that hears notices; `lost` is called once when it is gone. */
export interface NoticeConnection {
  listen(channel: string): Promise<void>;
  close(): Promise<void>;
}
export type ConnectForNotices = (on: {
  notice: (channel: string, payload: string) => void;
  lost: () => void;
}) => Promise<NoticeConnection>;

interface Hearer {
  heard: (payload: string) => void;
  missed?: () => void;
}

const FIRST_PAUSE_MS = 250;
const LONGEST_PAUSE_MS = 15_000;

/**
 * Hears notices (LISTEN) on one connection, for as long as the process lives. When the connection is lost it makes another,
 * listens to the same channels again, and tells everyone that something may have been missed. LISTEN commands are sent one
 * after another, and nobody is told that she is listening before she is.
 */
export class Listener {
  private readonly hearers = new Map<string, Set<Hearer>>();
  private connection: Promise<NoticeConnection> | undefined;
  private commands: Promise<unknown> = Promise.resolve();
  private closed = false;

  /** `pause`: waits this many milliseconds before the next try to connect. */
  constructor(
    private readonly connect: ConnectForNotices,
    private readonly pause: (ms: number) => Promise<unknown> = (ms) => new Promise((done) => setTimeout(done, ms)),
  ) {}

  /** `missed` is called after the connection was away: notices may have been sent that nobody heard. */
  async listen(channel: string, heard: (payload: string) => void, missed?: () => void): Promise<() => void> {
    const hearer = { heard, missed };
    const all = this.hearers.get(channel) ?? new Set<Hearer>();
    this.hearers.set(channel, all.add(hearer));
    this.connection ??= this.connected(0);
    // A connection lost in between listens to all channels again when it is back.
    this.commands = this.commands.then(async () => (await this.connection!).listen(channel)).catch(() => undefined);
    await this.commands;
    return () => void all.delete(hearer);
  }

  /** Tries until there is a connection: after `wait`, then ever more slowly, every quarter of a minute at last. */
  private async connected(wait: number): Promise<NoticeConnection> {
    while (!this.closed) {
      if (wait > 0) await this.pause(wait);
      wait = Math.min(LONGEST_PAUSE_MS, Math.max(FIRST_PAUSE_MS, wait * 2));
      try {
        const connection = await this.connect({
          notice: (channel, payload) => {
            for (const { heard } of this.hearers.get(channel) ?? []) heard(payload);
          },
          lost: () => void this.connectAgain(),
        });
        for (const channel of this.hearers.keys()) await connection.listen(channel);
        return connection;
      } catch {
        // Still away.
      }
    }
    throw new Error("The database has been closed.");
  }

  private async connectAgain(): Promise<void> {
    if (this.closed) return;
    const again = this.connected(FIRST_PAUSE_MS);
    this.connection = again;
    await again.catch(() => undefined);
    if (this.closed || this.connection !== again) return;
    for (const hearers of this.hearers.values()) for (const { missed } of hearers) missed?.();
  }

  async close(): Promise<void> {
    this.closed = true;
    const connection = await Promise.race([this.connection?.catch(() => undefined), this.pause(FIRST_PAUSE_MS)]);
    await (connection as NoticeConnection | undefined)?.close().catch(() => undefined);
  }
}
