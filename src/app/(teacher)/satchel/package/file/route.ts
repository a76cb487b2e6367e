import { writePackage } from "@/formats/package/write-package";
import { bringPackageIn, lookAtPackage } from "@/server/package/bring-in";
import { packMine } from "@/server/package/pack";
import { ActionError } from "@/server/web/act";
import { readKept } from "@/server/files/files";
import { readWithin, UnreadableFile } from "@/server/web/read-file";
import { sendStream } from "@/server/web/send-stream";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

const LARGEST = 100_000_000;
const LIMIT_MS = 60_000;

/** Everything of hers as one zip, written as it is sent. */
export const GET = route(
  "see own satchel",
  () => ({}),
  async ({ db, visitor }) =>
    sendStream(writePackage(await packMine(db, visitor), readKept), {
      name: "my-satchel.zip",
      mime: "application/zip",
    }),
);

/** Takes such a zip. Without `?apply=1` it only says what is in it and what is there already. */
export const POST = route(
  "make resource",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const bytes = new Uint8Array(await request.arrayBuffer());
    if (bytes.length > LARGEST) return refuse(413, "packageTooLarge", { megabytes: 100 });
    try {
      const pack = await readWithin({ limit: LIMIT_MS, signal: request.signal }, "package", bytes);
      const apply = new URL(request.url).searchParams.get("apply") === "1";
      return Response.json(
        apply ? await bringPackageIn(db, visitor, pack, now) : await lookAtPackage(db, visitor, pack),
      );
    } catch (error) {
      if (error instanceof ActionError) return refuse(422, error.problem);
      if (!(error instanceof UnreadableFile)) throw error;
      return refuse(422, "errorNothingChanged", { message: error.message });
    }
  },
);
