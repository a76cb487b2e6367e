import { idFrom } from "@/core/ids";
import { broughtBefore } from "@/data/adapt/brought-files";
import { lookAtFile, makeFromFile, proposeFromFile, readChoices } from "@/server/brought/bring-file";
import { ActionError } from "@/server/web/act";
import { permit } from "@/server/web/permissions";
import { readWithin, UnreadableFile } from "@/server/web/read-file";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

const LARGEST = 100_000_000;
const LIMIT_MS = 60_000;

/**
 * Takes a file of hers: `?name=` what it is called. Without `as` it only says what is in it, page by page; with `?as=0013` it makes a
 * resource of it, a digit for each page: a step, part of the step before, my notes, left out. With `into=` what changed in it is proposed to the
 * resource that was made of it before.
 */
export const POST = route(
  "make resource",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length > LARGEST) return refuse(413, "broughtTooLarge", { megabytes: 100 });
    const asked = new URL(request.url).searchParams;
    const name = (asked.get("name") ?? "").slice(0, 300);
    const [as, into] = [asked.get("as"), idFrom(asked.get("into"))];
    try {
      const brought = await readWithin({ limit: LIMIT_MS, signal: request.signal }, "a file of hers", bytes, name);
      if (as === null) return Response.json(lookAtFile(brought, await broughtBefore(db, visitor.id, name)));
      // She pressed Stop while it was read.
      if (request.signal.aborted) return new Response(null, { status: 499 });
      const choices = readChoices(as);
      if (into === undefined) return Response.json(await makeFromFile(db, visitor, { name, brought, choices }, now));
      if (!(await permit(db, visitor, "edit resource", { resource: into }, now))) throw new ActionError("notThere");
      return Response.json(await proposeFromFile(db, visitor, into, { brought, choices }, now));
    } catch (error) {
      if (error instanceof ActionError) return refuse(422, error.problem);
      if (!(error instanceof UnreadableFile)) throw error;
      return refuse(422, "errorNothingBrought", { message: error.message });
    }
  },
);
