/** At start-up: a locked folder or a failed migration is said before the first visitor comes. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  (await import("./server/web/lost-output")).surviveLostOutput();
  (await import("./server/web/client-address")).noteConnections();
  await (await import("./server/web/start")).start();
}
