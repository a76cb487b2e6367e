import { lookAtFile, makeFromFile, readChoices } from "@/server/brought/bring-file";
import { ActionError } from "@/server/web/act";
import { readWithin, UnreadableFile } from "@/server/web/read-file";
import { route } from "@/server/web/route";

const LARGEST = 45_000_000;
const LIMIT_MS = 60_000;

/**
 * Takes a file of hers: `?name=` what it is called. Without `as` it only says what is in it, page by page; with `?as=0013` it makes a
 * resource of it, a digit for each page: a step, part of the step before, my notes, left out.
 */
export const POST = route(
  "make resource",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length > LARGEST)
      return Response.json({ problem: "This file is larger than 45 MB. Nothing was brought in." }, { status: 413 });
    const asked = new URL(request.url).searchParams;
    try {
      const brought = await readWithin(LIMIT_MS, "a file of hers", bytes, (asked.get("name") ?? "").slice(0, 300));
      const as = asked.get("as");
      return Response.json(
        as === null ? lookAtFile(brought) : await makeFromFile(db, visitor, brought, readChoices(as), now),
      );
    } catch (error) {
      if (error instanceof ActionError) return Response.json({ problem: error.message }, { status: 422 });
      if (!(error instanceof UnreadableFile)) throw error;
      return Response.json({ problem: `${error.message} Nothing was brought in.` }, { status: 422 });
    }
  },
);
