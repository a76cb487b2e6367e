import { fileKindOf, savedName } from "@/core/hand-over/file-kinds";
import { ActionError } from "../web/act";
import { sendStream } from "../web/send-stream";
import type { Gathered } from "./gather";
import { writeFileOf } from "./write-file";
import { refuse } from "../web/refuse";

/** The answer that carries what was gathered, as the kind of file an address asks for (`?as=docx`). */
export async function sendGathered(request: Request, gathered: () => Promise<Gathered>): Promise<Response> {
  const kind = fileKindOf(new URL(request.url).searchParams.get("as"));
  if (!kind) return refuse(400, "noSuchFile");
  try {
    const came = await gathered();
    const { pieces, ending, mime } = await writeFileOf(came, kind);
    return sendStream(pieces, {
      ...{ mime, name: `golden-satchel.${ending}` },
      called: `${savedName(came.outgoing.title)}.${ending}`,
    });
  } catch (error) {
    if (error instanceof ActionError) return refuse(422, error.problem);
    throw error;
  }
}
