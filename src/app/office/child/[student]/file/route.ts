import { noteLook, studentAt } from "@/data/keep/about-child";
import { childFile } from "@/server/keep/child-file";
import { schoolOf } from "@/server/office/school-of";
import { numberFrom, route } from "@/server/web/route";
import { sendStream } from "@/server/web/send-stream";
import { refuse } from "@/server/web/refuse";

/** Everything about a child of the school, as a zip. */
export const GET = route(
  "keep the school's people",
  () => ({}),
  async ({ db, visitor, now, params }) => {
    const student = numberFrom(params, "student");
    const name = await studentAt(db, schoolOf(visitor), student);
    if (name === undefined) return refuse(404, "nothingHere");
    await noteLook(db, { student, by: visitor.id, what: "everything, as a file", at: now });
    return sendStream(childFile(db, student), { name: "everything-about-a-child.zip", mime: "application/zip" });
  },
);
