import { subscribe } from "node:diagnostics_channel";
import type { Server, ServerResponse } from "node:http";

interface Open {
  responses: Set<ServerResponse>;
  servers: Set<Server>;
  stopping: boolean;
}
// One for the whole process, however many bundles of this module there are.
const holder = globalThis as { goldenSatchelOpenRequests?: Open };

/**
 * How long a connection nobody asks on stays open: longer than the minute for which proxies and browsers keep theirs. The side that closes first should be the one
 * who asks; a request that meets a connection just closed comes back as an error.
 */
const KEPT_MS = 75_000;

/** Counts what is asked and not yet answered, from the first line of a request to the last byte of its answer. Once a process. */
export function watchRequests(): void {
  if (holder.goldenSatchelOpenRequests) return;
  const { responses, servers }: Open = (holder.goldenSatchelOpenRequests = {
    ...{ responses: new Set<ServerResponse>(), servers: new Set<Server>(), stopping: false },
  });
  subscribe("http.server.request.start", (message) => {
    const { response, server } = message as { response: ServerResponse; server: Server };
    if (!servers.has(server)) server.keepAliveTimeout = KEPT_MS;
    servers.add(server);
    responses.add(response);
    response.once("close", () => responses.delete(response));
  });
}

/** Live updates stay open for as long as somebody looks: nobody waits for their end. */
const isLive = (response: ServerResponse) =>
  String(response.getHeader("content-type") ?? "").startsWith("text/event-stream");

export const unanswered = (): number =>
  [...(holder.goldenSatchelOpenRequests?.responses ?? [])].filter((response) => !isLive(response)).length;

/** Whether the process has been told to stop: whatever shares requests out sends no more here. */
export const isStopping = (): boolean => holder.goldenSatchelOpenRequests?.stopping ?? false;
export function announceStop(): void {
  if (holder.goldenSatchelOpenRequests) holder.goldenSatchelOpenRequests.stopping = true;
}
/** Takes no new connections from now on. */
export function closeDoors(): void {
  for (const server of holder.goldenSatchelOpenRequests?.servers ?? []) server.close();
}

const MOST_SECONDS = 120;
/**
 * For how long a process that is told to stop goes on taking requests while /healthz says that it stops: STOP_DRAIN_SECONDS, 0 where nothing
 * shares requests out. @throws Error when it is no number of seconds
 */
export function drainSeconds(environment: NodeJS.ProcessEnv = process.env): number {
  const said = environment.STOP_DRAIN_SECONDS;
  if (said === undefined || said === "") return 0;
  if (!/^\d{1,3}$/.test(said) || Number(said) > MOST_SECONDS)
    throw new Error(`STOP_DRAIN_SECONDS is "${said}": it must be a number up to ${MOST_SECONDS}.`);
  return Number(said);
}

const LOOK_MS = 50;
/** A connection that was taken just before the stop may bring its request only now. */
const QUIET_LOOKS = 6;

/** Waits until everybody has an answer and nothing new has come for a moment, at most `limit` milliseconds. Whether it came to that. */
export async function everybodyAnswered(limit: number): Promise<boolean> {
  const until = Date.now() + limit;
  for (let quiet = 0; quiet < QUIET_LOOKS; quiet = unanswered() === 0 ? quiet + 1 : 0) {
    if (Date.now() > until) return false;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
  return true;
}
