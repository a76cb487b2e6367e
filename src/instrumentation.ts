/** At start-up: open the database, so that a locked folder or a failed migration is said before the first visitor. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { database } = await import("./server/database");
  try {
    const db = await database();
    const stop = () => void db.close().finally(() => process.exit(0));
    process.once("SIGTERM", stop);
    process.once("SIGINT", stop);
  } catch (error) {
    console.error((error as Error).message);
    process.exit(1);
  }
}
