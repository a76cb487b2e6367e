import { route } from "@/server/web/route";
import { sendFile } from "@/server/web/send-file";

/** A stored file. Anyone who knows its SHA-256 has seen a document that shows it. */
export const GET = route(
  "see a file",
  () => ({}),
  ({ db, params, request }) => sendFile(db, params.sha256 ?? "", request),
);
