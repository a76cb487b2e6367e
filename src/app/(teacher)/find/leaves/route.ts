import { alsoBlanks, needFromParameters } from "@/core/find/need";
import { chosenClass } from "@/server/classes/chosen-class";
import { leavesOf } from "@/server/find/find";
import { readerOf } from "@/server/find/reader";
import { route } from "@/server/web/route";
import { refuse } from "@/server/web/refuse";

/** What each choice of one blank would leave: asked when the blank is opened. */
export const GET = route(
  "find resources",
  () => ({}),
  async ({ db, visitor, now, request }) => {
    const parameters = Object.fromEntries(new URL(request.url).searchParams);
    const blank = alsoBlanks.find((one) => one === parameters.blank);
    if (!blank) return refuse(400, "noSuchBlank");
    const [reader, { classes }] = await Promise.all([readerOf(db, visitor), chosenClass(db, visitor, now)]);
    const need = needFromParameters(parameters);
    return Response.json({ choices: await leavesOf(db, reader, need, blank, { classes, now }) });
  },
);
