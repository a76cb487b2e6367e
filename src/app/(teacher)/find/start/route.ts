import { looking } from "@/server/find/find-page";
import { route } from "@/server/web/route";
import { startData } from "@/server/find/start-page";
import { written } from "@/server/student/written";

/** Find's first page, for anyone who comes back to it. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, now }) => {
    const { reader, assign } = await looking(db, visitor, now);
    return written(await startData(db, reader, assign.classes, now));
  },
);
