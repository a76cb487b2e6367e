import type { FrameworkFile } from "@/formats/case/case";
import { addEvent } from "@/data/engine/events";
import { frameworkAsItIs } from "@/data/find/frameworks-before";
import { importFramework } from "@/data/find/standards";
import { frameworkTaken, type FrameworkTaken } from "@/server/find/framework-event";
import { readFile, UnreadableFile } from "@/server/web/read-file";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

const LARGEST = 5_000_000;

/** Takes a framework as CASE 1.0 JSON in the body of the request; all of it or nothing. */
export const POST = route(
  "bring in a framework",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const json = await request.text();
    if (json.length > LARGEST) return refuse(413, "tooLarge", { megabytes: 5 });
    try {
      const file = await readFile("framework", json);
      const done = await db.transaction(async (tx) => {
        const before = await frameworkAsItIs(tx, visitor.district, file.uri);
        const taken = await importFramework(tx, file, { district: visitor.district, now });
        const after: FrameworkTaken = { framework: taken.framework, imported: now.toISOString() };
        const event = await addEvent<FrameworkFile | FrameworkTaken | null>(tx, {
          person: visitor.id,
          at: now,
          what: frameworkTaken,
          before,
          after,
        });
        return { ...taken, event };
      });
      const leftOut = [
        ...file.leftOut,
        ...(done.unlinked > 0 ? [`${done.unlinked} relations to frameworks that are not here`] : []),
      ];
      return Response.json({ ...done, name: file.name, statements: file.statements.length, leftOut });
    } catch (error) {
      if (!(error instanceof UnreadableFile)) throw error;
      return refuse(422, "errorNothingChanged", { message: `${error.message}.` });
    }
  },
);
