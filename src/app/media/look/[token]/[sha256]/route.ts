import { linkShowsFile, openLink } from "@/server/share/link";
import { route } from "@/server/web/route";
import { sendFile } from "@/server/web/send-file";

/** A file of what a link shows, as long as the link leads there. */
export const GET = route(
  "open a link",
  () => ({}),
  async ({ db, params, request }) => {
    const [token, sha256] = [params.token ?? "", params.sha256 ?? ""];
    const link = await openLink(db, token);
    const shown = link !== null && (await linkShowsFile(db, link, sha256));
    return sendFile(db, shown ? sha256 : "", request);
  },
);
