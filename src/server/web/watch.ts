import type { Db } from "@/data/engine/db";

/** What is told of, and by which number: "work 12" and "answers 12" are both of assignment 12. */
export type Channel = "work" | "answers" | "lesson" | "place" | "note" | "class" | "pocket" | "page";

interface Watcher {
  heard: (payload: string) => void;
  missed: () => void;
}

/** By database and channel, who watches which number. One LISTEN a process, however many watch. */
const watched = new WeakMap<Db, Map<Channel, { watchers: Map<number, Set<Watcher>>; listening: Promise<unknown> }>>();

/**
 * Calls `heard` with every notice about one number: a payload begins with it. `missed` is called when notices may have been lost.
 * Returns what ends it.
 *
 *     const stop = await watch(db, "answers", assignment, (payload) => …, () => …);
 */
export async function watch(
  db: Db,
  channel: Channel,
  id: number,
  heard: Watcher["heard"],
  missed: Watcher["missed"],
): Promise<() => void> {
  const channels = watched.get(db) ?? new Map<Channel, never>();
  watched.set(db, channels);
  let entry = channels.get(channel);
  if (!entry) {
    const watchers = new Map<number, Set<Watcher>>();
    const listening = db.listen(
      channel,
      (payload) => watchers.get(Number.parseInt(payload, 10))?.forEach((watcher) => watcher.heard(payload)),
      () => watchers.forEach((all) => all.forEach((watcher) => watcher.missed())),
    );
    entry = { watchers, listening };
    channels.set(channel, entry);
    listening.catch(() => channels.delete(channel));
  }
  const { watchers, listening } = entry;
  const watcher = { heard, missed };
  const all = watchers.get(id) ?? new Set<Watcher>();
  watchers.set(id, all.add(watcher));
  await listening;
  return () => {
    all.delete(watcher);
    if (all.size === 0 && watchers.get(id) === all) watchers.delete(id);
  };
}

/** The JSON behind the number a payload begins with; null: there is none. */
export function noticeIn(payload: string): unknown {
  const at = payload.indexOf(" ");
  return at < 0 ? null : JSON.parse(payload.slice(at + 1));
}
